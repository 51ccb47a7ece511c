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
console.log('Lint is clean.');
