// Attacks the built product: kills, full disk, locked database, two servers, damaged files, a clock set back, and fuzzed
// bodies, files and command lines. Seeded and bounded. `npm run soak` does the whole, `--small` the share of `npm test`.
import { parseArgs } from 'node:util';
import { join } from 'node:path';
import { buildNode, buildWeb, chromium, install, root, run } from './steps.mjs';

const { values } = parseArgs({
  options: {
    small: { type: 'boolean', default: false },
    seed: { type: 'string', default: '1' },
    only: { type: 'string' },
  },
});
install();
buildNode();
const [{ kills }, faults, fuzz] = await Promise.all([import('./soak/kills.mjs'), import('./soak/faults.mjs'), import('./soak/fuzz.mjs')]);

const seed = Number(values.seed);
const of = (whole, small) => (values.small ? small : whole);
const parts = {
  kills: () => kills(of(1000, 6), seed),
  disk: () => faults.fullDisk(of(60, 2), seed),
  start: () => faults.fullAtStart(of(20, 3)),
  lock: () => faults.lockedDatabase(of(40, 2), seed),
  two: () => faults.twoServers(of(20, 1)),
  restores: () => faults.killedRestores(of(1, 3)),
  damage: () => faults.damagedFiles(of(300, 8), seed),
  clock: () => faults.clockBack(of(2000, 60), seed),
  bodies: () => fuzz.fuzzBodies(of(40_000, 600), seed),
  files: () => fuzz.fuzzFiles(of(40_000, 1500), seed),
  lines: () => fuzz.fuzzCommands(of(20_000, 300), of(300, 6), seed),
};
/** Tabs beside a server that comes and goes, in a browser; five of these run every day with the browser's tests. */
function tabs() {
  chromium();
  buildWeb();
  const done = run(process.execPath, [join(root, 'node_modules/@playwright/test/cli.js'), 'test', 'tests/tabs.spec.ts', '--reporter=line'], {
    cwd: join(root, 'e2e'),
    soft: true,
    env: { POZZO_TABS: `${seed}-${seed + 499}` },
  });
  return { name: 'tabs', figures: { seeds: 500, odd: [] }, bad: done.status === 0 ? 0 : 1 };
}
if (!values.small) parts.tabs = tabs;
let passed = 0;
let failed = 0;
for (const [name, part] of Object.entries(parts)) {
  if (values.only && !values.only.split(',').includes(name)) continue;
  const from = performance.now();
  const { name: title, figures, bad } = await part();
  const { odd, ...rest } = figures;
  console.log(`${bad ? 'BAD ' : 'good'} ${title}: ${JSON.stringify(rest)} in ${((performance.now() - from) / 1000).toFixed(1)} s`);
  for (const o of odd.slice(0, 8)) console.log(`     ${o}`);
  if (bad) failed++;
  else passed++;
}
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed ? 1 : 0);
