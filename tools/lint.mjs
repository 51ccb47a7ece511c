import { install, run } from './steps.mjs';

install();
run(process.execPath, ['node_modules/prettier/bin/prettier.cjs', '--check', '--log-level', 'warn', '**/*.{ts,mjs,cjs,json,html,scss}']);
run(process.execPath, ['node_modules/eslint/bin/eslint.js', '--cache', '--cache-location', 'node_modules/.pozzo/eslint', '.']);
run(process.execPath, [
  'node_modules/dependency-cruiser/bin/dependency-cruise.mjs',
  '--config',
  '.dependency-cruiser.cjs',
  'core/src',
  'server/src',
  'cli/src',
  'web/src',
]);
// What is built is checked by its build; these hold the tests as well, which jest runs without looking at types.
for (const project of ['core', 'server', 'cli', 'web'].map((p) => `${p}/tsconfig.spec.json`).concat('e2e/tsconfig.json'))
  run(process.execPath, ['node_modules/typescript/bin/tsc', '--noEmit', '-p', project]);
console.log('Lint is clean.');
