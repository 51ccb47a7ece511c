import { LAYOUTS } from '../../layouts/layouts.js';
import { si } from '../../quantity/parse.js';
import { parseRig } from '../../rig/read.js';
import type { RigDocument } from '../../rig/schema.js';
import { judged } from '../../testing/judge.js';
import { near } from '../../testing/near.js';

const PSI = si('1 psi', 'pressure');
const layout = (id: string): RigDocument => LAYOUTS.find((l) => l.id === id)!.make();
const codes = (d: RigDocument) => judged(d).findings.map((f) => f.code);
/** The skid with its pump at a height that brings its inlet to about a gauge pressure. */
function skid(inlet: string): RigDocument {
  const d = layout('buffer-skid');
  d.machines[0].inletHeight = inlet;
  d.machines[0].npshRequired = '6 ft';
  return d;
}

describe('the least and the most that a pump’s inlet may meet', () => {
  test('five psi of vacuum are not called fed; below two air is told to come out of the water', () => {
    const low = skid('130 in');
    const f = judged(low).feeds[0];
    expect(f.inlet.mean.value / PSI).toBeLessThan(-4.9);
    // By NPSH alone there would be head to spare.
    expect(f.available.value - f.required.value).toBeGreaterThan(0);
    expect(f.verdict).toBe('starved');
    const some = skid('60 in');
    expect(judged(some).feeds[0].inlet.mean.value / PSI).toBeLessThan(-2);
    expect(judged(some).feeds[0].verdict).not.toBe('starved');
    expect(codes(some)).toContain('inlet-air');
  });
  test('the data sheet’s own figures take the estimates’ place, pulses left out and counted in', () => {
    const d = skid('60 in');
    d.machines[0].inletLeast = '-1 psi';
    expect(judged(d).feeds[0].verdict).toBe('starved');
    const f = judged(d).feeds[0];
    expect(f.inlet.troughPa).toBeLessThan(f.inlet.mean.value);
    near((f.inlet.mean.value - f.inlet.troughPa) / 9.80665 / 998, f.acceleration.used.value, 0.01);
    d.machines[0].inletLeast = '-9 psi';
    expect(judged(d).feeds[0].verdict).not.toBe('starved');
  });
  test('straight from a tap of 90 psi the seals get more than they are made for', () => {
    const d = layout('two-batch');
    expect(codes(d)).not.toContain('inlet-high');
    d.spigots[0].staticPressure = '90 psi';
    expect(codes(d)).toContain('inlet-high');
    d.machines[0].inletMost = '125 psi';
    expect(codes(d)).not.toContain('inlet-high');
  });
  test('a booster that pushes against a pump at rest counts with its shut-off pressure', () => {
    const d = layout('boosted-skid');
    const most = judged(d).feeds[0].highest.mean.value;
    expect(most).toBeGreaterThan(0.9 * parseRig(d).boosters[0].shutoffPressure);
    d.machines[0].inletMost = '20 psi';
    expect(codes(d)).toContain('inlet-high');
  });
});
