import { near, seeded } from '../testing/near';
import { exp, ln } from '../solve/exact-math';
import { DayRandom, triangular } from './random';
import { chanceOf, isEnough } from './chance';
import { VesselLaw } from '../solve/vessel-law';

describe('numbers that are the same on every machine', () => {
  test('exp and ln agree with the language to the last digits', () => {
    for (let x = -40; x <= 40; x += 0.37) near(exp(x), Math.exp(x), 4e-15);
    for (let x = 1e-9; x < 1e9; x *= 1.7) if (Math.abs(Math.log(x)) > 1e-3) near(ln(x), Math.log(x), 1e-13);
    expect([exp(0), exp(-1000), exp(1000), ln(1), ln(0)]).toEqual([1, 0, Infinity, 0, -Infinity]);
    expect(ln(-1)).toBeNaN();
  });
  test('a day’s random numbers hang on seed and day alone', () => {
    const a = new DayRandom();
    const b = new DayRandom();
    const first = (r: DayRandom, seed: number, day: number): number[] => {
      r.start(seed, day);
      return Array.from({ length: 5 }, () => r.next());
    };
    first(b, 9, 9);
    expect(first(a, 7, 3)).toEqual(first(b, 7, 3));
    expect(first(a, 7, 4)).not.toEqual(first(a, 7, 3));
    expect(first(a, 8, 3)).not.toEqual(first(a, 7, 3));
    // Written down once: whole-number arithmetic gives these on every machine.
    a.start(1, 0);
    expect([a.next(), a.next(), a.next()].map((x) => Math.round(x * 4294967296))).toEqual(PINNED);
  });
  test('they are even: mean a half, variance a twelfth, neighbouring days unrelated', () => {
    const r = new DayRandom();
    const xs: number[] = [];
    for (let d = 0; d < 20000; d++) {
      r.start(5, d);
      xs.push(r.next());
    }
    const mean = xs.reduce((s, x) => s + x, 0) / xs.length;
    const variance = xs.reduce((s, x) => s + (x - mean) ** 2, 0) / xs.length;
    const lag = xs.slice(1).reduce((s, x, i) => s + (x - mean) * (xs[i] - mean), 0) / xs.length / variance;
    expect(Math.abs(mean - 0.5)).toBeLessThan(0.01);
    near(variance, 1 / 12, 0.03);
    expect(Math.abs(lag)).toBeLessThan(0.03);
  });
});

const PINNED = [3227474275, 1200878986, 2165077452];

describe('the triangular distribution', () => {
  // Quantiles from its closed-form distribution function, F(x) = (x−a)²/((b−a)(c−a)) up to the mode c.
  test('known quantiles', () => {
    expect(triangular(0, 2, 4, 7)).toBe(2);
    expect(triangular(1, 2, 4, 7)).toBe(7);
    near(triangular(0.4, 2, 4, 7), 4, 1e-12);
    near(triangular(0.1, 2, 4, 7), 2 + Math.sqrt(0.1 * 5 * 2), 1e-12);
    near(triangular(0.9, 2, 4, 7), 7 - Math.sqrt(0.1 * 5 * 3), 1e-12);
    expect(triangular(0.3, 5, 5, 5)).toBe(5);
  });
  test('sampled, it has its mean (a+b+c)/3 and its median', () => {
    const r = new DayRandom();
    const xs = Array.from({ length: 20000 }, (_, d) => {
      r.start(3, d);
      return triangular(r.next(), 2, 4, 7);
    }).sort((a, b) => a - b);
    near(xs.reduce((s, x) => s + x, 0) / xs.length, 13 / 3, 0.01);
    near(xs[10000], triangular(0.5, 2, 4, 7), 0.01);
    near(xs[1000], triangular(0.05, 2, 4, 7), 0.03);
  });
});

describe('a vessel under a float valve', () => {
  // Euler in milliseconds: slow and obvious.
  const slowly = (vessel: { full: number; band: number }, v0: number, into: number, out: number, seconds: number): number => {
    let v = v0;
    const dt = 0.02;
    for (let t = 0; t < seconds - dt / 2; t += dt) {
      const open = vessel.band > 0 ? Math.min(Math.max((vessel.full - v) / vessel.band, 0), 1) : v < vessel.full ? 1 : 0;
      v = Math.min(v + (into * open - out) * dt, Math.max(vessel.full, v0));
    }
    return v;
  };
  const through = (vessel: { full: number; band: number }, v0: number, into: number, out: number, seconds: number): number => {
    const law = new VesselLaw();
    let v = v0;
    let left = seconds;
    for (let i = 0; i < 20 && left > 1e-9; i++) {
      law.set(vessel, v, into, out);
      const dt = Math.min(left, law.timeTo(v, vessel.full - vessel.band));
      v = law.after(v, dt);
      left -= dt;
    }
    return v;
  };
  test('closed forms agree with small steps, on 60 random vessels (seed 11)', () => {
    const random = seeded(11);
    for (let i = 0; i < 60; i++) {
      const full = 0.2 + random();
      const vessel = { full, band: random() < 0.3 ? 0 : full * 0.3 * random() };
      const v0 = full * (0.3 + 0.7 * random());
      const [into, out] = [2e-4 * random(), 1e-4 * random()];
      const seconds = 1200 * random();
      expect(Math.abs(through(vessel, v0, into, out, seconds) - slowly(vessel, v0, into, out, seconds))).toBeLessThan(3e-5);
    }
  });
  test('it never passes full, and meets an edge at the second it says', () => {
    const law = new VesselLaw();
    law.set({ full: 1, band: 0.2 }, 0.9, 1e-3, 0);
    expect(law.after(0.9, 1e6)).toBeLessThanOrEqual(1);
    const t = law.timeTo(0.9, 0.95);
    near(law.after(0.9, t), 0.95, 1e-12);
    expect(law.timeTo(0.9, 0.85)).toBe(Infinity);
    law.set({ full: 1, band: 0 }, 1, 1e-3, 2e-3);
    near(law.timeTo(1, 0.4), 600, 1e-12);
  });
});

describe('chance with its interval', () => {
  // Newcombe 1998 (Statistics in Medicine 17, 857), table of methods (from memory): Wilson for 81/263 is 0.2553 to 0.3662, for 0/20 0 to 0.1611.
  test('Wilson’s interval as printed', () => {
    const c = chanceOf(81, 263);
    near(c.low, 0.2553, 5e-4);
    near(c.high, 0.3662, 5e-4);
    expect(chanceOf(0, 20).low).toBe(0);
    near(chanceOf(0, 20).high, 0.1611, 5e-4);
    expect(chanceOf(0, 0)).toMatchObject({ low: 0, high: 1 });
  });
  test('enough is when the tolerance lies outside it, or it is narrow', () => {
    expect(isEnough(chanceOf(0, 300), 0.02)).toBe(false);
    expect(isEnough(chanceOf(0, 500), 0.02)).toBe(true);
    expect(isEnough(chanceOf(10, 500), 0.02)).toBe(false);
    expect(isEnough(chanceOf(250, 500), 0.02)).toBe(false);
    expect(isEnough(chanceOf(3000, 6000), 0.02)).toBe(true);
    expect(isEnough(chanceOf(200, 10000), 0.02)).toBe(true);
  });
});
