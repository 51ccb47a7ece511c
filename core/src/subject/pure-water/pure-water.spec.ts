import { parseRig } from '../../rig/read';
import { LAYOUTS } from '../../layouts/layouts';
import { GAL, judged } from '../../testing/judge';
import { near } from '../../testing/near';

test('a glass line tells litres until the resin is spent', () => {
  const [g] = judged(LAYOUTS.find((l) => l.id === 'metric-header')!.make()).chemical.pureWater;
  expect(g.life.value).toBeGreaterThan(0.5);
  expect(g.flow.value).toBeGreaterThan(0);
  near(g.heightM, 9, 1e-9);
});

describe('a resin bed', () => {
  const glass = (solids: string | undefined, resin?: { volume: string; capacity: string }) => {
    const d = LAYOUTS.find((l) => l.id === 'metric-header')!.make();
    if (solids === undefined) delete d.brief.tapSolids;
    else d.brief.tapSolids = solids;
    if (resin) d.sprayers!.find((s) => s.resin)!.resin = resin;
    expect(parseRig(d).sprayers.some((s) => s.resin)).toBe(true);
    return judged(d).chemical.pureWater[0].life.value;
  };
  test('lasts grains over grains a gallon, as it is reckoned by hand', () => {
    // A cubic foot of 12 000 grains on water of 171 ppm, ten grains a gallon: 1200 gal. 17.118 ppm are a grain a gallon (definition).
    near(glass('171.18 ppm', { volume: '7.480519 gal', capacity: '12000 gr/ft³' }) / GAL, 1200, 1e-3);
  });
  test('lasts half as long in water twice as hard, and for ever where nothing is in it or nobody said', () => {
    near(glass('100 ppm'), 2 * glass('200 ppm'), 1e-9);
    expect(glass('0 ppm')).toBe(Infinity);
    expect(glass(undefined)).toBe(Infinity);
  });
});
