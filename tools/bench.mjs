// Speed as ratios within one run: figures of one machine mean little, their relations travel.
import { createRequire } from 'node:module';
import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import { buildNode, buildWeb, chromium, fail, install, root } from './steps.mjs';
import { withBrowser } from './browser.mjs';

const at = process.argv.indexOf('--against');
install();
if (at > 0) {
  const commit = process.argv[at + 1];
  if (!commit) fail('bench -- --against takes a commit.');
  buildNode();
  const { benchAgainst } = await import('./bench-against.mjs');
  await benchAgainst(commit, process.argv.includes('--same'));
  process.exit(0);
}
chromium();
buildNode();
buildWeb();
const {
  ARRANGE_WAYS,
  arrangeSteps,
  assess,
  dayModel,
  DEMO_RIGS,
  gatherSample,
  inpNetwork,
  parseRig,
  readInp,
  readRig,
  rigInp,
  sampleChunk,
  shapeHeight,
  Simulator,
  volumeAt,
} = await import('../core/dist/index.js');

const median = (xs) => [...xs].sort((a, b) => a - b)[Math.floor(xs.length / 2)];
const p95 = (xs) => [...xs].sort((a, b) => a - b)[Math.floor(xs.length * 0.95)];
const time = (work, runs, warm) => {
  for (let i = 0; i < warm; i++) work();
  return Array.from({ length: runs }, () => {
    const from = performance.now();
    work();
    return performance.now() - from;
  });
};
/** How long each of several works takes, a turn each at a time: whoever else is on the machine slows all of them alike. */
const inTurn = (works, runs, each) => {
  for (const work of works) for (let i = 0; i < 20 * each; i++) work();
  const times = works.map(() => []);
  for (let r = 0; r < runs; r++)
    works.forEach((work, k) => {
      const from = performance.now();
      for (let i = 0; i < each; i++) work();
      times[k].push((performance.now() - from) / each);
    });
  return times;
};
const row = (name, value, note = '') => console.log(`${name.padEnd(52)} ${value.padStart(12)}  ${note}`);

const rigs = DEMO_RIGS().map(({ id, document }) => ({ id, document, rig: parseRig(document) }));
const sized = rigs.map((r) => ({ ...r, size: r.rig.lines.length * 100 + assess(r.rig).solves }));
const largest = sized.reduce((a, b) => (b.size > a.size ? b : a));
const assessing = time(() => assess(largest.rig), 300, 300);
const reading = time(() => readRig(largest.document), 200, 100);
console.log(`Largest layout: ${largest.id}, ${largest.rig.lines.length} lines, ${assess(largest.rig).solves} cases solved\n`);
row('assessment, median', `${median(assessing).toFixed(2)} ms`, `${(5 / median(assessing)).toFixed(1)} × faster than the 5 ms wanted`);
row('reading and checking the document, median', `${median(reading).toFixed(2)} ms`, `${(median(reading) / median(assessing)).toFixed(2)} of an assessment`);

// The deck: three ways to arrange the largest layout, as the page asks for them, against assessments of it.
{
  const from = performance.now();
  for (const way of ARRANGE_WAYS) {
    const steps = arrangeSteps(largest.document, way, 11);
    while (!steps.next().done);
  }
  const took = performance.now() - from;
  row(
    'arranging the largest deck, three ways, one core',
    `${(took / 1000).toFixed(1)} s`,
    `${Math.round(took / median(assessing))} assessments; 20 000 on two cores allowed`,
  );
}

// The same networks, the same run: every layout's network as a file, solved cold by our solver and by the EPANET engine.
const { Project, Workspace, InitHydOption, LinkProperty } = createRequire(join(root, 'core/package.json'))('epanet-js');
const workspace = new Workspace();
await workspace.loadModule();
// The engine warns at every solve of pressures below the air, which a suction line has.
const { warn } = console;
console.warn = () => undefined;
let ours = 0;
let theirs = 0;
let worst = 0;
let mass = 0;
const ratios = [];
for (const { id, rig } of rigs) {
  const inp = rigInp(rig);
  const { network: file } = readInp(inp);
  const network = inpNetwork(file);
  workspace.writeFile(`${id}.inp`, inp);
  const project = new Project(workspace);
  project.open(`${id}.inp`, 'r.rpt', 'r.bin');
  project.openH();
  const engine = () => {
    project.initH(InitHydOption.InitFlow);
    project.runH();
  };
  const own = () => {
    network.restart();
    return network.solve();
  };
  const [a, b] = inTurn([own, engine], 200, 200).map(median);
  const done = own();
  if (!done.converged) throw new Error(`${id} did not converge`);
  mass = Math.max(mass, done.massError);
  engine();
  const flows = file.linkIds.map((l) => project.getLinkValue(project.getLinkIndex(l), LinkProperty.Flow) / 60000);
  const most = Math.max(...flows.map(Math.abs));
  file.linkIds.forEach((l, i) => (worst = Math.max(worst, Math.abs(network.flow[network.link(l)] - flows[i]) / most)));
  project.closeH();
  project.close();
  ours += a;
  theirs += b;
  ratios.push(b / a);
}
console.warn = warn;
row('one solve, all layouts, our solver', `${((1000 * ours) / rigs.length).toFixed(1)} µs`, `mass balance ${mass.toExponential(1)} relative`);
row(
  'one solve, all layouts, EPANET engine',
  `${((1000 * theirs) / rigs.length).toFixed(1)} µs`,
  `flows differ by at most ${(100 * worst).toFixed(2)} % of the largest`,
);
row('EPANET engine ÷ our solver', (theirs / ours).toFixed(1), `from ${Math.min(...ratios).toFixed(1)} to ${Math.max(...ratios).toFixed(1)} by layout`);

// Work days of the largest layout: one core, two cores, and an extended-period run of the same water side by the engine.
const model = dayModel(largest.rig);
const DAYS = 1000;
const alone = median(time(() => sampleChunk(model, 1, 0, DAYS), 3, 1));
row(
  'work days a second, one core',
  `${((1000 * DAYS) / alone).toFixed(0)}`,
  `${largest.id}, ${(model.usualSeconds / 3600).toFixed(1)} h a day, levels counted`,
);
const inThread = (from, count) =>
  new Promise((done, fail) => {
    const worker = new Worker(new URL('./day-worker.mjs', import.meta.url), { workerData: { document: largest.document, seed: 1, from, count } });
    worker.once('message', done);
    worker.once('error', fail);
  });
const LOTS = 10_000;
const started = performance.now();
const parts = await Promise.all([inThread(0, LOTS / 2), inThread(LOTS / 2, LOTS / 2)]);
const sample = gatherSample(model, 1, parts);
const together = performance.now() - started;
row(
  'work days a second, two cores',
  `${((1000 * LOTS) / together).toFixed(0)}`,
  `${(alone / DAYS / (together / LOTS)).toFixed(2)} × one core, threads started and bands gathered`,
);
row(
  '10 000 days with bands, two cores',
  `${(together / 1000).toFixed(1)} s`,
  `short of water on ${(100 * sample.short.chance).toFixed(1)} %, ${(100 * sample.short.low).toFixed(1)} to ${(100 * sample.short.high).toFixed(1)}`,
);

// The engine's run: the water side with its tank emptying, triggers steady, a step a minute, as long as the usual day.
const water = largest.rig.tanks.filter((t) => t.holds === undefined);
let eps = rigInp(largest.rig);
const tanks = water.map((t) => {
  eps = eps.replace(new RegExp(`^tank_${t.id}\\t.*$`, 'm'), '');
  const depth = Math.min(t.fullLevel, shapeHeight(t.shape));
  const diameter = Math.sqrt((4 * volumeAt(t.shape, depth)) / (Math.PI * depth));
  return `tank_${t.id}\t${t.base}\t${depth}\t0\t${depth}\t${diameter}\t0`;
});
const minutes = Math.round(model.usualSeconds / 60);
eps = eps
  .replace('[PIPES]', `[TANKS]\n${tanks.join('\n')}\n\n[PIPES]`)
  .replace(/(\[END\][\s\S]*)?$/, `\n[TIMES]\nDURATION\t${minutes} MIN\nHYDRAULIC TIMESTEP\t1 MIN\nREPORT TIMESTEP\t1 MIN\n[END]\n`);
workspace.writeFile('eps.inp', eps);
const long = new Project(workspace);
console.warn = () => undefined;
long.open('eps.inp', 'e.rpt', 'e.bin');
const run = () => {
  long.openH();
  long.initH(InitHydOption.InitFlow);
  do long.runH();
  while (long.nextH() > 0);
  long.closeH();
};
const engineDay = median(time(run, 5, 1));
console.warn = warn;
long.close();
const simulator = new Simulator(model);
let which = 0;
const ownDay = median(time(() => simulator.run({ seed: 1, day: which++ }), 300, 50));
row('one work day, ours', `${ownDay.toFixed(2)} ms`, 'every phase, mix, level, float and shortage');
row('one work day, EPANET engine, water side, a step a minute', `${engineDay.toFixed(1)} ms`, `${(engineDay / ownDay).toFixed(0)} × ours`);

await withBrowser(async (browser, url) => {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${url}/rig/${largest.id}/feed`);
  await page.waitForSelector('pz-waterway svg');
  await page.waitForTimeout(800);
  const samples = await page.evaluate(async () => {
    const box = document.querySelector('[data-path="machines.0.flow"]');
    const band = document.querySelector('pz-waterway');
    const out = [];
    const base = Number.parseFloat(box.value);
    for (let i = 0; i < 60; i++) {
      const from = performance.now();
      const before = band.textContent;
      box.value = `${(base * (0.7 + 0.005 * i)).toFixed(3)} gpm`;
      box.dispatchEvent(new Event('input', { bubbles: true }));
      while (band.textContent === before && performance.now() - from < 3000) await new Promise((r) => requestAnimationFrame(r));
      out.push(performance.now() - from);
      await new Promise((r) => setTimeout(r, 120));
    }
    return out;
  });
  row('keystroke to new figures in the browser, median', `${median(samples).toFixed(1)} ms`, `${(median(samples) / 16.7).toFixed(1)} frames`);
  row('keystroke to new figures in the browser, p95', `${p95(samples).toFixed(1)} ms`, `${(50 / p95(samples)).toFixed(1)} × faster than the 50 ms wanted`);

  // The longest stretch that the page stands still while a station of the largest rig opens, each for the first time.
  await page.evaluate(() => {
    globalThis.longest = {};
    globalThis.station = '';
    new PerformanceObserver((list) => {
      for (const e of list.getEntries()) globalThis.longest[globalThis.station] = Math.max(globalThis.longest[globalThis.station] ?? 0, e.duration);
    }).observe({ entryTypes: ['longtask'] });
  });
  const links = page.locator('nav[aria-label="Stations"] a');
  const names = await links.allTextContents();
  for (const [i, name] of names.entries()) {
    await page.evaluate((n) => (globalThis.station = n), name.trim());
    // A station whose group is folded can be reached all the same.
    await links.nth(i).evaluate((a) => a.click());
    await page.waitForTimeout(900);
  }
  const stood = Object.entries(await page.evaluate(() => globalThis.longest)).sort((a, b) => b[1] - a[1]);
  row(
    'longest task while a station opens',
    `${(stood[0]?.[1] ?? 0).toFixed(0)} ms`,
    `${stood
      .slice(0, 4)
      .map(([n, ms]) => `${n} ${ms.toFixed(0)}`)
      .join(', ')}; under 50 ms the rest`,
  );
});

const { benchYard } = await import('./bench-yard.mjs');
await benchYard(row);
