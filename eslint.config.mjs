import next from 'eslint-config-next/core-web-vitals';
import tseslint from 'typescript-eslint';

export default tseslint.config(
  {
    ignores: [
      '.next/**',
      '.data/**',
      'node_modules/**',
      'next-env.d.ts',
      'src/data/migrations/**',
      'tests/support/client/operations.d.ts',
    ],
  },
  ...next,
  ...tseslint.configs.recommended,
  {
    rules: {
      eqeqeq: ['error', 'always', { null: 'ignore' }],
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
    },
  },
  {
    // What is longer does more than one thing.
    files: ['src/**/*.{ts,tsx}', 'app/**/*.{ts,tsx}'],
    ignores: ['**/*.test.ts'],
    rules: { 'max-lines-per-function': ['error', { max: 120, IIFEs: true }] },
  },
  {
    // Playwright's fixtures are given with a function called use; it is no hook.
    files: ['tests/e2e/**/*.ts'],
    rules: { 'react-hooks/rules-of-hooks': 'off' },
  },
  {
    // All SQL stands on the data floor.
    files: ['src/services/**/*.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              group: ['drizzle-orm', 'drizzle-orm/*'],
              message: 'Questions to the database stand in src/data.',
            },
          ],
        },
      ],
    },
  },
  {
    // No total on a screen is a sum made by the screen.
    files: [
      'src/desk/**/*.{ts,tsx}',
      'src/booklet/**/*.{ts,tsx}',
      'src/ui/**/*.{ts,tsx}',
      'app/**/*.{ts,tsx}',
    ],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          paths: [
            {
              name: '@/core/number',
              importNames: ['sumAmounts', 'plus'],
              message: 'Sums come from the core.',
            },
          ],
        },
      ],
    },
  },
  {
    // The core takes its time and its randomness from the caller, so that every figure can be computed again.
    files: ['src/core/**/*.ts'],
    ignores: ['src/core/**/*.test.ts'],
    rules: {
      'no-restricted-globals': ['error', 'Date', 'performance', 'crypto', 'fetch', 'window', 'process'],
      'no-restricted-properties': ['error', { object: 'Math', property: 'random' }],
      'no-restricted-syntax': [
        'error',
        {
          selector: "CallExpression[callee.name='parseFloat']",
          message: 'No binary float holds money, a rate or a quantity.',
        },
        {
          selector: "CallExpression[callee.property.name='toFixed']",
          message: 'Round with the functions of core/number.',
        },
      ],
    },
  },
);
