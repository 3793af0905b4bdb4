import js from '@eslint/js';
import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

const clockAndChance = [
  { object: 'Date', property: 'now', message: 'core gets the time as an argument.' },
  { object: 'Math', property: 'random', message: 'core gets randomness as an argument.' },
];

export default tseslint.config(
  {
    ignores: [
      '**/node_modules/**',
      '**/dist/**',
      'data/**',
      'demo/data/**',
      'app/.expo/**',
      'app/public/**',
      'coverage/**',
    ],
  },
  js.configs.recommended,
  {
    files: ['**/*.ts', '**/*.tsx'],
    extends: [...tseslint.configs.strictTypeChecked],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      '@typescript-eslint/no-unused-vars': ['error', { varsIgnorePattern: '^_', argsIgnorePattern: '^_' }],
      '@typescript-eslint/no-confusing-void-expression': ['error', { ignoreArrowShorthand: true }],
      '@typescript-eslint/no-unsafe-class-instance-assignment': 'off',
      '@typescript-eslint/no-unnecessary-type-parameters': 'off',
      'max-lines': ['error', { max: 320, skipBlankLines: true }],
    },
  },
  {
    files: ['core/src/**/*.ts'],
    rules: {
      'no-restricted-properties': ['error', ...clockAndChance],
      'no-restricted-syntax': [
        'error',
        {
          selector: 'NewExpression[callee.name="Date"][arguments.length=0]',
          message: 'core gets the time as an argument.',
        },
      ],
      'no-restricted-globals': [
        'error',
        'fetch',
        'window',
        'document',
        'localStorage',
        'process',
        'setTimeout',
        'setInterval',
      ],
    },
  },
  {
    files: ['app/src/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': reactHooks },
    rules: {
      '@typescript-eslint/no-deprecated': 'off',
      'react-hooks/rules-of-hooks': 'error',
      'react-hooks/exhaustive-deps': 'error',
      'no-restricted-syntax': [
        'error',
        {
          selector:
            "CallExpression[callee.name='useRecords'] > ArrowFunctionExpression > :matches(ArrayExpression, CallExpression:matches([callee.name='listOf'], [callee.property.name=/^(filter|map|flatMap|toSorted|slice)$/]))",
          message:
            'A list made anew each time draws the page without end: choose the records, then list them.',
        },
      ],
    },
  },
  {
    files: ['**/test/**', 'e2e/**', 'bench/**'],
    rules: {
      '@typescript-eslint/no-non-null-assertion': 'off',
      // Jest's matchers inside an expected object are of type any.
      '@typescript-eslint/no-unsafe-assignment': 'off',
    },
  },
  {
    files: ['**/*.mjs', '**/*.js', '**/*.cjs'],
    languageOptions: {
      globals: {
        process: 'readonly',
        console: 'readonly',
        module: 'writable',
        require: 'readonly',
        __dirname: 'readonly',
        URL: 'readonly',
      },
    },
  },
);
