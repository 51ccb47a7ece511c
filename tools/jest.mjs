// What the unit tests of all packages have in common.

/**
 * Tests run in a context of their own, where every look-up of a global asks the context first: a computation takes twice as
 * long in it. Handed to each module as its parameters, they are as near as any other name. None that a test puts another
 * in the place of (timers, dates, storage).
 */
const sandboxInjectedGlobals = [
  'Array',
  'Boolean',
  'Error',
  'Float64Array',
  'Infinity',
  'Int32Array',
  'JSON',
  'Map',
  'Math',
  'Number',
  'Object',
  'Set',
  'String',
  'Symbol',
  'Uint8Array',
  'WeakMap',
  'WeakSet',
  'isFinite',
];

export const shared = {
  roots: ['<rootDir>/src'],
  testMatch: ['**/*.spec.ts'],
  // No test is judged by its time; one that hangs is stopped.
  testTimeout: 120_000,
  sandboxInjectedGlobals,
};

const core = {
  '^@pozzo/core$': '<rootDir>/../core/src/index.ts',
  '^@pozzo/core/page$': '<rootDir>/../core/src/page.ts',
  '^@pozzo/core/workshop$': '<rootDir>/../core/src/workshop/index.ts',
};
const plain = { '^(\\.{1,2}/.*)\\.js$': '$1' };
/** Packages are tested against each other's sources, not against what was built of them. */
export const sources = (other = {}) => ({ ...other, ...core, ...plain });

export const onNode = (other) => ({
  ...shared,
  testEnvironment: 'node',
  moduleNameMapper: sources(other),
  transform: { '^.+\\.ts$': ['ts-jest', { tsconfig: '<rootDir>/tsconfig.spec.json' }] },
});
