import { blankWorkshop, type Documents, KIND_NAMES, type KindName, KINDS } from '@pozzo/core';
import Database from 'better-sqlite3';
import request from 'supertest';
import { backup } from '../keep/backup';
import { check } from '../keep/check';
import { restore } from '../keep/restore';
import { named, newFolder, openYard, type TestYard } from '../testing/yard';
import { KEPT } from './kinds';
import type { RecordStore } from './records';
import { readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { unzipSync } from 'fflate';

/** A document of each kind under a name. */
const MADE: { readonly [K in KindName]: (name: string) => Documents[K] } = {
  build: (name) => named(name),
  workshop: (name) => ({ ...blankWorkshop(), name }),
};
const idOf = (kind: KindName): string => KINDS[kind].only ?? 'one';

let yard: TestYard;
beforeEach(async () => {
  yard = await openYard();
});
afterEach(() => yard.end());
const storeOf = (kind: KindName): RecordStore<KindName> => yard.yard[kind];
/** The record begun, as its kind is begun. */
async function begun(kind: KindName): Promise<RecordStore<KindName>> {
  const store = storeOf(kind);
  if (KINDS[kind].only) await store.save(idOf(kind), 0, MADE[kind]('First'), { request: 'q1', by: 'Crew A' });
  else await store.add(idOf(kind), MADE[kind]('First'), { request: 'q1', by: 'Crew A' });
  return store;
}

describe.each(KIND_NAMES)('a %s', (kind) => {
  test('is kept with its versions, and by whom each was saved', async () => {
    const store = await begun(kind);
    await store.save(idOf(kind), 1, MADE[kind]('Second'), { request: 'q2' });
    await store.save(idOf(kind), 2, MADE[kind]('Third'), { by: 'Crew B' });
    expect((await store.get(idOf(kind))).document.name).toBe('Third');
    const { revisions, total } = await store.revisions.list(idOf(kind), 99, 50);
    expect(revisions.map((r) => [r.version, r.by])).toEqual([
      [3, 'Crew B'],
      [2, null],
      [1, 'Crew A'],
    ]);
    expect(total).toBe(3);
    expect((await store.revisions.get(idOf(kind), 1)).document.name).toBe('First');
  });

  test('saved from an old version comes back with both documents; sent twice it is one save', async () => {
    const store = await begun(kind);
    expect(await store.save(idOf(kind), 1, MADE[kind]('Second'), { request: 'q2' })).toMatchObject({ version: 2 });
    expect(await store.save(idOf(kind), 1, MADE[kind]('Second'), { request: 'q2' })).toMatchObject({ version: 2 });
    await expect(store.save(idOf(kind), 1, MADE[kind]('Mine'))).rejects.toMatchObject({
      status: 409,
      message: `This ${KEPT[kind].word} was saved elsewhere: it is at version 2, yours was made from version 1.`,
      current: { version: 2, document: { name: 'Second' } },
      yours: { name: 'Mine' },
    });
    // What stands there is the sender's own, though it never heard so.
    expect(await store.save(idOf(kind), 1, MADE[kind]('Mine'), { unanswered: ['q2'] })).toMatchObject({ version: 3 });
  });

  test('damaged on the disk is named by check with its newest good version, and can be taken back from it', async () => {
    const store = await begun(kind);
    await store.save(idOf(kind), 1, MADE[kind]('Second'));
    yard.db.handle.prepare(`UPDATE ${KEPT[kind].tables.records} SET document = '{"cut'`).run();
    expect(check(yard.folder)).toMatchObject({ ok: false, damaged: [{ kind, id: idOf(kind), why: 'Its record is no JSON.', goodVersion: 2 }] });
    await expect(store.get(idOf(kind))).rejects.toMatchObject({
      status: 422,
      message: expect.stringContaining(`${KEPT[kind].word} "${idOf(kind)}" is damaged`),
    });
    await store.save(idOf(kind), 2, (await store.revisions.get(idOf(kind), 1)).document);
    expect(check(yard.folder).ok).toBe(true);
  });

  test('is in a backup as a file of its own, and comes back with it', async () => {
    await begun(kind);
    const zip = join(yard.folder, 'b.zip');
    await backup(yard.folder, zip);
    const file = `${KINDS[kind].path}/first--${idOf(kind)}.json`;
    expect(JSON.parse(Buffer.from(unzipSync(readFileSync(zip))[file]).toString())).toEqual(MADE[kind]('First'));
    const elsewhere = newFolder();
    await restore(zip, elsewhere);
    const again = await openYard(elsewhere);
    expect(await again.yard[kind].get(idOf(kind))).toMatchObject({ version: 1, document: { name: 'First' } });
    await again.end();
  });

  test('keeps the newest versions when the old ones are thinned', async () => {
    const store = await begun(kind);
    for (let i = 1; i < 60; i++) await store.save(idOf(kind), i, MADE[kind](`v${i}`));
    const long = new Date('2020-01-01T08:00:00Z').toISOString();
    yard.db.handle.prepare(`UPDATE ${KEPT[kind].tables.revisions} SET saved_at = ?`).run(long);
    const days = Array.from({ length: 40 }, (_, i) => `2026-10-${String((i % 30) + 1).padStart(2, '0')}`);
    expect(await store.revisions.thin(days)).toBe(10);
    expect((await store.revisions.list(idOf(kind), 99, 99)).revisions.map((r) => r.version).at(-1)).toBe(11);
  });
});

describe('over HTTP', () => {
  test('the workshop is there before it is saved, once, and is never deleted', async () => {
    const blank = await request(yard.app).get('/api/v1/workshop/own');
    expect(blank.body).toEqual({ id: 'own', version: 0, document: blankWorkshop(), updatedAt: '' });
    const put = (version: number, document: unknown, by?: string) => request(yard.app).put('/api/v1/workshop/own').send({ version, document, by });
    expect((await put(0, { ...blankWorkshop(), name: 'Rigworks' }, ' Crew A ')).body).toMatchObject({ version: 1 });
    expect((await put(0, { ...blankWorkshop(), name: 'Two' })).body.error.code).toBe('stale');
    expect((await put(1, { ...blankWorkshop(), name: ' Two\u0007 ' })).body).toMatchObject({ version: 2 });
    expect((await request(yard.app).get('/api/v1/workshop/own')).body.document.name).toBe('Two');
    expect((await request(yard.app).get('/api/v1/workshop/own/revisions')).body).toMatchObject({
      total: 2,
      revisions: [
        { by: null, changed: ['name: Rigworks → Two'] },
        { by: 'Crew A', changed: ['Begun.'] },
      ],
      deeds: [],
    });
    for (const r of [
      request(yard.app).delete('/api/v1/workshop/own'),
      request(yard.app).post('/api/v1/workshop').send({ document: blankWorkshop() }),
      request(yard.app).post('/api/v1/workshop/own/restore').send({}),
      request(yard.app).get('/api/v1/workshop'),
      request(yard.app).get('/api/v1/workshop/other'),
    ])
      expect((await r).status).toBe(404);
    expect((await put(2, { ...blankWorkshop(), currency: 'DEM' })).body.error).toMatchObject({
      path: 'document.currency',
      message: expect.stringContaining('ISO 4217'),
    });
    expect((await put(2, named('A rig'))).status).toBe(400);
    // A build is not begun by saving it.
    expect(
      (
        await request(yard.app)
          .put('/api/v1/builds/new')
          .send({ version: 0, document: named('x') })
      ).status,
    ).toBe(400);
    expect(
      (
        await request(yard.app)
          .put('/api/v1/workshop/own')
          .send({ version: 2, document: blankWorkshop(), by: 'x'.repeat(81) })
      ).body.error,
    ).toMatchObject({
      path: 'by',
      message: 'A name has at most 80 characters.',
    });
  });

  test('who deleted a build and who brought it back is in its history', async () => {
    await yard.store.add('a', named('A'));
    expect((await request(yard.app).delete('/api/v1/builds/a?by=Crew%20A')).status).toBe(204);
    expect((await request(yard.app).post('/api/v1/builds/a/restore').send({ by: 'Crew B' })).status).toBe(200);
    // Nothing was deleted: nothing is brought back.
    await request(yard.app).post('/api/v1/builds/a/restore').send({});
    const { deeds } = (await request(yard.app).get('/api/v1/builds/a/revisions')).body;
    expect(deeds.map((d: { what: string; by: string }) => [d.what, d.by])).toEqual([
      ['restored', 'Crew B'],
      ['deleted', 'Crew A'],
    ]);
    expect(check(yard.folder).entries).toBe(2);
  });
});

describe('entries', () => {
  test('are only ever added: the database refuses to change or drop one, whoever asks', async () => {
    await yard.store.add('a', named('A'));
    await yard.store.remove('a');
    const other = new Database(yard.db.file);
    for (const sql of [`UPDATE entry SET by_whom = 'Nobody'`, `DELETE FROM entry`]) expect(() => other.exec(sql)).toThrow(/an entry stays as it was written/);
    other.close();
    expect(await yard.store.done('a', 9)).toMatchObject([{ what: 'deleted', by: null }]);
  });

  test('stand or fall with what they tell of', async () => {
    await expect(yard.store.remove('nobody')).rejects.toMatchObject({ status: 404 });
    expect(check(yard.folder).entries).toBe(0);
  });

  test('are lines of JSON in a backup', async () => {
    await yard.store.add('a', named('A'));
    await yard.store.remove('a', { by: 'Crew A' });
    const zip = join(yard.folder, 'b.zip');
    await backup(yard.folder, zip);
    const lines = Buffer.from(unzipSync(readFileSync(zip))['entries.jsonl'])
      .toString()
      .trim()
      .split('\n');
    expect(lines.map((l) => JSON.parse(l))).toMatchObject([{ kind: 'deed', recordKind: 'build', recordId: 'a', by: 'Crew A', says: { what: 'deleted' } }]);
    rmSync(zip);
  });
});
