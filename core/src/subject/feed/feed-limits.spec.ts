import { airPressure, GRAVITY } from '../../fluid/air';
import { assess } from '../../assess/assess';
import { vapourPressure, waterDensity } from '../../fluid/water';
import { LAYOUTS } from '../../layouts/layouts';
import { parseRig } from '../../rig/read';
import { seeded } from '../../testing/near';
import { highest, hottest } from './feed-limits';

const vapourHead = (t: number): number => vapourPressure(t) / (waterDensity(t) * GRAVITY);

describe('where a margin is gone', () => {
  test('by warmth: the water’s vapour pressure has eaten it there, neither sooner nor later (seed 3)', () => {
    const random = seeded(3);
    for (let trial = 0; trial < 300; trial++) {
      const now = 274 + 60 * random();
      const marginM = 12 * random() ** 3 - 0.02;
      const hot = hottest(marginM, now);
      const eaten = (t: number): number => vapourHead(t) - vapourHead(now);
      if (hot === Infinity) expect(eaten(373)).toBeLessThan(marginM);
      else if (hot === 273.16) expect(eaten(273.16)).toBeGreaterThan(marginM - 1e-9);
      else expect(Math.abs(eaten(hot) - marginM)).toBeLessThan(1e-9 + 1e-9 * marginM);
    }
  });

  test('by warmth at the ends: nothing to spare is now, more than boiling takes is never', () => {
    expect(Math.abs(hottest(0, 300) - 300)).toBeLessThan(1e-7);
    expect(hottest(50, 300)).toBe(Infinity);
    expect(hottest(-1, 300)).toBe(273.16);
    expect(hottest(vapourHead(373) - vapourHead(300), 300)).toBeCloseTo(373, 6);
  });

  test('by height: thinner air has eaten it there; neither under the sea’s lowest land nor over the troposphere', () => {
    for (const [marginM, at] of [
      [0, 0],
      [1, 300],
      [4, 1500],
      [-0.5, 200],
    ]) {
      const h = highest(marginM, at, 998);
      expect(Math.abs(airPressure(at) - airPressure(h) - marginM * 998 * GRAVITY)).toBeLessThan(1e-4);
    }
    expect(highest(-5, 0, 998)).toBe(-2000);
    expect(highest(9.9, 0, 998)).toBe(11_000);
    expect(highest(30, 0, 998)).toBe(11_000);
  });

  test('by level: told from a full tank to an empty one, and no higher, however tall its walls', () => {
    const d = LAYOUTS.find((l) => l.id === 'buffer-skid')!.make();
    const tank = d.tanks[0];
    if (!('height' in tank.shape)) throw new Error('no straight walls');
    [tank.shape.height, tank.fullLevel, tank.startLevel] = ['40 in', '24 in', '24 in'];
    const rig = parseRig(d);
    const [feed] = assess(rig).feeds;
    const heights = feed.byLevel.map((p) => p.surfaceM - rig.tanks[0].base);
    expect(heights.length).toBe(9);
    expect(heights[0]).toBeCloseTo(24 * 0.0254, 12);
    expect(heights[8]).toBe(0);
  });
});
