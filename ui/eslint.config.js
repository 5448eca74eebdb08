import { readdirSync } from 'node:fs'
import pluginVue from 'eslint-plugin-vue'
import tseslint from 'typescript-eslint'

/** Fields of the API that are sentences. */
const SENTENCE = '/^(message|says|derivation|effect)$/'

/**
 * Which layer may import which, from the top: app, features, components, model, api and shared. A feature knows no other feature; where one
 * shows a part of another (the plan beside a sheet), app registers that part as a component for all.
 */
const FEATURES = readdirSync(new URL('./src/features', import.meta.url))
const forbid = (files, group, message) => ({
  files,
  rules: { 'no-restricted-imports': ['error', { patterns: [{ group, message }] }] },
})
const layers = [
  forbid(
    ['src/shared/**'],
    [
      '@/app/*',
      '@/features/*',
      '@/components/*',
      '@/model/*',
      '@/api/client',
      '**/../app/**',
      '**/../features/**',
      '**/../model/**',
    ],
    'shared stands below everything and imports nothing of ours but types.',
  ),
  forbid(
    ['src/api/**'],
    [
      '@/app/*',
      '@/features/*',
      '@/components/*',
      '@/model/*',
      '**/../app/**',
      '**/../features/**',
      '**/../model/**',
    ],
    'api stands below the model.',
  ),
  forbid(
    ['src/model/**'],
    ['@/app/*', '@/features/*', '@/components/*', '**/../app/**', '**/../features/**', '**/../components/**'],
    'The model knows no screen.',
  ),
  forbid(
    ['src/components/**'],
    ['@/app/*', '@/features/*', '**/../app/**', '**/../features/**'],
    'A component for all features knows none of them.',
  ),
  ...FEATURES.map((feature) =>
    forbid(
      [`src/features/${feature}/**`],
      [
        '@/app/*',
        '**/../app/**',
        ...FEATURES.filter((other) => other !== feature).flatMap((other) => [
          `@/features/${other}/*`,
          `**/../${other}/**`,
        ]),
      ],
      'Features know neither each other nor the app; what several need goes to model or components.',
    ),
  ),
]

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
  ...layers,
)
