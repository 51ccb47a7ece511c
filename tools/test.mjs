// Everything: lint, unit tests of each package, then the built application in a real browser. Ends with the counts.
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { buildNode, buildWeb, chromium, install, root, run } from './steps.mjs';

install();
chromium();
buildNode();
buildWeb();

const out = join(root, 'node_modules/.pozzo/results');
rmSync(out, { recursive: true, force: true });
mkdirSync(out, { recursive: true });
let passed = 0;
let failed = 0;

console.log('\n== lint');
if (run(process.execPath, ['tools/lint.mjs'], { soft: true }).status === 0) passed++;
else failed++;

for (const name of ['core', 'server', 'cli', 'web']) {
  console.log(`\n== ${name}`);
  const file = join(out, `${name}.json`);
  const done = run(process.execPath, [join(root, 'node_modules/jest/bin/jest.js'), '--json', `--outputFile=${file}`, '--silent=false', '--reporters=default'], {
    cwd: join(root, name),
    soft: true,
  });
  if (!existsSync(file)) {
    failed++;
    continue;
  }
  const r = JSON.parse(readFileSync(file, 'utf8'));
  passed += r.numPassedTests;
  failed += r.numFailedTests + r.numRuntimeErrorTestSuites;
  if (done.status !== 0 && r.numFailedTests + r.numRuntimeErrorTestSuites === 0) failed++;
}

console.log('\n== the application in a browser');
const file = join(out, 'e2e.json');
const e2e = run(process.execPath, [join(root, 'node_modules/@playwright/test/cli.js'), 'test'], {
  cwd: join(root, 'e2e'),
  soft: true,
  env: { PLAYWRIGHT_JSON_OUTPUT_NAME: file },
});
if (existsSync(file)) {
  const { stats } = JSON.parse(readFileSync(file, 'utf8'));
  passed += stats.expected + stats.flaky;
  failed += stats.unexpected;
  if (e2e.status !== 0 && stats.unexpected === 0) failed++;
} else failed++;

console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
