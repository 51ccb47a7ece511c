import { execFileSync, spawn } from 'node:child_process';
import { createHash } from 'node:crypto';
import {
  copyFileSync,
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  openSync,
  closeSync,
  readdirSync,
  readFileSync,
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

/** Writes a file until its disk has no more room. */
function fill(file) {
  const h = openSync(file, 'w');
  try {
    for (;;) writeSync(h, Buffer.alloc(4096));
  } catch {
    // full
  }
  closeSync(h);
}

/** The disk fills up, saves are refused as 507, room comes back, saves go on; a kill then loses none that was acknowledged. */
export async function fullDisk(rounds, seed) {
  const { whole } = chance(seed);
  const figures = { rounds: 0, refused: 0, saves: 0, lost: 0, odd: [] };
  const disk = smallDisk(6);
  if (!disk)
    return { name: 'full disk', figures: { ...figures, odd: ['no small disk can be made here: run as root, or where user namespaces are allowed'] }, bad: 1 };
  const data = join(disk.folder, 'data');
  mkdirSync(data);
  let s = await start(data, { POZZO_BACKUPS: join(tmpdir(), 'pozzo-soak-none') });
  try {
    await ask(`${s.url}/api/v1/builds`, 'POST', { id: 'a', document: pontoonRig() });
    let version = 1;
    let last = '';
    for (let round = 0; round < rounds; round++) {
      const filler = join(disk.folder, 'filler');
      fill(filler);
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
  if (figures.refused < figures.rounds || figures.saves < figures.rounds) figures.odd.push('the disk was never full, or never had room');
  return { name: 'full disk', figures, bad: figures.lost + figures.odd.length };
}

/** An old yard on a disk that is all but full cannot be lifted: told in words, nothing changed, and lifted once there is room. */
export async function fullAtStart(rounds) {
  const figures = { rounds: 0, told: 0, lifted: 0, odd: [] };
  const old = new URL('../../server/testdata/yard-v1.sqlite', import.meta.url);
  const before = readFileSync(old);
  const disk = smallDisk(Math.ceil(before.length / 1e6) + 2);
  if (!disk) return { name: 'full at the start', figures: { ...figures, odd: ['no small disk can be made here'] }, bad: 1 };
  try {
    for (let round = 0; round < rounds; round++) {
      const data = join(disk.folder, `data-${round}`);
      mkdirSync(data);
      copyFileSync(old, join(data, 'pozzo.sqlite'));
      const filler = join(disk.folder, 'filler');
      fill(filler);
      // From nothing at all left to a few pages.
      truncateSync(filler, Math.max(statSync(filler).size - 8192 * round, 0));
      const s = await start(data, { POZZO_BACKUPS: join(tmpdir(), 'pozzo-soak-none') });
      if (s.url) {
        figures.lifted++;
        await s.kill('SIGTERM');
      } else {
        const { code } = await s.ended;
        if (code === 1 && /full/.test(s.said()) && !/\n\s+at /.test(s.said())) figures.told++;
        else figures.odd.push(`ended with ${code}: ${s.said().slice(0, 200)}`);
      }
      rmSync(filler);
      const again = await start(data, { POZZO_BACKUPS: join(tmpdir(), 'pozzo-soak-none') });
      const list = again.url ? await ask(`${again.url}/api/v1/builds`, 'GET') : undefined;
      if (list?.json?.total !== 6) figures.odd.push(`with room again: ${list?.json?.total ?? again.said().slice(0, 200)}`);
      await again.kill('SIGTERM');
      rmSync(data, { recursive: true });
      figures.rounds++;
    }
    if (!figures.told) figures.odd.push('the disk was never full');
  } finally {
    disk.end();
  }
  return { name: 'full at the start', figures, bad: figures.odd.length };
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

const contentOf = (file) => (existsSync(file) ? createHash('md5').update(readFileSync(file)).digest('hex') : 'none');

/**
 * A restore is killed at each of its steps (calls to the file system): what is there afterwards is the old yard whole, the new
 * one, or told in words; after it is done again it is the new one, and the old one stands beside it.
 * @param stride 1 kills it at every step, 3 at every third
 */
export async function killedRestores(stride) {
  const figures = { steps: 0, old: 0, fresh: 0, begun: 0, told: 0, odd: [] };
  const place = mkdtempSync(join(tmpdir(), 'pozzo-restores-'));
  const { restore, backup, check } = await import('../../server/dist/keep/index.js');
  const { YardDatabase } = await import('../../server/dist/store/yard-database.js');
  const zip = join(place, 'backup.zip');
  const notesIn = (folder) => {
    const db = new Database(join(folder, 'pozzo.sqlite'), { fileMustExist: true });
    try {
      return db.prepare(`SELECT json_extract(document, '$.notes') AS n, version AS v FROM build WHERE id = 'a'`).get();
    } finally {
      db.close();
    }
  };
  /** A yard as a kill leaves it: version 4, of which all but the first are in the log alone. */
  const killed = async (to) => {
    const s = await start(to);
    await ask(`${s.url}/api/v1/builds`, 'POST', { id: 'a', document: { ...pontoonRig(), notes: 'old 1' } });
    for (let v = 1; v < 4; v++) await put(s.url, v, `old ${v + 1}`);
    await s.kill();
  };
  const yards = {
    'with its log': async (to) => killed(to),
    'without its mark': async (to) => {
      await killed(to);
      rmSync(join(to, 'pozzo.yard'));
    },
    damaged: async (to) => {
      await killed(to);
      const h = openSync(join(to, 'pozzo.sqlite'), 'r+');
      writeSync(h, Buffer.alloc(3000, 7), 0, 3000, 0);
      closeSync(h);
    },
    'none yet': async (to) => void mkdirSync(to),
  };
  try {
    const source = join(place, 'source');
    const s = await start(source);
    await ask(`${s.url}/api/v1/builds`, 'POST', { id: 'a', document: { ...pontoonRig(), notes: 'brought back' } });
    await s.kill('SIGTERM');
    await backup(source, zip);
    for (const [name, make] of Object.entries(yards)) {
      const model = join(place, name.replace(/ /g, '-'));
      await make(model);
      for (let step = 1; ; step += stride) {
        const folder = join(place, `at-${step}`);
        cpSync(model, folder, { recursive: true });
        const again = `import { restore } from ${JSON.stringify(new URL('../../server/dist/keep/restore.js', import.meta.url).href)}; await restore(...process.argv.slice(1));`;
        const child = spawn(
          process.execPath,
          ['--import', new URL('kill-at-step.mjs', import.meta.url).href, '--input-type=module', '-e', again, zip, folder],
          {
            env: { ...process.env, POZZO_KILL_AT: String(step) },
            stdio: 'ignore',
          },
        );
        const [code, signal] = await new Promise((done) => child.once('exit', (c, g) => done([c, g])));
        if (code === 0) {
          if (notesIn(folder).n !== 'brought back') figures.odd.push(`${name}: done, but ${JSON.stringify(notesIn(folder))}`);
          rmSync(folder, { recursive: true });
          break;
        }
        if (signal !== 'SIGKILL') figures.odd.push(`${name}, step ${step}: ended with ${code}`);
        figures.steps++;
        // Looked at by who opens it next, without a word from a person.
        const marked = existsSync(join(folder, 'pozzo.yard'));
        let found;
        try {
          const db = await YardDatabase.open(folder, 'a soak');
          found = await db.read((h) => h.prepare(`SELECT version, json_extract(document, '$.notes') AS notes FROM build WHERE id = 'a'`).get());
          await db.close();
          if (found?.notes === 'brought back') figures.fresh++;
          else if (found?.version === 4 && found.notes === 'old 4') figures.old++;
          else if (name === 'none yet' && !found && !marked) figures.begun++;
          else figures.odd.push(`${name}, killed at step ${step}: version ${found?.version} "${found?.notes}"`);
        } catch (error) {
          if (error.name === 'YardError') figures.told++;
          else figures.odd.push(`${name}, killed at step ${step}: ${error.message}`);
        }
        // Done again, it is whole.
        try {
          await restore(zip, folder);
          if (notesIn(folder).n !== 'brought back' || !check(folder).ok) figures.odd.push(`${name}, step ${step}: done again it is not whole`);
          const left = readdirSync(folder).filter((n) => /part|restoring/.test(n));
          if (left.length) figures.odd.push(`${name}, step ${step}: ${left} is left`);
        } catch (error) {
          figures.odd.push(`${name}, step ${step}: cannot be done again: ${error.message}`);
        }
        rmSync(folder, { recursive: true });
        if (step > 200) {
          figures.odd.push(`${name}: no end`);
          break;
        }
      }
    }
    if (figures.steps < 60 / stride) figures.odd.push(`only ${figures.steps} steps were killed`);
  } finally {
    rmSync(place, { recursive: true, force: true });
  }
  return { name: 'killed restores', figures, bad: figures.odd.length };
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
      const before = contentOf(file);
      const d = await start(folder);
      if (d.url) {
        figures.stood++;
        const list = await ask(`${d.url}/api/v1/builds`, 'GET');
        // A yard that stands is the one that was there, and not an empty one begun in its place.
        if (list.status === 200 && list.json.total + (await ask(`${d.url}/api/v1/builds?deleted=1`, 'GET')).json.total === 0)
          figures.odd.push('an empty yard stands where one was');
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
        if (contentOf(file) !== before) figures.odd.push(`the file was touched: ${d.said().slice(0, 120)}`);
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
  const folder = mkdtempSync(join(tmpdir(), 'pozzo-clock-'));
  let clock = Date.UTC(2026, 5, 1);
  const now = () => new Date(clock);
  const db = await YardDatabase.open(folder);
  try {
    const store = new BuildStore(db, 'soak', now);
    const { revisions } = store;
    await store.add('a', pontoonRig());
    const seen = [];
    for (let round = 0; round < rounds; round++) {
      clock += (whole(2000) - 900) * 3_600_000;
      const { version } = await store.save('a', round + 1, { ...pontoonRig(), notes: `${round}` });
      if (version !== round + 2) figures.odd.push(`version ${version} after ${round + 1}`);
      // Days as the wild clock tells them.
      const day = new Date(clock);
      seen.push(day.toISOString().slice(0, 10));
      if (round % 10 === 0) await revisions.thin(seen.slice(-60));
      const kept = (await revisions.list('a', 1e9, 1)).revisions[0];
      if (kept.version !== version || (await store.get('a')).document.notes !== `${round}`) figures.odd.push('the newest was thinned away');
      const newest = (await revisions.list('a', 1e9, 50)).revisions.map((r) => r.version);
      if (newest.length < Math.min(version, 50) || newest.some((v, n) => v !== version - n))
        figures.odd.push(`of the newest fifty up to ${version} some were thinned away`);
      figures.saves++;
      figures.rounds++;
    }
  } finally {
    await db.close();
    rmSync(folder, { recursive: true, force: true });
  }
  return { name: 'clock back', figures, bad: figures.odd.length };
}
