import { execFileSync } from 'node:child_process';
import {
  copyFileSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  openSync,
  closeSync,
  readdirSync,
  rmSync,
  statSync,
  truncateSync,
  writeFileSync,
  writeSync,
} from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { pontoonRig } from '@pozzo/core';
import { chance } from './random.mjs';
import { ask, start } from './server.mjs';

const Database = createRequire(new URL('../../server/package.json', import.meta.url))('better-sqlite3');
const put = (url, version, notes) => ask(`${url}/api/v1/builds/a`, 'PUT', { version, document: { ...pontoonRig(), notes } });
const notesOf = async (url) => (await ask(`${url}/api/v1/builds/a`, 'GET')).json?.document?.notes;

/** A small disk of its own, where this machine lets us make one. */
function smallDisk(mb) {
  const folder = mkdtempSync(join(tmpdir(), 'pozzo-disk-'));
  try {
    execFileSync('mount', ['-t', 'tmpfs', '-o', `size=${mb}m`, 'tmpfs', folder], { stdio: 'ignore' });
    return {
      folder,
      end: () => {
        execFileSync('umount', ['-l', folder], { stdio: 'ignore' });
        rmSync(folder, { recursive: true, force: true });
      },
    };
  } catch {
    rmSync(folder, { recursive: true, force: true });
    return undefined;
  }
}

/** The disk fills up, saves are refused as 507, room comes back, saves go on; a kill then loses none that was acknowledged. */
export async function fullDisk(rounds, seed) {
  const { whole } = chance(seed);
  const figures = { rounds: 0, refused: 0, saves: 0, lost: 0, skipped: false, odd: [] };
  const disk = smallDisk(6);
  if (!disk) return { name: 'full disk', figures: { ...figures, skipped: true }, bad: 0 };
  const data = join(disk.folder, 'data');
  mkdirSync(data);
  let s = await start(data, { POZZO_BACKUPS: join(tmpdir(), 'pozzo-soak-none') });
  try {
    await ask(`${s.url}/api/v1/builds`, 'POST', { id: 'a', document: pontoonRig() });
    let version = 1;
    let last = '';
    for (let round = 0; round < rounds; round++) {
      const filler = join(disk.folder, 'filler');
      const h = openSync(filler, 'w');
      try {
        for (;;) writeSync(h, Buffer.alloc(4096));
      } catch {
        // full
      }
      closeSync(h);
      for (let i = 0, full = 0; i < 40 && full < 2 + whole(3); i++) {
        const r = await put(s.url, version, `full ${round} ${i}`);
        if (r.status === 200) [version, last] = [r.json.version, `full ${round} ${i}`];
        else if (r.status === 507) {
          full++;
          figures.refused++;
        } else figures.odd.push(`full disk answered ${r.status} ${r.json?.error?.code}`);
      }
      rmSync(filler);
      for (let i = 0; i < 5 + whole(10); i++) {
        const notes = `room ${round} ${i}`;
        const r = await put(s.url, version, notes);
        if (r.status === 200) {
          [version, last] = [r.json.version, notes];
          figures.saves++;
        } else figures.odd.push(`with room again ${r.status} ${r.json?.error?.code}`);
      }
      await s.kill();
      s = await start(data, { POZZO_BACKUPS: join(tmpdir(), 'pozzo-soak-none') });
      const found = s.url ? await notesOf(s.url) : s.said();
      if (found !== last) {
        figures.lost++;
        figures.odd.push(`acknowledged "${last}", found "${found}"`);
      }
      figures.rounds++;
    }
  } finally {
    await s.kill();
    disk.end();
  }
  return { name: 'full disk', figures, bad: figures.lost + figures.odd.length };
}

/** Another program holds the database: saves wait a little, are refused as 503, and come through afterwards. */
export async function lockedDatabase(rounds, seed) {
  const { whole } = chance(seed);
  const figures = { rounds: 0, waited: 0, refused: 0, odd: [] };
  const folder = mkdtempSync(join(tmpdir(), 'pozzo-lock-'));
  const s = await start(folder);
  try {
    await ask(`${s.url}/api/v1/builds`, 'POST', { id: 'a', document: pontoonRig() });
    let version = 1;
    for (let round = 0; round < rounds; round++) {
      const other = new Database(join(folder, 'pozzo.sqlite'), { timeout: 2000 });
      other.exec('BEGIN IMMEDIATE');
      const hold = whole(2500);
      const four = Promise.all([1, 2, 3, 4].map((i) => put(s.url, version, `locked ${round} ${i}`)));
      const before = performance.now();
      const health = await ask(`${s.url}/api/v1/health`, 'GET');
      if (health.status !== 200 || performance.now() - before > 2000) figures.odd.push('the server stood still while the database was locked');
      await sleep(hold);
      other.exec('ROLLBACK');
      other.close();
      for (const r of await four) {
        if (r.status === 200) figures.waited++;
        else if (r.status === 503) figures.refused++;
        else if (r.status !== 409) figures.odd.push(`locked answered ${r.status}`);
      }
      version = (await ask(`${s.url}/api/v1/builds/a`, 'GET')).json.version;
      const after = await put(s.url, version, 'free');
      if (after.status !== 200) figures.odd.push(`free again answered ${after.status}`);
      else version = after.json.version;
      figures.rounds++;
    }
  } finally {
    await s.kill('SIGTERM');
    rmSync(folder, { recursive: true, force: true });
  }
  return { name: 'locked database', figures, bad: figures.odd.length };
}

/** A second server on the same folder says who holds it, and the first goes on. */
export async function twoServers(rounds) {
  const figures = { rounds: 0, odd: [] };
  const folder = mkdtempSync(join(tmpdir(), 'pozzo-two-'));
  const s = await start(folder);
  try {
    for (let round = 0; round < rounds; round++) {
      const second = await start(folder);
      const { code } = second.url ? { code: 0 } : await second.ended;
      if (second.url || code !== 1 || !/is held by/.test(second.said())) figures.odd.push(`a second server: ${code} ${second.said().slice(0, 200)}`);
      if (second.url) await second.kill();
      if ((await ask(`${s.url}/api/v1/health`, 'GET')).status !== 200) figures.odd.push('the first went away');
      figures.rounds++;
    }
  } finally {
    await s.kill();
    rmSync(folder, { recursive: true, force: true });
  }
  return { name: 'two servers', figures, bad: figures.odd.length };
}

/** Database files cut, emptied or scribbled over: the server starts soundly or says in words why not, and touches nothing. */
export async function damagedFiles(rounds, seed) {
  const { whole, pick } = chance(seed);
  const figures = { rounds: 0, told: 0, stood: 0, odd: [] };
  const folder = mkdtempSync(join(tmpdir(), 'pozzo-damage-'));
  const s = await start(folder, { POZZO_DEMO: '1' });
  await sleep(300);
  await s.kill('SIGTERM');
  const sound = join(folder, 'sound.sqlite');
  const file = join(folder, 'pozzo.sqlite');
  copyFileSync(file, sound);
  try {
    for (let round = 0; round < rounds; round++) {
      for (const f of readdirSync(folder)) if (/-(wal|shm)$/.test(f)) rmSync(join(folder, f));
      copyFileSync(sound, file);
      const size = statSync(file).size;
      pick([
        () => truncateSync(file, whole(size)),
        () => {
          const h = openSync(file, 'r+');
          for (let n = 1 + whole(20); n > 0; n--)
            writeSync(h, Buffer.from(Array.from({ length: 1 + whole(300) }, () => whole(256))), 0, undefined, whole(size));
          closeSync(h);
        },
        () => writeFileSync(file, ''),
        () => writeFileSync(`${file}-wal`, Buffer.from(Array.from({ length: 5000 }, () => whole(256)))),
        () => rmSync(file),
      ])();
      const d = await start(folder);
      if (d.url) {
        figures.stood++;
        const list = await ask(`${d.url}/api/v1/builds`, 'GET');
        if (list.status !== 200 && list.status !== 503) figures.odd.push(`the yard of a scribbled file answered ${list.status}`);
        for (const b of list.json?.builds ?? []) {
          const r = await ask(`${d.url}/api/v1/builds/${b.id}`, 'GET');
          if (![200, 422, 404, 503].includes(r.status)) figures.odd.push(`a build of a scribbled file answered ${r.status} ${r.text?.slice(0, 100)}`);
        }
        await d.kill();
      } else {
        const { code, signal } = await d.ended;
        if (code === 1 && /[a-z]{3,} .*\./.test(d.said()) && !/\n\s+at /.test(d.said())) figures.told++;
        else figures.odd.push(`ended with ${code ?? signal}: ${d.said().slice(0, 200)}`);
      }
      figures.rounds++;
    }
  } finally {
    if (existsSync(folder)) rmSync(folder, { recursive: true, force: true });
  }
  return { name: 'damaged files', figures, bad: figures.odd.length };
}

/** The clock goes back and forth between saves: versions rise by one all the same, and the newest is never thinned away. */
export async function clockBack(rounds, seed) {
  const { whole } = chance(seed);
  const figures = { rounds: 0, saves: 0, odd: [] };
  const { YardDatabase } = await import('../../server/dist/store/yard-database.js');
  const { BuildStore } = await import('../../server/dist/store/builds.js');
  const { RevisionStore } = await import('../../server/dist/store/revisions.js');
  const folder = mkdtempSync(join(tmpdir(), 'pozzo-clock-'));
  let clock = Date.UTC(2026, 5, 1);
  const now = () => new Date(clock);
  const db = await YardDatabase.open(folder);
  try {
    const store = new BuildStore(db, 'soak', now);
    const revisions = new RevisionStore(db, now);
    await store.add('a', pontoonRig());
    for (let round = 0; round < rounds; round++) {
      clock += (whole(2000) - 900) * 3_600_000;
      const { version } = await store.save('a', round + 1, { ...pontoonRig(), notes: `${round}` });
      if (version !== round + 2) figures.odd.push(`version ${version} after ${round + 1}`);
      if (round % 10 === 0) await revisions.thin();
      const kept = (await revisions.list('a', 1e9, 1)).revisions[0];
      if (kept.version !== version || (await store.get('a')).document.notes !== `${round}`) figures.odd.push('the newest was thinned away');
      figures.saves++;
      figures.rounds++;
    }
  } finally {
    await db.close();
    rmSync(folder, { recursive: true, force: true });
  }
  return { name: 'clock back', figures, bad: figures.odd.length };
}
