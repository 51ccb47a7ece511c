// This core against that of another commit, interleaved in one run: npm run bench -- --against <commit> [--same]
import { mkdirSync, mkdtempSync, readdirSync, rmSync, symlinkSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { Worker } from 'node:worker_threads';
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

/** A thread that answers one question after another. */
function thread(file, workerData) {
  const worker = new Worker(new URL(file, import.meta.url), { workerData });
  const ask = (asked) =>
    new Promise((done, failed) => {
      const off = () => worker.off('message', heard).off('error', lost);
      const heard = (answer) => (off(), done(answer));
      const lost = (error) => (off(), failed(error));
      worker.on('message', heard).on('error', lost);
      worker.postMessage(asked);
    });
  return { ask, end: () => worker.terminate() };
}

/** A thread that samples days with the core of a commit, kept warm. */
function dayThread(at, document) {
  const { ask, end } = thread('./day-thread.mjs', { core: pathToFileURL(at).href, document });
  return { ask: (from, count) => ask({ from, count }), days: (days) => ask({ days }), spin: (spins) => ask({ spins }), end };
}

/** How long a core works before the other has its turn, ms: both as long, or the quicker one would begin on cold caches each time. */
const TURN_MS = 80;

/** Times the same work of two cores in turn, both warm. */
async function inTurn(cores, kind, of, runs) {
  const times = [[], []];
  for (const core of cores) await core.ask({ ask: 'warm', kind, of, ms: WARM_MS });
  for (let r = 0; r < runs; r++) for (const k of [0, 1]) times[k].push(await cores[k].ask({ ask: 'time', ms: TURN_MS }));
  return times.map(median);
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
    const ids = ['crew', 'small-buffer', 'two-batch'];
    const all = ids.map(documents);
    const [oldDoc, newDoc] = all[0];
    const cores = [other.at, here].map((at, k) =>
      thread('./core-thread.mjs', { core: pathToFileURL(at).href, documents: Object.fromEntries(ids.map((id, i) => [id, all[i][k]])) }),
    );
    // A thread that is new compiles for a while, whatever it does.
    for (const core of cores) await core.ask({ ask: 'warm', kind: 'fresh', of: '', ms: 3 * WARM_MS });
    row('reading a document once more', await inTurn(cores, 'read', '', 15));
    row('assessment, fresh', await inTurn(cores, 'fresh', '', 25));

    const ratios = [];
    for (const name of await cores[1].ask({ ask: 'edits' })) {
      const times = await inTurn(cores, 'edit', name, 25);
      ratios.push(times[0] / times[1]);
      row(`  edit of ${name}, read and assessed`, times);
    }
    console.log(`  edits, median of the ratios ${median(ratios).toFixed(2)} ×`);

    for (const id of ids) {
      const times = await inTurn(cores, 'fixes', id, 15);
      row(`fixes of ${id}`, times);
      // Later cores know of more that may help, and try it.
      const tries = await Promise.all(cores.map((core) => core.ask({ ask: 'tries', id })));
      row(
        `  of ${tries[0]} and ${tries[1]} changes tried, each`,
        times.map((t, k) => t / tries[k]),
      );
    }
    row('a day’s model', await inTurn(cores, 'model', '', 7));
    row('one day', await inTurn(cores, 'day', '', 25));
    row('sizing over 100 days', await inTurn(cores, 'sizing', '', 7));
    await Promise.all(cores.map((core) => core.end()));

    const LOTS = 10_000;
    const pairs = [
      [dayThread(other.at, oldDoc), dayThread(other.at, oldDoc)],
      [dayThread(here, newDoc), dayThread(here, newDoc)],
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
