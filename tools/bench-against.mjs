// This core against that of another commit, interleaved in one run: npm run bench -- --against <commit> [--same]
import { mkdirSync, mkdtempSync, readdirSync, rmSync, symlinkSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { Worker } from 'node:worker_threads';
import { produce } from 'immer';
import { fail, root, run } from './steps.mjs';

const median = (xs) => [...xs].sort((a, b) => a - b)[Math.floor(xs.length / 2)];

/** The core of a commit, built in a folder of its own with this folder's dependencies. */
async function coreOf(commit) {
  const folder = join(mkdtempSync(join(tmpdir(), 'pozzo-against-')), 'tree');
  const added = run('git', ['worktree', 'add', '--detach', folder, commit], { soft: true, quiet: true });
  if (added.status !== 0) fail(`There is no commit "${commit}" here.`);
  mkdirSync(join(folder, 'node_modules'));
  for (const name of readdirSync(join(root, 'node_modules')))
    if (name !== '@pozzo') symlinkSync(join(root, 'node_modules', name), join(folder, 'node_modules', name));
  run(process.execPath, [join(root, 'node_modules/typescript/bin/tsc'), '-b', 'core'], { cwd: folder });
  const at = join(folder, 'core/dist/index.js');
  const remove = () => {
    run('git', ['worktree', 'remove', '--force', folder], { soft: true, quiet: true });
    rmSync(join(folder, '..'), { recursive: true, force: true });
  };
  return { at, core: await import(pathToFileURL(at).href), remove };
}

/** How long each of two pieces of work runs before it is timed, ms: the more code one is, the longer until it is all compiled. */
const WARM_MS = 3000;

/** Times two pieces of work in turn, both warm. */
function inTurn(then, now, runs, each = 1) {
  const works = [then, now];
  const times = [[], []];
  const spent = [0, 0];
  const once = (k) => {
    const from = performance.now();
    for (let i = 0; i < each; i++) works[k]();
    return performance.now() - from;
  };
  while (Math.min(...spent) < WARM_MS) for (const k of [0, 1]) spent[k] += once(k);
  for (let r = 0; r < runs; r++) for (const k of [0, 1]) times[k].push(once(k) / each);
  return times.map(median);
}

const copy = (x) => JSON.parse(JSON.stringify(x));
const result = (steps) => {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
};

/** Single fields as a builder edits them, with what each is called. */
const EDITS = {
  'a name': (d, i) => void (d.machines[0].name = `Washer ${i}`),
  'a nozzle': (d, i) => void (d.outlets[0].nozzle.size = String(5 + (i % 7) * 0.5)),
  'the trigger share': (d, i) => void (d.brief.triggerShare = `${60 + (i % 20)} %`),
  'the job': (d, i) => void (d.brief.job = `${60 + i} min`),
  'a pressure hose': (d, i) => void (hoseOf(d, 'pressure').length = `${80 + i} ft`),
  'a feed hose': (d, i) => void (hoseOf(d, 'feed').length = `${5 + i / 10} ft`),
  'a fill hose': (d, i) => void (hoseOf(d, 'fill').length = `${80 + i} ft`),
  'the customer': (d, i) => void (d.customer = `Depot ${i}`),
  'a metering valve': (d, i) => void (valveOf(d).setting = `${20 + (i % 40)} %`),
  'a pump’s height': (d, i) => void (d.machines[0].inletHeight = `${12 + i / 10} in`),
  'a spigot': (d, i) => void (d.spigots[0].readings[0].flow = `${(4 + i / 40).toFixed(3)} gpm`),
  'a tank’s height': (d, i) => void (d.tanks[0].shape.height = `${42 + i / 10} in`),
  'a machine’s flow': (d, i) => void (d.machines[0].flow = `${(7 + i / 40).toFixed(3)} gpm`),
};
const hoseOf = (d, role) =>
  d.lines
    .filter((l) => l.role === role)
    .flatMap((l) => l.parts)
    .find((p) => p.kind === 'hose');

const valveOf = (d) => d.lines.flatMap((l) => l.parts).find((p) => p.is === 'metering-valve') ?? {};

/** A thread that samples days with the core of a commit, kept warm. */
function thread(at, document) {
  const worker = new Worker(new URL('./day-thread.mjs', import.meta.url), { workerData: { core: pathToFileURL(at).href, document } });
  const told = (asked) =>
    new Promise((done, failed) => {
      const off = () => worker.off('message', heard).off('error', lost);
      const heard = (answer) => (off(), done(answer));
      const lost = (error) => (off(), failed(error));
      worker.on('message', heard).on('error', lost);
      worker.postMessage(asked);
    });
  return { ask: (from, count) => told({ from, count }), days: (days) => told({ days }), spin: (spins) => told({ spins }), end: () => worker.terminate() };
}

/**
 * How much more two threads do in the same time than one, told by slices of some ms that each times itself, one thread and
 * both in turn. A machine that is shared gives a core half its speed for seconds on end, now the one, now the other. So both
 * are held against one that was left alone (the fastest tenth of its slices), round by round: `best` is what two cores give
 * where neither was taken meanwhile, `usual` the round in the middle.
 */
async function twoOverOne([a, b], work) {
  const at = (t, p) => [...t].sort((m, n) => m - n)[Math.floor(p * t.length)];
  const alone = [];
  const rounds = [];
  for (let r = 0; r < 16; r++) {
    alone.push(...(await (r % 2 ? b : a)[work](500)));
    rounds.push((await Promise.all([a[work](500), b[work](500)])).map((t) => at(t, 0.5)));
  }
  const one = at(alone, 0.1);
  const over = rounds.map(([x, y]) => one / x + one / y).sort((m, n) => n - m);
  return { best: over[0], usual: at(over, 0.5) };
}

/**
 * Prints a table of this core against the commit's.
 * @param same whether both are given the commit's own layouts, read and lifted here; else each its own, with all that has come to them since
 */
export async function benchAgainst(commit, same = false) {
  const other = await coreOf(commit);
  try {
    const here = join(root, 'core/dist/index.js');
    const [then, now] = [other.core, await import(pathToFileURL(here).href)];
    const row = (name, [a, b], unit = 'ms') =>
      console.log(`${name.padEnd(44)} ${a.toFixed(3).padStart(10)} ${b.toFixed(3).padStart(10)} ${unit}  ${(a / b).toFixed(2).padStart(5)} ×`);
    console.log(`${''.padEnd(44)} ${commit.slice(0, 9).padStart(10)} ${'here'.padStart(10)}`);
    const made = (core, id) => (id === 'crew' ? core.DEMO_RIGS().find((r) => r.id === id).document : core.LAYOUTS.find((l) => l.id === id).make());
    const documents = (id) => {
      const old = made(then, id);
      return [old, same ? now.readRig(old).document : made(now, id)];
    };
    const [oldDoc, newDoc] = documents('crew');
    const [oldRead, newRead] = [then.readRig(oldDoc), now.readRig(newDoc)];
    row(
      'reading a document once more',
      inTurn(
        () => then.readRig(oldDoc),
        () => now.readRig(newDoc),
        15,
        30,
      ),
    );
    row(
      'assessment, fresh',
      inTurn(
        () => then.assess(oldRead.rig),
        () => now.assess(newRead.rig),
        25,
        20,
      ),
    );

    // An edit as the page makes it: what changed arrives, the rest is what was there; it is read and assessed.
    // A commit without re-assessment was sent the whole document, as a copy.
    const ratios = [];
    for (const [name, change] of Object.entries(EDITS)) {
      let last = newRead;
      let assessed = now.reassess(newRead.rig);
      let i = 0;
      const edit = (d, make) => {
        i++;
        return make(d, (x) => change(x, i % 90));
      };
      const copied = (d, to) => {
        const x = copy(d);
        to(x);
        return x;
      };
      const olds = Array.from({ length: 90 }, () => edit(oldDoc, copied));
      const news = Array.from({ length: 90 }, () => edit(newDoc, produce));
      let k = 0;
      const times = inTurn(
        () => then.assess(then.readRig(olds[++k % 90]).rig),
        () => {
          const read = now.reread(news[++k % 90], last);
          assessed = now.reassess(read.rig, assessed);
          last = read;
        },
        15,
        15,
      );
      ratios.push(times[0] / times[1]);
      row(`  edit of ${name}, read and assessed`, times);
    }
    console.log(`  edits, median of the ratios ${median(ratios).toFixed(2)} ×`);

    for (const id of ['crew', 'small-buffer', 'two-batch']) {
      const docs = documents(id);
      const works = [then, now].map((core, k) => {
        const read = core.readRig(docs[k]);
        const assessment = core.assess(read.rig);
        const from = core.reassess?.(read.rig);
        // Earlier cores took what was read in pieces.
        return () =>
          core.adviseSteps.length > 2 ? core.adviseSteps(read.document, read.rig, assessment, from, read.plain) : core.adviseSteps(read, assessment, from);
      });
      const times = inTurn(...works.map((steps) => () => result(steps())), 15, 3);
      row(`fixes of ${id}`, times);
      // Later cores know of more that may help, and try it: each step is a change tried.
      const tries = works.map((steps) => [...steps()].length);
      row(
        `  of ${tries[0]} and ${tries[1]} changes tried, each`,
        times.map((t, k) => t / tries[k]),
      );
    }
    const [oldModel, newModel] = [then.dayModel(oldRead.rig), now.dayModel(newRead.rig)];
    row(
      'a day’s model',
      inTurn(
        () => then.dayModel(oldRead.rig),
        () => now.dayModel(newRead.rig),
        7,
        3,
      ),
    );
    const [oldDays, newDays] = [new then.Simulator(oldModel), new now.Simulator(newModel)];
    let day = 0;
    row(
      'one day',
      inTurn(
        () => oldDays.run({ seed: 1, day: ++day % 400 }),
        () => newDays.run({ seed: 1, day: ++day % 400 }),
        25,
        40,
      ),
    );
    row(
      'sizing over 100 days',
      inTurn(
        () => result(then.sizingSteps(oldDoc, 100, 1)),
        () => result(now.sizingSteps(newDoc, 100, 1)),
        7,
      ),
    );

    const LOTS = 10_000;
    const pairs = [
      [thread(other.at, oldDoc), thread(other.at, oldDoc)],
      [thread(here, newDoc), thread(here, newDoc)],
    ];
    const both = async ([a, b], count) => void (await Promise.all([a.ask(0, count / 2), b.ask(count / 2, count / 2)]));
    const timed = async (work) => {
      const from = performance.now();
      await work();
      return performance.now() - from;
    };
    for (const pair of pairs) await both(pair, 2000);
    const two = [[], []];
    for (let r = 0; r < 9; r++) for (let k = 0; k < 2; k++) two[k].push(await timed(() => both(pairs[k], LOTS)));
    row('10 000 days on two warm cores', two.map(median));
    const [days, plain] = [await twoOverOne(pairs[1], 'days'), await twoOverOne(pairs[1], 'spin')];
    console.log(
      `  two warm cores ${days.best.toFixed(2)} × one while nobody else takes any of them, ${days.usual.toFixed(2)} in the usual round; ` +
        `plain arithmetic then ${plain.best.toFixed(2)} and ${plain.usual.toFixed(2)}`,
    );
    await Promise.all(pairs.flat().map((t) => t.end()));
  } finally {
    other.remove();
  }
}
