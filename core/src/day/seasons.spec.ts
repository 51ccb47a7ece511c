import { strengthAfter } from '../chemistry/hypochlorite';
import { assumptionValues } from '../assumption/register';
import { sensitivitySteps } from '../choose/sensitivity';
import { crewOfFour } from '../layouts/crew-of-four';
import { pontoonRig } from '../layouts/first-rig';
import { plainFirst } from '../layouts/plain-first';
import { twoBatchSingleAxle } from '../layouts/two-batch-single-axle';
import { si } from '../quantity/parse';
import type { JobDocument, PhaseDocument, WorkDayDocument } from '../rig/day-schema';
import { parseRig, readRig } from '../rig/read';
import type { RigDocument } from '../rig/schema';
import { near } from '../testing/near';
import { dayModel } from './model';
import { joinChunks } from './chunk';
import { gatherSample, sampleChunk, sampleDays } from './sample';
import { seasonsOf } from './seasons';
import { simulateDay, simulateModel } from './simulate-day';
import { usualDayDocument } from './usual-day';

type Draft = Omit<PhaseDocument, 'id'>;
const job = (phases: readonly Draft[], water: JobDocument['water'] = 'none'): JobDocument => ({
  id: 'job',
  name: 'Job',
  water,
  phases: phases.map((p, i) => ({ id: `p${i}`, ...p })),
});
const withDay = (d: RigDocument, more: Partial<WorkDayDocument>): RigDocument => {
  d.brief.day = { ...usualDayDocument(parseRig(d)), ...more };
  return d;
};
const CELSIUS = 273.15;
const spread = (more: Partial<WorkDayDocument>) => {
  const rig = parseRig(withDay(pontoonRig(), more));
  return seasonsOf(rig.brief.day!, assumptionValues(rig.assumptions), rig.brief.water);
};
const result = <T>(steps: Generator<number, T>): T => {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
};

describe('the water of a season', () => {
  test('left out, it is the brief’s, up to the warmest the rig will meet', () => {
    const [only, ...rest] = spread({});
    expect(rest).toEqual([]);
    expect(only.season).toBeUndefined();
    near(only.water[1], parseRig(pontoonRig()).brief.water, 1e-12);
    near(only.water[2], si('86 °F', 'temperature'), 1e-9);
  });
  test('the year runs from the coldest to the warmest and back without a gap', () => {
    const year = spread({ season: 'year' });
    expect(year.map((s) => s.season)).toEqual(['spring', 'summer', 'autumn', 'winter']);
    const [spring, summer, autumn, winter] = year.map((s) => s.water);
    near(winter[0], 5 + CELSIUS, 1e-9);
    near(summer[2], 30 + CELSIUS, 1e-9);
    expect(spring).toEqual(autumn);
    near(winter[2], spring[0], 1e-12);
    near(spring[2], summer[0], 1e-12);
    near(spring[1], 17.5 + CELSIUS, 1e-9);
    for (const s of year) {
      expect(s.water[0]).toBeLessThan(s.water[1]);
      expect(s.water[1]).toBeLessThan(s.water[2]);
    }
  });
  test('the quarter of a sine wave about its lowest point is as cold as the sine says', () => {
    // Share of the swing an eighth of a year from the coldest day: (1 − cos 45°)/2; the mean over the quarter is (1 − sin 45°/(π/4))/2.
    const [winter] = spread({ season: 'winter' });
    const share = (k: number): number => (k - CELSIUS - 5) / 25;
    near(share(winter.water[2]), (1 - Math.cos(Math.PI / 4)) / 2, 1e-9);
    near(share(winter.water[1]), (1 - Math.sin(Math.PI / 4) / (Math.PI / 4)) / 2, 0.05);
  });
  test('only winter shuts the taps that winter shuts', () => {
    const year = spread({ season: 'year', dry: '5 %', dryWinter: '80 %' });
    expect(year.map((s) => s.dry)).toEqual([0.05, 0.05, 0.05, 0.8]);
    expect(spread({ season: 'winter', dry: '5 %' })[0].dry).toBe(0.05);
  });
});

describe('days over the year', () => {
  const village = (more: Partial<WorkDayDocument>): RigDocument => withDay(pontoonRig(), { dry: '0 %', dryWinter: '100 %', ...more });

  test('a hill village: short of water in winter only, when no tap runs', () => {
    const s = sampleDays(dayModel(parseRig(village({ season: 'year' }))), 800, 11);
    expect(s.seasons.map((x) => x.season)).toEqual(['spring', 'summer', 'autumn', 'winter']);
    const [spring, summer, autumn, winter] = s.seasons.map((x) => x.short.chance);
    expect(winter).toBeGreaterThan(0.9);
    for (const x of [spring, summer, autumn]) expect(x).toBeLessThan(0.1);
    expect(s.seasons.reduce((sum, x) => sum + x.short.days, 0)).toBe(800);
    // A quarter of 800 days is 200; four standard deviations of that count are 49.
    for (const x of s.seasons) expect(Math.abs(x.short.days - 200)).toBeLessThan(49);
    near(s.short.chance, s.seasons.reduce((sum, x) => sum + x.short.chance * x.short.days, 0) / 800, 1e-12);
  });
  test('one season alone tells no table of seasons, and draws no number for it', () => {
    const named = sampleDays(dayModel(parseRig(village({ season: 'summer' }))), 60, 4);
    expect(named.seasons).toEqual([]);
    const warm = village({});
    const bare = sampleDays(dayModel(parseRig(warm)), 60, 4);
    expect(named.figures.length).toEqual(bare.figures.length);
  });
  test('the same seed gives the same days however they are split, seasons too', () => {
    const model = dayModel(parseRig(village({ season: 'year' })));
    const whole = gatherSample(model, 9, [sampleChunk(model, 9, 0, 120)]);
    const parts = [sampleChunk(model, 9, 70, 50), sampleChunk(model, 9, 0, 30), sampleChunk(model, 9, 30, 40)];
    expect(gatherSample(model, 9, parts)).toEqual(whole);
    expect(gatherSample(model, 9, [joinChunks(parts)])).toEqual(whole);
  });
  test('the usual day of a named season meets its usual water; over the whole year, the brief’s', () => {
    const hottest = (season: WorkDayDocument['season']): number => {
      const d = withDay(crewOfFour(), { ...(season ? { season } : {}), jobs: [job([{ kind: 'break', time: '10 min', crew: 'all' }])] });
      return simulateModel(dayModel(parseRig(d))).hottest[0].temperatureK;
    };
    near(hottest('winter'), spread({ season: 'winter' })[0].water[1], 1e-12);
    near(hottest('year'), parseRig(crewOfFour()).brief.water, 1e-12);
    near(hottest(undefined), parseRig(crewOfFour()).brief.water, 1e-12);
  });
  test('where most taps are shut, the usual day finds none', () => {
    const filled = (dryWinter: string): number => simulateDay(parseRig(village({ season: 'winter', dryWinter }))).filled;
    expect(Math.abs(filled('80 %'))).toBeLessThan(1e-12);
    expect(filled('20 %')).toBeGreaterThan(0);
  });
  test('what moves the answer most is the season, where only winter is dry', () => {
    const swings = result(sensitivitySteps(village({ season: 'year' }), 120, 2));
    expect(swings[0].id).toBe('season');
    expect(swings[0].high.label).toBe('winter');
    expect(swings[0].high.short.chance).toBeGreaterThan(swings[0].low.short.chance + 0.8);
    expect(result(sensitivitySteps(village({}), 20, 2)).some((x) => x.id === 'season')).toBe(false);
  });
});

describe('refill places', () => {
  const refill = (place?: string): Draft => ({ kind: 'refill', time: '3 h', crew: 'all', ...(place ? { place } : {}) });
  const gpm = si('1 gpm', 'flow');

  test('the place’s own flow fills the water; a usual one stands in where none is named', () => {
    const d = (place?: string): RigDocument =>
      withDay(plainFirst(), {
        refills: [{ id: 'mill', name: 'Mill race', flow: '5 gpm' }],
        jobs: [job([{ kind: 'wash', time: '30 min', crew: '1', trigger: '70 %' }, refill(place)])],
      });
    for (const [place, flow] of [
      ['mill', 5],
      [undefined, 20],
    ] as const) {
      const r = simulateDay(parseRig(d(place)));
      near(r.refilled, r.used, 1e-6);
      near(r.lengthS, 30 * 60 + r.refilled / (flow * gpm), 1e-3);
    }
  });
  test('a chemical supplier fills its own liquid and nothing else', () => {
    const base = twoBatchSingleAxle();
    const tank = base.tanks.find((t) => t.holds)!;
    const d = withDay(base, {
      refills: [{ id: 'supplier', name: 'Supplier', gives: tank.holds, flow: '10 gpm' }],
      jobs: [job([{ kind: 'mix', time: '10 min', crew: '1', trigger: '100 %' }, refill('supplier')])],
    });
    const r = simulateDay(parseRig(d));
    const holding = parseRig(d).tanks.filter((t) => t.holds === tank.holds);
    const touched = r.vessels.filter((v) => holding.some((t) => v.tankIds.includes(t.id)));
    expect(touched.length).toBeGreaterThan(0);
    for (const v of touched) near(v.end, v.full, 1e-9);
    const missing = touched.reduce((s, v) => s + v.full - v.lowest, 0);
    near(r.lengthS - 600, missing / (10 * gpm), 1e-2);
    expect(r.refilled).toBe(0);
    for (const v of r.vessels) if (!touched.includes(v)) expect(v.end).toBeLessThanOrEqual(v.start + 1e-12);
  });
  test('at a place with nothing for this rig the crew does not stay', () => {
    const d = withDay(plainFirst(), {
      refills: [{ id: 'supplier', name: 'Supplier', gives: 'stray', flow: '10 gpm' }],
      jobs: [job([refill('supplier'), { kind: 'move', time: '5 min', crew: 'all' }])],
    });
    d.liquids!.push({ id: 'stray', name: 'Degreaser', kind: 'degreaser', price: '$9' });
    near(simulateDay(parseRig(d)).lengthS, 300, 1e-9);
  });
  test.each<[string, (d: RigDocument) => void, string]>([
    ['a phase at a place that is not listed', (d) => void (d.brief.day!.jobs[0].phases[0].place = 'moon'), 'brief.day.jobs.0.phases.0.place'],
    [
      'two places of one id',
      (d) =>
        void (d.brief.day!.refills = [
          { id: 'a', name: 'A', flow: '5 gpm' },
          { id: 'a', name: 'B', flow: '5 gpm' },
        ]),
      'brief.day.refills.1.id',
    ],
    ['a liquid that is not listed', (d) => void (d.brief.day!.refills = [{ id: 'a', name: 'A', gives: 'milk', flow: '5 gpm' }]), 'brief.day.refills.0.gives'],
    ['a trickle', (d) => void (d.brief.day!.refills = [{ id: 'a', name: 'A', flow: '0.1 gpm' }]), 'brief.day.refills.0.flow'],
  ])('%s is refused with its path', (_name, change, path) => {
    const d = withDay(plainFirst(), { jobs: [job([refill()])] });
    change(d);
    const read = readRig(d);
    expect(read.ok ? [] : read.problems.map((p) => p.path)).toEqual([path]);
  });
});

describe('the stock of a season', () => {
  const aged = (more: Partial<WorkDayDocument>, change?: (d: RigDocument) => void): number[] => {
    const d = withDay(crewOfFour(), more);
    for (const l of d.liquids ?? []) if (l.strength) l.strength = { bought: '12.5 %', as: 'trade', age: '60 d', kept: '68 °F' };
    change?.(d);
    const rig = parseRig(d);
    return dayModel(rig).spread.seasons.map(({ aged }) => Math.min(...aged));
  };
  test('summer takes strength, winter keeps it, spring is as stated, and no season moves nothing', () => {
    const [spring, summer, autumn, winter] = aged({ season: 'year' });
    expect([spring, autumn]).toEqual([1, 1]);
    // 60 days at 86 °F (30 °C) against 68 °F (20 °C): second order, worked by hand from the rate law.
    near(summer, strengthAfter(0.125, 60 * 86400, 303.15, 0.1) / strengthAfter(0.125, 60 * 86400, 293.15, 0.1), 1e-9);
    expect(summer).toBeLessThan(0.9);
    expect(winter).toBeGreaterThan(1);
    expect(aged({})).toEqual([1]);
  });
  test('what was titrated today is what it is', () => {
    const titrated = aged({ season: 'summer' }, (d) => {
      for (const l of d.liquids ?? []) if (l.strength) l.strength.titrated = '10 %';
    });
    expect(titrated).toEqual([1]);
  });
  test('a summer’s mix comes out weaker than a spring’s', () => {
    const weakest = (season: 'spring' | 'summer'): number => {
      const d = withDay(crewOfFour(), { season });
      for (const l of d.liquids ?? []) if (l.strength) l.strength = { bought: '12.5 %', as: 'trade', age: '120 d', kept: '68 °F' };
      const model = dayModel(parseRig(d));
      return Math.min(...simulateModel(model).trace!.strength.flatMap((m) => m.filter((x): x is number => x !== null && x > 0)));
    };
    expect(weakest('summer')).toBeLessThan(0.85 * weakest('spring'));
  });
});
