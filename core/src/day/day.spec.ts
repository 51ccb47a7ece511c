import * as v from 'valibot';
import * as engine from 'epanet-js';
import { assess } from '../assess/assess';
import { RigNetwork } from '../solve/rig-network';
import { assumptionValues } from '../assumption/register';
import { LAYOUTS } from '../layouts/layouts';
import { pontoonRig } from '../layouts/first-rig';
import { smallBuffer } from '../layouts/small-buffer';
import { twoBatchSingleAxle } from '../layouts/two-batch-single-axle';
import { crewOfFour } from '../layouts/crew-of-four';
import { plainFirst } from '../layouts/plain-first';
import { parseRig, readRig } from '../rig/read';
import { volumeAt } from '../rig/tank-shape';
import type { JobDocument, PhaseDocument, WorkDayDocument } from '../rig/day-schema';
import { workDay } from '../rig/day-schema';
import type { RigDocument } from '../rig/schema';
import { near, seeded } from '../testing/near';
import { handsOf, inHand, triggerOf } from './hands';
import { dayModel } from './model';
import { joinChunks } from './chunk';
import { gatherSample, sampleChunk, sampleDays } from './sample';
import { momentAt } from './moment';
import { simulateDay, simulateModel } from './simulate-day';
import { Simulator } from './simulator';
import { DayTally } from './tally';
import { JOB_TEMPLATES } from './templates';
import type { DayResult } from './types';
import { usualDayDocument } from './usual-day';

const GALLON = 0.003785411784;
const GPM = GALLON / 60;
type Draft = Omit<PhaseDocument, 'id'>;

const job = (id: string, phases: readonly Draft[], water: JobDocument['water'] = 'tap'): JobDocument => ({
  id,
  name: id,
  water,
  phases: phases.map((p, i) => ({ id: `p${i}`, ...p })),
});
const wash = (time: string, trigger: string, crew: Draft['crew'] = '1'): Draft => ({ kind: 'wash', time, crew, trigger });
const plan = (d: RigDocument, jobs: readonly JobDocument[], more: Partial<WorkDayDocument> = {}): RigDocument => {
  d.brief.day = { starts: '8:00', jobs: [...jobs], tolerance: '2 %', ...more };
  return d;
};
const work = (d: RigDocument): DayResult => simulateDay(parseRig(d));
const water = (r: DayResult) => r.vessels.find((x) => x.water)!;

describe('closed forms', () => {
  test('a tank without a tap is drawn to its heel at the second that volume over flow says', () => {
    const d = plan(pontoonRig(), [job('drain', [wash('3 h', '100 %')], 'none')]);
    const r = work(d);
    const w = water(r);
    const rig = parseRig(d);
    const draw = assess(rig).tanks[0].fullDraw.value;
    near(r.shortages[0].atS, (w.start - w.heel) / draw, 1e-6);
    near(w.end, w.heel, 1e-9);
    near(r.undoneS, 3 * 3600 - r.shortages[0].atS, 1e-6);
    near(r.used, w.start - w.heel, 1e-9);
  });
  test('it agrees with the tank’s own verdict: the briefed job runs dry when the assessment says', () => {
    const d = pontoonRig();
    d.spigots[0].readings[0].flow = '2 gpm';
    const a = assess(parseRig(d)).tanks[0];
    d.brief.day = { ...usualDayDocument(parseRig(d)), jobs: [job('job', [wash('60 min', '70 %')])] };
    // The first minutes run under the float, which lets in a little less.
    near(work(d).shortages[0].atS, a.dryAfter.value, 0.02);
  });
  test('an empty tank fills in room over flow, then the float shuts it by an exponential', () => {
    const d = pontoonRig();
    d.tanks[0].startLevel = '0 in';
    plan(d, [job('fill', [{ kind: 'fill', time: '6 h', crew: 'all' }])]);
    const r = work(d);
    const w = water(r);
    const model = dayModel(parseRig(d));
    const into = assess(parseRig(d)).fills[0].arrives.value;
    near(r.lengthS, (w.full - model.vessels[0].band) / into, 0.01);
    plan(d, [
      job('fill', [
        { kind: 'fill', time: '6 h', crew: 'all' },
        { kind: 'break', time: '20 min', crew: 'all' },
      ]),
    ]);
    const later = water(work(d));
    near(later.full - later.end, model.vessels[0].band * Math.exp((-into * 1200) / model.vessels[0].band), 0.02);
  });
  test('a share of the trigger draws that share; driving and what comes before the tap is connected lets nothing in', () => {
    const d = plan(pontoonRig(), [
      job('a', [{ kind: 'drive', time: '30 min', crew: 'all' }, { kind: 'connect', time: '5 min', crew: 'all' }, wash('20 min', '35 %')]),
    ]);
    const r = work(d);
    const draw = assess(parseRig(d)).tanks[0].fullDraw.value;
    near(r.used, 0.35 * draw * 1200, 1e-6);
    expect(r.trace!.connected.filter(Boolean).length).toBeGreaterThan(0);
    expect(r.trace!.timeS.every((t, i) => t >= 35 * 60 - 1 || r.trace!.inM3s[0][i] === 0)).toBe(true);
  });
});

/**
 * Rippl 1883: the storage wanted is the largest fall of the mass curve. Worked by hand for a tap of 5 gpm (in at the tank
 * whatever the level) and a draw of 8 gpm while the trigger is held:
 *   40 min washing   −3 × 40 = −120     lowest −120
 *   20 min standing  +5 × 20 = +100            −20
 *   60 min washing   −3 × 60 = −180     lowest −200
 *   30 min standing  +150                      −50
 *   30 min washing   −90                       −140
 * The tank must hold 200 gal above its heel, and one that does is just dry at the end of the second wash.
 */
test('Rippl’s mass curve by hand', () => {
  const d = pontoonRig();
  d.spigots[0] = { ...d.spigots[0], readings: [{ flow: '60 gpm', at: 'spigot' }] };
  const fill = d.lines.find((l) => l.role === 'fill')!;
  fill.parts = fill.parts.filter((p) => p.kind === 'hose');
  const still = (time: string): Draft => ({ kind: 'break', time, crew: 'all' });
  const build = (bore: string): RigDocument => {
    for (const p of fill.parts) p.bore = bore;
    return plan(d, [job('a', [wash('40 min', '100 %'), still('20 min'), wash('60 min', '100 %'), still('30 min'), wash('30 min', '100 %')])]);
  };
  // The bore that lets in 5 gpm, and the nozzle that passes 8: set by bisection on the solved network, then left alone.
  let [low, high] = [6, 20];
  const inflow = (mm: number): number => assess(parseRig(build(`${mm} mm`))).fills[0].arrives.value;
  for (let i = 0; i < 40; i++) {
    const middle = (low + high) / 2;
    if (inflow(middle) < 5 * GPM) low = middle;
    else high = middle;
  }
  build(`${low} mm`);
  const model = dayModel(parseRig(d));
  const out = model.water.state(1, 1).draw[0];
  near(out, 8 * GPM, 0.02);
  const run = simulateModel(model);
  const w = water(run);
  // The hand's sum with the nozzle's own flow in place of a round 8 gpm. Full is never met again between, so it holds.
  const expected = 100 * 60 * (out - 5 * GPM) - 20 * 60 * 5 * GPM;
  near(expected, 200 * GALLON, 0.05);
  near(w.start - w.lowest, expected, 2e-3);
});

test('tank levels agree within 1 % with an extended-period run of the EPANET engine', async () => {
  // The same tank, spigot, hose and draw: patterns change every half hour, hydraulics every minute.
  const d = pontoonRig();
  const fill = d.lines.find((l) => l.role === 'fill')!;
  fill.parts = fill.parts.filter((p) => p.kind === 'hose');
  fill.to.height = d.tanks[0].base;
  const shares = [80, 60, 90, 0, 70, 80, 40, 60];
  plan(d, [
    job(
      'a',
      shares.map((s) => (s ? wash('30 min', `${s} %`) : { kind: 'break', time: '30 min', crew: 'all' })),
    ),
  ]);
  d.tanks[0].startLevel = '24 in';
  const rig = parseRig(d);
  const model = dayModel(rig);
  const draw = model.water.state(1, 1).draw[0];
  const r = simulateModel(model);

  const net = new RigNetwork(rig, assumptionValues(rig.assumptions));
  const curve = net.curves.get('spigot')!;
  const hose = rig.lines.find((l) => l.role === 'fill')!.parts[0];
  if (hose.kind !== 'hose') throw new Error('a hose is wanted');
  const shape = rig.tanks[0].shape;
  if (shape.kind !== 'box') throw new Error('a box is wanted');
  const area = (Math.PI / 4) * hose.bore ** 2;
  const lossK = (2 * curve.k * area ** 2) / 998.2;
  const diameter = Math.sqrt((4 / Math.PI) * shape.length * shape.width);
  const inp = `[JUNCTIONS]
 draw 0 ${draw * 60000} use
[RESERVOIRS]
 spigot ${rig.spigots[0].height + curve.staticPressurePa / (998.2 * 9.80665)}
[TANKS]
 tank ${rig.tanks[0].base} ${rig.tanks[0].startLevel} 0 ${shape.height} ${diameter} 0
[PIPES]
 hose spigot tank ${hose.length} ${hose.bore * 1000} 0.0015 ${lossK} Open
 out tank draw 0.1 100 0.0015 0 Open
[PATTERNS]
 use ${shares.map((s) => s / 100).join(' ')}
[TIMES]
 Duration 4:00
 Hydraulic Timestep 0:01
 Pattern Timestep 0:30
 Report Timestep 0:01
[OPTIONS]
 Units LPM
 Headloss D-W
 Viscosity ${net.water.kinematicViscosityM2S / 1.022e-6}
 Accuracy 0.00001
[END]
`;
  jest.spyOn(console, 'warn').mockImplementation(() => undefined); // The engine warns of pressures below the air.
  const { InitHydOption, NodeProperty, Project, Workspace } = engine;
  const workspace = new Workspace();
  await workspace.loadModule();
  workspace.writeFile('day.inp', inp);
  const project = new Project(workspace);
  project.open('day.inp', 'r.rpt', 'r.bin');
  project.openH();
  project.initH(InitHydOption.NoSave);
  const tank = project.getNodeIndex('tank');
  const at = (t: number): number => {
    const { timeS, volumeM3 } = r.trace!;
    const i = Math.max(
      timeS.findIndex((x) => x >= t),
      1,
    );
    const share = (t - timeS[i - 1]) / Math.max(timeS[i] - timeS[i - 1], 1e-9);
    return (volumeM3[0][i - 1] + (volumeM3[0][i] - volumeM3[0][i - 1]) * Math.min(share, 1)) / (shape.length * shape.width);
  };
  let compared = 0;
  for (let step = 1; step > 0;) {
    const t = project.runH();
    const level = project.getNodeValue(tank, NodeProperty.Head) - rig.tanks[0].base;
    if (t > 0 && t % 300 === 0) {
      compared++;
      if (Math.abs(at(t) - level) > 0.01 * shape.height) throw new Error(`after ${t} s: ${at(t)} m, the engine has ${level} m`);
    }
    step = project.nextH();
  }
  project.closeH();
  project.close();
  expect(compared).toBeGreaterThan(40);
});

describe('facts of the trade', () => {
  const behind = (gallons: number, machine: string, spigot: string, job_: Draft[]): DayResult => {
    const d = pontoonRig();
    const side = Math.cbrt(gallons * GALLON);
    d.tanks[0].shape = { kind: 'box', length: `${side} m`, width: `${side} m`, height: `${side} m` };
    d.tanks[0].fullLevel = d.tanks[0].startLevel = `${side} m`;
    const fill = d.lines.find((l) => l.role === 'fill')!;
    fill.to.height = `${side + 0.05} m`;
    d.machines[0].flow = machine;
    d.outlets[0].nozzle.size = machine === '4 gpm' ? '4.5' : '9.5';
    d.spigots[0].readings = [{ flow: spigot, at: 'spigot' }];
    return work(plan(d, [job('a', job_)]));
  };
  /** Common practice: a 50 gal buffer is too small behind a 4 gpm machine once spigots of 2 gpm turn up. */
  test('50 gal behind 4 gpm: dry on a 2 gpm spigot, enough on a 5 gpm one', () => {
    expect(behind(50, '4 gpm', '2 gpm', [wash('60 min', '80 %')]).shortages.map((s) => s.cause)).toContain('water');
    expect(behind(50, '4 gpm', '5 gpm', [wash('60 min', '80 %')]).shortages).toEqual([]);
  });
  /** Common practice: a 275 gal tank can still be emptied by an 8.5 gpm machine on a big driveway. */
  test('275 gal behind 8.5 gpm: emptied by a big driveway', () => {
    expect(behind(275, '8.5 gpm', '4 gpm', [{ kind: 'surface-clean', time: '2 h', crew: '1', trigger: '90 %' }]).shortages.map((s) => s.cause)).toContain(
      'water',
    );
    expect(behind(275, '8.5 gpm', '4 gpm', [{ kind: 'surface-clean', time: '30 min', crew: '1', trigger: '90 %' }]).shortages).toEqual([]);
  });
});

describe('waiting, refilling, dumping', () => {
  test('a crew waits while the tap brings water back, and works on', () => {
    const d = pontoonRig();
    d.tanks[0].startLevel = '8 in';
    plan(d, [job('a', [wash('90 min', '70 %')])]);
    const r = work(d);
    expect(r.waitedS).toBeGreaterThan(60);
    expect(r.shortages[0]).toMatchObject({ cause: 'water', id: 'water' });
    near(r.shortages[0].lostS, r.waitedS + r.undoneS, 1e-9);
    expect(r.lengthS).toBeGreaterThan(90 * 60 + r.waitedS - 1);
  });
  test('patience ends: the rest is left undone', () => {
    const d = pontoonRig();
    d.tanks[0].startLevel = '6 in';
    d.spigots[0].readings[0].flow = '0.3 gpm';
    plan(d, [job('a', [wash('90 min', '70 %')])]);
    const r = work(d);
    expect(r.waitedS).toBeLessThanOrEqual(45 * 60 + 1);
    expect(r.undoneS).toBeGreaterThan(0);
  });
  test('a refill place fills the tanks at its own flow and lets the crew go when they are full', () => {
    const d = plan(plainFirst(), [
      job('a', [wash('30 min', '70 %'), { kind: 'refill', time: '2 h', crew: 'all' }, { kind: 'move', time: '1 min', crew: 'all' }], 'none'),
    ]);
    const r = work(d);
    near(r.refilled, r.used, 1e-6);
    near(water(r).end, water(r).full, 1e-9);
    near(r.lengthS, 31 * 60 + r.refilled / (20 * GPM), 1e-3);
  });
  test('a dump empties the tank; what was let out balances', () => {
    const d = plan(pontoonRig(), [job('a', [{ kind: 'dump', time: '1 h', crew: 'all' }], 'none')]);
    const r = work(d);
    // What stands below the dump's bulkhead stays.
    const [tank] = parseRig(d).tanks;
    const stays = volumeAt(tank.shape, parseRig(d).lines.find((l) => l.role === 'dump')!.from.height! - tank.base);
    near(water(r).end, stays, 0.01);
    near(r.dumped, water(r).start - water(r).end, 1e-6);
    near(r.lengthS, assess(parseRig(d)).drains[0].time!.value, 0.015);
  });
  test.each<[PhaseDocument['kind'], string]>([
    ['fill', '32 in'],
    ['refill', '32 in'],
    ['dump', '0 in'],
  ])('a %s with nothing to do takes no time', (kind, level) => {
    const d = plan(pontoonRig(), [
      job('a', [
        { kind, time: '1 h', crew: 'all' },
        { kind: 'move', time: '5 min', crew: 'all' },
      ]),
    ]);
    const tank = d.tanks[0];
    tank.startLevel = level === '0 in' ? level : tank.fullLevel;
    near(work(d).lengthS, 300, 1e-9);
  });
  test('what is for all waits for everybody; two of the crew work side by side', () => {
    const d = plan(crewOfFour(), [job('a', [wash('10 min', '50 %', '1'), wash('25 min', '50 %', '2'), { kind: 'move', time: '5 min', crew: 'all' }])]);
    const r = work(d);
    near(r.lengthS, 30 * 60, 1e-9);
    const [one, two] = r.phases;
    expect([one.outletId, two.outletId]).toEqual(['gun-a1', 'gun-a2']);
    expect(r.phases[2].fromS).toBeCloseTo(25 * 60, 6);
  });
  test('two guns of one machine open in turn and together, by chance', () => {
    const d = plan(crewOfFour(), [job('a', [wash('10 min', '50 %', '1'), wash('10 min', '50 %', '2')], 'none')]);
    const model = dayModel(parseRig(d));
    const [none, a, b, both] = [0, 1, 2, 3].map((open) => model.water.state(open, 1).draw[0]);
    near(simulateModel(model).used, ((none + a + b + both) / 4) * 600, 1e-6);
  });
});

describe('what else runs short', () => {
  test('stock: a roof that takes more than the tank holds is left undone', () => {
    const d = plan(twoBatchSingleAxle(), [job('a', [{ kind: 'mix', time: '40 min', crew: '1', gun: 'roofs-gun', trigger: '100 %' }])]);
    const r = work(d);
    expect(r.shortages[0]).toMatchObject({ cause: 'stock', id: 'roofs-tank' });
    expect(r.undoneS).toBeGreaterThan(600);
    expect(r.waitedS).toBe(0);
  });
  test('the battery, the fuel and the compressor', () => {
    const spray: Draft = { kind: 'mix', time: '14 min', crew: '1', trigger: '100 %' };
    const flat = plan(twoBatchSingleAxle(), [job('a', [spray])]);
    flat.batteries![0].capacity = '2 Ah';
    expect(work(flat).shortages.map((s) => s.cause)).toContain('battery');
    const thirsty = plan(pontoonRig(), [job('a', [wash('3 h', '60 %')])]);
    thirsty.machines[0].engine = { own: '2 gal' };
    thirsty.assumptions = { ...thirsty.assumptions, 'fuel-heel': '0 %' };
    const r = work(thirsty);
    expect(r.shortages.map((s) => s.cause)).toContain('fuel');
    near(r.fuelKg, 2 * 6.1 * 0.45359237, 1e-6);
    const breathless = plan(smallBuffer(), [job('a', [{ ...spray, gun: 'soft-gun' }])]);
    breathless.compressors![0].freeAir = '8 cfm';
    expect(work(breathless).shortages.map((s) => s.cause)).toContain('air');
  });
  /** Common practice: 16 to 17 gal of petrol feed a 9 gpm washer and a compressor for two to three days. */
  test('a 9 gpm washer and a compressor burn that in a working day', () => {
    const d = plan(smallBuffer(), [job('a', [wash('4 h', '60 %'), { kind: 'mix', time: '45 min', crew: '1', gun: 'soft-gun', trigger: '80 %' }])]);
    d.spigots[0].readings = [{ flow: '12 gpm', at: 'spigot' }];
    const gallons = work(d).fuelKg / 0.45359237 / 6.1;
    expect(gallons).toBeGreaterThan(16 / 3);
    expect(gallons).toBeLessThan(17 / 2);
  });
  test('a loop with the trigger shut runs hot at the second the bypass station says; a moving trigger keeps it cool', () => {
    const d = twoBatchSingleAxle();
    const bypass = assess(parseRig(d)).bypasses[0];
    expect(bypass.goesTo).toBe('inlet');
    plan(d, [job('a', [wash('60 min', '0 %')])]);
    near(work(d).shortages.find((s) => s.cause === 'heat')!.atS, bypass.minutesToLimit.value, 1e-3);
    plan(d, [job('a', [wash('60 min', '50 %')])]);
    expect(work(d).shortages.map((s) => s.cause)).not.toContain('heat');
  });
  test('a pump starves before its tank is dry when the feed is thin', () => {
    const d = pontoonRig();
    d.machines[0].npshRequired = '22 ft';
    plan(d, [job('a', [wash('2 h', '100 %')], 'none')]);
    const r = work(d);
    const model = dayModel(parseRig(d));
    const at = model.water.starvesAt(0, 0);
    const w = water(r);
    if (at > w.heel) {
      // Band by band: what the pump gets hangs on the level.
      const edges = [w.start, ...[...model.water.bands[0]].reverse().filter((e) => e < w.start && e > at), at];
      const seconds = edges
        .slice(1)
        .reduce((sum, e, i) => sum + (edges[i] - e) / model.water.state(1, 1, model.water.bandsAt(Float64Array.of((edges[i] + e) / 2))).draw[0], 0);
      near(r.shortages.find((s) => s.cause === 'feed')!.atS, seconds, 1e-3);
    }
    expect(model.water.starvesAt(0, 1)).toBeGreaterThan(at);
  });
});

describe('the mix over the day', () => {
  test('a proportioner drifts as its tanks fall, and its chlorine balances with what the SH tank lost', () => {
    const d = plan(crewOfFour(), [job('a', [{ kind: 'mix', time: '60 min', crew: '1', gun: 'soft-gun', trigger: '80 %' }])]);
    const r = work(d);
    const mix = r.mixes.find((m) => m.mixId === 'blend')!;
    expect(mix.lowest).toBeLessThan(mix.highest!);
    const sh = r.vessels.find((x) => x.tankIds[0] === 'sh-tank')!;
    const stock = assess(parseRig(d)).chemical.liquids[0].today.value;
    near(mix.usedM3 * mix.mean!, (sh.start - sh.end) * stock, 1e-9);
  });
  test('its table agrees with the solved network at the strength of the assessment', () => {
    const d = plan(crewOfFour(), [job('a', [{ kind: 'mix', time: '1 min', crew: '1', gun: 'soft-gun', trigger: '100 %' }])]);
    const mix = work(d).mixes.find((m) => m.mixId === 'blend')!;
    near(mix.mean!, assess(parseRig(d)).chemical.mixes[0].first.value, 5e-3);
  });
  test('an injector draws from its drum while its washer runs', () => {
    const d = plan(smallBuffer(), [job('a', [{ kind: 'mix', time: '5 min', crew: '1', gun: 'gun-a', trigger: '100 %' }])]);
    const r = work(d);
    const drum = r.vessels.find((x) => x.tankIds[0] === 'drum')!;
    near((drum.start - drum.end) / 300, assess(parseRig(d)).chemical.mixes.find((m) => m.mixId === 'downstream')!.streams[1].flowM3s, 0.02);
    expect(r.used).toBeGreaterThan(0);
  });
});

test('water balances to 1e-9 on 300 random days of random rigs, and no level passes a limit (seed 21)', () => {
  const random = seeded(21);
  let days = 0;
  for (let i = 0; i < 60; i++) {
    const d = LAYOUTS[Math.floor(random() * LAYOUTS.length)].make();
    const jobs = Array.from({ length: 1 + Math.floor(random() * 3) }, (_, j) => JOB_TEMPLATES[Math.floor(random() * JOB_TEMPLATES.length)].make(`j${j}`));
    plan(d, jobs, { dry: `${Math.round(30 * random())} %` });
    for (const t of d.tanks) if (random() < 0.5) t.startLevel = `${(1 + 8 * random()).toFixed(1)} in`;
    const model = dayModel(parseRig(d));
    for (let k = 0; k < 5; k++) {
      const r = simulateModel(model, { seed: i, day: k });
      days++;
      expect(r.settled).toBe(true);
      const stored = r.vessels.reduce((s, x) => s + (x.water ? x.end - x.start : 0), 0);
      const through = r.filled + r.refilled - r.used - r.dumped;
      const scale = r.filled + r.refilled + r.used + r.dumped + 1e-3;
      if (!(Math.abs(stored - through) <= 1e-9 * scale)) throw new Error(`${d.name}, day ${k}: stored ${stored}, through ${through}`);
      for (const [n, x] of r.vessels.entries())
        for (const volume of r.trace!.volumeM3[n])
          if (!(volume <= Math.max(x.full, x.start) + 1e-9 && volume >= -1e-12)) throw new Error(`${d.name}, day ${k}: ${volume} in ${x.name}`);
      expect(r.trace!.timeS.every((t, n) => n === 0 || t >= r.trace!.timeS[n - 1])).toBe(true);
    }
  }
  expect(days).toBe(300);
});

test('event by event agrees with small steps, slow and obvious, on 24 random days of one tank (seed 5)', () => {
  const random = seeded(5);
  for (let i = 0; i < 24; i++) {
    const d = pontoonRig();
    d.tanks[0].startLevel = `${(6 + 20 * random()).toFixed(1)} in`;
    d.spigots[0].readings[0].flow = `${(1 + 6 * random()).toFixed(2)} gpm`;
    const phases = Array.from({ length: 5 }, () =>
      random() < 0.3 ? { time: 600 + Math.floor(1200 * random()), share: 0 } : { time: 300 + Math.floor(2400 * random()), share: 0.3 + 0.7 * random() },
    );
    plan(d, [
      job(
        'a',
        phases.map((p): Draft =>
          p.share
            ? { kind: 'wash', time: `${p.time} s`, crew: '1', trigger: `${(100 * p.share).toFixed(4)} %` }
            : { kind: 'break', time: `${p.time} s`, crew: '1' },
        ),
      ),
    ]);
    const model = dayModel(parseRig(d));
    const r = simulateModel(model);
    const { full, heel, band } = model.vessels[0];
    const draw = model.water.state(1, 1).draw[0];
    const into = model.water.spigot(1).into[8][0];
    const restart = Math.min(heel + model.values['day-restart'] * (full - heel), full - band);
    let volume = model.vessels[0].start;
    let waited = 0;
    let time = 0;
    let patience = model.values['day-patience'];
    const dt = 0.25;
    let waiting = false;
    for (const p of phases) {
      let left = p.time;
      while (left > 1e-9) {
        const open = Math.min(Math.max((full - volume) / band, 0), 1);
        const works = p.share > 0 && !waiting;
        if (p.share > 0 && waiting && patience <= 0) break;
        volume += (into * open - (works ? draw * p.share : 0)) * dt;
        time += dt;
        if (p.share > 0 && waiting) {
          waited += dt;
          patience -= dt;
        } else left -= dt;
        if (works && volume <= heel && draw * p.share > into) waiting = true;
        if (waiting && volume >= restart) waiting = false;
      }
    }
    expect(Math.abs(water(r).end - volume)).toBeLessThan(0.002 * full);
    expect(Math.abs(r.waitedS - waited)).toBeLessThan(20);
    expect(Math.abs(r.lengthS - time)).toBeLessThan(20);
  }
});

describe('sampling', () => {
  test.each(LAYOUTS.map((l) => [l.id, l] as const))('%s: a day is the same to the last bit, whatever was worked before it', (_id, layout) => {
    const rig = parseRig(layout.make());
    const [busy, fresh] = [new Simulator(dayModel(rig)), new Simulator(dayModel(rig))];
    // All that a day comes to.
    const keys = Object.keys(new DayTally(dayModel(rig))).filter((k) => k !== 'model') as (keyof DayTally)[];
    const told = (of: Simulator): string[] => keys.map((k) => `${k} ${String(of[k] as Float64Array | number)}`);
    for (let day = 0; day < 12; day++) {
      busy.run({ seed: 1, day: 7 * day + 100 });
      busy.run({ seed: 1, day });
      fresh.run({ seed: 1, day });
      expect([day, told(busy)]).toEqual([day, told(fresh)]);
      // One of its own, which has worked nothing before.
      if (day % 6 === 5) {
        const alone = new Simulator(dayModel(rig));
        alone.run({ seed: 1, day });
        expect([day, told(alone)]).toEqual([day, told(fresh)]);
      }
    }
  });
  test('the same seed gives the same days, however they are split and whatever ran before', () => {
    const model = dayModel(parseRig(smallBuffer()));
    const whole = sampleDays(model, 60, 9);
    const parts = [sampleChunk(model, 9, 40, 20), sampleChunk(model, 9, 0, 15), sampleChunk(model, 9, 15, 25)];
    expect(gatherSample(model, 9, parts)).toEqual(whole);
    expect(gatherSample(model, 9, [joinChunks(parts)])).toEqual(whole);
    expect(() => joinChunks([parts[0], parts[1]])).toThrow('Day 40 does not follow day 14.');
    expect(gatherSample(model, 9, [sampleChunk(dayModel(parseRig(smallBuffer())), 9, 0, 60)])).toEqual(whole);
    expect(sampleDays(model, 60, 10)).not.toEqual(whole);
  });
  test('bands are ordered and lie within the tank; a poorer spigot makes short days likelier', () => {
    const d = pontoonRig();
    d.brief.day = { ...usualDayDocument(parseRig(d)), spigot: { poor: '2 gpm', usual: '4 gpm', good: '7 gpm' } };
    const s = sampleDays(dayModel(parseRig(d)), 300, 1);
    for (const b of s.bands) expect(b.p5.every((x, i) => x <= b.p50[i] && b.p50[i] <= b.p95[i] && b.p95[i] <= 1)).toBe(true);
    d.brief.day.spigot = { poor: '1 gpm', usual: '2 gpm', good: '4 gpm' };
    const poor = sampleDays(dayModel(parseRig(d)), 300, 1);
    expect(poor.short.chance).toBeGreaterThan(s.short.chance + 0.2);
    expect(poor.causes[0]).toMatchObject({ cause: 'water', id: 'water' });
    expect(poor.figures.waited.mean + poor.figures.undone.mean).toBeGreaterThan(60);
  });
  test('sites whose tap is off count as often as said', () => {
    const d = pontoonRig();
    d.tanks[0].startLevel = '7 in';
    plan(d, [job('a', [wash('30 min', '60 %')])], { dry: '25 %', spigot: { poor: '30 gpm', usual: '30 gpm', good: '30 gpm' } });
    const s = sampleDays(dayModel(parseRig(d)), 1200, 4);
    expect(s.short.low).toBeLessThan(0.25);
    expect(s.short.high).toBeGreaterThan(0.25);
  });
});

describe('a minute of the day', () => {
  const r = work(
    plan(pontoonRig(), [job('a', [{ kind: 'connect', time: '5 min', crew: 'all' }, wash('20 min', '100 %'), { kind: 'break', time: '10 min', crew: 'all' }])]),
  );
  test('tells what is in hand, what flows and what is left', () => {
    const before = momentAt(r, 60)!;
    expect(before).toMatchObject({ connected: false, guns: [] });
    const at = momentAt(r, 900)!;
    expect(at.phases.map((p) => p.kind)).toEqual(['wash']);
    expect(at.guns[0]).toMatchObject({ outletId: 'gun-a' });
    expect(at.vessels[0].outM3s).toBeGreaterThan(at.vessels[0].inM3s);
    expect(at.vessels[0].share).toBeLessThan(before.vessels[0].share);
    near(at.vessels[0].volumeM3, r.trace!.volumeM3[0][0] - (at.vessels[0].outM3s - at.vessels[0].inM3s) * 600, 0.02);
  });
  test('before the start and after the end it is the start and the end', () => {
    expect(momentAt(r, -5)!.timeS).toBe(0);
    expect(momentAt(r, 1e6)).toMatchObject({ timeS: r.lengthS, phases: [] });
    expect(momentAt({ ...r, trace: undefined }, 5)).toBeUndefined();
  });
});

describe('the day in the document', () => {
  test('a made-up day sprays what the brief’s washes ask of each mix, to the rounding of its minutes', () => {
    let compared = 0;
    for (const l of LAYOUTS) {
      const d = l.make();
      delete d.brief.day;
      // Water is another matter: here nothing runs dry.
      if (d.spigots.length === 0) continue;
      const rig = parseRig(d);
      const day = simulateDay(rig);
      for (const m of assess(rig).chemical.mixes) {
        if (m.jobsPerDay === 0) continue;
        const sprayed = day.mixes.find((x) => x.mixId === m.mixId)!.usedM3;
        expect([l.id, m.mixId, Math.abs(sprayed / m.dayM3.value - 1) < 0.2]).toEqual([l.id, m.mixId, true]);
        compared++;
      }
    }
    expect(compared).toBeGreaterThan(12);
  });
  test('every layout has a usual day that can be worked, and it reads back', () => {
    for (const l of LAYOUTS) {
      const bare = l.make();
      delete bare.brief.day;
      const d = l.make();
      d.brief.day = usualDayDocument(parseRig(bare));
      const read = readRig(d);
      if (!read.ok) throw new Error(`${l.id}: ${read.problems[0].message}`);
      expect(v.is(workDay, d.brief.day)).toBe(true);
      const r = simulateDay(read.rig);
      expect(r.settled).toBe(true);
      expect(r.lengthS).toBeGreaterThan(1800);
      expect(r).toEqual(simulateDay(parseRig(bare)));
    }
  });
  test('bad days are told by field and bound', () => {
    const problem = (change: (day: WorkDayDocument) => void) => {
      const d = plan(pontoonRig(), [job('a', [wash('30 min', '60 %')])]);
      change(d.brief.day!);
      const read = readRig(d);
      return read.ok ? undefined : read.problems[0];
    };
    expect(problem((x) => (x.starts = '25:00'))).toMatchObject({ path: 'brief.day.starts' });
    expect(problem((x) => (x.jobs = []))).toMatchObject({ path: 'brief.day.jobs', message: 'A day has one job at least.' });
    expect(problem((x) => (x.jobs[0].phases[0].time = '13 h'))).toMatchObject({ path: 'brief.day.jobs.0.phases.0.time', bound: '≤ 12 h' });
    expect(problem((x) => (x.tolerance = '0 %'))).toMatchObject({ code: 'below' });
    expect(problem((x) => x.jobs[0].phases.push({ ...x.jobs[0].phases[0] }))).toMatchObject({ code: 'twice' });
    expect(problem((x) => (x.spigot = { poor: '5 gpm', usual: '4 gpm', good: '7 gpm' }))).toMatchObject({ path: 'brief.day.spigot.usual' });
  });
  test('a gun that the rig lacks stands for the one that does such work', () => {
    const rig = parseRig(crewOfFour());
    const hands = handsOf(rig);
    const phase = (p: Draft) => ({ id: 'p', ...p, time: 60, trigger: undefined }) as never;
    expect(inHand(rig, hands, phase({ kind: 'wash', time: '1 min', crew: '3', gun: 'gone' }))).toMatchObject({ outletId: 'gun-b1' });
    expect(inHand(rig, hands, phase({ kind: 'mix', time: '1 min', crew: '1', gun: 'gone' }))).toMatchObject({ mixId: 'blend' });
    expect(inHand(rig, hands, phase({ kind: 'mix', time: '1 min', crew: '1', gun: 'roofs-gun' }))).toMatchObject({ mixId: 'roofs' });
    expect(inHand(rig, hands, phase({ kind: 'dwell', time: '1 min', crew: '1', gun: 'gun-a1' }))).toEqual({ outletId: undefined, mixId: undefined });
    expect(triggerOf(rig, phase({ kind: 'wash', time: '1 min', crew: '1' }))).toBeCloseTo(0.6, 9);
  });
  test('the kinds of work all read and run', () => {
    for (const t of JOB_TEMPLATES) expect(work(plan(crewOfFour(), [t.make('a')])).settled).toBe(true);
  });
});
