import { ASSUMPTIONS } from '../assumption/register';
import { LAYOUTS } from '../layouts/layouts';
import { parseRig, quantityRule, readRig } from '../rig/read';
import { assumptionRule, type RigDocument } from '../rig/schema';
import { changed, leaves } from '../testing/tree';
import { dayModel } from './model';
import { sampleDays } from './sample';
import { simulateModel } from './simulate-day';
import { usualDayDocument } from './usual-day';

/** A layout with a day that has everything a day can have. */
function full(id: string): RigDocument {
  const d = LAYOUTS.find((l) => l.id === id)!.make();
  const day = (d.brief.day ??= usualDayDocument(parseRig(d)));
  Object.assign(day, {
    dry: '5 %',
    dryWinter: '20 %',
    season: 'year',
    spigot: { poor: '2 gpm', usual: '4 gpm', good: '7 gpm' },
    refills: [{ id: 'mill', name: 'Mill race', flow: '10 gpm' }],
  });
  day.jobs[0].phases.push(
    { id: 'more-1', kind: 'refill', time: '20 min', crew: 'all', place: 'mill' },
    { id: 'more-2', kind: 'dump', time: '20 min', crew: 'all' },
    { id: 'more-3', kind: 'fill', time: '20 min', crew: 'all' },
  );
  return d;
}

/** A day worked and a few sampled: settled, within the tanks, and every drop accounted for. */
function expectSound(d: RigDocument, what: string): boolean {
  const read = readRig(d);
  if (!read.ok) return false;
  const model = dayModel(read.rig);
  const r = simulateModel(model);
  const told = [r.lengthS, r.used, r.filled, r.refilled, r.dumped, r.waitedS, r.undoneS, r.fuelKg, r.carriedMost, ...r.hottest.map((h) => h.temperatureK)];
  expect([what, r.settled, told.every(Number.isFinite)]).toEqual([what, true, true]);
  const stored = r.vessels.filter((v) => v.water).reduce((s, v) => s + v.end - v.start, 0);
  const moved = r.filled + r.refilled + r.used + r.dumped + 1e-3;
  expect([what, Math.abs(r.filled + r.refilled - r.used - r.dumped - stored) / moved < 1e-9]).toEqual([what, true]);
  for (const v of r.vessels) expect([what, v.name, v.lowest >= 0 && v.lowest <= v.full && v.end <= v.full * (1 + 1e-12)]).toEqual([what, v.name, true]);
  const s = sampleDays(model, 3, 1);
  expect([what, s.unsettled, Number.isFinite(s.figures.length.mean)]).toEqual([what, 0, true]);
  return true;
}

describe('a day holds at the ends of everything that can be typed', () => {
  test('every quantity of a rig and its day, at both bounds', () => {
    const seen = new Set<string>();
    let worked = 0;
    for (const id of ['small-buffer', 'metric-header', 'boosted-skid', 'tied-tanks']) {
      for (const [path] of leaves(full(id))) {
        const rule = quantityRule(path);
        const pattern = path.replace(/\d+/g, '#');
        if (!rule || seen.has(pattern)) continue;
        seen.add(pattern);
        for (const text of [rule.min, rule.max]) {
          if (expectSound(changed(full(id), path, text), `${id} ${path} ${text}`)) worked++;
        }
      }
    }
    expect(worked).toBeGreaterThan(150);
  });
  test('every assumption, at both of its ends', () => {
    for (const a of ASSUMPTIONS) {
      const rule = assumptionRule(a);
      for (const text of [rule.min, rule.max]) {
        const d = full('small-buffer');
        d.assumptions[a.id] = text;
        expectSound(d, `${a.id} ${text}`);
      }
    }
  });
});
