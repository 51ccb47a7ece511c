module.exports = {
  preset: 'jest-preset-angular',
  testEnvironment: 'jest-preset-angular/environments/jest-jsdom-env',
  setupFilesAfterEnv: ['<rootDir>/src/testing/setup.ts'],
  roots: ['<rootDir>/src'],
  testMatch: ['**/*.spec.ts'],
  // No test is judged by its time; one that hangs is stopped.
  testTimeout: 120_000,
  transform: {
    '^.+\\.(ts|js|mjs|html|svg|md)$': ['jest-preset-angular', { tsconfig: '<rootDir>/tsconfig.spec.json', stringifyContentPathRegex: '\\.(html|svg|md)$' }],
  },
  moduleNameMapper: {
    '^marked$': '<rootDir>/../node_modules/marked/lib/marked.umd.js',
    '^@pozzo/core$': '<rootDir>/../core/src/index.ts',
    '^@pozzo/core/page$': '<rootDir>/../core/src/page.ts',
    '^(\\.{1,2}/.*)\\.js$': '$1',
  },
};
