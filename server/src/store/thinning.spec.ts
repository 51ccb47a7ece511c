import { named, openYard } from '../testing/yard';
import { type Saved, versionsToDrop } from './thinning';

const now = new Date(2026, 10, 26, 15, 0);
const at = (daysAgo: number, hour = 10): string => new Date(2026, 10, 26 - daysAgo, hour).toISOString();
const kept = (all: Saved[]): number[] => {
  const drop = new Set(versionsToDrop(all, now));
  return all.map((r) => r.version).filter((v) => !drop.has(v));
};

test('all of today stay, of each earlier day the last, of each week long ago the last', () => {
  const days = [...[80, 79, 78, 60, 59].map((d) => at(d)), ...[3, 3, 3, 2, 1, 1].map((d, i) => at(d, 8 + i)), ...Array.from({ length: 20 }, () => at(0))];
  const all = days.map((savedAt, i) => ({ version: i + 1, savedAt }));
  const left = kept(all);
  expect(left.slice(-20)).toEqual(Array.from({ length: 20 }, (_, i) => i + 12));
  // Day 3 keeps its third, day 2 its only one, day 1 its second.
  expect(left).toEqual(expect.arrayContaining([8, 9, 11]));
  expect(left).not.toContain(6);
  expect(left).not.toContain(10);
  // Two months ago: no more than one a week.
  expect(left.filter((v) => v <= 5).length).toBeLessThan(5);
});
test('the newest stays whatever the clock said, and times to come are kept', () => {
  expect(
    versionsToDrop(
      [
        { version: 1, savedAt: at(-400) },
        { version: 2, savedAt: at(200) },
      ],
      now,
    ),
  ).toEqual([]);
  expect(
    versionsToDrop(
      [
        { version: 1, savedAt: at(5, 23) },
        { version: 2, savedAt: at(5, 1) },
      ],
      now,
    ),
  ).toEqual([1]);
});
test('seeded: whatever the times, the newest is kept and every day that had a version has one', () => {
  let seed = 7;
  const random = (): number => (seed = (seed * 48271) % 2147483647) / 2147483647;
  for (let round = 0; round < 200; round++) {
    const all = Array.from({ length: 1 + Math.floor(random() * 40) }, (_, i) => ({
      version: i + 1,
      savedAt: at(Math.floor(random() * 60) - 2, Math.floor(random() * 24)),
    }));
    const left = kept(all);
    expect(left).toContain(all.length);
    const day = (v: number): string => new Date(all[v - 1].savedAt).toDateString();
    const recent = all.filter((r) => now.getTime() - new Date(r.savedAt).getTime() < 29 * 86_400_000);
    for (const r of recent) expect(left.some((v) => day(v) === day(r.version))).toBe(true);
  }
});
test('in the store the last acknowledged version is never dropped', async () => {
  let clock = new Date(2026, 0, 1, 12);
  const yard = await openYard(undefined, () => clock);
  await yard.store.add('a', named('v1'));
  for (let i = 1; i < 30; i++) {
    clock = new Date(clock.getTime() + 3_600_000 * 5);
    await yard.store.save('a', i, named(`v${i + 1}`));
  }
  clock = new Date(2026, 5, 1);
  expect(await yard.revisions.thin()).toBeGreaterThan(20);
  const { revisions } = await yard.revisions.list('a', 999, 50);
  expect(revisions[0].version).toBe(30);
  expect(revisions.length).toBeLessThan(4);
  expect((await yard.store.get('a')).document.name).toBe('v30');
  expect(await yard.revisions.thin()).toBe(0);
  await yard.end();
});
