import { rmSync } from 'node:fs';
import request from 'supertest';
import { startServer } from '../server';
import { named, newFolder, openYard, silent, type TestYard } from '../testing/yard';
import { createApp } from './app';
import { hostName, isLoopback } from './guard';

let yard: TestYard;
beforeAll(async () => {
  yard = await openYard();
  await yard.store.add('a', named('A'));
});
afterAll(() => yard.end());

const list = (head: Record<string, string>) => request(yard.app).get('/api/v1/builds').set(head);

describe('names', () => {
  test.each(['127.0.0.1:4080', 'localhost', 'LOCALHOST:9', '[::1]:4080'])('%s is this machine', async (host) =>
    expect((await list({ Host: host })).status).toBe(200),
  );
  test.each([
    'evil.test',
    'evil.test:4080',
    '127.0.0.1.evil.test',
    'localhost.evil.test:80',
    '0.0.0.0:4080',
    '192.168.1.9',
    'localhost@evil.test',
    '127.0.0.1:4080:1',
    '',
  ])('“%s” is refused, reading and deleting', async (host) => {
    // An empty Host is refused by the server below us, in its own words.
    const refused = host ? 421 : expect.any(Number);
    const r = await list({ Host: host });
    expect(r.status).toEqual(refused);
    expect(r.status).toBeGreaterThanOrEqual(400);
    expect((await request(yard.app).delete('/api/v1/builds/a').set('Host', host)).status).toBeGreaterThanOrEqual(400);
    expect((await list({})).body.builds).toHaveLength(1);
  });
  test('a header is read whole', () => {
    expect(['a.b:80', '[::1]', '[::1]:4', 'x y', 'a:b', 'a/b', ''].map(hostName)).toEqual(['a.b', '[::1]', '[::1]', '', '', '', '']);
  });
  test('addresses that reach this machine only', () => {
    expect(['127.0.0.1', 'localhost', '::1', '127.9.9.9', '0.0.0.0', '::', '192.168.0.2', '', '127.evil.test'].map(isLoopback)).toEqual([
      true,
      true,
      true,
      true,
      false,
      false,
      false,
      false,
      false,
    ]);
  });
});

test('a server on another address of this machine answers to that address', async () => {
  const folder = newFolder();
  const running = await startServer({ port: 0, host: '127.0.0.2', dataFolder: folder, log: silent, backupFolder: null });
  expect(running.url).toMatch(/^http:\/\/127\.0\.0\.2:/);
  expect((await fetch(`${running.url}/api/v1/health`)).status).toBe(200);
  await running.stop();
  rmSync(folder, { recursive: true, force: true });
  // An address of the longer kind stands in brackets where it is asked for.
  const app = createApp({ ...yard.routes, hosts: ['::ffff:127.0.0.1'] });
  expect((await request(app).get('/api/v1/health').set('Host', '[::ffff:127.0.0.1]:4080')).status).toBe(200);
});

describe('pages of others', () => {
  const evil: Record<string, string>[] = [
    { Origin: 'http://evil.test' },
    { Origin: 'null' },
    { Origin: 'http://127.0.0.1:9' },
    { 'Sec-Fetch-Site': 'cross-site' },
    { 'Sec-Fetch-Site': 'same-site' },
    { 'Sec-Fetch-Site': 'cross-site', 'Sec-Fetch-Mode': 'navigate' },
    { Origin: 'file://' },
  ];
  test.each(evil)('%j may not read, write, delete or sum', async (head) => {
    const ask = [
      request(yard.app).get('/api/v1/builds'),
      request(yard.app).get('/api/v1/builds/a/rig.json'),
      request(yard.app).delete('/api/v1/builds/a'),
      request(yard.app)
        .put('/api/v1/builds/a')
        .send({ version: 1, document: named('Theirs') }),
      request(yard.app).post('/api/v1/builds/a/restore').send({}),
      request(yard.app).post('/api/v1/backups').send({}),
      request(yard.app).post('/api/v1/sums/nozzle-flow').send({ size: '4', pressure: '3000 psi' }),
    ];
    for (const a of ask) expect((await a.set(head)).status).toBe(403);
    expect((await yard.store.get('a')).document.name).toBe('A');
  });
  test.each(['/api/v1/builds/a/rig.json', '/API/v1/builds/a/rig.json', '/Api/V1/builds', '/%61pi/v1/builds', '/api'])(
    'may not navigate to %s',
    async (path) => {
      const r = await request(yard.app).get(path).set({ 'Sec-Fetch-Site': 'cross-site', 'Sec-Fetch-Mode': 'navigate' });
      expect(r.status).toBe(403);
    },
  );
  test('the application itself may, and a link from elsewhere may open it', async () => {
    const own = request(yard.app)
      .get('/api/v1/health')
      .set('Host', 'localhost:4080')
      .set('Origin', 'http://localhost:4080')
      .set('Sec-Fetch-Site', 'same-origin');
    expect((await own).status).toBe(200);
    const link = await request(yard.app).get('/rig/a/feed').set({ 'Sec-Fetch-Site': 'cross-site', 'Sec-Fetch-Mode': 'navigate' });
    expect(link.status).toBe(404); // no page is built here; but it is not refused as foreign
  });
});

test('more writes in a minute than a person makes are held back with when to come again; reads are not', async () => {
  const few = await openYard(undefined, undefined, 5);
  await few.store.add('a', named('A'));
  const codes: number[] = [];
  for (let i = 0; i < 8; i++)
    codes.push(
      (
        await request(few.app)
          .put('/api/v1/builds/a')
          .send({ version: i + 1, document: named(`${i}`) })
      ).status,
    );
  expect(codes).toEqual([200, 200, 200, 200, 200, 429, 429, 429]);
  const held = await request(few.app)
    .put('/api/v1/builds/a')
    .send({ version: 6, document: named('x') });
  expect(held.body.error.code).toBe('too-many');
  expect(Number(held.headers['retry-after'])).toBeGreaterThan(0);
  expect((await request(few.app).get('/api/v1/builds/a')).status).toBe(200);
  await few.end();
});

describe('what the frame refuses stays the refusal it is', () => {
  test('a range that is none and a precondition that fails are 4xx', async () => {
    const made = await request(yard.app).post('/api/v1/backups').send({});
    expect(made.status).toBe(201);
    const { name } = (await request(yard.app).get('/api/v1/backups')).body.backups[0];
    expect((await request(yard.app).get(`/api/v1/backups/${name}`).set('Range', 'bytes=999999999-')).status).toBe(416);
    expect((await request(yard.app).get(`/api/v1/backups/${name}`).set('If-Match', '"nothing"')).status).toBe(412);
  });
  test('a length that lies is 400', async () => {
    const r = await request(yard.app).post('/api/v1/builds').set('Content-Type', 'application/json').set('Content-Encoding', 'gzip').send('not gzip');
    expect(r.status).toBe(400);
  });
  test('an unknown encoding is 415', async () => {
    const r = await request(yard.app).post('/api/v1/builds').set('Content-Type', 'application/json').set('Content-Encoding', 'zebra').send('{}');
    expect(r.status).toBe(415);
  });
});
