import { jetHeight } from '../hydraulics/outflow';
import { pontoonRig } from '../layouts/first-rig';
import { twoBatchSingleAxle } from '../layouts/two-batch-single-axle';
import type { JobDocument, PhaseDocument, WorkDayDocument } from '../rig/day-schema';
import { parseRig, readRig } from '../rig/read';
import type { RigDocument } from '../rig/schema';
import { dayModel } from './model';
import { reaches, reachOfOutlets } from './reach';
import { sampleDays } from './sample';
import { simulateDay } from './simulate-day';
import { Cases } from '../solve/cases';
import { assumptionValues } from '../assumption/register';

type Draft = Omit<PhaseDocument, 'id'>;
const job = (id: string, phases: readonly Draft[]): JobDocument => ({ id, name: id, water: 'tap', phases: phases.map((p, i) => ({ id: `p${i}`, ...p })) });
const at = (feet: number): NonNullable<WorkDayDocument['distance']> => ({ near: `${feet} ft`, usual: `${feet} ft`, far: `${feet} ft` });
const up = (feet: number): NonNullable<WorkDayDocument['height']> => ({ low: `${feet} ft`, usual: `${feet} ft`, high: `${feet} ft` });
const wash: Draft = { kind: 'wash', time: '5 min', crew: '1', trigger: '50 %' };

function sites(d: RigDocument, more: Partial<WorkDayDocument>, jobs = [job('a', [wash])]): RigDocument {
  d.brief.day = { starts: '8:00', tolerance: '2 %', jobs, ...more };
  return d;
}
const misses = (d: RigDocument): string[] =>
  simulateDay(parseRig(d))
    .shortages.filter((s) => s.cause === 'reach')
    .map((s) => s.id);
/** Hose from the pontoon's washer to its gun, ft. */
const hose = (() => {
  const rig = parseRig(pontoonRig());
  return reachOfOutlets(new Cases(rig, assumptionValues(rig.assumptions)))[0].hoseM / 0.3048;
})();

describe('sites near and far', () => {
  test('nothing is said of reach where the brief says nothing of sites', () => {
    expect(misses(sites(pontoonRig(), {}))).toEqual([]);
    expect(dayModel(parseRig(sites(pontoonRig(), {}))).shorts.some((s) => s.cause === 'reach')).toBe(false);
  });
  test('the hose has to lie along the ground, round the corners and up the wall', () => {
    expect(misses(sites(pontoonRig(), { distance: at(hose * 0.5) }))).toEqual([]);
    expect(misses(sites(pontoonRig(), { distance: at(hose * 1.01) }))).toEqual(['gun-a']);
    const rig = parseRig(pontoonRig());
    const values = assumptionValues(rig.assumptions);
    const corners = 2 * values['corner-hose'];
    const reach = { hoseM: 50 + corners, climbsM: Infinity };
    expect(reaches(reach, rig, values, 40, 30)).toBe(true);
    expect(reaches(reach, rig, values, 40, 30.1)).toBe(false);
  });
  test('spare hose carried reaches farther', () => {
    const d = sites(pontoonRig(), { distance: at(hose * 1.01) });
    d.site = { distance: '50 ft', height: '0 ft', corners: '2', spare: '100 ft', traffic: 'right' };
    expect(misses(d)).toEqual([]);
  });
  test('a pump that brings nothing to its gun is told each day, sites given or not', () => {
    const spray: Draft = { kind: 'mix', time: '5 min', crew: '1', gun: 'walls-gun', trigger: '80 %' };
    for (const more of [{}, { distance: at(20) }]) {
      const d = sites(twoBatchSingleAxle(), more, [job('walls', [spray])]);
      expect(misses(d)).toEqual([]);
      d.softPumps!.find((p) => p.id === 'pump-walls')!.limit = '5 psi';
      d.sprayers!.find((x) => x.id === 'walls-gun')!.height = '30 ft';
      expect(misses(d)).toEqual(['walls-gun']);
      const dry = sampleDays(dayModel(parseRig(d)), 20, 1).causes.find((c) => c.cause === 'reach')!;
      expect([dry.id, dry.chance.chance]).toEqual(['walls-gun', 1]);
    }
  });
  test('a jet from the ground climbs what it climbs, wherever its hose reaches', () => {
    const spray: Draft = { kind: 'mix', time: '5 min', crew: '1', gun: 'roofs-gun', trigger: '80 %' };
    const rig = (feet: number): RigDocument => sites(twoBatchSingleAxle(), { height: up(feet) }, [job('roof', [spray])]);
    const soft = dayModel(parseRig(rig(5))).soft.find((s) => s.reach?.id === 'roofs-gun')!;
    const climbs = soft.reach!.climbsM / 0.3048;
    expect(climbs).toBeGreaterThan(10);
    expect(misses(rig(climbs - 0.5))).toEqual([]);
    expect(misses(rig(climbs + 0.5))).toEqual(['roofs-gun']);
    // Lüger: 6.9 bar through 3.0 mm climbs 10.3 m (fire hydraulics; common practice: a little above 9 m).
    expect(jetHeight(6.9e5 / (998.2 * 9.80665), 0.003)).toBeGreaterThan(9.5);
  });
  test('the share of days with a site out of reach is what the triangle says (seed 21)', () => {
    // Distances 0, 0.5, 1 of twice the reach: half the sites lie beyond it.
    const rig = parseRig(pontoonRig());
    const corners = (2 * assumptionValues(rig.assumptions)['corner-hose']) / 0.3048;
    const reach = hose - corners;
    const d = sites(pontoonRig(), { distance: { near: '0 ft', usual: `${reach} ft`, far: `${2 * reach} ft` } });
    const s = sampleDays(dayModel(parseRig(d)), 600, 21);
    const cause = s.causes.find((c) => c.cause === 'reach')!;
    expect(cause.chance.low).toBeLessThan(0.5);
    expect(cause.chance.high).toBeGreaterThan(0.5);
    // Water is another matter.
    expect(s.short.chance).toBeLessThan(0.5);
  });
  test.each<[string, Partial<WorkDayDocument>, string]>([
    ['distances out of order', { distance: { near: '50 ft', usual: '40 ft', far: '60 ft' } }, 'brief.day.distance.usual'],
    ['heights out of order', { height: { low: '5 ft', usual: '30 ft', high: '20 ft' } }, 'brief.day.height.usual'],
    ['a height that is none', { height: { low: '-5 ft', usual: '3 ft', high: '20 ft' } }, 'brief.day.height.low'],
  ])('%s are refused with their path', (_name, more, path) => {
    const read = readRig(sites(pontoonRig(), more));
    expect(read.ok ? [] : read.problems.map((p) => p.path)).toEqual([path]);
  });
});
