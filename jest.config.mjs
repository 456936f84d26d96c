import nextJest from 'next/jest.js';

const create = nextJest({ dir: './' });

export default create({
  testEnvironment: 'node',
  // A stop for what hangs, not a measure: on two busy cores the longest test takes a third of it.
  testTimeout: 180_000,
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  // What V8 counts: files that import JSON with attributes are not instrumented, and need not be.
  coverageProvider: 'v8',
  coverageDirectory: '<rootDir>/.data/coverage',
  coverageReporters: ['text'],
  collectCoverageFrom: ['src/core/**/*.ts', 'src/formats/**/*.ts', '!**/*.test.ts', '!**/index.ts'],
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1' },
  modulePathIgnorePatterns: ['<rootDir>/.next/', '<rootDir>/.data/'],
  testPathIgnorePatterns: ['/node_modules/', '<rootDir>/.next/', '<rootDir>/.data/', '<rootDir>/tests/e2e/'],
});
