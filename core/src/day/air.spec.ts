import { say } from '../working/figure';
import { advise, applyFix } from '../advise/advise';
import { assess } from '../assess/assess';
import { airPressure } from '../fluid/air';
import { receiverAir } from '../chemistry/diaphragm-pump';
import { addReceiver } from '../edit/energy';
import { smallBuffer } from '../layouts/small-buffer';
import { si } from '../quantity/parse';
import type { JobDocument, PhaseDocument } from '../rig/day-schema';
import { parseRig } from '../rig/read';
import type { RigDocument } from '../rig/schema';
import { near } from '../testing/near';
import { dayModel } from './model';
import { simulateDay, simulateModel } from './simulate-day';
import type { DayResult } from './types';

const CFM = 4.719474432e-4;
type Draft = Omit<PhaseDocument, 'id'>;
const job = (id: string, phases: readonly Draft[]): JobDocument => ({ id, name: id, water: 'none', phases: phases.map((p, i) => ({ id: `p${i}`, ...p })) });
const spray = (time: string, trigger = '100 %'): Draft => ({ kind: 'mix', time, crew: '1', gun: smallBuffer().sprayers![0].id, trigger });

/** The small-buffer rig with its air-operated pump: tanks large enough that nothing but air runs out. */
function rig({ freeAir, receiver }: { readonly freeAir?: string; readonly receiver?: string }, phases: readonly Draft[]): RigDocument {
  const d = smallBuffer();
  d.brief.altitude = '0 ft';
  if (freeAir) d.compressors![0].freeAir = freeAir;
  if (receiver) addReceiver(d, 'compressor', receiver);
  for (const t of d.tanks) if (t.shape.kind === 'box') t.shape = { ...t.shape, length: '20 ft', width: '20 ft' };
  d.brief.day = { starts: '8:00', tolerance: '2 %', jobs: [job('job', phases)] };
  return d;
}
/** Free air that the pump asks with full tanks, m³/s. */
function asked(d: RigDocument): number {
  const m = dayModel(parseRig(d));
  return Math.max(...m.soft.map((s) => s.air));
}
const used = (r: DayResult): number => Math.max(...r.mixes.map((m) => m.usedM3));
const cfm = (m3s: number): string => `${(m3s / CFM).toFixed(6)} cfm`;
const soft = (d: RigDocument) => assess(parseRig(d)).chemical.softPumps.find((p) => p.airUse)!;
const air = (d: RigDocument) => assess(parseRig(d)).air.pumps[0];

describe('an air receiver', () => {
  /** Receiver sizing of compressed-air handbooks, t = V·(p₁ − p₂)/(C·p₀) (CAGI, Compressed Air and Gas Handbook; from memory). */
  test('60 gal between 125 and 90 psi gives 19.1 cubic feet of free air at sea level', () => {
    const cubicFoot = 0.3048 ** 3;
    near(receiverAir(si('60 gal', 'volume'), si('125 psi', 'pressure'), si('90 psi', 'pressure'), 101325) / cubicFoot, 19.1, 2e-3);
    expect(receiverAir(1, 5e5, 6e5, 101325)).toBe(0);
  });
  test('carries the pump for its air over what is missing, then the compressor’s share is left', () => {
    const need = asked(rig({}, [spray('1 h')]));
    const d = rig({ freeAir: cfm(0.6 * need), receiver: '60 gal' }, [spray('1 h')]);
    const model = dayModel(parseRig(d));
    near(model.energy.compressors[0].given, 0.6 * need, 1e-6);
    const r = simulateModel(model);
    const short = r.shortages.find((s) => s.cause === 'air')!;
    near(short.atS, model.energy.compressors[0].receiver / (0.4 * need), 1e-6);
    expect(r.receivers[0].lowest).toBe(0);
    const plenty = simulateDay(parseRig(rig({ freeAir: cfm(2 * need) }, [spray('1 h')])));
    // Until then it sprays at full flow, afterwards at the compressor's share.
    const share = (short.atS + 0.6 * (3600 - short.atS)) / 3600;
    near(used(r) / used(plenty), share, 0.01);
    expect(plenty.shortages.filter((s) => s.cause === 'air')).toEqual([]);
  });
  test('evens out a trigger pulled half the time; without one the pump is short while it sprays', () => {
    const phases = [spray('30 min', '50 %')];
    const need = asked(rig({}, phases));
    const without = simulateDay(parseRig(rig({ freeAir: cfm(0.6 * need) }, phases)));
    const withOne = simulateDay(parseRig(rig({ freeAir: cfm(0.6 * need), receiver: '20 gal' }, phases)));
    expect(without.shortages.some((s) => s.cause === 'air')).toBe(true);
    expect(withOne.shortages.some((s) => s.cause === 'air')).toBe(false);
    expect(withOne.receivers[0].lowest).toBe(1);
    near(used(without) / used(withOne), 0.6, 0.01);
  });
  test('fills again while the crew moves on', () => {
    const dwell: Draft = { kind: 'dwell', time: '20 min', crew: '1' };
    const need = asked(rig({}, [spray('1 h')]));
    const carried = (phases: readonly Draft[]): number => {
      const d = rig({ freeAir: cfm(0.7 * need), receiver: '80 gal' }, phases);
      return simulateDay(parseRig(d)).receivers[0].lowest!;
    };
    const once = carried([spray('1 min')]);
    expect(once).toBeLessThan(1);
    expect(once).toBeGreaterThan(0);
    near(carried([spray('1 min'), dwell, spray('1 min'), dwell, spray('1 min')]), once, 1e-6);
    expect(carried([spray('1 min'), spray('1 min')])).toBeLessThan(once);
  });
  test('no air pump at work, no air told', () => {
    expect(simulateDay(parseRig(rig({ freeAir: '0 cfm' }, [{ kind: 'wash', time: '5 min', crew: '1' }]))).shortages.some((s) => s.cause === 'air')).toBe(false);
  });
});

describe('the verdict on air', () => {
  const small = (): RigDocument => {
    const d = smallBuffer();
    d.compressors![0].freeAir = '8 cfm';
    return d;
  };
  test('a receiver that lasts a job settles it, and is offered where a usual size does', () => {
    const d = small();
    const a = assess(parseRig(d));
    expect(air(d).short).toBe(true);
    expect(air(d).carriesS).toBe(0);
    const fixes = advise(d, parseRig(d), a).filter((f) => f.code === 'air-short');
    const receiver = fixes.find((f) => say(f.title, 'us').includes('receiver'))!;
    expect(receiver.cures).toBe(true);
    const cured = applyFix(d, receiver);
    expect(cured.receivers![0].volume).toMatch(/^\d+ gal$/);
    expect(air(cured).short).toBe(false);
    expect(air(cured).carriesS).toBeGreaterThanOrEqual(soft(cured).sprayS);
  });
  test('one too small is told with the time it carries', () => {
    const d = small();
    addReceiver(d, 'compressor', '5 gal');
    const p = air(d);
    expect(p.short).toBe(true);
    near(
      p.carriesS,
      receiverAir(
        si('5 gal', 'volume'),
        si('125 psi', 'pressure'),
        parseRig(d).softPumps.find((x) => x.id === p.pumpId)!.limit,
        airPressure(parseRig(d).brief.altitude),
      ) /
        (p.needM3s - p.givenM3s),
      1e-9,
    );
    expect(assess(parseRig(d)).findings.find((f) => f.code === 'air-short')!.message.template).toContain('its receiver makes up for it');
  });
  test('a compressor that rests below the pump’s air stores nothing', () => {
    const d = small();
    addReceiver(d, 'compressor', '60 gal');
    d.compressors![0].cutOut = '30 psi';
    expect(air(d).carriesS).toBe(0);
  });
});
