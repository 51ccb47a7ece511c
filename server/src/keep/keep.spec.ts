import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, truncateSync, utimesSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { parseRig } from '@pozzo/core';
import { zipSync } from 'fflate';
import request from 'supertest';
import { fromBuffer, type Entry, type ZipFile } from 'yauzl';
import { named, openYard, type TestYard } from '../testing/yard';
import { backup } from './backup';
import { check } from './check';
import { DAILY_KEPT, DailyBackups } from './daily';
import { restore } from './restore';

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

describe('bringing one back', () => {
  test('is refused while a server holds the folder', async () => {
    const zip = join(place, 'held.zip');
    await backup(yard.folder, zip);
    expect(() => restore(zip, yard.folder)).toThrow(/held by a test/);
  });
  test('puts everything back and keeps what was there beside it', async () => {
    const zip = join(place, 'back.zip');
    await backup(yard.folder, zip);
    await yard.store.save('a', 2, named('After the backup'));
    await yard.db.close();
    const done = restore(zip, yard.folder);
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
    ['a database that is none', () => zipSync({ 'pozzo.sqlite': new Uint8Array(5000) }), /not sound, so nothing was changed/],
    ['an empty database', () => zipSync({ 'pozzo.sqlite': new Uint8Array(0) }), /not sound|no backup/],
  ])('%s changes nothing', async (_what, make, words) => {
    const zip = join(place, 'bad.zip');
    writeFileSync(zip, make());
    await yard.db.close();
    expect(() => restore(zip, yard.folder)).toThrow(words);
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
      expect(() => restore(cut, empty)).toThrow(/no backup|not sound/);
    }
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
    const well = new DailyBackups(yard.folder, into, () => new Date(2026, 0, 1));
    await well.daily();
    expect(well.list().trouble).toBeNull();
  });
  test('pieces of one that was cut short are cleared at the start, and nothing else', async () => {
    const into = join(place, 'cut');
    const daily = new DailyBackups(yard.folder, into, () => new Date(2026, 0, 1));
    await daily.daily();
    for (const name of ['.pozzo-2026-01-01-101010.zip.part', '.pozzo-2026-01-01.zip.sqlite.part', 'mine.part']) writeFileSync(join(into, name), 'x');
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
