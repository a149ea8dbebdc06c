import withoutLayout from 'eslint-config-prettier'
import vue from 'eslint-plugin-vue'
import a11y from 'eslint-plugin-vuejs-accessibility'
import * as typescript from '@typescript-eslint/parser'

/** Templates. Scripts, those of components too, are read by oxlint (.oxlintrc.json). */
export default [
  { ignores: ['**/*.{ts,js,mjs}', '.*/**'] },
  ...vue.configs['flat/recommended'],
  ...a11y.configs['flat/recommended'],
  {
    files: ['**/*.vue'],
    languageOptions: { parserOptions: { parser: typescript } },
    rules: {
      'vue/eqeqeq': 'error',
      'vue/multi-word-component-names': 'off',
      // Vue 3.5 keeps destructured props reactive; defaults are written there.
      'vue/require-default-prop': 'off',
      'vuejs-accessibility/label-has-for': ['error', { required: { some: ['nesting', 'id'] } }],
    },
  },
  withoutLayout,
]
