import js from '@eslint/js';
import angular from 'angular-eslint';
import tseslint from 'typescript-eslint';

export default tseslint.config(
  { ignores: ['**/dist/**', '**/node_modules/**', '**/.angular/**', '**/test-results/**', 'docs/**'] },
  js.configs.recommended,
  ...tseslint.configs.recommended,
  {
    files: ['**/*.ts'],
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_', destructuredArrayIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      eqeqeq: 'error',
      'no-console': 'error',
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
        Event: 'readonly',
      },
    },
  },
);
