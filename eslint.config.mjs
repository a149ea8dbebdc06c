import withoutLayout from 'eslint-config-prettier'
import a11y from 'eslint-plugin-vuejs-accessibility'
import withNuxt from './.nuxt/eslint.config.mjs'

export default withNuxt(
  // All but the pages and components is read by oxlint (.oxlintrc.json).
  { ignores: ['**/*.{ts,js,mjs}'] },
  ...a11y.configs['flat/recommended'],
  {
    files: ['**/*.vue'],
    rules: {
      eqeqeq: 'error',
      'no-console': ['error', { allow: ['error'] }],
      'vue/multi-word-component-names': 'off',
      // Vue 3.5 keeps destructured props reactive; defaults are written there.
      'vue/require-default-prop': 'off',
      'vuejs-accessibility/label-has-for': ['error', { required: { some: ['nesting', 'id'] } }],
      '@typescript-eslint/unified-signatures': 'off',
    },
  },
  withoutLayout,
)
