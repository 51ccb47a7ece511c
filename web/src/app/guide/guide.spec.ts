import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { LOCALES, spell } from '@pozzo/core/page';
import { STATION_LIST } from '../stations/registry';
import { chaptersOf } from './chapters';

const source = readFileSync(join(__dirname, 'guide.md'), 'utf8');
const guide = spell(source, 'en-US');

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

test('the guide in docs is this one in American English (`node tools/guide.mjs` writes it); no locale shows a token', () => {
  expect(readFileSync(join(__dirname, '../../../../docs/guide.md'), 'utf8')).toBe(guide);
  for (const locale of LOCALES) expect(spell(source, locale)).not.toMatch(/[‹›]/);
  expect(spell(source, 'en-GB')).toContain('outside tap');
  expect(spell(source, 'en-GB')).not.toMatch(/\b(spigot|gasoline|tire|curb|wheel well)s?\b/i);
});
