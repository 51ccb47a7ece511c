import { LAYOUTS } from '../layouts/layouts';
import { pontoonRig } from '../layouts/first-rig';
import { crewOfFour } from '../layouts/crew-of-four';
import type { PhaseDocument } from '../rig/day-schema';
import { parseRig } from '../rig/read';
import type { RigDocument } from '../rig/schema';
import { near, seeded } from '../testing/near';
import { dayModel } from './model';
import { sampleDays } from './sample';
import { simulateModel } from './simulate-day';
import type { DayResult } from './types';

type Draft = Omit<PhaseDocument, 'id'>;
const day = (d: RigDocument, ...phases: Draft[]): RigDocument => {
  d.brief.day = { starts: '8:00', tolerance: '2 %', jobs: [{ id: 'a', name: 'A', water: 'tap', phases: phases.map((p, i) => ({ id: `p${i}`, ...p })) }] };
  return d;
};
const work = (d: RigDocument): DayResult => simulateModel(dayModel(parseRig(d)));
const wash = (trigger: string, time = '40 min', crew: Draft['crew'] = '1'): Draft => ({ kind: 'wash', time, crew, trigger });

describe('what a builder takes for granted of a day', () => {
  test('more trigger, more water; the same water whoever holds the gun', () => {
    const used = ['10 %', '30 %', '60 %', '90 %'].map((t) => work(day(pontoonRig(), wash(t))).used);
    used.slice(1).forEach((u, i) => expect(u).toBeGreaterThan(used[i]));
    near(work(day(crewOfFour(), wash('50 %', '20 min', '1'))).used, work(day(crewOfFour(), wash('50 %', '20 min', '3'))).used, 1e-9);
  });
  test('a phase cut in two takes what the whole took', () => {
    const whole = work(day(pontoonRig(), wash('70 %', '60 min')));
    const cut = work(day(pontoonRig(), wash('70 %', '13 min'), wash('70 %', '47 min')));
    near(cut.used, whole.used, 1e-9);
    near(cut.vessels[0].end, whole.vessels[0].end, 1e-9);
    near(cut.lengthS, whole.lengthS, 1e-9);
  });
  test('two jobs are two days put together, where the tank is full again between', () => {
    const d = day(pontoonRig(), wash('60 %', '20 min'), { kind: 'fill', time: '6 h', crew: 'all' });
    const once = work(d);
    d.brief.day!.jobs.push({ ...d.brief.day!.jobs[0], id: 'b', name: 'B' });
    const twice = work(d);
    near(twice.used, 2 * once.used, 1e-3);
    expect(twice.jobs).toHaveLength(2);
    near(twice.jobs[1].fromS, twice.jobs[0].toS, 1e-12);
  });
  test('it begins with what the tanks are filled to, and gives back volumes in order', () => {
    const d = day(pontoonRig(), wash('50 %'));
    d.tanks[0].startLevel = '10 in';
    const r = work(d);
    near(r.vessels[0].start, 10 * 0.0254 * 52 * 0.0254 * 36 * 0.0254, 1e-9);
    for (const v of r.vessels) {
      expect(v.lowest).toBeLessThanOrEqual(Math.min(v.start, v.end) + 1e-12);
      expect(v.heel).toBeLessThan(v.full);
    }
  });
  test('phases cover the day without a gap for each hand, waits and all', () => {
    for (const l of LAYOUTS) {
      const r = work(l.make());
      const hands = Math.max(1, ...r.phases.map((p) => p.crew));
      for (let h = 1; h <= hands; h++) {
        const own = r.phases.filter((p) => p.crew === 0 || p.crew === h).sort((a, b) => a.fromS - b.fromS || a.toS - b.toS);
        own.slice(1).forEach((p, i) => expect(p.fromS).toBeGreaterThanOrEqual(own[i].toS - 1e-6));
        expect(own.every((p) => p.toS >= p.fromS)).toBe(true);
      }
      expect(Math.max(...r.phases.map((p) => p.toS))).toBeCloseTo(r.lengthS, 6);
    }
  });
  test('a machine that nobody uses burns nothing and heats nothing', () => {
    const d = day(crewOfFour(), wash('60 %', '30 min', '1'));
    const r = work(d);
    const other = r.hottest.find((h) => h.machineId === 'washer-b')!;
    expect(other.temperatureK).toBe(parseRig(d).brief.water);
    expect(r.guns.map((g) => g.outletId)).toEqual(['gun-a1']);
    expect(r.fuelKg).toBeLessThan(work(day(crewOfFour(), wash('60 %', '30 min', '1'), wash('60 %', '30 min', '3'))).fuelKg);
  });
  test('without spread every sampled day is the usual one', () => {
    const d = pontoonRig();
    const model = dayModel(parseRig(d));
    const { water } = model.rig.brief;
    const flat: typeof model = {
      ...model,
      spread: {
        ...model.spread,
        spigot: [1, 1, 1],
        time: [1, 1, 1],
        trigger: [1, 1, 1],
        stock: [1, 1, 1],
        seasons: [{ season: undefined, dry: 0, store: undefined, water: [water, water, water], aged: new Float64Array(model.soft.length).fill(1) }],
      },
    };
    const s = sampleDays(flat, 20, 5);
    const usual = simulateModel(model);
    for (const f of ['p5', 'p50', 'p95', 'mean'] as const) near(s.figures.used[f], usual.used, 1e-9);
    near(s.figures.length.p50, usual.lengthS, 1e-9);
    expect(s.short.chance).toBe(0);
  });
  test('bands of a sample hold the usual day most of the time (seed 3)', () => {
    const model = dayModel(parseRig(pontoonRig()));
    const s = sampleDays(model, 400, 3);
    const random = seeded(3);
    const r = simulateModel(model);
    let inside = 0;
    for (let i = 0; i < 60; i++) {
      const t = Math.floor(random() * s.times.length);
      const row = r.trace!.timeS.findIndex((x) => x >= s.times[t]);
      const share = r.trace!.volumeM3[0][row < 0 ? r.trace!.timeS.length - 1 : row] / r.vessels[0].full;
      if (share >= s.bands[0].p5[t] - 0.05 && share <= s.bands[0].p95[t] + 0.05) inside++;
    }
    expect(inside).toBeGreaterThan(45);
  });
});
