import { spawnSync } from 'node:child_process';
import { createServer } from 'node:http';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { monitorEventLoopDelay } from 'node:perf_hooks';
import { readInp, readRig, rigInp, LAYOUTS, parseRig, SUMS } from '@pozzo/core';
import { root } from '../steps.mjs';
import { document, garble, quantity, wordsOf } from './mutate.mjs';
import { chance } from './random.mjs';
import { ask } from './server.mjs';

const require = createRequire(new URL('../../server/package.json', import.meta.url));
const MOST_DELAY_MS = 2000;

/** The application as the server makes it, with room for more requests than a person sends. */
async function serve(folder) {
  const dist = (path) => import(`../../server/dist/${path}`);
  const [{ createApp }, { YardDatabase }, { yardOf }, { WorkThread }] = await Promise.all(
    ['http/app.js', 'store/yard-database.js', 'store/yard.js', 'work/work.js'].map(dist),
  );
  const db = await YardDatabase.open(folder, 'a soak');
  const work = new WorkThread(new URL('../../server/dist/work/worker.js', import.meta.url), 10_000);
  const log = require('pino')({ level: 'silent' });
  const app = createApp({ yard: yardOf(db, 'soak'), work, log, aMinute: 1e9, saved: () => undefined });
  const server = createServer(app);
  await new Promise((done) => server.listen(0, '127.0.0.1', done));
  const end = async () => {
    server.closeAllConnections();
    await new Promise((done) => server.close(done));
    await work.stop();
    await db.close();
  };
  return { url: `http://127.0.0.1:${server.address().port}`, end };
}

/** Bodies and addresses as nobody should send them: every answer is one of ours, none is 500, none holds the server up. */
export async function fuzzBodies(count, seed) {
  const random = chance(seed);
  const { whole, pick } = random;
  const figures = { asked: 0, written: 0, byStatus: {}, loopDelayMs: 0, odd: [] };
  const folder = mkdtempSync(join(tmpdir(), 'pozzo-fuzz-'));
  const { url, end } = await serve(folder);
  const delay = monitorEventLoopDelay({ resolution: 10 });
  delay.enable();
  const ids = ['a', 'b', 'c', '../x', '%00', 'x'.repeat(70)];
  /** Builds that are written to as they should be, with odd words in them: what was answered as saved reads back as it was read. */
  const sound = Object.defineProperty({ x: 0, y: 0 }, 'busy', { writable: true, value: false });
  const write = async () => {
    const id = pick(Object.keys(sound));
    const given = { ...pick(LAYOUTS).make(), ...wordsOf(random) };
    const version = sound[id];
    if (sound.busy) return;
    sound.busy = true;
    try {
      const r = version
        ? await ask(`${url}/api/v1/builds/${id}`, 'PUT', { version, document: given, request: `r-${id}-${version}` })
        : await ask(`${url}/api/v1/builds`, 'POST', { id, document: given });
      figures.asked++;
      figures.byStatus[r.status] = (figures.byStatus[r.status] ?? 0) + 1;
      const read = readRig(given);
      if ((r.status === 200 || r.status === 201) !== read.ok)
        return void figures.odd.push(`${r.status} for a document that ${read.ok ? 'reads' : 'does not read'}`);
      if (!read.ok) return;
      figures.written++;
      sound[id] = r.json.version;
      if (r.json.version !== version + 1) figures.odd.push(`version ${r.json.version} after ${version}`);
      const back = await ask(`${url}/api/v1/builds/${id}`, 'GET');
      if (back.json?.version !== version + 1 || JSON.stringify(back.json.document) !== JSON.stringify(read.document))
        figures.odd.push(`what was written to ${id} reads back as ${back.text?.slice(0, 200)}`);
      const kept = await ask(`${url}/api/v1/builds/${id}/revisions/${version + 1}`, 'GET');
      if (JSON.stringify(kept.json?.document) !== JSON.stringify(read.document)) figures.odd.push(`version ${version + 1} of ${id} is not what was written`);
    } finally {
      sound.busy = false;
    }
  };
  const one = async () => {
    if (whole(6) === 0) return write();
    const d = document(random);
    const id = pick(ids);
    let text;
    try {
      text = JSON.stringify(
        pick([{ id, document: d }, { version: 1 + whole(4), document: d }, { version: quantity(random), document: d, request: quantity(random) }, d, [d]]),
      );
    } catch {
      text = '{"a":';
    }
    if (whole(5) === 0) text = garble(text, random);
    const r = await pick([
      () => ask(`${url}/api/v1/builds`, 'POST', text),
      () => ask(`${url}/api/v1/builds/${id}`, 'PUT', text),
      () => ask(`${url}/api/v1/builds/${id}/${pick(['restore', 'revisions', 'nothing', ''])}`, pick(['POST', 'PATCH', 'DELETE']), text),
      () =>
        ask(`${url}/api/v1/sums/${pick(SUMS).name}`, 'POST', {
          [pick(['size', 'pressure', 'flow', '__proto__'])]: quantity(random),
          bore: quantity(random),
          length: quantity(random),
        }),
      () => ask(`${url}/api/v1/builds?from=${quantity(random)}&count=${quantity(random)}&find=${encodeURIComponent(String(quantity(random)))}`, 'GET'),
      () => ask(`${url}/api/v1/builds/${id}/revisions/${pick(['0', '1', '-1', '1e9', 'x'])}`, 'GET'),
    ])();
    figures.asked++;
    figures.byStatus[r.status] = (figures.byStatus[r.status] ?? 0) + 1;
    if (r.status === 0 || r.status >= 500) figures.odd.push(`${r.status} ${r.text?.slice(0, 160)} for ${text.slice(0, 120)}`);
    // 431 comes from the HTTP parser itself, before the application.
    else if (r.status >= 400 && r.status !== 431 && !r.json?.error?.message) figures.odd.push(`${r.status} without words for ${text.slice(0, 120)}`);
  };
  try {
    for (let done = 0; done < count; done += 8) await Promise.all(Array.from({ length: Math.min(8, count - done) }, one));
    if (figures.written < count / 60) figures.odd.push(`only ${figures.written} writes of ${count} went through`);
    figures.loopDelayMs = Math.round(delay.max / 1e6);
    if (figures.loopDelayMs > MOST_DELAY_MS) figures.odd.push(`the event loop stood still for ${figures.loopDelayMs} ms`);
  } finally {
    await end();
    rmSync(folder, { recursive: true, force: true });
  }
  return { name: 'bodies', figures, bad: figures.odd.length };
}

/** Rig and network files, read as the page and the command line read them: never a throw. */
export function fuzzFiles(count, seed) {
  const random = chance(seed);
  const figures = { read: 0, sound: 0, refused: 0, slowestMs: 0, odd: [] };
  const inps = LAYOUTS.map((l) => rigInp(parseRig(l.make())));
  for (let i = 0; i < count; i++) {
    const given = i % 4 === 3 ? garble(random.pick(inps), random) : document(random);
    const from = performance.now();
    try {
      if (i % 4 === 3) {
        const r = readInp(given);
        figures[r.ok ? 'sound' : 'refused']++;
      } else {
        const r = readRig(given);
        figures[r.ok ? 'sound' : 'refused']++;
        if (!r.ok && (r.problems.length === 0 || r.problems.length > 50 || r.problems.some((p) => !p.message)))
          figures.odd.push(`${r.problems.length} problems`);
      }
    } catch (error) {
      figures.odd.push(String(error.stack).slice(0, 300));
    }
    figures.slowestMs = Math.max(figures.slowestMs, Math.round(performance.now() - from));
    figures.read++;
  }
  if (figures.slowestMs > MOST_DELAY_MS) figures.odd.push(`a file took ${figures.slowestMs} ms`);
  return { name: 'files', figures, bad: figures.odd.length };
}

/** Command lines, most through the command's own entry, some as real processes: exit 0 or 1 with words, never 2. */
export async function fuzzCommands(count, processes, seed) {
  const random = chance(seed);
  const { whole, pick } = random;
  const { run } = await import('../../cli/dist/commands.js');
  const figures = { run: 0, processes: 0, byExit: {}, slowestMs: 0, odd: [] };
  const folder = mkdtempSync(join(tmpdir(), 'pozzo-lines-'));
  const file = join(folder, 'rig.json');
  const flags = ['--text', '--metric', '--fixes', '--days', '--seed', '--list', '--size', '--nothing', '--', '-', '--data'];
  const line = () => {
    const d = document(random);
    let text;
    try {
      text = JSON.stringify(d);
    } catch {
      text = '[';
    }
    writeFileSync(file, whole(6) === 0 ? garble(text, random) : text);
    const args = [pick(['assess', 'assess', 'day', 'inp', 'solve', 'sum', 'sum', 'help', 'check', 'restore', String(quantity(random))])];
    if (args[0] === 'sum')
      args.push(pick(SUMS).name, ...Array.from({ length: whole(5) }, () => `${pick(['size', 'pressure', 'flow', 'bore', 'length', ''])}=${quantity(random)}`));
    else args.push(pick([file, file, folder, join(folder, 'none'), String(quantity(random))]));
    for (let n = whole(3); n > 0; n--) args.push(pick(flags), ...(whole(2) ? [String(whole(20))] : []));
    if (args[0] === 'day') args.push('--days', String(whole(3)));
    return args.map((a) => a.replaceAll('\0', ''));
  };
  const judge = (args, exit, out, err) => {
    figures.byExit[exit] = (figures.byExit[exit] ?? 0) + 1;
    if (exit !== 0 && exit !== 1) figures.odd.push(`exit ${exit}: ${args.join(' ').slice(0, 100)}: ${err.slice(0, 300)}`);
    if (exit === 1 && !err && !out) figures.odd.push(`no words: ${args.join(' ').slice(0, 100)}`);
  };
  try {
    for (let i = 0; i < count; i++) {
      const args = line();
      if (args[0] === 'check' || args[0] === 'restore') continue;
      const from = performance.now();
      const { exit, stdout, stderr } = run(args);
      figures.slowestMs = Math.max(figures.slowestMs, Math.round(performance.now() - from));
      figures.run++;
      judge(args, exit, stdout, stderr);
    }
    for (let i = 0; i < processes; i++) {
      const args = line();
      const r = spawnSync(process.execPath, [join(root, 'cli/dist/main.js'), ...args], {
        encoding: 'utf8',
        timeout: 60_000,
        cwd: folder,
        env: { ...process.env, POZZO_DATA: join(folder, 'data') },
      });
      figures.processes++;
      judge(args, r.status, r.stdout, r.stderr);
    }
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
  return { name: 'command lines', figures, bad: figures.odd.length };
}
