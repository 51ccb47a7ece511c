import js from '@eslint/js';
import angular from 'angular-eslint';
import tseslint from 'typescript-eslint';

export default tseslint.config(
  { ignores: ['**/dist/**', '**/node_modules/**', '**/.angular/**', '**/test-results/**', 'docs/**'] },
  js.configs.recommended,
  ...tseslint.configs.recommended,
  // Rules that ask the types, on what is built and on the tests alike.
  {
    files: ['**/*.ts'],
    extends: [...tseslint.configs.recommendedTypeCheckedOnly],
    languageOptions: {
      parserOptions: {
        project: ['core', 'server', 'cli', 'web']
          .map((p) => `${p}/tsconfig.spec.json`)
          .concat('web/tsconfig.worker.json', 'web/tsconfig.app.json', 'e2e/tsconfig.json'),
        tsconfigRootDir: import.meta.dirname,
      },
    },
  },
  {
    files: ['**/*.ts'],
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_', destructuredArrayIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      eqeqeq: 'error',
      'no-console': 'error',
    },
  },
  // Tests take answers apart as they come, and stand in for what answers later.
  {
    files: ['**/*.spec.ts', 'e2e/**/*.ts', '**/testing/**/*.ts'],
    rules: {
      '@typescript-eslint/no-unsafe-member-access': 'off',
      '@typescript-eslint/no-unsafe-assignment': 'off',
      '@typescript-eslint/no-unsafe-argument': 'off',
      '@typescript-eslint/no-unsafe-call': 'off',
      '@typescript-eslint/no-unsafe-return': 'off',
      '@typescript-eslint/require-await': 'off',
      '@typescript-eslint/unbound-method': 'off',
    },
  },
  // The core computes: it knows no page, no machine, no clock and no chance of its own.
  {
    files: ['core/src/**/*.ts'],
    ignores: ['**/*.spec.ts', 'core/src/testing/**'],
    rules: {
      'no-restricted-globals': ['error', 'window', 'document', 'process', 'fetch', 'console', 'setTimeout'],
      'no-restricted-properties': ['error', { object: 'Date', property: 'now' }, { object: 'Math', property: 'random' }],
    },
  },
  // What a code means is said in its subject's table, and asked of it: nobody else matches findings by their code.
  {
    files: ['web/src/**/*.ts', 'cli/src/**/*.ts', 'server/src/work/**/*.ts', 'core/src/{assess,advise,choose,day,exchange}/**/*.ts'],
    ignores: ['**/*.spec.ts', 'web/src/app/state/api.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: "BinaryExpression[operator=/^[!=]==$/][left.type='MemberExpression'][left.property.name='code'][right.type='Literal']",
          message: 'A finding is asked for its kind (FINDING_KINDS), not matched by its code.',
        },
        {
          selector: "SwitchStatement[discriminant.property.name='code']",
          message: 'A finding is asked for its kind (FINDING_KINDS), not matched by its code.',
        },
      ],
    },
  },
  // What takes time is worked out in a worker: no view reads a rig, solves or simulates one.
  {
    files: ['web/src/app/**/*.ts'],
    ignores: ['**/*.spec.ts', '**/testing/**', 'web/src/app/workers/**', 'web/src/app/yard/rig-file.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          paths: ['@pozzo/core', '@pozzo/core/page', '@pozzo/core/workshop'].map((name) => ({
            name,
            importNames: [
              ...['advise', 'adviseSteps', 'arrangeSteps', 'assess', 'compareOptionsSteps', 'compareWaysSteps', 'dayModel', 'dayOf'],
              ...['gatherSample', 'ownDay', 'parseRig', 'readRig', 'reassess', 'sampleDays', 'sampleSteps', 'sensitivitySteps', 'simulateDay'],
              ...['simulateModel', 'sizingSteps', 'usualDayDocument', 'variantsOf', 'weighDay'],
            ],
            message: 'It takes time: ask a worker (`answered`, `HeavyClient`).',
          })),
        },
      ],
    },
  },
  { files: ['web/src/**/*.ts'], extends: [...angular.configs.tsRecommended], processor: angular.processInlineTemplates },
  { files: ['web/src/**/*.html'], extends: [...angular.configs.templateRecommended, ...angular.configs.templateAccessibility] },
  { files: ['web/src/main.ts', 'server/src/main.ts', 'tools/**', 'e2e/**'], rules: { 'no-console': 'off' } },
  {
    files: ['tools/**/*.mjs', '**/*.cjs', '*.mjs'],
    languageOptions: {
      globals: {
        process: 'readonly',
        Buffer: 'readonly',
        AbortSignal: 'readonly',
        structuredClone: 'readonly',
        console: 'readonly',
        URL: 'readonly',
        module: 'writable',
        setTimeout: 'readonly',
        fetch: 'readonly',
        performance: 'readonly',
        document: 'readonly',
        localStorage: 'readonly',
        requestAnimationFrame: 'readonly',
        PerformanceObserver: 'readonly',
        Event: 'readonly',
      },
    },
  },
);
