import { rmSync, statSync } from 'node:fs';
import { spawnSync } from 'node:child_process';
import Database from 'better-sqlite3';
import request from 'supertest';
import { asAfterKill, holderOfLocks, readAndClose } from '../testing/foreign';
import { named, newFolder, openYard, type TestYard } from '../testing/yard';

let yard: TestYard;
beforeEach(async () => {
  yard = await openYard();
  await yard.store.add('a', named('Save 0'));
});
afterEach(() => yard.end());

const save = (version: number) =>
  request(yard.app)
    .put('/api/v1/builds/a')
    .send({ version, document: named(`Save ${version}`) });

/** Version of the build after a kill at this moment, found by whoever opens the yard next. */
async function afterKill(): Promise<number> {
  const place = `${newFolder()}/killed`;
  asAfterKill(yard.folder, place);
  const next = await openYard(place);
  const { version } = await next.store.get('a');
  await next.end();
  return version;
}

describe('another program with a SQLite of its own', () => {
  test('reads the yard and closes it: what is saved afterwards outlives a kill', async () => {
    expect(readAndClose(yard.db.file)).not.toBe(new Database(':memory:').prepare('SELECT sqlite_version()').pluck().get());
    for (let v = 1; v < 5; v++) {
      expect((await save(v)).status).toBe(200);
      readAndClose(yard.db.file);
    }
    expect(await afterKill()).toBe(5);
  });
  test('finds the locks of ours held, from the opening on, through saves and a mended connection', async () => {
    const held = (): number => holderOfLocks(yard.db.file);
    expect(held()).toBe(process.pid);
    await save(1);
    expect(held()).toBe(process.pid);
    await yard.backups.asked();
    expect(held()).toBe(process.pid);
    yard = await yard.reopen();
    expect(held()).toBe(process.pid);
    const { file } = yard.db;
    await yard.db.close();
    expect(holderOfLocks(file)).toBe(0);
    yard = await openYard(yard.folder);
  });
  test('reads while a backup is made: the backup has what was acknowledged', async () => {
    await save(1);
    readAndClose(yard.db.file);
    await save(2);
    expect((await yard.backups.asked()).builds).toBe(1);
    expect(await afterKill()).toBe(3);
  });
});

/** From outside: a file that this process opens and closes would lose its locks. */
function outside(command: string, ...args: string[]): void {
  expect(spawnSync(command, args).status).toBe(0);
}

describe('the log', () => {
  test.each<[string, (file: string) => void]>([
    ['deleted', (f) => outside('rm', `${f}-wal`)],
    ['deleted with its index', (f) => outside('rm', `${f}-wal`, `${f}-shm`)],
    ['put in another’s place', (f) => outside('sh', '-c', `cp '${f}-wal' '${f}-x' && mv '${f}-x' '${f}-wal'`)],
  ])('%s while the yard is open: it is brought in from what is still open, and saves go on', async (_what, harm) => {
    for (let v = 1; v < 4; v++) await save(v);
    harm(yard.db.file);
    expect((await save(4)).status).toBe(200);
    expect(await afterKill()).toBe(5);
    expect((await save(5)).status).toBe(200);
    yard = await yard.reopen();
    expect((await yard.store.get('a')).version).toBe(6);
  });
  test('cut short: the next save is refused in words, and so is every later one', async () => {
    for (let v = 1; v < 4; v++) await save(v);
    outside('truncate', '-s', '100', `${yard.db.file}-wal`);
    for (let i = 0; i < 2; i++) {
      const refused = await save(4);
      expect([refused.status, refused.body.error.code]).toEqual([503, 'log-cut']);
      expect(refused.body.error.message).toMatch(/cut the yard’s log/);
    }
  });
  test('emptied by a program that first brings it in as it should: saves go on', async () => {
    await save(1);
    outside('python3', '-c', `import sqlite3, sys; c = sqlite3.connect(sys.argv[1]); c.execute('PRAGMA wal_checkpoint(TRUNCATE)'); c.close()`, yard.db.file);
    expect(statSync(`${yard.db.file}-wal`).size).toBe(0);
    expect((await save(2)).status).toBe(200);
    expect(await afterKill()).toBe(3);
  });
});

test('a yard whose restore was cut short between its files is not opened, and says so', async () => {
  await yard.db.close();
  spawnSync('touch', [`${yard.folder}/pozzo.restoring`]);
  await expect(openYard(yard.folder)).rejects.toThrow(/restore was cut short/);
  rmSync(`${yard.folder}/pozzo.restoring`);
  yard = await openYard(yard.folder);
});
