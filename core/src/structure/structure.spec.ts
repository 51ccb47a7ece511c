import { near, seeded } from '../testing/near';
import { boltStrength, forwardForce, tieDownWanted } from './restraint';
import { slosh } from './slosh';
import { centreOf, freeShift, leftShare, type PointMass, rolloverThreshold, twoSupports } from './statics';

const random = (n: number, next: () => number): PointMass[] =>
  Array.from({ length: n }, () => ({ massKg: 1 + 900 * next(), x: -2 + 8 * next(), y: 2.4 * next(), z: 2 * next() }));

describe('two supports', () => {
  // Worked by hand: 500 kg empty at 2.9 m from the coupling, axles at 3.1 m, 1000 kg of water at 2.6 m.
  test('carry a small trailer as reckoned by hand: 193.5 kg on the coupling, 12.9 %, 1306.5 kg on the axles', () => {
    const all = centreOf([
      { massKg: 500, x: 2.9, y: 0, z: 0 },
      { massKg: 1000, x: 2.6, y: 0, z: 0 },
    ]);
    const [tongue, axles] = twoSupports(all.massKg, all.x, 0, 3.1);
    near(tongue, 600 / 3.1, 1e-12);
    near(tongue, 193.5, 1e-3);
    near(axles, 1306.5, 1e-3);
    near(tongue / all.massKg, 0.129, 1e-3);
  });
  test('carry the whole weight, and no moment is left about any point (400 random loads, seed 3)', () => {
    const next = seeded(3);
    for (let i = 0; i < 400; i++) {
      const masses = random(1 + Math.floor(12 * next()), next);
      const [a, b] = [-1 - next(), 2 + 2 * next()];
      const all = centreOf(masses);
      const [onA, onB] = twoSupports(all.massKg, all.x, a, b);
      near(onA + onB, all.massKg, 1e-9);
      const about = -5 + 10 * next();
      const moment = masses.reduce((s, m) => s + m.massKg * (m.x - about), 0) - onA * (a - about) - onB * (b - about);
      expect(Math.abs(moment)).toBeLessThan(1e-9 * all.massKg * 20);
    }
  });
  test('agree with the equilibrium solved as two equations, by Cramer’s rule', () => {
    const next = seeded(4);
    for (let i = 0; i < 200; i++) {
      const all = centreOf(random(6, next));
      const [a, b] = [-1.3, 3 + next()];
      // F_a + F_b = M; a F_a + b F_b = M x.
      const det = b - a;
      const [onA, onB] = [(all.massKg * b - all.massKg * all.x) / det, (all.massKg * all.x - a * all.massKg) / det];
      const ours = twoSupports(all.massKg, all.x, a, b);
      near(ours[0], onA, 1e-9);
      near(ours[1], onB, 1e-9);
    }
  });
  test('take up a mass that is moved from one to the other in proportion', () => {
    const on = (x: number) => twoSupports(100, x, 0, 4)[0];
    for (const share of [0, 0.1, 0.25, 0.5, 0.9, 1]) near(on(4 - 4 * share) + 1, 100 * share + 1, 1e-12);
    expect(on(5)).toBeLessThan(0);
  });
  test('a mirrored load mirrors its wheels', () => {
    for (const off of [-0.4, -0.1, 0, 0.25]) near(leftShare(off, 1.8) + leftShare(-off, 1.8), 1, 1e-12);
    near(leftShare(0.9, 1.8), 1, 1e-12);
  });
});

describe('rollover', () => {
  test('is half the track over the height, and less with liquid that can shift', () => {
    near(rolloverThreshold(1.8, 1), 0.9, 1e-12);
    expect(rolloverThreshold(1.8, 1, 0.2)).toBeCloseTo(0.75, 12);
    expect(rolloverThreshold(1.8, 0)).toBe(Infinity);
  });
  // Free surface of a box, L·w³/12: 2 m × 1.2 m of water on 2000 kg shifts 144 mm for 1 g.
  test('the free surface of one tank shifts more than of two narrow ones', () => {
    const box = (w: number) => ({ densityKgM3: 1000, secondMomentM4: (2 * w ** 3) / 12 });
    near(freeShift([box(1.2)], 2000), 0.144, 1e-12);
    near(freeShift([box(0.6), box(0.6)], 2000), 0.144 / 4, 1e-12);
    expect(freeShift([box(1)], 0)).toBe(0);
  });
});

describe('slosh', () => {
  // Housner, from memory: 1.2 m × 0.5 m deep 0.75 Hz, 55 %; 0.3 m wide 1.6 Hz, 16 %.
  test.each([
    [1.2, 0.5, 0.75, 0.55],
    [0.3, 0.5, 1.6, 0.16],
  ])('%p m by %p m deep', (length, depth, frequency, share) => {
    const s = slosh(length, depth);
    near(s.frequency, frequency, 0.02);
    near(s.share, share, 0.03);
  });
  test('nothing moves where nothing is', () => expect(slosh(1, 0)).toEqual({ frequency: 0, share: 0 }));
  test('never more than all of it moves', () => {
    for (const depth of [1e-6, 0.01, 0.1, 1, 10]) expect(slosh(2, depth).share).toBeLessThanOrEqual(1);
  });
});

describe('holding down', () => {
  // 49 CFR 393.102 and EN 12195-1, from memory: 0.8 g forward. A full 275 gal tote, about 1100 kg.
  test('a full tote pulls forward with 8.6 kN', () => near(forwardForce(1100), 8630, 1e-3));
  test('tie-downs together hold half of the weight', () => near(tieDownWanted(1000), 4903, 1e-3));
  // Stress areas: ASME B1.1 3/8-16 0.0775 in², 1/2-13 0.1419 in²; ISO 898-1 M8 36.6, M10 58.0, M12 84.3 mm². From memory.
  test.each([
    ['3/8-16', 0.0775 * 645.16],
    ['1/2-13', 0.1419 * 645.16],
    ['M8', 36.6],
    ['M10', 58],
    ['M12', 84.3],
  ] as const)('%s has its printed stress area', (size, mm2) => {
    const { tensionN, shearN } = boltStrength(size);
    near(tensionN, mm2 * (size.startsWith('M') ? 700 : 827), 1e-3);
    near(shearN / tensionN, 0.6, 1e-12);
  });
});
