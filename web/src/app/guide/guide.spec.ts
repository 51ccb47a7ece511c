import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { STATION_LIST } from '../stations/registry';
import { chaptersOf } from './chapters';

const guide = readFileSync(join(__dirname, '../../../../docs/guide.md'), 'utf8');

test('every station has its chapter, with something in it', () => {
  const chapters = chaptersOf(guide);
  for (const s of STATION_LIST) expect([s.id, (chapters.find((c) => c.id === s.id)?.html ?? '').length > 40]).toEqual([s.id, true]);
  expect(new Set(chapters.map((c) => c.id)).size).toBe(chapters.length);
  for (const id of ['yard', 'waterway', 'quick-sums']) expect(chapters.map((c) => c.id)).toContain(id);
});

test('what stands before the first heading belongs to none; marks become elements', () => {
  const [one, two] = chaptersOf('lost\n\n# Title\n\n## The first\n\nA **bold** word.\n\n### Feed\n\nMore.');
  expect(one).toMatchObject({ id: 'first', depth: 2 });
  expect(one.html).toContain('<strong>bold</strong>');
  expect(two).toMatchObject({ id: 'feed', depth: 3 });
});
