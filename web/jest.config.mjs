import { shared, sources } from '../tools/jest.mjs';

export default {
  ...shared,
  preset: 'jest-preset-angular',
  testEnvironment: 'jest-preset-angular/environments/jest-jsdom-env',
  setupFilesAfterEnv: ['<rootDir>/src/testing/setup.ts'],
  transform: {
    '^.+\\.(ts|js|mjs|html|svg|md)$': ['jest-preset-angular', { tsconfig: '<rootDir>/tsconfig.spec.json', stringifyContentPathRegex: '\\.(html|svg|md)$' }],
  },
  moduleNameMapper: sources({ '^marked$': '<rootDir>/../node_modules/marked/lib/marked.umd.js' }),
};
