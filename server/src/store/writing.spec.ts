import { renameSync } from 'node:fs';
import Database from 'better-sqlite3';
import request from 'supertest';
import { named, openYard, type TestYard } from '../testing/yard';

let yard: TestYard;
beforeEach(async () => (yard = await openYard()));
afterEach(() => yard.end());

const save = (id: string, version: number, name: string) =>
  request(yard.app)
    .put(`/api/v1/builds/${id}`)
    .send({ version, document: named(name) });
const nameOf = async (y: TestYard, id: string): Promise<string> => (await y.store.get(id)).document.name;

/** As full as the file is now: whatever needs another page fails as on a full disk. */
const fill = (y: TestYard): void => {
  y.db.handle.pragma('wal_checkpoint(TRUNCATE)');
  const [{ page_count }] = y.db.handle.pragma('page_count') as [{ page_count: number }];
  y.db.handle.pragma(`max_page_count = ${page_count}`);
};

describe('a full disk', () => {
  test('is told as 507 in words; with room again every acknowledged save is there after a reopening', async () => {
    await yard.store.add('a', named('First'));
    fill(yard);
    const long = named('Too much', { notes: 'x'.repeat(4000) });
    let failures = 0;
    for (let i = 0; i < 30 && failures < 2; i++) {
      const r = await request(yard.app)
        .post('/api/v1/builds')
        .send({ id: `f${i}`, document: long });
      if (r.status === 201) continue;
      expect(r.status).toBe(507);
      expect(r.body.error).toMatchObject({ code: 'disk-full', message: expect.stringContaining('The disk is full') });
      expect(r.headers['retry-after']).toBe('5');
      failures++;
      // The connection was opened anew, with the room that a new one has.
      if (failures < 2) fill(yard);
    }
    expect(failures).toBe(2);
    const acknowledged: string[] = [];
    for (let i = 0; i < 40; i++) {
      const r = await save('a', i + 1, `Save ${i}`);
      expect(r.status).toBe(200);
      acknowledged.push(`Save ${i}`);
    }
    expect(yard.db.handle.inTransaction).toBe(false);
    // As after a kill: another connection sees what is on disk, not what this one holds open.
    const other = new Database(yard.db.file, { readonly: true });
    expect(other.prepare(`SELECT version FROM build WHERE id = 'a'`).get()).toEqual({ version: 41 });
    other.close();
    yard = await yard.reopen();
    expect(await nameOf(yard, 'a')).toBe(acknowledged.at(-1));
  });

  test('that fails a COMMIT itself leaves nothing open and nothing half done', async () => {
    await yard.store.add('a', named('Before'));
    // (The driver's errors are of another realm than the test's: looked at by their code, not by their class.)
    // A COMMIT that fails without rolling back: a deferred constraint.
    yard.db.handle.exec(
      `PRAGMA foreign_keys = ON; CREATE TABLE parent (id TEXT PRIMARY KEY); CREATE TABLE child (p TEXT REFERENCES parent(id) DEFERRABLE INITIALLY DEFERRED)`,
    );
    await expect(yard.db.write((w) => w.run({ getQueryAndParameters: () => [`INSERT INTO child VALUES ('nobody')`, []] }))).rejects.toMatchObject({
      code: 'SQLITE_CONSTRAINT_FOREIGNKEY',
    });
    expect(yard.db.handle.inTransaction).toBe(false);
    expect((await save('a', 1, 'After')).status).toBe(200);
    yard.db.handle.exec(`DROP TABLE child; DROP TABLE parent`);
    yard = await yard.reopen();
    expect(await nameOf(yard, 'a')).toBe('After');
  });
});

describe('many at once', () => {
  test('each stands or falls alone', async () => {
    const answers = await Promise.all(
      Array.from({ length: 50 }, (_, i) =>
        request(yard.app)
          .post('/api/v1/builds')
          .send({ id: `b${i % 40}`, document: named(`Build ${i}`) }),
      ),
    );
    expect(answers.filter((a) => a.status === 201)).toHaveLength(40);
    expect(answers.filter((a) => a.status === 409)).toHaveLength(10);
    expect(await yard.store.count()).toBe(40);
  });
  test('work that throws takes back its own and nothing else', async () => {
    const failing = yard.db.write((w) => {
      w.run({ getQueryAndParameters: () => [`UPDATE build SET name = 'gone'`, []] });
      throw new Error('no');
    });
    const good = yard.store.add('good', named('Good'));
    await expect(failing).rejects.toThrow('no');
    await good;
    expect(await nameOf(yard, 'good')).toBe('Good');
  });
});

test('a database locked by another program is waited for a little, then 503 with when to come back; reads go on', async () => {
  await yard.store.add('a', named('Before'));
  const other = new Database(yard.db.file, { timeout: 0 });
  other.exec('BEGIN IMMEDIATE');
  const asked = save('a', 1, 'Locked out');
  const [saved, read] = await Promise.all([asked, request(yard.app).get('/api/v1/builds/a')]);
  expect(read.status).toBe(200);
  expect(saved.status).toBe(503);
  expect(saved.body.error.code).toBe('locked');
  expect(saved.headers['retry-after']).toBe('2');
  // Let go while a save waits: it comes through.
  const waiting = save('a', 1, 'Came through').then((r) => r);
  setTimeout(() => (other.exec('ROLLBACK'), other.close()), 300);
  expect((await waiting).status).toBe(200);
});

test('a folder that vanishes is noticed at the next save, and saves go on when it is back', async () => {
  await yard.store.add('a', named('Before'));
  renameSync(yard.folder, `${yard.folder}-away`);
  const r = await save('a', 1, 'Into nothing');
  expect(r.status).toBe(503);
  expect(r.body.error.code).toBe('folder-gone');
  renameSync(`${yard.folder}-away`, yard.folder);
  expect((await save('a', 1, 'Back')).status).toBe(200);
});

describe('an answer lost on the way', () => {
  const put = (body: object) => request(yard.app).put('/api/v1/builds/a').send(body);
  beforeEach(() => yard.store.add('a', named('One'), { request: 'r0' }));

  test('the same save sent again is one save, even when another came after it', async () => {
    const body = { version: 1, document: named('Two'), request: 'r1' };
    expect((await put(body)).body.version).toBe(2);
    expect((await put(body)).body.version).toBe(2);
    expect((await put({ version: 2, document: named('Three'), request: 'other' })).body.version).toBe(3);
    expect((await put(body)).body.version).toBe(2);
    expect(await nameOf(yard, 'a')).toBe('Three');
    expect((await yard.revisions.list('a', 99, 50)).total).toBe(3);
  });
  test('a further edit after it is no conflict with oneself', async () => {
    await put({ version: 1, document: named('Two'), request: 'r1' });
    const r = await put({ version: 1, document: named('Two and a half'), request: 'r2', unanswered: ['r1'] });
    expect([r.status, r.body.version]).toEqual([200, 3]);
  });
  test('but somebody else’s save between them is one', async () => {
    await put({ version: 1, document: named('Two'), request: 'r1' });
    await put({ version: 2, document: named('Theirs'), request: 'other' });
    const r = await put({ version: 1, document: named('Mine'), request: 'r2', unanswered: ['r1'] });
    expect(r.status).toBe(409);
    expect(r.body.current.document.name).toBe('Theirs');
  });
  test('an added build too', async () => {
    const body = { id: 'n', document: named('New'), request: 'n1' };
    expect((await request(yard.app).post('/api/v1/builds').send(body)).status).toBe(201);
    expect((await request(yard.app).post('/api/v1/builds').send(body)).status).toBe(201);
    expect(
      (
        await request(yard.app)
          .post('/api/v1/builds')
          .send({ ...body, document: named('Other'), request: 'n2' })
      ).status,
    ).toBe(409);
  });
});
