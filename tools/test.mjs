// Everything: lint, unit tests of each package, then the built application in a real browser. Ends with the counts.
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { beside, buildNode, chromium, fail, install, root, run } from './steps.mjs';

/** `npm test -- core` runs that part alone; no name runs all. */
const PARTS = ['lint', 'core', 'server', 'cli', 'web', 'soak', 'e2e'];
const asked = process.argv.slice(2);
const odd = asked.filter((a) => !PARTS.includes(a));
if (odd.length) fail(`There is no part "${odd[0]}". There is ${PARTS.join(', ')}.`);
const wanted = (part) => asked.length === 0 || asked.includes(part);

install();
if (wanted('e2e')) chromium();
buildNode();

const out = join(root, 'node_modules/.pozzo/results');
rmSync(out, { recursive: true, force: true });
mkdirSync(out, { recursive: true });
let passed = 0;
let failed = 0;
const count = (good) => (good ? passed++ : failed++);

/** The unit tests of a package. */
async function units(name, workers) {
  const file = join(out, `${name}.json`);
  const good = await beside(
    name,
    [join(root, 'node_modules/jest/bin/jest.js'), '--json', `--outputFile=${file}`, '--silent=false', '--reporters=default', `--maxWorkers=${workers}`],
    { cwd: join(root, name) },
  );
  if (!existsSync(file)) return void failed++;
  const r = JSON.parse(readFileSync(file, 'utf8'));
  const wrong = r.numFailedTests + r.numRuntimeErrorTestSuites;
  passed += r.numPassedTests;
  failed += good || wrong ? wrong : 1;
}
/** Parts one after the other, those of them that are wanted. */
async function inTurn(parts) {
  for (const [name, work] of parts) if (wanted(name)) await work();
}

// Two cores: what keeps only one of them busy goes beside something else that does.
await Promise.all([
  inTurn([['lint', async () => count(await beside('lint', ['tools/lint.mjs']))]]),
  inTurn([
    [
      'e2e',
      async () => (await beside('web build', ['-e', "import('./tools/steps.mjs').then((s) => s.buildWeb())"])) || fail('The web application does not build.'),
    ],
  ]),
]);
await inTurn([
  ['core', () => units('core', 2)],
  ['web', () => units('web', 2)],
]);
await Promise.all([
  inTurn([
    ['server', () => units('server', 1)],
    ['cli', () => units('cli', 1)],
  ]),
  inTurn([['soak', async () => count(await beside('attacks, a small share', ['tools/soak.mjs', '--small']))]]),
]);
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
