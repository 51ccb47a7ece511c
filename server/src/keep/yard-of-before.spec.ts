import { copyFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { named, newFolder, openYard, type TestYard } from '../testing/yard';
import { DATABASE_FILE } from '../store/yard-database';
import { check } from './check';
import { restore } from './restore';

/** A yard as a server of database version 3 left it, with a deleted build, versions, requests and judgements, and its backup. */
const OF_VERSION_3 = { database: 'yard-v3.sqlite', backup: 'backup-v3.zip', engine: 'engine-of-version-3' };
const testdata = (name: string): string => join(__dirname, '../../testdata', name);

async function holdsItAll(yard: TestYard): Promise<void> {
  const { lines, total } = await yard.store.page({ from: 0, count: 50 });
  expect(total).toBe(2);
  expect(lines.map((l) => [l.id, l.name, l.customer, l.version, l.machines, l.tanks, l.damaged])).toEqual([
    ['pontoon', 'Pontoon skid, wider hose', 'Marina pontoon crew', 3, 1, 1, false],
    ['depot', 'Tram depot trailer', 'Tram depot', 1, 1, 1, false],
  ]);
  expect(lines.map((l) => [l.judged?.sampled, l.judged?.chance !== null, typeof l.judged?.headline.template])).toEqual([
    [true, true, 'string'],
    [true, true, 'string'],
  ]);
  const gone = await yard.store.page({ from: 0, count: 50, deleted: true });
  expect(gone.lines.map((l) => [l.id, l.name, l.version])).toEqual([['gone', 'Deleted skid, twice', 2]]);
  expect((await yard.revisions.list('pontoon', 99, 50)).revisions.map((r) => [r.version, r.savedAt.slice(0, 10)])).toEqual([
    [3, '2026-11-30'],
    [2, '2026-11-30'],
    [1, '2026-11-30'],
  ]);
  expect((await yard.revisions.get('pontoon', 1)).document.name).toBe('Pontoon skid');
  expect((await yard.revisions.list('gone', 99, 50)).total).toBe(2);
  // A save of then whose answer was lost is known when it is sent again.
  const again = named('Pontoon skid, wider hose', { customer: 'Marina pontoon crew' });
  expect(await yard.store.save('pontoon', 2, again, { request: 'third' })).toMatchObject({ version: 3 });
  await yard.store.restore('gone');
  expect((await yard.store.get('gone')).document.name).toBe('Deleted skid, twice');
}

test('a yard of database version 3 is looked through as it lies, and opened with all that is in it', async () => {
  const folder = newFolder();
  copyFileSync(testdata(OF_VERSION_3.database), join(folder, DATABASE_FILE));
  expect(check(folder)).toMatchObject({ ok: true, builds: 2, deleted: 1, revisions: 6 });
  const yard = await openYard(folder, undefined, undefined, OF_VERSION_3.engine);
  await holdsItAll(yard);
  expect((await yard.db.source.driver.createSchemaBuilder().log()).upQueries).toEqual([]);
  await yard.end();
});

test('a backup of that yard is brought back with all that is in it', async () => {
  const folder = newFolder();
  expect(await restore(testdata(OF_VERSION_3.backup), folder)).toMatchObject({ builds: 2, deleted: 1, keptBeside: null });
  const yard = await openYard(folder, undefined, undefined, OF_VERSION_3.engine);
  await holdsItAll(yard);
  await yard.db.close();
  expect(check(folder)).toMatchObject({ ok: true, builds: 3, deleted: 0, revisions: 6 });
  rmSync(folder, { recursive: true, force: true });
});
