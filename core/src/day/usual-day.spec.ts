import { assess } from '../assess/assess';
import { LAYOUTS } from '../layouts/layouts';
import { parseRig } from '../rig/read';
import { simulateDay } from './simulate-day';
import { dayOf } from './usual-day';

// Whole minutes at a usual trigger once took up to a tenth less of a mix than the brief asks for.
test.each(LAYOUTS.filter((l) => l.make().mixes?.length).map((l) => l.id))('%s: the day that nobody wrote sprays what the brief asks for', (id) => {
  const d = LAYOUTS.find((l) => l.id === id)!.make();
  delete d.brief.day;
  const rig = parseRig(d);
  const day = simulateDay(rig);
  const a = assess(rig);
  for (const m of a.chemical.mixes) {
    const used = day.mixes.find((x) => x.mixId === m.mixId)!.usedM3;
    // Where stock or water ran out it took less, and says so. Levels move the flow of a blend a little.
    if (day.shortages.length || !(m.flow.value > 0) || !(m.dayM3.value > 0) || m.way === 'downstream' || m.way === 'nozzle') continue;
    const jobs = dayOf(rig).jobs.filter((j) => j.phases.some((p) => p.kind === 'mix')).length;
    if (jobs === 0 || jobs !== a.chemical.mixes.reduce((s, x) => s + x.jobsPerDay, 0)) continue;
    expect(Math.abs(used / m.dayM3.value - 1)).toBeLessThan(0.03);
  }
});

test('phases of it are whole minutes, and no trigger is held more than always', () => {
  for (const l of LAYOUTS) {
    const d = l.make();
    delete d.brief.day;
    for (const job of dayOf(parseRig(d)).jobs)
      for (const p of job.phases) {
        expect(p.time % 60).toBeCloseTo(0, 6);
        if (p.trigger !== undefined) expect(p.trigger).toBeLessThanOrEqual(1);
      }
  }
});
