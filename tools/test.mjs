// Everything: lint, unit tests of each package, then the built application in a real browser. Ends with the counts.
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { buildNode, buildWeb, chromium, fail, install, root, run } from './steps.mjs';

/** `npm test -- core` runs that part alone; no name runs all. */
const PARTS = ['lint', 'core', 'server', 'cli', 'web', 'soak', 'e2e'];
const asked = process.argv.slice(2);
const odd = asked.filter((a) => !PARTS.includes(a));
if (odd.length) fail(`There is no part "${odd[0]}". There is ${PARTS.join(', ')}.`);
const wanted = (part) => asked.length === 0 || asked.includes(part);

install();
if (wanted('e2e')) chromium();
buildNode();
if (wanted('e2e')) buildWeb();

const out = join(root, 'node_modules/.pozzo/results');
rmSync(out, { recursive: true, force: true });
mkdirSync(out, { recursive: true });
let passed = 0;
let failed = 0;

/** A part that is one check: its command ends well or not. */
function check(title, script, args = []) {
  console.log(`\n== ${title}`);
  if (run(process.execPath, [script, ...args], { soft: true }).status === 0) passed++;
  else failed++;
}
if (wanted('lint')) check('lint', 'tools/lint.mjs');

for (const name of ['core', 'server', 'cli', 'web'].filter(wanted)) {
  console.log(`\n== ${name}`);
  const file = join(out, `${name}.json`);
  const done = run(
    process.execPath,
    [join(root, 'node_modules/jest/bin/jest.js'), '--json', `--outputFile=${file}`, '--silent=false', '--reporters=default', '--maxWorkers=2'],
    {
      cwd: join(root, name),
      soft: true,
    },
  );
  if (!existsSync(file)) {
    failed++;
    continue;
  }
  const r = JSON.parse(readFileSync(file, 'utf8'));
  passed += r.numPassedTests;
  failed += r.numFailedTests + r.numRuntimeErrorTestSuites;
  if (done.status !== 0 && r.numFailedTests + r.numRuntimeErrorTestSuites === 0) failed++;
}

if (wanted('soak')) check('attacks, a small share', 'tools/soak.mjs', ['--small']);
if (wanted('e2e')) inBrowser();

function inBrowser() {
  console.log('\n== the application in a browser');
  const file = join(out, 'e2e.json');
  const e2e = run(process.execPath, [join(root, 'node_modules/@playwright/test/cli.js'), 'test'], {
    cwd: join(root, 'e2e'),
    soft: true,
    env: { PLAYWRIGHT_JSON_OUTPUT_NAME: file },
  });
  if (!existsSync(file)) return void failed++;
  const { stats } = JSON.parse(readFileSync(file, 'utf8'));
  passed += stats.expected + stats.flaky;
  failed += stats.unexpected;
  if (e2e.status !== 0 && stats.unexpected === 0) failed++;
}

console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
