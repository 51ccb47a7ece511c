import { partHeadLoss } from '../../catalogue/part-loss';
import { assumptionValues } from '../../assumption/register';
import { GRAVITY, waterAt } from '../../fluid';
import { takePart } from '../../catalogue/items';
import { convertPump } from '../../edit/mix-way';
import { airPressure } from '../../fluid/air';
import { LAYOUTS } from '../../layouts/layouts';
import { crewOfFour } from '../../layouts/crew-of-four';
import { smallBuffer } from '../../layouts/small-buffer';
import { twoBatchSingleAxle } from '../../layouts/two-batch-single-axle';
import { parseRig } from '../../rig/read';
import type { RigDocument } from '../../rig/schema';
import { judged, codes, GPM } from '../../testing/judge';
import { near } from '../../testing/near';

describe('soft wash pumps', () => {
  const pumpOf = (d: RigDocument, id: string) => judged(d).chemical.softPumps.find((p) => p.pumpId === id)!;
  /** Common practice: an air-operated 1/2 in pump rated about 17 gpm gives about 11 gpm through this hose run. */
  test('an air pump of 17 gpm gives about 11 gpm through 200 ft of 3/4 in hose', () => {
    const p = pumpOf(smallBuffer(), 'air-pump');
    expect(p.flow.value / GPM).toBeGreaterThan(9.5);
    expect(p.flow.value / GPM).toBeLessThan(12);
  });
  /** Common practice: a 12 V pump without elbows throws about 40 ft. */
  test('a 12 V pump without elbows throws about 40 ft', () => near(pumpOf(crewOfFour(), 'small-pump').jetThrow.value / 0.3048, 40, 0.1));
  /** Common practice: each elbow costs about 5 % of a small 12 V pump's flow; the computed loss stands beside it. */
  test('elbows cost flow, far less by physics than by the rule when the hose is long', () => {
    const d = crewOfFour();
    d.lines.find((l) => l.id === 'blend-suction')!.parts.push(takePart('elbow-90-12', 'e1', { count: '4' }));
    const p = pumpOf(d, 'small-pump');
    expect(p.elbows.count).toBe(4);
    near(p.elbows.shareByRule, 1 - 0.95 ** 4, 1e-12);
    expect(p.elbows.shareByPhysics).toBeGreaterThan(0.001);
    expect(p.elbows.shareByPhysics).toBeLessThan(p.elbows.shareByRule);
  });
  test('no compressor, no air pump; altitude counts once, in what the pump asks', () => {
    const d = smallBuffer();
    d.compressors![0].freeAir = '5 cfm';
    expect(codes(judged(d))).toContain('air-short');
    const low = pumpOf(smallBuffer(), 'air-pump');
    const high = smallBuffer();
    high.brief.altitude = '6000 ft';
    const up = pumpOf(high, 'air-pump');
    // A piston sweeps the same volume anywhere; a stroke of air at 100 psi is so many more of the thinner air about it.
    expect(judged(high).air.compressors[0].givesM3s).toBe(judged(smallBuffer()).air.compressors[0].givesM3s);
    const [a, b] = [airPressure(0), airPressure(6000 * 0.3048)];
    const limit = parseRig(high).softPumps.find((p) => p.id === 'air-pump')!.limit;
    const sea = airPressure(parseRig(smallBuffer()).brief.altitude);
    expect(a).toBeGreaterThan(b);
    near(up.airUse!.value / up.flow.value / (low.airUse!.value / low.flow.value), (((limit + b) / b) * sea) / (limit + sea), 1e-6);
  });
  test('work higher than the jet climbs is told', () => {
    const d = twoBatchSingleAxle();
    d.site = { distance: '60 ft', height: '50 ft', corners: '1', spare: '0 ft', traffic: 'right' };
    expect(codes(judged(d))).toContain('jet-low');
  });
  test('each kind can stand in for each other', () => {
    for (const kind of ['electric', 'engine', 'air'] as const) {
      const d = twoBatchSingleAxle();
      convertPump(d, 'pump-walls', kind);
      expect(pumpOf(d, 'pump-walls').flow.value).toBeGreaterThan(0);
    }
  });
  test('a pump that brings nothing is starved and says why once; its strength is not spoken of', () => {
    const d = twoBatchSingleAxle();
    d.softPumps![0].limit = '5 psi';
    d.sprayers![0].height = '30 ft';
    const a = judged(d);
    const [p] = a.chemical.softPumps;
    expect([p.flow.value, p.verdict]).toEqual([0, 'starved']);
    // 5 psi lift 11.5 ft of water, a little less of a heavier mix.
    near(p.liftsM, 11.53 * 0.3048, 0.05);
    expect(a.findings.filter((f) => f.subject.id === p.pumpId).map((f) => f.code)).toEqual(['gun-dry']);
    expect(a.findings.some((f) => f.code === 'mix-weak')).toBe(false);
  });
});

test('energy holds: what the pump puts on is what lift, hoses and tip take, to the last millimetre', () => {
  let met = 0;
  for (const id of ['two-batch', 'mix-tank-truck', 'carried-water', 'winter-split']) {
    const d = LAYOUTS.find((l) => l.id === id)!.make();
    const rig = parseRig(d);
    const values = assumptionValues(rig.assumptions);
    const water = waterAt(rig.brief.water);
    const { softPumps, mixes } = judged(d).chemical;
    for (const p of softPumps) {
      const [stream, ...more] = mixes.find((m) => m.pumpId === p.pumpId)!.streams;
      const lines = rig.lines.filter((l) => p.lineIds.includes(l.id));
      // A pump on one tank: what it draws is what it pushes, of one weight. Half of what the day starts with stands in it.
      if (more.length || lines.length > 3) continue;
      const tank = rig.tanks.find((t) => t.id === stream.tankId)!;
      const sprayer = rig.sprayers.find((s) => s.id === p.sprayerId)!;
      const lift = sprayer.height - (tank.base + tank.startLevel / 2);
      const hoses = lines.reduce((s, l) => s + l.parts.reduce((x, part) => x + partHeadLoss(part, p.flow.value, water, values, false), 0), 0);
      // What is heavier than water is lifted less high by the same pressure.
      const rhoG = rig.softPumps.find((x) => x.id === p.pumpId)!.limit / p.liftsM;
      expect(rhoG).toBeGreaterThan(0.999 * water.densityKgM3 * GRAVITY);
      expect([id, (p.rise.value - p.tipPressure.value) / rhoG]).toEqual([id, expect.closeTo(lift + hoses, 3)]);
      near(p.liftM, lift, 1e-9);
      met++;
    }
  }
  expect(met).toBeGreaterThanOrEqual(3);
});
