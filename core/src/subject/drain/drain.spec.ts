import { addDump } from '../../edit/dump';
import { airPressure } from '../../fluid';
import { volumeAt } from '../../rig/tank-shape';
import { outflowThrough, jetQuadratic } from '../../hydraulics/outflow';
import { lineTerms } from '../../solve/rig-network';
import { assumptionValues } from '../../assumption/register';
import { Cases } from '../../solve/cases';
import { assess } from '../../assess/assess';
import { GRAVITY } from '../../fluid';
import { pontoonRig } from '../../layouts/first-rig';
import { si } from '../../quantity/parse';
import { LAYOUTS } from '../../layouts/layouts';
import { parseRig } from '../../rig/read';
import type { RigDocument } from '../../rig/schema';
import { codes, GPM, judge, judged, PSI } from '../../testing/judge';
import { near } from '../../testing/near';
import { ventVacuum } from './drain';

describe('dump and vent', () => {
  const tote = (bore: '1' | '2', changes: Partial<RigDocument['tanks'][number]> = {}) =>
    judge((d) => {
      d.tanks[0] = {
        ...d.tanks[0],
        shape: { kind: 'box', length: '48 in', width: '40 in', height: '33 in' },
        fullLevel: '33 in',
        startLevel: '33 in',
        base: '4 in',
        ...changes,
      };
      const dump = d.lines.find((l) => l.role === 'dump')!;
      dump.from.height = '4 in';
      dump.to = { at: 'open', height: '-20 in' };
      dump.parts = [
        { id: 'a', name: 'Bulkhead', kind: 'fitting', is: 'bulkhead', bore: `${bore} in`, count: '1' },
        { id: 'b', name: 'Valve', kind: 'fitting', is: 'ball-valve', bore: `${bore} in`, count: '1', ...(bore === '1' ? { reducedBore: '0.77 in' } : {}) },
        { id: 'c', name: 'Hose', kind: 'hose', is: 'smooth-hose', bore: `${bore} in`, length: bore === '1' ? '10 ft' : '1 ft' },
      ];
    }).drains[0];
  /** Common practice: a full 275 gal tote empties through a 1 in line in 15 to 20 minutes; through a 2 in valve in a few. */
  test('a 275 gal tote takes a quarter of an hour and more through 1 in', () => {
    const minutes = tote('1').time!.value / 60;
    expect(minutes).toBeGreaterThan(14);
    expect(minutes).toBeLessThan(24);
    expect(tote('2').time!.value / 60).toBeLessThan(5);
  });
  test('a straight orifice drains as Torricelli says', () => {
    const a = judge((d) => {
      d.lines.find((l) => l.role === 'dump')!.from.height = '0 in';
      d.lines.find((l) => l.role === 'dump')!.to = { at: 'open', height: '2 in' };
      d.lines.find((l) => l.role === 'dump')!.parts = [{ id: 'a', name: 'Bulkhead', kind: 'fitting', is: 'bulkhead', bore: '2 in', count: '1' }];
    }).drains[0];
    const area = 52 * 36 * 0.0254 ** 2;
    const h = 32 * 0.0254;
    const bore = (Math.PI / 4) * 0.0508 ** 2;
    // K 0.5 at the entrance and 1 for the jet: v = √(2gh/1.5).
    near(a.time!.value, (area / bore) * Math.sqrt((2 * h * 1.5) / GRAVITY), 0.02);
  });
  test('tied tanks empty together through the one dump valve', () => {
    const two = assess(parseRig(LAYOUTS.find((l) => l.id === 'tied-tanks')!.make()));
    expect(two.drains[0].lineId).toBe('dump');
    expect(two.drains[0].time!.value).toBe(two.drains[1].time!.value);
    near(two.drains[0].series.volumeM3[0], two.tanks[0].fullVolumeM3, 1e-9);
  });
  test('a closed lid without a vent is a stop', () => {
    const a = judge((d) => void (d.tanks[0].ventBore = '0 in'));
    expect(a.verdict).toBe('stop');
    expect(codes(a)).toContain('no-vent');
    expect(judge((d) => void Object.assign(d.tanks[0], { ventBore: '0 in', lid: 'open' })).verdict).toBe('fed');
  });
  test('vacuum goes with the square of flow over vent area', () => {
    near(ventVacuum(2e-3, 0.02, 1.2, 0.6) / ventVacuum(1e-3, 0.02, 1.2, 0.6), 4, 1e-12);
    expect(ventVacuum(1e-3, 0, 1.2, 0.6)).toBe(Infinity);
    expect(ventVacuum(0, 0, 1.2, 0.6)).toBe(0);
  });
});

describe('how a tank of round walls drains', () => {
  /** By a plain difference equation in steps of a twentieth of a second: seconds until a hundredth is left, and until it is empty. */
  function byHand(d: RigDocument, share: number): number {
    const rig = parseRig(d);
    const cases = new Cases(rig, assumptionValues(rig.assumptions));
    const [tank] = rig.tanks;
    const line = rig.lines.find((l) => l.role === 'dump')!;
    const { quadratic, runs } = lineTerms(line, cases.values, cases.asDrawn.water, false);
    const jet = jetQuadratic(line.parts.at(-1)!.bore);
    const full = volumeAt(tank.shape, tank.fullLevel);
    // Volumes by level, to be read backwards.
    const levels = Array.from({ length: 4001 }, (_, i) => (tank.fullLevel * i) / 4000);
    const volumes = levels.map((l) => volumeAt(tank.shape, l));
    let [v, t, i, q] = [full, 0, levels.length - 1, 0];
    while (v > share * full && t < 7200) {
      while (i > 0 && volumes[i - 1] > v) i--;
      const level = levels[i - 1] + ((levels[i] - levels[i - 1]) * (v - volumes[i - 1])) / (volumes[i] - volumes[i - 1]);
      q = outflowThrough(tank.base + level - line.to.height!, quadratic! + jet, runs!, cases.asDrawn.water.kinematicViscosityM2S, q);
      v -= q * 0.05;
      t += 0.05;
    }
    return t;
  }
  test.each([
    ['lying', { kind: 'lying-cylinder', diameter: '30 in', length: '60 in' } as const],
    ['oval', { kind: 'elliptical', width: '40 in', height: '30 in', length: '60 in' } as const],
  ])('%s: as a plain difference equation has it', (_what, shape) => {
    const change = (d: RigDocument): void => {
      d.tanks[0] = { ...d.tanks[0], shape, fullLevel: '30 in', startLevel: '30 in' };
      const dump = d.lines.find((l) => l.role === 'dump')!;
      dump.from.height = '0 in';
      dump.to = { at: 'open', height: '-10 in' };
    };
    const d = pontoonRig();
    change(d);
    const [drained] = judge(change).drains;
    const { timeS, volumeM3 } = drained.series;
    // Where a hundredth is left, between two points of the series.
    const left = 0.01 * volumeM3[0];
    const k = volumeM3.findIndex((v) => v <= left);
    const at = timeS[k - 1] + ((timeS[k] - timeS[k - 1]) * (volumeM3[k - 1] - left)) / (volumeM3[k - 1] - volumeM3[k]);
    near(at, byHand(d, 0.01), 0.01);
  });
});

describe('a vent', () => {
  const bore = (inches: number) => judge((d) => void (d.tanks[0].ventBore = `${inches} in`)).drains[0];
  test('is judged at its limits: what a thin tank stands is fed, up to three times that is tight, more is a stop', () => {
    // Δp = ρ/2 · (Q / (C A))², air of 287.05 J/kg K at 25 °C: the bore at which so much is missing (orifice equation).
    const { fastestOutflowM3s } = bore(4);
    const rho = airPressure(si('1150 ft', 'length')) / (287.05 * 298.15);
    const at = (pa: number): number => Math.sqrt(fastestOutflowM3s / (0.6 * Math.sqrt((2 * pa) / rho) * (Math.PI / 4))) / 0.0254;
    const limit = 0.3 * PSI;
    near(bore(at(limit)).vacuum.value, limit, 1e-6);
    const verdicts = [at(limit) * 1.001, at(limit) * 0.999, at(3 * limit) * 1.001, at(3 * limit) * 0.999].map((x) => bore(x).verdict);
    expect(verdicts).toEqual(['fed', 'tight', 'tight', 'stop']);
  });
  test('that cannot even keep up with the pumps is a stop, however little more that is', () => {
    const shut = (inches: number) =>
      judge((d) => {
        d.tanks[0].ventBore = `${inches} in`;
        d.lines.find((l) => l.role === 'dump')!.closed = true;
      }).drains[0];
    const small = shut(0.15);
    expect([small.lineId, small.time]).toEqual([undefined, undefined]);
    expect(small.vacuumAtDraw).toBe(small.vacuum.value);
    expect(small.vacuumAtDraw).toBeGreaterThan(0.3 * PSI);
    expect(small.verdict).toBe('stop');
  });
  test('never lets more be missing than there is air', () => {
    expect(bore(0.02).vacuum.value).toBe(airPressure(si('1150 ft', 'length')));
  });
});

test('what leaves a tank of chemicals leaves by its own weight, and not onto the ground', () => {
  const d = LAYOUTS.find((l) => l.id === 'crew-of-four')!.make();
  const before = judged(d);
  for (const t of d.tanks) if (t.liquid === 'chemical') addDump(d, t.id);
  const a = judged(d);
  const [water, sh] = ['water', 'sh-tank'].map((id) => a.drains.find((x) => x.tankId === id)!);
  near(sh.series.massKg[0], a.chemical.tanks.find((t) => t.tankId === 'sh-tank')!.mass.value, 1e-9);
  expect(sh.series.massKg[0] / sh.series.volumeM3[0]).toBeGreaterThan(1100);
  near(water.series.massKg[0] / water.series.volumeM3[0], 998.2, 1e-9);
  const texts = (x: typeof a): string =>
    x.cautions
      .filter((c) => c.station === 'dump')
      .map((c) => c.text)
      .join(' ');
  expect([/storm drain/.test(texts(before)), /storm drain/.test(texts(a))]).toEqual([false, true]);
});

test('a vent has to keep up with soft wash pumps too: of the mixes of one pump the one that takes most', () => {
  const crew = (bore: string, change: (d: RigDocument) => void = () => undefined) => {
    const d = LAYOUTS.find((l) => l.id === 'crew-of-four')!.make();
    d.tanks.find((t) => t.id === 'roofs-tank')!.ventBore = bore;
    change(d);
    const a = judged(d);
    return { a, roofs: a.drains.find((x) => x.tankId === 'roofs-tank')! };
  };
  const { a, roofs } = crew('1 in');
  const taken = a.chemical.mixes.reduce((s, m) => s + m.streams.reduce((x, t) => x + (t.tankId === 'roofs-tank' ? t.flowM3s : 0), 0), 0);
  expect(taken).toBeGreaterThan(10 * GPM);
  near(roofs.fastestOutflowM3s, taken, 1e-9);
  expect([roofs.verdict, roofs.vacuumAtDraw === roofs.vacuum.value]).toEqual(['fed', true]);
  // A pinhole in the lid does not.
  const pin = crew('0.1 in');
  expect(pin.roofs.verdict).toBe('stop');
  expect(pin.a.findings.filter((f) => f.code === 'vent-small').map((f) => f.subject.id)).toEqual(['roofs-tank']);
});
