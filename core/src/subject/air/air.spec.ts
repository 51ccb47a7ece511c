import { advise, applyFix } from '../../advise/advise';
import { addReceiver, lineAir } from '../../edit/energy';
import { airLineStart } from '../../hydraulics/air-line';
import { smallBuffer } from '../../layouts/small-buffer';
import { parseRig } from '../../rig/read';
import type { RigDocument } from '../../rig/schema';
import { judged } from '../../testing/judge';
import { near } from '../../testing/near';

const CFM = 4.719474432e-4;
const PSI = 6894.757;

describe('an air line', () => {
  /**
   * Darcy at the mean density must give the same for a small loss: 20 cfm of free air through 50 ft of 1/2 in hose at 100 psi;
   * hand reckoning, smooth pipe by Blasius.
   */
  test('loses what Darcy says at the mean density, while that is small', () => {
    const [q, p, d, l, t] = [20 * CFM, 100 * PSI + 101325, 0.0127, 15.24, 293.15];
    const area = (Math.PI * d * d) / 4;
    const mass = (q * 101325) / (287.05 * t);
    const rho = p / (287.05 * t);
    const re = (mass * d) / area / 1.81e-5;
    const loss = ((0.316 / re ** 0.25) * (l / d) * (mass / area) ** 2) / (2 * rho);
    const ours = airLineStart({ boreM: d, lengthM: l, roughnessM: 1.5e-6 }, q, p, 101325) - p;
    expect(ours / PSI).toBeGreaterThan(1);
    near(ours, loss, 0.06);
  });
  test('without flow it loses nothing; half the bore loses some thirty times as much', () => {
    const run = { boreM: 0.0127, lengthM: 10, roughnessM: 1.5e-6 };
    expect(airLineStart(run, 0, 5e5, 101325)).toBe(5e5);
    const loss = (boreM: number): number => airLineStart({ ...run, boreM }, 5 * CFM, 8e5, 101325) - 8e5;
    expect(loss(0.00635) / loss(0.0127)).toBeGreaterThan(24);
    expect(loss(0.00635) / loss(0.0127)).toBeLessThan(40);
  });
});

/** A second air pump on the same compressor. */
const two = (): RigDocument => {
  const d = smallBuffer();
  const copy = <T extends { id: string }>(x: T): T => ({ ...x, id: `${x.id}-b` });
  const pump = d.softPumps![0];
  const mix = d.mixes!.find((m) => d.lines.some((l) => l.from.id === m.id && l.to.id === pump.id))!;
  const sprayer = d.sprayers!.find((s) => d.lines.some((l) => l.from.id === pump.id && l.to.id === s.id))!;
  d.softPumps!.push({ ...copy(pump), name: 'Second air pump' });
  d.mixes!.push({ ...copy(mix), name: 'Second mix' });
  d.sprayers!.push({ ...copy(sprayer), name: 'Second gun' });
  for (const l of d.lines.filter((x) => [x.from.id, x.to.id].some((id) => id === mix.id || id === pump.id)))
    d.lines.push({
      ...copy(l),
      from: { ...l.from, id: [mix.id, pump.id].includes(l.from.id!) ? `${l.from.id}-b` : l.from.id },
      to: { ...l.to, id: [mix.id, pump.id, sprayer.id].includes(l.to.id!) ? `${l.to.id}-b` : l.to.id },
    });
  return d;
};

describe('compressors', () => {
  test('two pumps on one share its air, and both are told', () => {
    const one = judged(smallBuffer()).air;
    const a = judged(two()).air;
    near(a.compressors[0].need.value, 2 * one.compressors[0].need.value, 1e-6);
    expect(a.pumps.map((p) => p.short)).toEqual([true, true]);
    near(a.pumps[0].givenM3s + a.pumps[1].givenM3s, a.compressors[0].givesM3s, 1e-9);
    // A compressor with enough for both cures both.
    const d = two();
    const fix = advise(d, parseRig(d), judged(d)).find((f) => f.code === 'air-short' && f.cures)!;
    expect(judged(applyFix(d, fix)).findings.some((f) => f.code === 'air-short')).toBe(false);
  });
  test('a second compressor led to the second pump leaves each its own', () => {
    const d = two();
    d.compressors!.push({ ...d.compressors![0], id: 'other', name: 'Other' });
    lineAir(d, 'other', d.softPumps![1].id);
    expect(judged(d).air.pumps.map((p) => [p.compressorId, p.short])).toEqual([
      ['compressor', false],
      ['other', false],
    ]);
  });
  test('the pump that wants most pressure behind its line starves first', () => {
    const d = two();
    d.compressors![0].freeAir = '60 cfm';
    for (const p of d.softPumps!) lineAir(d, 'compressor', p.id);
    d.airLines![1].bore = '1/4 in';
    d.airLines![1].length = '60 ft';
    expect(judged(d).air.compressors[0].firstPumpId).toBe(d.softPumps![1].id);
  });
  test('a pump that wants more than the cut-in is tight, more than the cut-out starved', () => {
    const d = smallBuffer();
    d.softPumps![0].limit = '110 psi';
    expect(judged(d).findings.find((f) => f.code === 'air-low')).toMatchObject({ verdict: 'tight' });
    d.compressors![0].cutOut = '105 psi';
    expect(judged(d).findings.find((f) => f.code === 'air-low')).toMatchObject({ verdict: 'starved' });
  });
  test('between cut-in and cut-out a receiver fills and empties: times an hour by its band over flows, by hand', () => {
    const d = smallBuffer();
    addReceiver(d, 'compressor', '20 gal');
    const [c] = judged(d).air.compressors;
    const band = (20 * 0.003785411784 * 25 * PSI) / 99868;
    const [need, gives] = [c.need.value, c.givesM3s];
    near(c.cyclesPerHour, 3600 / (band / (gives - need) + band / need), 0.02);
  });
});
