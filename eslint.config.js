import regexp from 'eslint-plugin-regexp';
import reactHooks from 'eslint-plugin-react-hooks';
import globals from 'globals';
import tseslint from 'typescript-eslint';
import js from '@eslint/js';

const inheritedNames = {
  selector: "BinaryExpression[operator='in'][left.type!='Literal'][left.type!='PrivateIdentifier']",
  message: 'A name may be one that every object inherits: use own or isOwn.',
};

export default tseslint.config(
  { ignores: ['**/dist/**', '.tsbuild/**', '.local/**', 'node_modules/**', 'test-results/**', 'playwright-report/**'] },
  js.configs.recommended,
  { files: ['**/*.{js,mjs}'], languageOptions: { globals: globals.node } },
  {
    files: ['**/*.{ts,tsx}'],
    extends: [tseslint.configs.recommendedTypeChecked, tseslint.configs.stylisticTypeChecked],
    languageOptions: {
      parserOptions: {
        // All packages as one program: by those of the packages, the core would be read and checked once for each that uses it.
        project: './tsconfig.lint.json',
        tsconfigRootDir: import.meta.dirname,
      },
    },
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/switch-exhaustiveness-check': 'error',
      'max-lines-per-function': ['error', { max: 80, skipComments: true, skipBlankLines: true }],
      eqeqeq: 'error',
      'no-restricted-syntax': ['error', inheritedNames],
    },
  },
  {
    files: ['**/*.{ts,tsx,js,mjs}'],
    plugins: { regexp },
    // A regular expression that backtracks lets one long line of text hold the whole server.
    rules: {
      'regexp/no-super-linear-backtracking': ['error', { report: 'potential' }],
      'regexp/no-super-linear-move': ['error', { report: 'potential' }],
    },
  },
  {
    files: ['packages/server/src/**/*.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        inheritedNames,
        ...['Identifier.arguments', 'MemberExpression.callee > Identifier.object'].map((use) => ({
          selector: `CallExpression[callee.name='transact'] CallExpression > ${use}[name=/^(db|store)$/]`,
          message: 'Within a transaction, ask through the transaction: the pool has no answer until it ends.',
        })),
      ],
    },
  },
  {
    files: ['**/*.tsx'],
    plugins: { 'react-hooks': reactHooks },
    rules: reactHooks.configs.recommended.rules,
  },
  {
    files: ['**/*.test.{ts,tsx}', 'e2e/**'],
    // A suite of tests is a list, not logic.
    rules: { 'max-lines-per-function': 'off' },
  },
  {
    files: ['e2e/**'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: "CallExpression[callee.property.name='waitForTimeout']",
          message: 'A journey waits for what it needs, by atRest or an expectation, and for no length of time.',
        },
        {
          selector: "CallExpression[callee.property.name='toPass']",
          message: 'A journey has one try: find what it must wait for.',
        },
      ],
    },
  },
  {
    files: ['**/*.test.{ts,tsx}'],
    // Replies come untyped from the wire here, and that is what is being tested.
    rules: {
      '@typescript-eslint/no-unsafe-assignment': 'off',
      '@typescript-eslint/no-unsafe-member-access': 'off',
      '@typescript-eslint/no-unsafe-argument': 'off',
      '@typescript-eslint/no-unsafe-call': 'off',
      '@typescript-eslint/no-unsafe-return': 'off',
      '@typescript-eslint/no-non-null-assertion': 'off',
    },
  },
);
