import { copyFileSync, mkdirSync, rmSync, truncateSync, writeFileSync, openSync, writeSync, closeSync, statSync } from 'node:fs';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { readRig } from '@pozzo/core';
import request from 'supertest';
import { check } from '../keep/check';
import { named, newFolder, openYard } from '../testing/yard';
import { DataSource } from 'typeorm';
import { MIGRATIONS } from './migrations';
import { DATABASE_FILE, YardDatabase } from './yard-database';

/** A closed yard with two builds, and the path of its database. */
async function closed(): Promise<{ folder: string; file: string }> {
  const yard = await openYard();
  await yard.store.add('a', named('First'));
  await yard.store.save('a', 1, named('First, again'));
  await yard.store.add('b', named('Second'));
  await yard.db.close();
  return { folder: yard.folder, file: yard.db.file };
}

describe('what is found at the start is told in words, and nothing is touched', () => {
  test.each<[string, (file: string) => void, RegExp]>([
    ['an emptied file', (f) => truncateSync(f, 0), /is empty: something emptied/],
    ['a file that is gone', (f) => rmSync(f), /is gone from where it was/],
    ['another kind of file', (f) => writeFileSync(f, 'hello, this is no database at all'), /does not begin as one/],
    ['a file cut short', (f) => truncateSync(f, Math.floor(statSync(f).size / 2)), /is damaged|cannot be read/],
    [
      'pages overwritten',
      (f) => {
        const h = openSync(f, 'r+');
        for (let at = 4096; at + 4096 <= statSync(f).size; at += 4096) writeSync(h, Buffer.alloc(2000, 0xa5), 0, 2000, at);
        closeSync(h);
      },
      /is damaged|cannot be read/,
    ],
    ['a missing table', (f) => void new Database(f).exec('DROP TABLE revision').close(), /the table of revision is missing/],
    ['no record of its version', (f) => void new Database(f).exec('DROP TABLE migrations').close(), /of which version/],
    [
      'a newer schema',
      (f) => void new Database(f).exec(`INSERT INTO migrations (timestamp, name) VALUES (9, 'Later9999')`).close(),
      /written by a newer Pozzo \(Later9999\)/,
    ],
  ])('%s', async (_what, harm, words) => {
    const { folder, file } = await closed();
    harm(file);
    await expect(YardDatabase.open(folder)).rejects.toThrow(words);
    const found = check(folder);
    expect(found.ok).toBe(false);
    expect(found.troubles[0]).toMatch(words);
    // The folder is free again: nobody holds it.
    expect(found.heldBy).toBeNull();
    rmSync(folder, { recursive: true, force: true });
  });

  test('a folder that is a file', async () => {
    const folder = newFolder();
    writeFileSync(join(folder, 'f'), '');
    await expect(YardDatabase.open(join(folder, 'f'))).rejects.toThrow(/cannot be used/);
    rmSync(folder, { recursive: true });
  });
});

test('one bad row is shown as a damaged build, the yard stands, and an earlier version can be had', async () => {
  const { folder, file } = await closed();
  const db = new Database(file);
  db.exec(`UPDATE build SET document = substr(document, 1, 200) WHERE id = 'a'`);
  db.close();
  const yard = await openYard(folder);
  const list = await request(yard.app).get('/api/v1/builds');
  expect(list.body.builds.map((b: { id: string; damaged: boolean }) => [b.id, b.damaged])).toEqual([
    ['a', true],
    ['b', false],
  ]);
  const got = await request(yard.app).get('/api/v1/builds/a');
  expect([got.status, got.body.error.code]).toEqual([422, 'damaged']);
  const history = await request(yard.app).get('/api/v1/builds/a/revisions');
  expect(history.body.revisions).toHaveLength(2);
  const back = await request(yard.app).get('/api/v1/builds/a/revisions/2');
  expect((await request(yard.app).put('/api/v1/builds/a').send({ version: 2, document: back.body.document })).status).toBe(200);
  expect((await request(yard.app).get('/api/v1/builds/a')).status).toBe(200);
  expect(check(folder).ok).toBe(true);
  await yard.end();
});

test('a folder is held by one; who holds it is named, and it is free when that one ends', async () => {
  const yard = await openYard();
  await expect(YardDatabase.open(yard.folder)).rejects.toThrow(new RegExp(`held by a test \\(process ${process.pid}`));
  expect(check(yard.folder).heldBy).toMatchObject({ pid: process.pid, what: 'a test' });
  await yard.db.close();
  const again = await YardDatabase.open(yard.folder);
  await again.close();
  rmSync(yard.folder, { recursive: true, force: true });
});

test('a yard of the first version is lifted: builds, deleted ones, names and versions', async () => {
  const folder = newFolder();
  mkdirSync(folder, { recursive: true });
  copyFileSync(join(__dirname, '../../testdata/yard-v1.sqlite'), join(folder, DATABASE_FILE));
  const yard = await openYard(folder);
  const { lines } = await yard.store.page({ from: 0, count: 50 });
  expect(lines).toHaveLength(6);
  expect(lines[0]).toMatchObject({ name: 'Pontoon skid', customer: 'Marina pontoon crew', version: 4, machines: 1, tanks: 1, damaged: false });
  expect((await yard.store.page({ from: 0, count: 50, deleted: true })).total).toBe(9);
  expect((await yard.revisions.list(lines[0].id, 99, 50)).revisions.map((r) => r.version)).toEqual([4, 3, 2, 1]);
  for (const l of lines) expect(readRig((await yard.store.get(l.id)).document)).toMatchObject({ ok: true });
  expect((await yard.db.source.driver.createSchemaBuilder().log()).upQueries).toEqual([]);
  expect(check(folder)).toMatchObject({ ok: true, builds: 6, deleted: 9, revisions: 18 });
  await yard.end();
});

test.each(MIGRATIONS.map((M, i) => [i + 1, new M().name] as const))('a yard of database version %i (%s) opens as today’s', async (version) => {
  const folder = newFolder();
  const file = join(folder, DATABASE_FILE);
  copyFileSync(join(__dirname, '../../testdata/yard-v1.sqlite'), file);
  const then = new DataSource({ type: 'better-sqlite3', database: file, entities: [], migrations: MIGRATIONS.slice(0, version), synchronize: false });
  await then.initialize();
  await then.runMigrations();
  await then.destroy();
  expect(check(folder)).toMatchObject({ ok: true, builds: 6, deleted: 9, revisions: 18 });
  const yard = await openYard(folder);
  const { lines } = await yard.store.page({ from: 0, count: 50 });
  expect(lines.map((l) => [l.damaged, l.name !== ''])).toEqual(Array.from({ length: 6 }, () => [false, true]));
  expect((await yard.db.source.driver.createSchemaBuilder().log()).upQueries).toEqual([]);
  expect(check(folder)).toMatchObject({ ok: true, builds: 6, deleted: 9, revisions: 18 });
  await yard.end();
});

test('of an earlier yard only the tables of its own version are asked for, and each of those', async () => {
  const made = async (version: number, lost: string): Promise<string> => {
    const folder = newFolder();
    const file = join(folder, DATABASE_FILE);
    const then = new DataSource({ type: 'better-sqlite3', database: file, entities: [], migrations: MIGRATIONS.slice(0, version), synchronize: false });
    await then.initialize();
    await then.runMigrations();
    if (lost) await then.query(`DROP TABLE "${lost}"`);
    await then.destroy();
    return folder;
  };
  expect(check(await made(1, ''))).toMatchObject({ ok: true });
  expect(check(await made(2, ''))).toMatchObject({ ok: true });
  for (const [version, table] of [
    [1, 'revision'],
    [2, 'judgement'],
    [3, 'build'],
  ] as const) {
    const found = check(await made(version, table));
    expect([table, found.ok, found.troubles[0]]).toEqual([table, false, expect.stringContaining(`the table of ${table} is missing`)]);
  }
});

describe('the yard by page', () => {
  test('keeps the order of adding, finds by words of name and customer, counts what matches', async () => {
    const yard = await openYard();
    for (let i = 0; i < 25; i++) await yard.store.add(`b${i}`, named(`Skid ${i}`, { customer: i % 2 ? 'Tram depot' : 'Ägidienhof 100%' }));
    const second = await yard.store.page({ from: 10, count: 10 });
    expect(second.lines.map((l) => l.name)).toEqual(Array.from({ length: 10 }, (_, i) => `Skid ${10 + i}`));
    expect([second.total, second.all]).toEqual([25, 25]);
    const found = await yard.store.page({ from: 0, count: 100, find: '  TRAM skid 1 ' });
    expect([found.lines.length, found.total, found.all]).toEqual([7, 7, 25]);
    expect((await yard.store.page({ from: 0, count: 100, find: 'ägidien' })).total).toBe(13);
    expect((await yard.store.page({ from: 0, count: 100, find: '100%' })).total).toBe(13);
    expect((await yard.store.page({ from: 0, count: 100, find: '_' })).total).toBe(0);
    await yard.end();
  });
});
