import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync, truncateSync, utimesSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import { deflateRawSync } from 'node:zlib';
import { parseRig } from '@pozzo/core';
import { zipSync } from 'fflate';
import request from 'supertest';
import { fromBuffer, type Entry, type ZipFile } from 'yauzl';
import { asAfterKill } from '../testing/foreign';
import { named, newFolder, openYard, type TestYard } from '../testing/yard';
import { backup } from './backup';
import { check } from './check';
import { DAILY_KEPT, DailyBackups } from './daily';
import { WorkThread } from '../work/work';
import { restore } from './restore';
import { SeenDays } from './seen-days';

const built = pathToFileURL(resolve(__dirname, '../../dist/work/worker.js'));
const place = mkdtempSync(join(tmpdir(), 'pozzo-keep-'));
let yard: TestYard;
beforeEach(async () => {
  yard = await openYard();
  await yard.store.add('a', named('Café skid / 1'));
  await yard.store.add('b', named('Second'));
  await yard.store.save('a', 1, named('Café skid / 2'));
  await yard.store.remove('b');
});
afterEach(() => yard.end());
afterAll(() => rmSync(place, { recursive: true, force: true }));

/** Entries of a zip by an independent reader. */
function entries(file: string): Promise<Map<string, Buffer>> {
  return new Promise((done, fail) =>
    fromBuffer(readFileSync(file), { lazyEntries: true }, (error: Error | null, zip?: ZipFile) => {
      if (error || !zip) return fail(error ?? new Error('no zip'));
      const out = new Map<string, Buffer>();
      zip.on('entry', (e: Entry) =>
        zip.openReadStream(e, (bad, stream) => {
          if (bad) return fail(bad);
          const parts: Buffer[] = [];
          stream.on('data', (d: Buffer) => parts.push(d));
          stream.on('end', () => {
            out.set(e.fileName, Buffer.concat(parts));
            zip.readEntry();
          });
        }),
      );
      zip.on('end', () => done(out));
      zip.on('error', fail);
      zip.readEntry();
    }),
  );
}

describe('a backup', () => {
  test('made while the yard is written to holds the database whole and each build as a rig file', async () => {
    const zip = join(place, 'one.zip');
    const writing = (async () => {
      for (let i = 0; i < 20; i++) await yard.store.save('a', 2 + i, named(`Save ${i}`));
    })();
    const made = await backup(yard.folder, zip, new Date(2026, 10, 26));
    await writing;
    expect(made).toMatchObject({ builds: 1, deleted: 1, file: zip });
    const found = await entries(zip);
    expect([...found.keys()].filter((n) => n.endsWith('.json')).sort()).toEqual(expect.arrayContaining(['backup.json', 'deleted/second--b.json']));
    const rig = [...found.keys()].find((n) => /^builds\/.*--a\.json$/.test(n))!;
    expect(parseRig(JSON.parse(found.get(rig)!.toString())).machines).toHaveLength(1);
    expect(found.get('pozzo.sqlite')!.subarray(0, 15).toString()).toBe('SQLite format 3');
    expect(readdirSync(place).filter((n) => n.startsWith('.'))).toEqual([]);
  });
  test('never goes over another file, nor of what is no yard, and a broken copy is none', async () => {
    const zip = join(place, 'two.zip');
    writeFileSync(zip, 'mine');
    await expect(backup(yard.folder, zip)).rejects.toThrow(/is there already/);
    expect(readFileSync(zip, 'utf8')).toBe('mine');
    await expect(backup(place, join(place, 'three.zip'))).rejects.toThrow(/There is no yard/);
    expect(existsSync(join(place, 'three.zip'))).toBe(false);
  });
});

/** The first bytes of a database that says how many pages it has, and nothing after them. */
function head(pages: number, bytes: number): Uint8Array {
  const h = Buffer.alloc(bytes);
  h.write('SQLite format 3\0', 'latin1');
  h.writeUInt16BE(4096, 16);
  h.writeUInt32BE(pages, 28);
  return h;
}

describe('bringing one back', () => {
  test('is refused while a server holds the folder', async () => {
    const zip = join(place, 'held.zip');
    await backup(yard.folder, zip);
    await expect(restore(zip, yard.folder)).rejects.toThrow(/held by a test/);
  });
  test('puts everything back and keeps what was there beside it', async () => {
    const zip = join(place, 'back.zip');
    await backup(yard.folder, zip);
    await yard.store.save('a', 2, named('After the backup'));
    await yard.db.close();
    const done = await restore(zip, yard.folder);
    expect(done).toMatchObject({ builds: 1, deleted: 1 });
    expect(existsSync(join(done.keptBeside!, 'pozzo.sqlite'))).toBe(true);
    yard = await openYard(yard.folder);
    expect((await yard.store.get('a')).document.name).toBe('Café skid / 2');
    expect((await yard.revisions.list('a', 99, 9)).total).toBe(2);
    expect((await yard.store.restore('b')).document.name).toBe('Second');
    // What was put aside is a whole yard of its own.
    const beside = await openYard(done.keptBeside!);
    expect((await beside.store.get('a')).document.name).toBe('After the backup');
    await beside.db.close();
  });
  test.each<[string, () => Uint8Array | string, RegExp]>([
    ['a file that is no zip', () => 'no zip at all', /is no backup of Pozzo/],
    ['a zip of something else', () => zipSync({ 'pozzo.txt': new Uint8Array(9) }), /is no backup of Pozzo/],
    ['a name that climbs out', () => zipSync({ '../pozzo.sqlite': new Uint8Array(9) }), /is no backup of Pozzo/],
    ['a database that is none', () => zipSync({ 'pozzo.sqlite': new Uint8Array(5000) }), /is no backup of Pozzo \(what is in it is no database\)/],
    ['an empty database', () => zipSync({ 'pozzo.sqlite': new Uint8Array(0) }), /is no backup of Pozzo/],
    ['a database of another size than it says', () => zipSync({ 'pozzo.sqlite': head(9, 5000) }), /not of the size it says/],
    ['a database of the size it says and nothing in it', () => zipSync({ 'pozzo.sqlite': head(2, 8192) }), /not sound, so nothing was changed/],
  ])('%s changes nothing', async (_what, make, words) => {
    const zip = join(place, 'bad.zip');
    writeFileSync(zip, make());
    await yard.db.close();
    await expect(restore(zip, yard.folder)).rejects.toThrow(words);
    expect(check(yard.folder)).toMatchObject({ ok: true, builds: 1 });
    yard = await openYard(yard.folder);
  });
  test('one that ends early changes nothing', async () => {
    const zip = join(place, 'short.zip');
    const { bytes } = await backup(yard.folder, zip);
    for (const share of [0.2, 0.6, 0.9]) {
      const cut = join(place, `cut-${share}.zip`);
      writeFileSync(cut, readFileSync(zip));
      truncateSync(cut, Math.floor(bytes * share));
      const empty = join(place, `empty-${share}`);
      await expect(restore(cut, empty)).rejects.toThrow(/no backup|not sound/);
    }
  });
});

/** A zip of one entry, `declared` bytes long as it says, whatever comes (PKWARE's APPNOTE, sections 4.3.7, 4.3.12, 4.3.16). */
function bomb(content: Buffer, declared: number): Buffer {
  const name = Buffer.from('pozzo.sqlite');
  const data = deflateRawSync(content);
  const same = Buffer.alloc(26);
  [20, 0, 8, 0, 0].forEach((n, i) => same.writeUInt16LE(n, i * 2));
  [0, data.length, declared].forEach((n, i) => same.writeUInt32LE(n, 10 + i * 4));
  same.writeUInt16LE(name.length, 22);
  const local = Buffer.concat([Buffer.from('PK\x03\x04', 'latin1'), same, name, data]);
  const central = Buffer.concat([Buffer.from('PK\x01\x02\x14\0', 'latin1'), same, Buffer.alloc(14), name]);
  const end = Buffer.alloc(22);
  end.write('PK\x05\x06', 'latin1');
  [1, 1].forEach((n, i) => end.writeUInt16LE(n, 8 + i * 2));
  [central.length, local.length].forEach((n, i) => end.writeUInt32LE(n, 12 + i * 4));
  return Buffer.concat([local, central, end]);
}
test('a small zip of a large file is refused by what it declares, and ends where more comes than that; never in memory', async () => {
  const folder = join(place, 'bombed');
  const zip = join(place, 'bomb.zip');
  const huge = Buffer.concat([head(2, 4096), Buffer.alloc(200 << 20)]);
  writeFileSync(zip, bomb(huge, 3_950_000_000));
  await expect(restore(zip, folder)).rejects.toThrow(/larger than any backup/);
  writeFileSync(zip, bomb(huge, 8192));
  expect(statSync(zip).size).toBeLessThan(300_000);
  const before = process.memoryUsage().rss;
  await expect(restore(zip, folder)).rejects.toThrow(/is no backup of Pozzo/);
  expect(process.memoryUsage().rss - before).toBeLessThan(100 << 20);
  expect(readdirSync(folder).filter((n) => /part|sqlite/.test(n))).toEqual([]);
});

test('a backup of a large yard ends while saves never rest, and holds one moment of it', async () => {
  const put = yard.db.handle.prepare(`INSERT INTO revision (build_id, version, document, saved_at) VALUES ('bulk', ?, ?, '')`);
  yard.db.handle.transaction(() => {
    for (let v = 1; v <= 1000; v++) put.run(v, 'x'.repeat(60_000));
  })();
  const thread = new WorkThread(built, 60_000);
  const zip = join(place, 'load.zip');
  let ended = false;
  const made = thread.run('backup', { dataFolder: yard.folder, zipFile: zip, at: new Date().toISOString() }).finally(() => (ended = true));
  let version = 2;
  // A save at every turn: a copy that begins again at each of them never ends.
  for (; !ended && version < 5000; await new Promise((next) => setTimeout(next, 1)))
    version = (await yard.store.save('a', version, named(`Save ${version}`))).version;
  expect(await made).toMatchObject({ builds: 1, deleted: 1 });
  expect(version).toBeGreaterThan(10);
  const into = join(place, 'load');
  await restore(zip, into);
  const copy = await openYard(into);
  const held = await copy.store.get('a');
  expect(held.document.name).toBe(held.version === 2 ? 'Café skid / 2' : `Save ${held.version - 1}`);
  expect((await copy.revisions.list('a', 99_999, 1)).revisions[0].version).toBe(held.version);
  await copy.end();
  await thread.stop();
});
test('a server that is stopped while it makes one ends soon, and leaves no pieces', async () => {
  const put = yard.db.handle.prepare(`INSERT INTO revision (build_id, version, document, saved_at) VALUES ('bulk', ?, ?, '')`);
  yard.db.handle.transaction(() => {
    for (let v = 1; v <= 1500; v++) put.run(v, 'x'.repeat(60_000));
  })();
  const into = join(place, 'stopped');
  const thread = new WorkThread(built, 60_000);
  const daily = new DailyBackups(yard.folder, into, undefined, (folder, zipFile, at = new Date()) =>
    thread.run('backup', { dataFolder: folder, zipFile, at: at.toISOString() }),
  );
  daily.start();
  while (!existsSync(into) || !readdirSync(into).some((n) => n.startsWith('.pozzo-'))) await new Promise((next) => setTimeout(next, 2));
  await thread.stop();
  await daily.stop();
  expect(readdirSync(into)).toEqual([]);
  expect(daily.list().trouble).toMatch(/stopping/);
});

describe('looking a yard through', () => {
  const all = (folder: string): string[] =>
    readdirSync(folder).map(
      (n) =>
        `${n} ${createHash('md5')
          .update(spawnSync('cat', [join(folder, n)]).stdout)
          .digest('hex')}`,
    );

  test('changes nothing: no log is brought in, no file is made, of an open yard, a closed and a killed one', async () => {
    // (Who reads an open yard is noted in the index of its log, by SQLite itself.)
    const but = (files: string[]): string[] => files.filter((f) => !f.startsWith('pozzo.sqlite-shm'));
    const open = but(all(yard.folder));
    expect(check(yard.folder)).toMatchObject({ ok: true, heldBy: { what: 'a test' } });
    expect(but(all(yard.folder))).toEqual(open);
    const killed = join(place, 'killed');
    asAfterKill(yard.folder, killed);
    // (As the lock's file and its journal were left by earlier ones.)
    writeFileSync(join(killed, 'pozzo.lock-journal'), Buffer.alloc(512));
    const before = all(killed);
    expect(before.some((f) => f.startsWith('pozzo.sqlite-wal'))).toBe(true);
    expect(check(killed)).toMatchObject({ ok: true, builds: 1, deleted: 1, revisions: 3, heldBy: null });
    expect(all(killed)).toEqual(before);
    const { folder } = yard;
    await yard.db.close();
    const closed = all(folder);
    expect(check(folder)).toMatchObject({ ok: true, builds: 1, deleted: 1, revisions: 3 });
    expect(all(folder)).toEqual(closed);
    yard = await openYard(folder);
  });
});

describe('the daily backup', () => {
  test('is made once a day and the last fourteen stay; those asked for are not counted', async () => {
    let now = new Date(2026, 0, 1, 9);
    const daily = new DailyBackups(yard.folder, join(place, 'daily'), () => now);
    await daily.asked();
    for (let d = 0; d < 20; d++) {
      await daily.daily();
      await daily.daily();
      now = new Date(2026, 0, 2 + d, 9);
    }
    const names = daily
      .list()
      .backups.map((b) => b.name)
      .sort();
    expect(names.filter((n) => /^pozzo-\d{4}-\d\d-\d\d\.zip$/.test(n))).toHaveLength(DAILY_KEPT);
    expect(names).toContain('pozzo-2026-01-01-090000.zip');
    expect(names).toContain('pozzo-2026-01-20.zip');
    expect(names).not.toContain('pozzo-2026-01-05.zip');
  });
  test('of a clock that is right again pushes out none of the real ones', async () => {
    let now = new Date(2026, 0, 1, 9);
    let thinned = 0;
    const then = (): Promise<unknown> => Promise.resolve(thinned++);
    const daily = new DailyBackups(yard.folder, join(place, 'jumped'), () => now, backup, new SeenDays(newFolder()), then);
    const look = async (...days: Date[]): Promise<void> => {
      for (now of days) await daily.daily();
    };
    await look(...Array.from({ length: 13 }, (_, d) => new Date(2026, 0, 1 + d, 9)));
    expect(thinned).toBe(12);
    // The clock jumps about in times to come: nothing is thinned and nothing goes on such a day.
    await look(...Array.from({ length: 5 }, (_, d) => new Date(2099 - d, 5 * (d % 2), 1, 9)));
    await look(new Date(2026, 0, 14, 9));
    expect(thinned).toBe(12);
    const names = (): string[] => daily.list().backups.map((b) => b.name);
    for (let d = 1; d <= 14; d++) expect(names()).toContain(`pozzo-2026-01-${String(d).padStart(2, '0')}.zip`);
    // Right again: the oldest goes, and those of days to come count among none of the others.
    await look(new Date(2026, 0, 15, 9));
    expect(thinned).toBe(13);
    expect(
      names()
        .filter((n) => n.startsWith('pozzo-2026'))
        .sort()[0],
    ).toBe('pozzo-2026-01-02.zip');
    expect(names()).toHaveLength(DAILY_KEPT + 5);
  });
  test('stands before anything is thinned, and nothing is where it failed', async () => {
    const done: string[] = [];
    const at = new Date(2026, 0, 1);
    const made = { file: '', bytes: 0, format: 'pozzo-backup', version: 1, madeAt: '', builds: 0, deleted: 0 } as const;
    const well = () => Promise.resolve(done.push('backup')).then(() => made);
    const then = (): Promise<unknown> => Promise.resolve(done.push('thin'));
    await new DailyBackups(yard.folder, join(place, 'order'), () => at, well, undefined, then).daily();
    await new DailyBackups(
      yard.folder,
      join(place, 'order-2'),
      () => at,
      () => Promise.reject(new Error('no')),
      undefined,
      then,
    ).daily();
    expect(done).toEqual(['backup', 'thin']);
  });
  test('asked for twice in a second is two', async () => {
    const twice = new DailyBackups(yard.folder, join(place, 'twice'), () => new Date(2026, 0, 1, 9));
    const made = await Promise.all([twice.asked(), twice.asked()]);
    expect(made.map((m) => m.file.slice(-31))).toEqual(
      ['pozzo-2026-01-01-090000.zip', 'pozzo-2026-01-01-090000-2.zip'].map((n) => expect.stringContaining(n) as string),
    );
    expect(twice.list().backups).toHaveLength(2);
  });
  test('that cannot be made is told, removes none, and is tried again', async () => {
    const into = join(place, 'trouble');
    const daily = new DailyBackups(
      yard.folder,
      into,
      () => new Date(2026, 0, 1),
      () => Promise.reject(new Error('There is no room for a backup.')),
    );
    await daily.daily();
    expect(daily.list()).toMatchObject({ backups: [], trouble: 'There is no room for a backup.' });
    const nowhere = new DailyBackups(yard.folder, join(yard.db.file, 'backups'), () => new Date(2026, 0, 1));
    await nowhere.daily();
    expect(nowhere.list().trouble).toMatch(/^The folder .* cannot be made \(ENOTDIR\)\. Set POZZO_BACKUPS/);
    const well = new DailyBackups(yard.folder, into, () => new Date(2026, 0, 1));
    await well.daily();
    expect(well.list().trouble).toBeNull();
  });
  test('pieces of one that was cut short are cleared at the start, and nothing else', async () => {
    const into = join(place, 'cut');
    const daily = new DailyBackups(yard.folder, into, () => new Date(2026, 0, 1));
    await daily.daily();
    const gone = spawnSync('true').pid;
    const pieces = ['.pozzo-2026-01-01-101010.zip.part', `.pozzo-2026-01-01.zip.${gone}.sqlite.part-journal`, `.mine.zip.${gone}.part`];
    for (const name of [...pieces, 'mine.part']) writeFileSync(join(into, name), 'x');
    daily.start();
    await daily.stop();
    expect(readdirSync(into).sort()).toEqual(['mine.part', 'pozzo-2026-01-01.zip']);
  });
  test('is on the list of the application, made there, and taken away by its name only', async () => {
    const made = await request(yard.app).post('/api/v1/backups').send({});
    expect([made.status, made.body.builds]).toEqual([201, 1]);
    const list = await request(yard.app).get('/api/v1/backups');
    expect(list.body.backups).toHaveLength(1);
    const name = list.body.backups[0].name as string;
    utimesSync(join(yard.folder, 'backups', name), 0, 0);
    const got = await request(yard.app)
      .get(`/api/v1/backups/${name}`)
      .buffer()
      .parse((res, done) => {
        const parts: Buffer[] = [];
        res.on('data', (d: Buffer) => parts.push(d));
        res.on('end', () => done(null, Buffer.concat(parts)));
      });
    expect([...(got.body as Buffer).subarray(0, 2)]).toEqual([0x50, 0x4b]);
    for (const bad of ['..%2Fpozzo.sqlite', 'pozzo.sqlite', 'pozzo-2020-01-01.zip', '%2e%2e'])
      expect((await request(yard.app).get(`/api/v1/backups/${bad}`)).status).toBe(404);
  });
});
