import pluginVue from 'eslint-plugin-vue'
import tseslint from 'typescript-eslint'

/** Fields of the API that are sentences. */
const SENTENCE = '/^(message|says|derivation|effect)$/'

export default tseslint.config(
  { ignores: ['dist', 'src/api/generated'] },
  ...tseslint.configs.recommended,
  ...pluginVue.configs['flat/recommended'],
  {
    files: ['**/*.vue'],
    languageOptions: { parserOptions: { parser: tseslint.parser } },
  },
  {
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      'max-lines': ['error', { max: 320, skipBlankLines: true, skipComments: true }],
      // A sentence is for reading: code goes by `rule`, `key` and `values`.
      'no-restricted-syntax': [
        'error',
        {
          selector: `CallExpression[callee.property.name=/^(includes|startsWith|endsWith|split|match|indexOf|replace|replaceAll|search)$/][callee.object.property.name=${SENTENCE}]`,
          message: 'Do not take a sentence apart; use the rule, key or values of the message.',
        },
        {
          selector: `BinaryExpression[operator=/^[!=]==?$/] > MemberExpression[property.name=${SENTENCE}]`,
          message: 'Do not compare sentences; use the rule, key or values of the message.',
        },
      ],
      'vue/max-attributes-per-line': 'off',
      'vue/singleline-html-element-content-newline': 'off',
      'vue/html-self-closing': 'off',
      'vue/html-indent': 'off',
      'vue/html-closing-bracket-newline': 'off',
      'vue/first-attribute-linebreak': 'off',
      'vue/multiline-html-element-content-newline': 'off',
    },
  },
)
