import { LAYOUTS } from '../layouts/layouts';
import { like } from '../edit/length';
import { si } from '../quantity/parse';
import { near } from '../testing/near';
import { dropPlaces } from './drop-places';
import { parseRig, readRig } from './read';
import { reread } from './reread';
import type { RigDocument } from './schema';
import { floorOf, placesOf, rootOf, stackedOn } from './stand';

const layout = (id: string): RigDocument => LAYOUTS.find((l) => l.id === id)!.make();

describe('heights above what a thing stands on', () => {
  test('are read as heights above the deck, and the plain ones are kept beside', () => {
    const d = layout('boosted-skid');
    const r = readRig(d);
    if (!r.ok) throw new Error('unread');
    const shelf = 24 * 0.0254;
    near(r.rig.machines[0].inletHeight - r.plain.machines[0].inletHeight, shelf, 1e-9);
    expect(r.document.machines[0].inletHeight).toBe('14 in');
  });
  test('of taps, guns and work are above the ground once there is a platform', () => {
    const d = layout('big-tank');
    const [on, off] = [parseRig(d), parseRig({ ...d, platform: undefined, placements: [] })];
    near(off.spigots[0].height - on.spigots[0].height, 22 * 0.0254, 1e-9);
    near(off.outlets[0].height - on.outlets[0].height, 22 * 0.0254, 1e-9);
  });
  test('a bulkhead is told from its tank’s bottom: a tank that is raised takes it along, and nothing else moves', () => {
    const d = layout('big-tank');
    const height = (): number => parseRig(d).lines.find((l) => l.id === 'main')!.from.height!;
    const before = height();
    const i = d.tanks.findIndex((t) => t.id === 'water');
    near(before - si(d.tanks[i].base, 'length'), si(d.lines.find((l) => l.id === 'main')!.from.height!, 'length'), 1e-12);
    d.tanks[i].base = like(d.tanks[i].base, si(d.tanks[i].base, 'length') + 0.254);
    near(height() - before, 0.254, 1e-9);
  });
  test('a rig without a platform, places or bulkheads is the very rig that was read', () => {
    const d = layout('big-tank');
    for (const l of d.lines) for (const end of [l.from, l.to]) if (end.at === 'tank') delete end.height;
    const r = readRig({ ...d, platform: undefined, placements: [], gear: [] });
    if (!r.ok) throw new Error('unread');
    expect(r.rig).toBe(r.plain);
  });
  test('read again an edit later they are not added twice, and what did not change is the same object', () => {
    const d = layout('boosted-skid');
    const first = readRig(d);
    if (!first.ok) throw new Error('unread');
    const next = { ...d, machines: d.machines.map((m) => ({ ...m, name: `${m.name}!` })) };
    const again = reread(next, first);
    if (!again.ok) throw new Error('unread');
    near(again.rig.machines[0].inletHeight, first.rig.machines[0].inletHeight, 1e-12);
    expect(again.rig.tanks).toBe(first.rig.tanks);
    expect(again.rig.lines).toBe(first.rig.lines);
    const third = reread(next, again);
    if (!third.ok) throw new Error('unread');
    expect(third.rig.machines[0]).toBe(again.rig.machines[0]);
  });
  test('moving a thing along the deck leaves the water side the same objects', () => {
    const d = layout('crew-of-four');
    const first = readRig(d);
    if (!first.ok) throw new Error('unread');
    const next = { ...d, placements: d.placements!.map((p) => (p.thing === 'water' ? { ...p, x: '120 in' } : p)) };
    const again = reread(next, first);
    if (!again.ok) throw new Error('unread');
    for (const list of ['tanks', 'machines', 'lines', 'outlets', 'spigots', 'mixes'] as const)
      expect([list, again.rig[list] === first.rig[list]]).toEqual([list, true]);
    expect(again.rig.placements).not.toBe(first.rig.placements);
  });
  test('every layout reads the same afresh and an edit later', () => {
    for (const l of LAYOUTS) {
      const d = l.make();
      const first = readRig(d);
      if (!first.ok) throw new Error(l.id);
      const next = { ...d, notes: 'seen' };
      const again = reread(next, first);
      if (!again.ok) throw new Error(l.id);
      expect(again.rig).toEqual(parseRig(next));
    }
  });
});

describe('stacks', () => {
  const rig = parseRig(layout('crew-of-four'));
  const places = placesOf(rig);
  test('floors add up, roots and depths are told', () => {
    expect(stackedOn(places, 'reel-hose-a1')).toBe(1);
    expect(stackedOn(places, 'reel-fill-quay')).toBe(0);
    expect(rootOf(places, 'reel-hose-a1')).toBe('reel-fill-quay');
    near(floorOf(rig, places, 'reel-hose-a1'), rig.reels.find((r) => r.id === 'reel-fill-quay')!.flange, 1e-12);
    expect(floorOf(rig, places, 'water')).toBe(0);
  });
  test('a placed reel takes its row from its stack and its place from where it pays out', () => {
    expect(rig.reels.find((r) => r.id === 'reel-hose-a1')).toMatchObject({ row: 2, place: 'kerb' });
    expect(rig.reels.find((r) => r.id === 'reel-soft-hose')).toMatchObject({ row: 1, place: 'kerb' });
  });
  test('a circle ends', () => {
    const round = new Map(places);
    round.set('reel-fill-quay', { ...places.get('reel-fill-quay')!, on: 'reel-hose-a1' });
    expect(floorOf(rig, round, 'reel-fill-quay')).toBeGreaterThan(0);
    expect(stackedOn(round, 'reel-hose-a1')).toBeLessThan(3);
  });
});

describe('places of what is gone', () => {
  test('go along, what stood on it is let down, parts of the power stay', () => {
    const d = layout('crew-of-four');
    d.reels = d.reels!.filter((r) => r.id !== 'reel-fill-quay');
    dropPlaces(d);
    expect(d.placements!.some((p) => p.thing === 'reel-fill-quay')).toBe(false);
    expect(d.placements!.find((p) => p.thing === 'reel-hose-a1')!.on).toBeUndefined();
    expect(d.placements!.some((p) => p.thing === 'battery')).toBe(true);
    expect(readRig(d).ok).toBe(true);
  });
  test('a document without places is left alone', () => {
    const d = layout('big-tank');
    delete d.placements;
    const before = JSON.stringify(d);
    dropPlaces(d);
    expect(JSON.stringify(d)).toBe(before);
  });
});
