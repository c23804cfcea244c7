import tseslint from 'typescript-eslint'
import vue from 'eslint-plugin-vue'

export default tseslint.config(
  { ignores: ['node_modules/', '.nuxt/', '.output/', '.cache/', 'coverage/'] },
  ...tseslint.configs.recommended,
  ...vue.configs['flat/essential'],
  { files: ['**/*.vue'], languageOptions: { parserOptions: { parser: tseslint.parser } } },
  {
    rules: {
      'vue/multi-word-component-names': 'off',
      '@typescript-eslint/no-non-null-assertion': 'off',
      'no-console': 'error',
      'eqeqeq': 'error',
      'prefer-const': 'error',
    },
  },
  // Prettier breaks lines; these say where a text or a comment is left too long.
  { files: ['**/*.ts', '**/*.mjs'], rules: { 'max-len': ['error', { code: 120 }] } },
  {
    files: ['**/*.vue'],
    rules: {
      'vue/max-len': [
        'error',
        { code: 120, template: 120, ignoreHTMLAttributeValues: true, ignoreHTMLTextContents: true },
      ],
    },
  },
  { files: ['scripts/**', 'tests/**'], rules: { 'no-console': 'off' } },
  { files: ['**/*.cjs'], rules: { '@typescript-eslint/no-require-imports': 'off' } },
)
