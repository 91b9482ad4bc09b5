import js from '@eslint/js'
import prettier from 'eslint-config-prettier'
import vue from 'eslint-plugin-vue'
import globals from 'globals'
import ts from 'typescript-eslint'

const browserGlobals = globals.browser
const nodeGlobals = globals.node

export default ts.config(
  { ignores: ['**/dist/**', '**/node_modules/**', 'var/**', 'coverage/**', '**/*.d.mts'] },
  js.configs.recommended,
  ...ts.configs.recommended,
  ...vue.configs['flat/recommended'],
  prettier,
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
    },
  },
  {
    files: ['**/*.ts', '**/*.vue'],
    languageOptions: {
      parserOptions: { parser: ts.parser, extraFileExtensions: ['.vue'], sourceType: 'module' },
    },
    rules: {
      '@typescript-eslint/consistent-type-imports': 'error',
      'no-restricted-exports': ['error', { restrictDefaultExports: { direct: false } }],
      eqeqeq: 'error',
    },
  },
  {
    files: ['packages/core/src/**/*.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              regex: '^(?!\\.{1,2}/|yup$)',
              message: 'Core imports its own files and Yup, nothing else. Pass what it needs as an argument.',
            },
          ],
        },
      ],
      'no-restricted-syntax': [
        'error',
        {
          selector: "CallExpression[callee.object.name='Date'][callee.property.name='now']",
          message: 'Core reads no clock: take the day as an argument.',
        },
        {
          selector: "NewExpression[callee.name='Date'][arguments.length=0]",
          message: 'Core reads no clock: take the day as an argument.',
        },
        {
          selector: "CallExpression[callee.object.name='Math'][callee.property.name='random']",
          message: 'Core is pure: take random numbers as an argument.',
        },
        { selector: 'ExportDefaultDeclaration', message: 'Core has named exports only.' },
      ],
    },
  },
  {
    files: ['packages/core/src/**/*.test.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              regex: '^(?!\\.{1,2}/|vitest$|fast-check$|simple-statistics$|ml-regression-theil-sen$)',
              message: 'Tests of core use its own files and the independent libraries they check it against.',
            },
          ],
        },
      ],
    },
  },
  {
    files: ['packages/web/**/*.{ts,vue}'],
    languageOptions: { globals: browserGlobals },
    rules: {
      'vue/multi-word-component-names': 'error',
      'vue/require-default-prop': 'off',
      'vue/component-api-style': ['error', ['script-setup']],
      'no-restricted-globals': [
        'error',
        { name: 'localStorage', message: 'Patients’ data lives in the queue of the phone only.' },
      ],
      'no-restricted-syntax': [
        'error',
        {
          selector: 'TSInterfaceDeclaration[id.name=/Answer$/], TSTypeAliasDeclaration[id.name=/Answer$/]',
          message: 'What the API answers stands in packages/contract: import its type.',
        },
        {
          selector: "CallExpression[callee.name='fetch']:not(ArrowFunctionExpression > CallExpression)",
          message: 'Ask by the name of the route: shared/api/asking.ts.',
        },
      ],
    },
  },
  {
    files: ['packages/server/**/*.ts', '**/*.mjs', 'scripts/**', 'tests/**', 'bench/**', '*.js', '*.cjs'],
    languageOptions: { globals: { ...nodeGlobals, ...browserGlobals } },
  },
)
