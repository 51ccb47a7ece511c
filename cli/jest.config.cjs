module.exports = {
  testEnvironment: 'node',
  roots: ['<rootDir>/src'],
  testMatch: ['**/*.spec.ts'],
  // No test is judged by its time; one that hangs is stopped.
  testTimeout: 120_000,
  moduleNameMapper: {
    '^@pozzo/core$': '<rootDir>/../core/src/index.ts',
    '^@pozzo/server/keep$': '<rootDir>/../server/src/keep/index.ts',
    '^(\\.{1,2}/.*)\\.js$': '$1',
  },
  transform: { '^.+\\.ts$': ['ts-jest', { tsconfig: '<rootDir>/tsconfig.spec.json' }] },
};
