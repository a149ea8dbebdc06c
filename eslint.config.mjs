import prettier from 'eslint-config-prettier'
import a11y from 'eslint-plugin-vuejs-accessibility'
import withNuxt from './.nuxt/eslint.config.mjs'

const IMPURE = 'The core has no clock and no randomness of its own: pass it in.'

export default withNuxt(
  { ignores: ['server/db/migrations/**'] },
  {
    files: ['core/**/*.ts'],
    ignores: ['core/**/*.test.ts'],
    rules: {
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: IMPURE },
        { object: 'Math', property: 'random', message: IMPURE },
      ],
      'no-restricted-syntax': [
        'error',
        { selector: 'NewExpression[callee.name="Date"][arguments.length=0]', message: IMPURE },
      ],
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'navigator',
        'localStorage',
        'process',
        'Buffer',
        'console',
      ],
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              regex:
                '^(vue|vue-router|pinia|nuxt|h3|#imports|#app|#components|@vueuse|primevue|@primevue|drizzle-orm|@libsql|node:)',
              message: 'The core has no framework, page, database or Node API.',
            },
          ],
        },
      ],
    },
  },
  ...a11y.configs['flat/recommended'],
  {
    files: ['**/*.{ts,vue}'],
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
  { files: ['bench/**'], rules: { 'no-console': 'off' } },
  prettier,
)
