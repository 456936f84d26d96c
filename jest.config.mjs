import nextJest from 'next/jest.js';

const create = nextJest({ dir: './' });

export default create({
  testEnvironment: 'node',
  testTimeout: 60_000,
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1' },
  modulePathIgnorePatterns: ['<rootDir>/.next/', '<rootDir>/.data/'],
  testPathIgnorePatterns: ['/node_modules/', '<rootDir>/.next/', '<rootDir>/.data/', '<rootDir>/tests/e2e/'],
});
