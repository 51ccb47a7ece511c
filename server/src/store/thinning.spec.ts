import { SeenDays } from '../keep/seen-days';
import { named, newFolder, openYard } from '../testing/yard';
import { NEWEST_KEPT, type Saved, versionsToDrop } from './thinning';

const now = new Date(2026, 10, 26, 15, 0);
const at = (daysAgo: number, hour = 10): string => new Date(2026, 10, 26 - daysAgo, hour).toISOString();
const dayAgo = (n: number): string => at(n, 12).slice(0, 10);
/** The yard was open every day. */
const everyDay = Array.from({ length: 120 }, (_, i) => dayAgo(119 - i));
/** Versions saved at these times, and after them so many today that none of them is among the newest. */
const saved = (times: readonly string[]): Saved[] =>
  [...times, ...Array.from({ length: NEWEST_KEPT }, () => at(0))].map((savedAt, i) => ({ version: i + 1, savedAt }));
const kept = (times: readonly string[], seen = everyDay, when = now): number[] => {
  const drop = new Set(versionsToDrop(saved(times), when, seen));
  return times.map((_, i) => i + 1).filter((v) => !drop.has(v));
};

test('all of today and yesterday stay, of each earlier day the last, of each week long ago the last', () => {
  const left = kept([...[80, 79, 78, 60, 59].map((d) => at(d)), ...[3, 3, 3, 2, 1, 1].map((d, i) => at(d, 8 + i))]);
  // Day 3 keeps its third, day 2 its only one, yesterday both.
  expect(left.filter((v) => v > 5)).toEqual([8, 9, 10, 11]);
  // Two months ago: no more than one a week.
  expect(left.filter((v) => v <= 5).length).toBeLessThan(5);
});
test('the newest fifty stay whatever the clock said, and times to come are kept', () => {
  const few = Array.from({ length: NEWEST_KEPT }, (_, i) => ({ version: i + 1, savedAt: at(-400) }));
  expect(versionsToDrop(few, now, everyDay)).toEqual([]);
  expect(kept([at(-400), at(-400)])).toEqual([1, 2]);
  expect(kept([at(5, 23), at(5, 1)])).toEqual([2]);
});
test('a clock that jumps makes nothing old: so many days it must have been seen to tell since', () => {
  const today = Array.from({ length: 8 }, (_, i) => at(0, i));
  const jumped = new Date(2026, 10, 26 + 400, 15);
  const there = [...everyDay, '2027-12-31'];
  expect(kept(today, there, jumped)).toEqual([1, 2, 3, 4, 5, 6, 7, 8]);
  // What was a month old is not older by it than the days seen since.
  const month = Array.from({ length: 20 }, (_, i) => at(29 - i));
  expect(kept(month, there, jumped)).toEqual(kept(month));
  // A yard of which no day is known thins nothing.
  expect(
    kept(
      month.flatMap((m) => [m, m]),
      [],
    ),
  ).toHaveLength(40);
});
test('seen days: each once, in the order seen, kept in the folder; a damaged file is none', () => {
  const folder = newFolder();
  const days = new SeenDays(folder);
  for (const d of [new Date(2026, 0, 1), new Date(2026, 0, 1, 23), new Date(2099, 0, 1), new Date(2026, 0, 2)]) days.note(d);
  expect(new SeenDays(folder).list()).toEqual(['2026-01-01', '2099-01-01', '2026-01-02']);
  for (let i = 0; i < 100; i++) days.note(new Date(2026, 1, i));
  expect(new SeenDays(folder).list()).toHaveLength(60);
  expect(new SeenDays('/nowhere').list()).toEqual([]);
  const nowhere = new SeenDays('/nowhere');
  nowhere.note(now);
  expect(nowhere.list()).toEqual([dayAgo(0)]);
});
test('seeded: whatever the times, the newest are kept and every day that had a version has one', () => {
  let seed = 7;
  const random = (): number => (seed = (seed * 48271) % 2147483647) / 2147483647;
  for (let round = 0; round < 200; round++) {
    const times = Array.from({ length: 1 + Math.floor(random() * 90) }, () => at(Math.floor(random() * 60) - 2, Math.floor(random() * 24)));
    const left = kept(times);
    const day = (t: string): string => new Date(t).toDateString();
    const recent = times.filter((t) => now.getTime() - new Date(t).getTime() < 29 * 86_400_000);
    for (const t of recent) expect(left.some((v) => day(times[v - 1]) === day(t))).toBe(true);
  }
});
test('in the store the last fifty acknowledged versions are never dropped', async () => {
  let clock = new Date(2026, 0, 1, 12);
  const yard = await openYard(undefined, () => clock);
  await yard.store.add('a', named('v1'));
  for (let i = 1; i < 90; i++) {
    clock = new Date(clock.getTime() + 3_600_000);
    await yard.store.save('a', i, named(`v${i + 1}`));
  }
  const seen = Array.from({ length: 60 }, (_, i) => new Date(2026, 2, i, 12).toISOString().slice(0, 10));
  clock = new Date(2026, 5, 1);
  expect(await yard.revisions.thin([])).toBe(0);
  expect(await yard.revisions.thin(seen)).toBeGreaterThan(30);
  const { revisions } = await yard.revisions.list('a', 999, 60);
  expect(revisions.slice(0, NEWEST_KEPT).map((r) => r.version)).toEqual(Array.from({ length: NEWEST_KEPT }, (_, i) => 90 - i));
  expect(revisions.length).toBeLessThan(NEWEST_KEPT + 4);
  expect((await yard.store.get('a')).document.name).toBe('v90');
  expect(await yard.revisions.thin(seen)).toBe(0);
  await yard.end();
});
test('thinning a large yard lets others come between', async () => {
  let clock = new Date(2026, 0, 1, 12);
  const yard = await openYard(undefined, () => clock);
  const put = yard.db.handle.prepare(`INSERT INTO revision (build_id, version, document, saved_at) VALUES (?, ?, ?, ?)`);
  const large = JSON.stringify(named('Large', { notes: 'x'.repeat(8000) }));
  yard.db.handle.transaction(() => {
    for (let b = 0; b < 1500; b++) put.run(`b${String(b).padStart(5, '0')}`, 1, large, clock.toISOString());
    for (let b = 0; b < 3; b++) for (let v = 2; v <= 200; v++) put.run(`b0000${b}`, v, large, new Date(clock.getTime() + v * 60_000).toISOString());
  })();
  clock = new Date(2026, 5, 1);
  let turns = 0;
  // By turns, not by a clock: on a quick machine few milliseconds pass.
  let counting = setImmediate(function again() {
    turns++;
    counting = setImmediate(again);
  });
  const dropped = await yard.revisions.thin(Array.from({ length: 60 }, (_, i) => new Date(2026, 2, i, 12).toISOString().slice(0, 10)));
  clearImmediate(counting);
  expect(dropped).toBe(3 * 150);
  // In one stretch nobody has a turn; here others had theirs all along.
  expect(turns).toBeGreaterThan(20);
  await yard.end();
});
