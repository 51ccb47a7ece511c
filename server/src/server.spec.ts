import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pontoonRig, type RigDocument } from '@pozzo/core';
import request from 'supertest';
import { seedDemo } from './demo';
import { startServer } from './server';
import { named, openYard, silent as log, type TestYard } from './testing/yard';

let yard: TestYard;
let store: TestYard['store'];
let app: TestYard['app'];

beforeAll(async () => {
  yard = await openYard();
  ({ store, app } = yard);
});
afterAll(() => yard.end());

const add = async (id: string, document: RigDocument = pontoonRig()) => request(app).post('/api/v1/builds').send({ id, document });

describe('the database', () => {
  test('after its migrations has nothing left to change', async () => {
    const sql = await yard.db.source.driver.createSchemaBuilder().log();
    expect(sql.upQueries).toEqual([]);
  });
  test('writes ahead, with full sync', async () => {
    expect(await yard.db.source.query('PRAGMA journal_mode')).toEqual([{ journal_mode: 'wal' }]);
    expect(await yard.db.source.query('PRAGMA synchronous')).toEqual([{ synchronous: 2 }]);
  });
  test('keeps what was acknowledged when opened anew', async () => {
    await add('kept', named('Kept'));
    yard = await yard.reopen();
    ({ store, app } = yard);
    expect((await store.get('kept')).document.name).toBe('Kept');
  });
});

describe('a day and options in a build', () => {
  const day = {
    starts: '7:30',
    tolerance: '2 %',
    jobs: [{ id: 'a', name: 'House', water: 'tap', phases: [{ id: 'p', kind: 'wash', time: '40 min', crew: '1' }] }],
  };
  test('are kept as typed', async () => {
    const document = pontoonRig();
    document.brief.day = day as never;
    document.options = [{ id: 'o', name: 'Twin', rig: pontoonRig() }];
    await add('with-day', document);
    const got = await request(app).get('/api/v1/builds/with-day');
    expect(got.body.document.brief.day).toEqual(day);
    expect(got.body.document.options[0].rig.machines[0].flow).toBe('8 gpm');
  });
  test.each<[string, (d: RigDocument) => void, string, string]>([
    ['a phase of no time', (d) => (d.brief.day!.jobs[0].phases[0].time = '0 s'), 'document.brief.day.jobs.0.phases.0.time', '≥ 1 s'],
    ['a tolerance over the top', (d) => (d.brief.day!.tolerance = '80 %'), 'document.brief.day.tolerance', '≤ 50 %'],
    ['a clock that is none', (d) => (d.brief.day!.starts = 'noon'), 'document.brief.day.starts', ''],
    ['a kind not known', (d) => (d.brief.day!.jobs[0].phases[0].kind = 'nap' as never), 'document.brief.day.jobs.0.phases.0.kind', 'drive'],
    ['a day without jobs', (d) => (d.brief.day!.jobs = []), 'document.brief.day.jobs', ''],
    ['an option that is no rig', (d) => (d.options = [{ id: 'o', name: 'Twin', rig: {} as never }]), 'document.options.0.rig', ''],
    ['nine options', (d) => (d.options = Array.from({ length: 9 }, (_, i) => ({ id: `o${i}`, name: 'Twin', rig: pontoonRig() }))), 'document.options', ''],
  ])('%s is told by field and bound, and nothing is saved', async (_what, change, path, bound) => {
    const document = pontoonRig();
    document.brief.day = JSON.parse(JSON.stringify(day)) as never;
    change(document);
    const answer = await request(app).post('/api/v1/builds').send({ id: 'bad-day', document });
    expect(answer.status).toBe(400);
    expect(JSON.stringify(answer.body)).toContain(path);
    expect(JSON.stringify(answer.body)).toContain(bound);
    expect((await request(app).get('/api/v1/builds/bad-day')).status).toBe(404);
  });
});

describe('builds', () => {
  test('are added, read, saved, listed with their verdict, removed and restored', async () => {
    const added = await add('one', named('One'));
    expect(added.status).toBe(201);
    expect(added.body).toMatchObject({ id: 'one', version: 1 });
    const saved = await request(app)
      .put('/api/v1/builds/one')
      .send({ version: 1, document: named('One, better') });
    expect(saved.body).toMatchObject({ id: 'one', version: 2 });
    const list = await request(app).get('/api/v1/builds');
    expect(list.body.builds.find((b: { id: string }) => b.id === 'one')).toMatchObject({ name: 'One, better', judged: null, machines: 1 });
    expect((await request(app).delete('/api/v1/builds/one')).status).toBe(204);
    expect((await request(app).get('/api/v1/builds/one')).status).toBe(404);
    expect((await request(app).post('/api/v1/builds/one/restore').send({})).body).toMatchObject({ id: 'one', version: 2 });
    expect((await request(app).get('/api/v1/builds/one')).status).toBe(200);
  });

  test('a stale write is refused with both versions, and nothing is merged', async () => {
    await add('two', named('Two'));
    await request(app)
      .put('/api/v1/builds/two')
      .send({ version: 1, document: named('Theirs') });
    const mine = await request(app)
      .put('/api/v1/builds/two')
      .send({ version: 1, document: named('Mine') });
    expect(mine.status).toBe(409);
    expect(mine.body).toMatchObject({
      error: { code: 'stale', path: 'version' },
      current: { version: 2, document: { name: 'Theirs' } },
      yours: { version: 1, document: { name: 'Mine' } },
    });
    expect((await store.get('two')).document.name).toBe('Theirs');
  });

  test('of two tabs that save at once exactly one wins', async () => {
    await add('race', named('Race'));
    const answers = await Promise.all(
      Array.from({ length: 8 }, (_, i) =>
        request(app)
          .put('/api/v1/builds/race')
          .send({ version: 1, document: named(`Tab ${i}`) }),
      ),
    );
    expect(answers.filter((a) => a.status === 200)).toHaveLength(1);
    expect(answers.filter((a) => a.status === 409)).toHaveLength(7);
    expect((await store.get('race')).version).toBe(2);
  });

  test('a save repeated because its answer was lost is the same save', async () => {
    await add('again', named('Again'));
    const body = { version: 1, document: named('Again, saved') };
    expect((await request(app).put('/api/v1/builds/again').send(body)).body.version).toBe(2);
    expect((await request(app).put('/api/v1/builds/again').send(body)).body.version).toBe(2);
    expect((await add('again', named('Other'))).status).toBe(409);
  });

  test('go out as a rig file and as a network file', async () => {
    await add('out', named('Out'));
    const file = await request(app).get('/api/v1/builds/out/rig.json');
    expect(file.headers['content-disposition']).toContain('out.json');
    expect(JSON.parse(file.text)).toEqual(named('Out'));
    const network = await request(app).get('/api/v1/builds/out/network.inp');
    expect(network.text).toMatch(/^\[TITLE\]\nOut/);
    expect((await request(app).get('/api/v1/builds/nobody/network.inp')).status).toBe(404);
  });

  test('a refusal is spelled for its reader, the document beside it is not', async () => {
    const bad = { ...named('‹gas› rig'), spigots: [{ ...named('x').spigots[0], readings: [] }] };
    const refused = (language: string) => request(app).post('/api/v1/builds').set('Accept-Language', language).send({ document: bad });
    const [us, gb] = [(await refused('en-US')).body, (await refused('en-GB,en;q=0.8')).body];
    expect(us.error.message).toBe('A spigot needs one timed bucket at least.');
    expect(gb.error.message).toBe('An outside tap needs one timed bucket at least.');
    expect(gb.problems[0].message).toBe(gb.error.message);
    await add('spelled', named('‹gas› rig'));
    const stale = await request(app)
      .put('/api/v1/builds/spelled')
      .set('Accept-Language', 'en-GB')
      .send({ version: 9, document: named('‹gas› rig') });
    expect(stale.body.current.document.name).toBe('‹gas› rig');
  });

  test('the demo fills an empty yard only', async () => {
    expect(await seedDemo(yard.yard)).toBe(0);
    const empty = await openYard();
    expect(await seedDemo(empty.yard)).toBeGreaterThan(0);
    expect(await seedDemo(empty.yard)).toBe(0);
    for (const { id } of (await empty.store.page({ from: 0, count: 200 })).lines) await empty.store.remove(id);
    expect(await seedDemo(empty.yard)).toBe(0);
    await empty.end();
  });
});

describe('wrong input', () => {
  const broken = (path: string[], value: unknown): unknown => {
    const d = JSON.parse(JSON.stringify(pontoonRig())) as Record<string, unknown>;
    const last = path.at(-1)!;
    const at = path.slice(0, -1).reduce<Record<string, unknown>>((x, k) => x[k] as Record<string, unknown>, d);
    at[last] = value;
    return d;
  };
  test.each<[string, string[], unknown, string, string]>([
    ['a negative length', ['lines', '0', 'parts', '0', 'length'], '-3 ft', 'document.lines.0.parts.0.length', 'below'],
    ['a zero bore', ['lines', '0', 'parts', '0', 'bore'], '0 in', 'document.lines.0.parts.0.bore', 'below'],
    ['a huge flow', ['machines', '0', 'flow'], '1e99 gpm', 'document.machines.0.flow', 'above'],
    ['NaN', ['machines', '0', 'flow'], 'NaN gpm', 'document.machines.0.flow', 'quantity'],
    ['a wrong unit', ['machines', '0', 'flow'], '8 psi', 'document.machines.0.flow', 'quantity'],
    ['a number where a text belongs', ['machines', '0', 'flow'], 8, 'document.machines.0.flow', 'string'],
  ])('%s answers 400 with code, path, bound and a sentence', async (_name, path, value, where, code) => {
    const r = await request(app)
      .post('/api/v1/builds')
      .send({ document: broken(path, value) });
    expect(r.status).toBe(400);
    expect(r.body.error).toMatchObject({ path: where, code });
    expect(r.body.error.bound).toBeTruthy();
    expect(r.body.error.message.length).toBeGreaterThan(12);
  });

  test.each<[string, () => request.Test, number, string]>([
    ['broken JSON', () => request(app).post('/api/v1/builds').set('content-type', 'application/json').send('{"document":'), 400, 'json'],
    [
      'a body over the limit',
      () =>
        request(app)
          .post('/api/v1/builds')
          .send({ document: { notes: 'x'.repeat(1_100_000) } }),
      413,
      'too-large',
    ],
    ['no body', () => request(app).post('/api/v1/builds'), 415, 'content-type'],
    ['an empty body', () => request(app).post('/api/v1/builds').send({}), 400, 'strict_object'],
    ['a form', () => request(app).post('/api/v1/builds').type('form').send({ document: 'x' }), 415, 'content-type'],
    ['a text that may be JSON', () => request(app).post('/api/v1/builds').type('text/plain').send('{}'), 415, 'content-type'],
    ['a restore that is no JSON', () => request(app).post('/api/v1/builds/kept/restore'), 415, 'content-type'],
    ['a page below the first', () => request(app).get('/api/v1/builds?from=-1'), 400, 'regex'],
    ['a page of too many', () => request(app).get('/api/v1/builds?count=9999'), 400, 'max_value'],
    ['a path that is no API of ours', () => request(app).get('/api/v2/builds'), 404, 'unknown'],
    ['the bare API', () => request(app).get('/api'), 404, 'unknown'],
    ['a list', () => request(app).post('/api/v1/builds').send([]), 400, 'strict_object'],
    ['an unknown id', () => request(app).get('/api/v1/builds/nobody'), 404, 'unknown'],
    ['a version of zero', () => request(app).put('/api/v1/builds/kept').send({ version: 0, document: pontoonRig() }), 400, 'min_value'],
    ['half a version', () => request(app).put('/api/v1/builds/kept').send({ version: 1.5, document: pontoonRig() }), 400, 'integer'],
    ['saving what is not there', () => request(app).put('/api/v1/builds/nobody').send({ version: 1, document: pontoonRig() }), 404, 'unknown'],
    ['removing what is not there', () => request(app).delete('/api/v1/builds/nobody'), 404, 'unknown'],
    ['a route that is not there', () => request(app).get('/api/v1/nothing'), 404, 'unknown'],
    ['an unreadable address', () => request(app).get('/api/v1/builds/%E0%A4%A'), 400, 'path'],
    ['an id of odd letters', () => request(app).post('/api/v1/builds').send({ id: '../x', document: pontoonRig() }), 400, 'regex'],
  ])('%s', async (_name, ask, status, code) => {
    const r = await ask();
    expect([r.status, r.body.error?.code]).toEqual([status, code]);
    expect((await request(app).get('/api/v1/health')).body).toEqual({ ok: true });
  });
});

describe('a body nested without end', () => {
  const deep = (n: number, open: string, close: string): string => open.repeat(n) + '1' + close.repeat(n);
  test.each<[string, string]>([
    ['lists', deep(100_000, '[', ']')],
    ['objects', deep(100_000, '{"a":', '}')],
    ['never closed', '['.repeat(400_000)],
    ['just past the bound', deep(33, '[', ']')],
  ])('of %s is 400 in words, whatever it is sent to', async (_what, text) => {
    for (const [method, path] of [
      ['post', '/api/v1/builds'],
      ['put', '/api/v1/builds/kept'],
    ] as const) {
      const r = await request(app)[method](path).set('content-type', 'application/json').send(`{"version":1,"document":${text}}`);
      expect([r.status, r.body.error?.code]).toEqual([400, 'deep']);
      expect(r.body.error.message).toMatch(/nested deeper/);
    }
  });
  test('brackets in a text are no nesting, and what stays within the bound is read', async () => {
    const notes = `"\\"${'['.repeat(2000)}{{{\\`;
    expect((await add('brackets', { ...pontoonRig(), notes })).status).toBe(201);
    expect((await store.get('brackets')).document.notes).toBe(notes);
    const r = await request(app)
      .post('/api/v1/sums/nozzle-flow')
      .set('content-type', 'application/json')
      .send(deep(30, '[', ']'));
    expect([r.status, r.body.error.code]).toEqual([400, 'type']);
  });
});

test('a list of large builds is looked through a few at a time, and tells a damaged one', async () => {
  const large = await openYard();
  const text = JSON.stringify({ ...pontoonRig(), notes: 'x'.repeat(900_000) });
  const put = large.db.handle.prepare(
    `INSERT INTO build (id, version, document, created_at, updated_at, name, customer, search, machines, tanks) VALUES (?, 1, ?, ?, '', 'N', '', 'n', 1, 1)`,
  );
  for (let i = 0; i < 60; i++) put.run(`b${i}`, i === 30 ? text.slice(0, -9) : text, String(i).padStart(3, '0'));
  let turns = 0;
  const counting = setInterval(() => turns++, 1).unref();
  const { lines } = await large.store.page({ from: 0, count: 100 });
  clearInterval(counting);
  expect(lines.filter((l) => l.damaged).map((l) => l.id)).toEqual(['b30']);
  // In one stretch nobody has a turn.
  expect(turns).toBeGreaterThan(10);
  await large.end();
});

describe('sums', () => {
  test('are listed and done', async () => {
    expect((await request(app).get('/api/v1/sums')).body.sums.map((s: { name: string }) => s.name)).toContain('nozzle-flow');
    const r = await request(app).post('/api/v1/sums/nozzle-flow').send({ size: '4', pressure: '3000 psi' });
    expect(r.body.result.flow.text).toBe('3.46\u00a0gpm');
  });
  test('unknown ones and bad inputs are told', async () => {
    expect((await request(app).post('/api/v1/sums/nope').send({})).status).toBe(404);
    expect((await request(app).post('/api/v1/sums/nozzle-flow').send({ size: '0', pressure: '1 psi' })).body.error).toMatchObject({
      code: 'below',
      path: 'size',
    });
    expect((await request(app).post('/api/v1/sums/nozzle-flow').send([])).status).toBe(400);
  });
});

describe('the running server', () => {
  test('serves nothing from elsewhere, stops gracefully and says when its port is taken', async () => {
    const data = mkdtempSync(join(tmpdir(), 'pozzo-run-'));
    const running = await startServer({ port: 0, host: '127.0.0.1', dataFolder: data, log });
    const answer = await fetch(`${running.url}/api/v1/health`);
    const csp = answer.headers.get('content-security-policy') ?? '';
    expect(csp).toContain("default-src 'self'");
    expect(csp).toContain("script-src 'self';");
    expect(csp).not.toMatch(/https?:|unsafe-eval|script-src[^;]*unsafe-inline/);
    expect(answer.headers.get('cache-control')).toBe('no-store');
    const port = Number(new URL(running.url).port);
    const other = mkdtempSync(join(tmpdir(), 'pozzo-run-'));
    await expect(startServer({ port, host: '127.0.0.1', dataFolder: other, log })).rejects.toMatchObject({ code: 'EADDRINUSE' });
    rmSync(other, { recursive: true, force: true });
    await expect(startServer({ port: 0, host: '127.0.0.1', dataFolder: data, log })).rejects.toThrow(/is held by a server \(process \d+/);
    await expect(startServer({ port: 0, host: '0.0.0.0', dataFolder: data, log })).rejects.toThrow(/shop mode/);
    await running.stop();
    await expect(fetch(`${running.url}/api/v1/health`)).rejects.toThrow();
    rmSync(data, { recursive: true, force: true });
  });
});
