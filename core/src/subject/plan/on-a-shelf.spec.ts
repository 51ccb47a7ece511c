import { advise, applyFix } from '../../advise/advise';
import { assess } from '../../assess/assess';
import { placeOf } from '../../edit/place';
import { LAYOUTS } from '../../layouts/layouts';
import { parseRig } from '../../rig/read';
import type { RigDocument } from '../../rig/schema';
import { near } from '../../testing/near';

/** A buffer tank on a shelf of 12 in, beside nothing else. */
function raised(): RigDocument {
  const d = LAYOUTS.find((l) => l.id === 'carried-water')!.make();
  d.gear = [{ id: 'stand', name: 'Stand', kind: 'shelf', length: '70 in', width: '40 in', height: '12 in', mass: '60 lb', carries: '4000 lb' }];
  d.placements = [
    { thing: 'stand', x: '30 in', y: '10 in' },
    { thing: 'water', x: '32 in', y: '12 in', on: 'stand' },
  ];
  return d;
}

test('a tank on a shelf stands higher by it, its outlets too, and its document does not change', () => {
  const [flat, up] = [raised(), raised()];
  delete placeOf(flat, 'water')!.on;
  const [a, b] = [parseRig(flat), parseRig(up)];
  near(b.tanks[0].base - a.tanks[0].base, 12 * 0.0254, 1e-9);
  const outlet = (r: typeof a): number => r.lines.find((l) => l.id === 'feed-a')!.from.height!;
  near(outlet(b) - outlet(a), 12 * 0.0254, 1e-9);
  expect(up.tanks).toEqual(flat.tanks);
  expect(assess(b).feeds[0].margin.value).toBeGreaterThan(assess(a).feeds[0].margin.value);
});

test('what would help tells heights above the shelf: an outlet an inch above the bottom is there', () => {
  const d = raised();
  d.lines.find((l) => l.id === 'feed-a')!.from.height = '60 in';
  const rig = parseRig(d);
  const fix = advise(d, rig, assess(rig)).find((f) => f.id.endsWith('outlet-low'))!;
  const mended = parseRig(applyFix(d, fix));
  near(mended.lines.find((l) => l.id === 'feed-a')!.from.height! - mended.tanks[0].base, 0.0254, 1e-6);
});
