import { LAYOUTS } from '../layouts/layouts';
import { parseRig } from '../rig/read';
import { GEAR_KINDS, type RigDocument } from '../rig/schema';
import { emptyPlatform } from '../solve/empty-platform';
import { supportsOf, weigh } from '../solve/weigh';
import { bill } from './bill';
import { gearPrice, USUAL_GEAR, usualGear } from './gear';
import { platformPrice } from './platform-price';
import { platformOf, PLATFORMS } from './platforms';

const on = (id: string): RigDocument => ({ ...LAYOUTS[0].make(), platform: platformOf(id), placements: [], gear: [] });

describe('platforms to start from', () => {
  test.each(PLATFORMS.map((p) => p.id))('%s reads, stands on its axles, and empty it is well balanced and far under its ratings', (id) => {
    const platform = parseRig(on(id)).platform!;
    const w = weigh(platform, [emptyPlatform(platform)]);
    expect(w.massKg).toBeLessThan(0.7 * platform.gvwr);
    w.axles.forEach((a, i) => expect(a).toBeLessThan(platform.axles[i].rating));
    if (w.tongueKg !== undefined) {
      expect(w.tongueKg / w.massKg).toBeGreaterThanOrEqual(0.095);
      expect(w.tongueKg / w.massKg).toBeLessThanOrEqual(0.155);
    } else expect(w.axles[0] / w.massKg).toBeGreaterThan(0.35);
    const { front, rear } = supportsOf(platform);
    expect(rear - front).toBeGreaterThan(1);
    // The ratings of its axles, with what the coupling takes, carry what it may weigh.
    const carried = platform.axles.reduce((s, a) => s + a.rating, 0) + (w.tongueKg === undefined ? 0 : 0.15 * platform.gvwr);
    expect(carried).toBeGreaterThanOrEqual(0.98 * platform.gvwr);
    expect(platformPrice(platform)).toBeGreaterThan(100);
  });
  test('one that is not there is an error', () => expect(() => platformOf('boat')).toThrow(RangeError));
  test('ids are one of a kind', () => expect(new Set(PLATFORMS.map((p) => p.id)).size).toBe(PLATFORMS.length));
  test('a larger trailer is dearer, a closed one dearer still', () => {
    const price = (id: string): number => platformPrice(parseRig(on(id)).platform!);
    expect(price('tandem-14')).toBeGreaterThan(price('single-8'));
    expect(price('enclosed-14')).toBeGreaterThan(price('tandem-14'));
    expect(bill(parseRig(on('tandem-14'))).price - bill(parseRig(on('single-8'))).price).toBeCloseTo(price('tandem-14') - price('single-8'), 6);
  });
});

describe('gear', () => {
  test.each(GEAR_KINDS)('a usual %s reads, has a price by its mass, and is on the bill', (kind) => {
    const d = on('tandem-14');
    d.gear = [usualGear(kind, 'thing')];
    const rig = parseRig(d);
    const without = bill(parseRig({ ...d, gear: [] }));
    expect(rig.gear[0].mass).toBeGreaterThan(0);
    expect(bill(rig).massKg - without.massKg).toBeCloseTo(rig.gear[0].mass, 9);
    expect(bill(rig).price - without.price).toBeCloseTo(gearPrice(rig.gear[0]), 9);
    expect(gearPrice({ ...rig.gear[0], mass: 2 * rig.gear[0].mass })).toBeCloseTo(2 * USUAL_GEAR[kind].price, 6);
  });
});
