import fc from 'fast-check';
import { assess } from '../assess/assess.js';
import { LAYOUTS } from '../layouts/layouts.js';
import { dropPlaces } from '../rig/drop-places';
import { parseRig } from '../rig/read.js';
import type { RigDocument } from '../rig/schema.js';
import { simulateDay } from './index.js';

/** The rig with a day of one straight job: everybody's gun in hand from the first minute to the last. */
function oneJob(d: RigDocument): RigDocument {
  const guns = d.outlets.filter((o) => o.open).slice(0, 6);
  d.brief.day = {
    starts: '7:00',
    tolerance: '5 %',
    jobs: [
      {
        id: 'job',
        name: 'The job',
        water: d.spigots.length ? 'tap' : 'none',
        phases: guns.map((g, i) => ({
          id: `wash-${i + 1}`,
          kind: 'wash',
          time: d.brief.job,
          crew: String(i + 1) as '1',
          gun: g.id,
          trigger: d.brief.triggerShare,
        })),
      },
    ],
  };
  // Soft washing has a share of the job of its own in the brief; here nobody does any.
  delete d.brief.washes;
  d.mixes = [];
  d.lines = d.lines.filter((l) => l.role !== 'chemical');
  d.reels = d.reels?.filter((r) => d.lines.some((l) => l.id === r.line));
  dropPlaces(d);
  return d;
}

/** Levels of the water tanks by the day, at a time. */
function atTime(day: ReturnType<typeof simulateDay>, v: number, t: number): number {
  const { timeS, volumeM3 } = day.trace!;
  const i = Math.max(
    timeS.findIndex((x) => x >= t),
    1,
  );
  const [a, b] = [timeS[i - 1], timeS[i]];
  return volumeM3[v][i - 1] + (b > a ? ((volumeM3[v][i] - volumeM3[v][i - 1]) * (t - a)) / (b - a) : 0);
}

let compared = 0;
function compare(d: RigDocument): void {
  const rig = parseRig(d);
  const a = assess(rig);
  const day = simulateDay(rig);
  // When the first is dry the day's crew waits; the verdict looks no further.
  const until = Math.min(rig.brief.job, ...a.tanks.map((t) => t.dryAfter.value));
  for (const [i, tank] of rig.tanks.entries()) {
    const result = a.tanks[i];
    if (tank.liquid !== 'water' || tank.holds !== undefined || result.tiedIds[0] !== tank.id) continue;
    const tied = rig.tanks.flatMap((t, k) => (result.tiedIds.includes(t.id) ? [k] : []));
    const { timeS, volumeM3 } = result.series;
    for (let k = 0; k < timeS.length && timeS[k] <= until; k++) {
      const days = tied.reduce((s, v) => s + atTime(day, v, Math.min(timeS[k], day.lengthS)), 0);
      expect([d.name, tank.id, timeS[k], Math.abs(days - volumeM3[k]) / result.fullVolumeM3 < 0.01]).toEqual([d.name, tank.id, timeS[k], true]);
      compared++;
    }
    const first = day.shortages.filter((s) => s.cause === 'water' && result.tiedIds.includes(s.id)).map((s) => s.atS)[0];
    if (result.dryAfter.value > until && until < rig.brief.job) continue;
    if (result.dryAfter.value < 0.98 * rig.brief.job) expect(Math.abs(first - result.dryAfter.value)).toBeLessThan(0.02 * rig.brief.job + 30);
    else if (result.draw.value > 0 && !(result.dryAfter.value < rig.brief.job)) expect(first).toBeUndefined();
  }
}

describe('the straight job of the verdict is the day of that one job', () => {
  test.each(LAYOUTS.map((l) => [l.id, l] as const))('%s', (_id, layout) => compare(oneJob(layout.make())));

  test('a return led to a tank that does not feed its machine drains the one that does', () => {
    const d = LAYOUTS.find((l) => l.id === 'big-tank')!.make();
    d.tanks.push({ ...d.tanks[0], id: 'other', name: 'Other tank', startLevel: '2 in' });
    const back = d.lines.find((l) => l.role === 'bypass')!;
    back.to = { at: 'tank', id: 'other' };
    d.tanks[0] = { ...d.tanks[0], startLevel: '10 in' };
    d.brief.job = '2 h';
    compare(oneJob(d));
    const a = assess(parseRig(d));
    // All that the pump takes leaves the first, trigger or no trigger.
    expect(a.tanks[0].draw.value).toBeCloseTo(a.tanks[0].fullDraw.value, 7);
    expect(a.tanks.find((t) => t.tankId === 'other')!.draw.value).toBeLessThan(0);
  });

  test('on random rigs: levels within 1 %', () => {
    const pick = fc.constantFrom(...LAYOUTS.map((l) => l.id));
    const share = fc.double({ min: 0.05, max: 1, noNaN: true });
    fc.assert(
      fc.property(pick, share, share, share, fc.boolean(), fc.constantFrom('3/4', '1', '2'), (id, trigger, level, flow, away, tie) => {
        const d = LAYOUTS.find((l) => l.id === id)!.make();
        d.brief.triggerShare = `${100 * trigger} %`;
        d.brief.job = '75 min';
        for (const t of d.tanks) t.startLevel = `${parseRig(d).tanks.find((x) => x.id === t.id)!.fullLevel * (0.3 + 0.7 * level)} m`;
        for (const s of d.spigots) s.readings = s.readings.map((r) => ({ ...r, flow: `${0.3 + 6 * flow} gpm` }));
        for (const l of d.lines) {
          if (l.role === 'tie') l.parts = l.parts.map((p) => ({ ...p, bore: `${tie} in` }));
          const other = d.tanks.filter((t) => t.liquid === 'water' && t.holds === undefined && t.id !== l.to.id)[0];
          if (away && l.role === 'bypass' && l.to.at === 'tank' && other) l.to = { at: 'tank', id: other.id };
        }
        compare(oneJob(d));
      }),
      { numRuns: 80, seed: 5 },
    );
    expect(compared).toBeGreaterThan(3000);
  });
});
