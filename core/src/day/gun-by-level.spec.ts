import { assumptionValues } from '../assumption/register';
import { LAYOUTS } from '../layouts/layouts';
import { parseRig } from '../rig/read';
import type { RigDocument } from '../rig/schema';
import { levelOf } from '../rig/tank-shape';
import { Cases } from '../solve/cases';
import { near } from '../testing/near';
import { dayModel } from './model';
import { simulateDay } from './simulate-day';

/** One washer far above a shallow long tank: what it gets hangs on how full the tank is. */
function starving(more = '0 ft'): RigDocument {
  const d = LAYOUTS.find((l) => l.id === 'big-tank')!.make();
  delete d.brief.day;
  delete d.placements;
  delete d.platform;
  delete d.brief.washes;
  const washer = d.machines[0];
  const tank = d.tanks.find((t) => t.liquid === 'water')!;
  d.lines = d.lines.filter((l) => l.role !== 'fill' || l.to.id !== tank.id);
  d.reels = d.reels?.filter((r) => d.lines.some((l) => l.id === r.line));
  for (const l of d.lines.filter((x) => x.role === 'feed' && x.to.id === washer.id))
    for (const p of l.parts) if (p.kind === 'hose') Object.assign(p, { bore: '1/2 in', length: '12 ft' });
  washer.inletHeight = more;
  return d;
}

describe('guns by the level of the tank', () => {
  const d = starving('30 in');
  const rig = parseRig(d);
  const model = dayModel(rig);
  const v = model.vessels.findIndex((x) => x.water);

  test('a rig whose pumps are fed at every level is solved once, whatever its level', () => {
    for (const l of LAYOUTS) {
      const m = dayModel(parseRig(l.make()));
      const full = Float64Array.from(m.vessels, (x) => x.full);
      const low = Float64Array.from(m.vessels, (x) => x.heel);
      if (m.water.bands.every((b) => !b.length)) expect(m.water.bandsAt(full)).toBe(m.water.bandsAt(low));
    }
  });

  test('where the level decides, the gun of a full tank has more than that of a low one, and both are the solved cases’', () => {
    expect(model.water.bands[v].length).toBeGreaterThan(0);
    const at = (volume: number) => Float64Array.from(model.vessels, (x, i) => (i === v ? volume : x.full));
    const { full, heel, tank } = model.vessels[v];
    const of = (volume: number): number => model.water.state(1, 1, model.water.bandsAt(at(volume))).pressure[0];
    expect(of(full)).toBeGreaterThan(1.02 * of(heel));
    // By the case solved for itself, at the middle of the uppermost band.
    const cases = new Cases(rig, assumptionValues(rig.assumptions));
    const [low, top] = [levelOf(tank.shape, heel), levelOf(tank.shape, full)];
    const solved = cases.given({ open: [rig.outlets[0].id], running: (m) => m === 0, levelOf: { [tank.id]: low + ((top - low) * 15) / 16 } });
    near(of(full), solved.pressureOf('outlet', rig.outlets[0].id), 1e-9);
  });

  test('over the day the gun falls with the tank, step by step, and the lowest is told', () => {
    const day = simulateDay(rig);
    const trace = day.trace!;
    const gun = trace.gunPa[0].filter((p) => p > 0);
    expect(Math.max(...gun)).toBeGreaterThan(1.01 * Math.min(...gun));
    // Nothing fills it: pressures never rise while it is washed with.
    gun.slice(1).forEach((p, i) => expect(p).toBeLessThanOrEqual(gun[i] * (1 + 1e-9)));
    near(day.guns[0].lowestPa, Math.min(...gun), 1e-9);
  });
});
