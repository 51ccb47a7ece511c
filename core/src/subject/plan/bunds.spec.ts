import { assess } from '../../assess/assess';
import { moveThing } from '../../edit/place';
import { LAYOUTS } from '../../layouts/layouts';
import { parseRig } from '../../rig/read';
import type { RigDocument } from '../../rig/schema';
import { near } from '../../testing/near';
import { say } from '../../working/figure';
import { bundBox } from './bunds';

const truck = (): RigDocument => LAYOUTS.find((l) => l.id === 'mix-tank-truck')!.make();
const told = (d: RigDocument): string[] =>
  assess(parseRig(d))
    .findings.filter((f) => f.code === 'bund-room')
    .map((f) => say(f.message, 'us').replace(/[\u00a0\u202f]/g, ' '));

test('a bund holds its volume to its depth, as much wider than its tank on every side; never narrower than what stands in it', () => {
  const under = { x0: 1, x1: 1.9, y0: 0.5, y1: 1.2, z0: 0, z1: 0.6 };
  const box = bundBox(under, 0.5, 0.4);
  near((box.x1 - box.x0) * (box.y1 - box.y0) * 0.4, 0.5, 1e-12);
  near(under.x0 - box.x0, box.y1 - under.y1, 1e-12);
  expect(bundBox(under, 0.01, 0.4)).toMatchObject({ x0: under.x0, y1: under.y1 });
});

test('the bund of the box truck’s mix tank is drawn, has its room, and runs into what is pushed against it', () => {
  const d = truck();
  const { bunds } = assess(parseRig(d)).plan!;
  // 125 gal, 16 in deep.
  const { box } = bunds[0];
  near((box.x1 - box.x0) * (box.y1 - box.y0) * 16 * 0.0254, 125 * 3.785411784e-3, 1e-9);
  expect(told(d)).toEqual([]);
  moveThing(d, 'soft-pump', 0, 4 * 0.0254);
  expect(told(d)).toHaveLength(1);
  expect(told(d)[0]).toMatch(/^The containment tray under Mix tank, .* × .* at 16 in deep, runs into Engine soft wash pump\./);
  const edge = truck();
  edge.placements = edge.placements!.filter((p) => p.thing === 'batch-tank');
  moveThing(edge, 'batch-tank', 0, 25 * 0.0254);
  expect(told(edge).some((t) => t.includes('hangs over'))).toBe(true);
});
