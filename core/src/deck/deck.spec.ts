import { LAYOUTS } from '../layouts/layouts';
import { parseRig } from '../rig/read';
import type { Placement, RigDocument } from '../rig/schema';
import { near } from '../testing/near';
import { type Box, boxOf, standingOn, tankSize } from './outline';
import { laidLines, middleOf, portTo } from './path';

const layout = (id: string): RigDocument => LAYOUTS.find((l) => l.id === id)!.make();
const box = (x0: number, x1: number, y0 = 0, y1 = 1, z0 = 0, z1 = 1): Box => ({ x0, x1, y0, y1, z0, z1 });

describe('what stands on a deck', () => {
  test('a tank is as large as its shape, whatever that is', () => {
    expect(tankSize({ shape: { kind: 'box', length: 2, width: 1, height: 0.5 } })).toEqual([2, 1, 0.5]);
    expect(tankSize({ shape: { kind: 'upright-cylinder', diameter: 0.9, height: 1.2 } })).toEqual([0.9, 0.9, 1.2]);
    expect(tankSize({ shape: { kind: 'lying-cylinder', diameter: 0.9, length: 1.5 } })).toEqual([1.5, 0.9, 0.9]);
    expect(tankSize({ shape: { kind: 'elliptical', width: 1, height: 0.8, length: 2 } })).toEqual([2, 1, 0.8]);
  });
  test('a quarter turn lays its length across, two lay it along again', () => {
    const at = (turned: Placement['turned']): Box => boxOf([2, 1, 0.5], { x: 1, y: 0.2, turned }, 0.3);
    expect(at(undefined)).toEqual({ x0: 1, x1: 3, y0: 0.2, y1: 1.2, z0: 0.3, z1: 0.8 });
    expect(at('90')).toEqual({ x0: 1, x1: 2, y0: 0.2, y1: 2.2, z0: 0.3, z1: 0.8 });
    expect(at('180')).toEqual(at('0'));
    expect(at('270')).toEqual(at('90'));
  });
  test('typed measures and masses stand in for the catalogue’s', () => {
    const d = layout('big-tank');
    const own = (): ReturnType<typeof standingOn>[number] => standingOn(parseRig(d)).find((t) => t.id === 'washer-a')!;
    const usual = own();
    Object.assign(
      d.placements!.find((p) => p.thing === 'washer-a')!,
      { size: { length: '50 in', width: '30 in', height: '28 in' }, mass: '300 lb' },
    );
    expect(own().dryKg).not.toBe(usual.dryKg);
    near(own().dryKg, 300 * 0.45359237, 1e-9);
    near(own().size[0], 50 * 0.0254, 1e-9);
  });
  test('a reel stacked on a reel stands on its flange; one in the tray has no box', () => {
    const d = layout('big-tank');
    const things = standingOn(parseRig(d));
    const [low, high] = ['reel-fill', 'reel-hose-a'].map((id) => things.find((t) => t.id === id)!);
    near(high.box!.z0, low.box!.z1, 1e-9);
    d.placements = d.placements!.filter((p) => p.thing !== 'reel-hose-a');
    expect(standingOn(parseRig(d)).find((t) => t.id === 'reel-hose-a')!.box).toBeUndefined();
  });
  test('battery and compressor stand too, a header at its own height, a batch mix nowhere', () => {
    const ids = standingOn(parseRig(layout('small-buffer'))).map((t) => t.id);
    expect(ids).toEqual(expect.arrayContaining(['battery', 'compressor', 'blend']));
    expect(ids).not.toContain('receiver');
    const skid = standingOn(parseRig(layout('boosted-skid')));
    expect(skid.map((t) => t.kind)).not.toContain('mix');
    const rig = parseRig(layout('boosted-skid'));
    const split = skid.find((t) => t.id === 'split')!;
    near((split.box!.z0 + split.box!.z1) / 2, rig.manifolds[0].height, 1e-9);
  });
  test.each(LAYOUTS.map((l) => l.id))('%s: everything that stands has a size and no less than no mass', (id) => {
    for (const t of standingOn(parseRig(layout(id)))) {
      expect([t.id, t.size.every((s) => s > 0), t.dryKg >= 0]).toEqual([t.id, true, true]);
    }
  });
});

describe('the way of a hose', () => {
  test('a port is the point of the box nearest to the other, at its own height within the box', () => {
    expect(portTo(box(0, 1), box(3, 4, 2, 3), 0.4)).toEqual({ x: 1, y: 1, z: 0.4 });
    expect(portTo(box(0, 1), box(3, 4, 0.2, 0.6), 9)).toEqual({ x: 1, y: 0.4, z: 1 });
    expect(middleOf(box(0, 2, 0, 4, 0, 6))).toEqual({ x: 1, y: 2, z: 3 });
  });
  test('is as long as it goes along, across and up', () => {
    const rig = parseRig(layout('big-tank'));
    for (const l of laidLines(rig, standingOn(rig))) {
      const [a, b] = [l.points[0], l.points[l.points.length - 1]];
      near(l.pathM + 1, Math.abs(a.x - b.x) + Math.abs(a.y - b.y) + Math.abs(a.z - b.z) + 1, 1e-9);
    }
  });
  test('of a run that is wound up only the whip lies on the deck', () => {
    const rig = parseRig(layout('big-tank'));
    const hose = laidLines(rig, standingOn(rig)).find((l) => l.lineId === 'hose-a')!;
    const whole = rig.lines.find((l) => l.id === 'hose-a')!.parts.reduce((s, p) => s + (p.kind === 'hose' ? p.length : 0), 0);
    expect(hose.hoseM).toBeLessThan(whole / 5);
    expect(hose.hoseM).toBeGreaterThan(0);
  });
  test('a line to what has no place lies nowhere', () => {
    const d = layout('big-tank');
    d.placements = d.placements!.filter((p) => p.thing !== 'washer-a');
    const rig = parseRig(d);
    expect(laidLines(rig, standingOn(rig)).map((l) => l.lineId)).not.toContain('feed-a');
  });
});
