import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { LAYOUTS } from '@pozzo/core';
import { ask, start } from './soak/server.mjs';

const SMALL = 100;
const LARGE = 10_000;
const median = (xs) => [...xs].sort((a, b) => a - b)[Math.floor(xs.length / 2)];

/** A yard of so many builds in a folder of its own. */
async function yardOf(count) {
  const { YardDatabase } = await import('../server/dist/store/yard-database.js');
  const { BuildStore } = await import('../server/dist/store/builds.js');
  const folder = mkdtempSync(join(tmpdir(), 'pozzo-bench-'));
  const db = await YardDatabase.open(folder);
  db.handle.pragma('synchronous = OFF');
  const store = new BuildStore(db, 'bench');
  const rigs = LAYOUTS.map((l) => l.make());
  for (let i = 0; i < count; i++) await store.add(`b${i}`, { ...rigs[i % rigs.length], name: `Build ${i}` });
  await db.close();
  return folder;
}

async function timed(work, times) {
  const out = [];
  for (let i = 0; i < times; i++) {
    const from = performance.now();
    await work(i);
    out.push(performance.now() - from);
  }
  return median(out);
}
const memoryMb = (pid) => {
  const file = `/proc/${pid}/status`;
  return existsSync(file) ? Number(/VmRSS:\s+(\d+)/.exec(readFileSync(file, 'utf8'))?.[1]) / 1000 : NaN;
};

/** The yard at a hundred and at ten thousand builds: a page of the list, a save alone and while the yard is being judged. */
export async function benchYard(row) {
  const measure = async (count) => {
    const folder = await yardOf(count);
    const s = await start(folder, { POZZO_BACKUPS: join(folder, 'backups') });
    try {
      const page = (i) => ask(`${s.url}/api/v1/builds?from=${(i * 97) % Math.max(1, count - 100)}&count=100`, 'GET');
      await timed(page, 20);
      const early = memoryMb(s.child.pid);
      const document = { ...LAYOUTS[0].make() };
      let version = 1;
      const save = async (i) => {
        const r = await ask(`${s.url}/api/v1/builds/b0`, 'PUT', { version, document: { ...document, notes: `${i}` } });
        if (r.status === 200) version = r.json.version;
      };
      const judging = await timed(save, 60);
      const list = await timed(page, 60);
      if (count === SMALL) for (let n = 0; n < 120 && (await page(0)).json.builds.some((b) => !b.judged?.sampled); n++) await sleep(1000);
      const alone = count === SMALL ? await timed(save, 60) : NaN;
      return { list, judging, alone, early, late: memoryMb(s.child.pid) };
    } finally {
      await s.kill();
      rmSync(folder, { recursive: true, force: true });
    }
  };
  const small = await measure(SMALL);
  const large = await measure(LARGE);
  row(
    `a page of the yard of ${LARGE} builds, median`,
    `${large.list.toFixed(1)} ms`,
    `${(large.list / small.list).toFixed(2)} × that of ${SMALL}; at most 2 wanted`,
  );
  row(
    'a save while the yard is being judged, median',
    `${large.judging.toFixed(1)} ms`,
    `${(large.judging / small.alone).toFixed(2)} × a save alone; at most 2 wanted`,
  );
  row(
    'memory of the server, early and late',
    `${large.late.toFixed(0)} MB`,
    `${(large.late / large.early).toFixed(2)} × early; ${(large.late / small.late).toFixed(2)} × that of ${SMALL}`,
  );
}
