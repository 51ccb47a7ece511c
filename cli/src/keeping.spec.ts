import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pontoonRig } from '@pozzo/core';
import { BuildStore } from '../../server/src/store/builds';
import { YardDatabase } from '../../server/src/store/yard-database';
import { run } from './commands';
import { isKeeping, runKeeping } from './keeping';

const place = mkdtempSync(join(tmpdir(), 'pozzo-keeping-'));
const folder = join(place, 'yard');
let db: YardDatabase;
beforeAll(async () => {
  db = await YardDatabase.open(folder, 'a test');
  await new BuildStore(db, 'test').add('a', pontoonRig());
});
afterAll(async () => {
  await db.close();
  rmSync(place, { recursive: true, force: true });
});
const keep = (name: 'backup' | 'check' | 'restore', ...args: string[]) => runKeeping(name, args, folder);

test('a yard in use is checked and backed up; bringing back waits until it is closed', async () => {
  const zip = join(place, 'a.zip');
  const checked = await keep('check');
  expect([checked.exit, JSON.parse(checked.stdout)]).toEqual([
    0,
    expect.objectContaining({ ok: true, builds: 1, heldBy: expect.objectContaining({ what: 'a test' }) }),
  ]);
  const made = await keep('backup', zip);
  expect([made.exit, JSON.parse(made.stdout).builds]).toEqual([0, 1]);
  const held = await keep('restore', zip);
  expect([held.exit, held.stdout]).toEqual([1, '']);
  expect(held.stderr).toMatch(/^The yard in .* is held by a test/);
  const elsewhere = join(place, 'elsewhere');
  const back = await keep('restore', zip, '--data', elsewhere);
  expect([back.exit, JSON.parse(back.stdout)]).toEqual([0, { folder: elsewhere, builds: 1, deleted: 0, keptBeside: null }]);
  expect(JSON.parse((await keep('check', '--data', elsewhere)).stdout)).toMatchObject({ ok: true, builds: 1, heldBy: null });
});
test.each<[string, 'backup' | 'check' | 'restore', string[], RegExp]>([
  ['no file', 'backup', [], /backup takes one zip file/],
  ['two files', 'restore', ['a.zip', 'b.zip'], /restore takes one zip file/],
  ['another ending', 'backup', ['a.tar'], /must end in \.zip/],
  ['a file for check', 'check', ['x'], /check takes no file/],
  ['an unknown option', 'check', ['--nothing'], /--nothing/],
  ['a folder without a name', 'check', ['--data'], /--data/],
  ['what is not there', 'restore', ['none.zip'], /There is no file/],
  ['a path with a hole', 'backup', ['a\0.zip'], /A path is/],
])('%s is told in one line, exit 1', async (_what, name, args, words) => {
  const r = await keep(name, ...args);
  expect([r.exit, r.stdout]).toEqual([1, '']);
  expect(r.stderr).toMatch(words);
  expect(r.stderr).not.toContain('\n');
});
test('an unsound yard is exit 1, with what is wrong as JSON', async () => {
  const bad = join(place, 'bad');
  await keep('restore', join(place, 'a.zip'), '--data', bad);
  writeFileSync(join(bad, 'pozzo.sqlite'), readFileSync(join(bad, 'pozzo.sqlite')).subarray(0, 5000));
  const r = await keep('check', '--data', bad);
  expect([r.exit, JSON.parse(r.stdout).ok]).toEqual([1, false]);
  expect(r.stderr).toContain('is not sound');
});
test('the commands are in the help and among those there are', () => {
  expect(run(['help']).stdout).toContain('pozzo restore <file.zip>');
  expect(run(['bakcup']).stderr).toContain('restore');
  expect(['backup', 'check', 'restore', 'assess', undefined].map(isKeeping)).toEqual([true, true, true, false, false]);
});
