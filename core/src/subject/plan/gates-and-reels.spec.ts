import { advise, applyFix } from '../../advise/advise';
import { LAYOUTS } from '../../layouts/layouts';
import { parseRig } from '../../rig/read';
import type { RigDocument } from '../../rig/schema';
import { judged } from '../../testing/judge';
import { say } from '../../working/figure';

const layout = (id: string): RigDocument => LAYOUTS.find((l) => l.id === id)!.make();
const told = (d: RigDocument, code: string): string[] =>
  judged(d)
    .findings.filter((f) => f.code === code)
    .map((f) => say(f.message, 'us').replace(/[\u00a0\u202f]/g, ' '));
const cured = (d: RigDocument, code: string): boolean =>
  advise(d, parseRig(d), judged(d))
    .filter((f) => f.code === code)
    .some((f) => told(applyFix(d, f), code).length === 0);

test('what stands behind a gate is told; without a gate, and at another side, it may stand there', () => {
  const d = layout('two-unequal');
  expect(told(d, 'gate-blocked')).toEqual([]);
  d.platform!.gate = 'rear';
  // The supply reel ends 2 in from the rear edge.
  expect(told(d, 'gate-blocked')).toContain('Reel 1 blocks the rear gate. Leave 12 in.');
  d.assumptions['gate-room'] = '1 in';
  expect(told(d, 'gate-blocked')).toEqual([]);
  const truck = layout('tied-tanks');
  truck.platform!.gate = 'rear';
  expect(told(truck, 'gate-blocked').every((t) => t.includes('the rear gate'))).toBe(true);
});

test('a reel whose hose’s end nothing holds is told and mended by a hook; one of which nothing is said is left alone', () => {
  const d = layout('big-tank');
  expect(told(d, 'reel-unparked')).toEqual([]);
  d.reels![0].parked = 'nothing';
  expect(told(d, 'reel-unparked')).toEqual([`${d.reels![0].name}’s hose end isn’t clipped: it will drag on the road.`]);
  expect(cured(d, 'reel-unparked')).toBe(true);
});

test('exhaust where one stands to start the engine is told, and turning one of the two cures it', () => {
  const d = layout('big-tank');
  const place = d.placements!.find((p) => p.thing === 'washer-a')!;
  expect(told(d, 'exhaust-people')).toEqual([]);
  place.exhaust = place.service!;
  expect(told(d, 'exhaust-people')[0]).toMatch(/^Washer A blows its exhaust to the .*, where one stands to start and serve it/);
  expect(cured(d, 'exhaust-people')).toBe(true);
});

test('no layout stands in its own way', () => {
  for (const l of LAYOUTS) expect([l.id, ...['gate-blocked', 'reel-unparked', 'exhaust-people'].flatMap((c) => told(l.make(), c))]).toEqual([l.id]);
});

test('a reel below the rail is lifted on a stand just high enough, and its hose then runs over', () => {
  const d = layout('two-gun-split');
  expect(told(d, 'reel-low')).toEqual([]);
  const low = parseRig(d).reels.find((r) => !d.placements!.find((p) => p.thing === r.id)!.on)!;
  d.platform!.rail = '20 in';
  expect(told(d, 'reel-low')).toEqual(expect.arrayContaining([expect.stringMatching(`^${low.name} pays out below the rail`)]));
  const fix = advise(d, parseRig(d), judged(d)).find((f) => f.code === 'reel-low' && f.id.includes(`raise-${low.id}`))!;
  const after = applyFix(d, fix);
  expect(told(after, 'reel-low').some((t) => t.startsWith(`${low.name} `))).toBe(false);
  const stand = after.gear!.find((g) => g.name === `Stand under ${low.name}`)!;
  expect(parseRig(after).placements.find((p) => p.thing === low.id)!.on).toBe(stand.id);
});

test('a valve too low for a hand: its tank stands higher; a machine too high comes down from its shelf', () => {
  const d = layout('big-tank');
  d.platform!.height = '12 in';
  const low = told(d, 'handle-height');
  expect(low.length).toBeGreaterThan(0);
  const fix = advise(d, parseRig(d), judged(d)).find((f) => f.code === 'handle-height' && f.id.includes('raise-water'))!;
  expect(told(applyFix(d, fix), 'handle-height').some((t) => t.includes(' at Water '))).toBe(false);
  const skid = layout('boosted-skid');
  skid.platform!.height = '44 in';
  expect(told(skid, 'handle-height').some((t) => t.startsWith('The handles of Shelf washer'))).toBe(true);
  const down = structuredClone(skid);
  delete down.placements!.find((p) => p.thing === 'washer-a')!.on;
  expect(told(down, 'handle-height').some((t) => t.startsWith('The handles of Shelf washer'))).toBe(false);
});
