import { advise, applyFix } from '../../advise/advise';
import { assess } from '../../assess/assess';
import { simulateDay } from '../../day/simulate-day';
import { addBooster } from '../../edit/booster';
import { addBattery, addCharger, addLoad, addPanel, wireFrom } from '../../edit/energy';
import { placeOf } from '../../edit/place';
import { cableSize, copperC, wireResistance } from '../../electrics/cable';
import { LAYOUTS } from '../../layouts/layouts';
import { mend } from '../../rig/mend';
import { parseRig } from '../../rig/read';
import type { RigDocument } from '../../rig/schema';
import { judged } from '../../testing/judge';
import { near } from '../../testing/near';

const layout = (id: string): RigDocument => LAYOUTS.find((l) => l.id === id)!.make();
const circuits = (d: RigDocument) => judged(d).circuits;
/** The tied tanks' rig with its battery and nothing but its pump on it. */
const bare = (): RigDocument => {
  const d = layout('tied-tanks');
  d.wires = [];
  d.panels = [];
  d.loads = [];
  for (const m of d.machines) m.engine = { starter: 'recoil' };
  mend(d);
  return d;
};

describe('cables from the battery', () => {
  test('of every layout carry their solved currents, lose no more than they may, and their fuses lie between', () => {
    for (const l of LAYOUTS) {
      const a = judged(l.make());
      for (const c of a.circuits) {
        expect([l.id, c.loadId, c.verdict]).toEqual([l.id, c.loadId, 'fed']);
        expect(c.dropShare!).toBeLessThanOrEqual(c.mostDrop + 1e-6);
        if (c.part === 'starter') continue;
        expect(c.fuseA!).toBeGreaterThanOrEqual(1.25 * c.current.value - 1e-9);
        near(c.voltage, 12.5 * (1 - c.dropShare!), 1e-9);
      }
      for (const c of a.cables) if (c.fuseA !== undefined) expect(c.ampacityA!).toBeGreaterThanOrEqual(c.fuseA);
    }
  });
  test('length is the way along the deck with slack; farther off it takes thicker wire', () => {
    const d = bare();
    const near1 = circuits(d)[0];
    expect(near1.asLaid).toBe(true);
    placeOf(d, 'battery')!.x = '0 in';
    placeOf(d, 'soft-pump')!.x = '120 in';
    const far = circuits(d)[0];
    expect(far.lengthM).toBeGreaterThan(near1.lengthM);
    expect(far.gauge!).toBeLessThanOrEqual(near1.gauge!);
  });
  test('without a place it is the usual length, and that is said', () => {
    const d = bare();
    d.placements = d.placements!.filter((p) => p.thing !== 'battery');
    const [c] = circuits(d);
    expect(c.asLaid).toBe(false);
    near(c.lengthM, 3.048, 1e-9);
    expect(judged(d).assumptionsUsed).toContain('wire-length');
  });
  test('a booster’s current is its head and flow over its efficiency; switched off it draws nothing', () => {
    const d = layout('boosted-skid');
    const c = circuits(d).find((x) => x.loadId === 'transfer')!;
    expect(c.current.value).toBeGreaterThan(2);
    const half = circuits({ ...d, assumptions: { ...d.assumptions, 'booster-efficiency': '17.5 %' } }).find((x) => x.loadId === 'transfer')!;
    near(half.current.value, 2 * c.current.value, 1e-9);
    d.boosters[0].running = false;
    expect(circuits(d).some((x) => x.loadId === 'transfer')).toBe(false);
  });
  test('so far off that no cable does is told, and a battery beside it cures it', () => {
    const d = bare();
    d.placements = d.placements!.filter((p) => p.thing !== 'battery');
    d.assumptions = { ...d.assumptions, 'wire-length': '100 m' };
    const a = judged(d);
    expect(a.circuits[0].gauge).toBeUndefined();
    expect(a.findings.find((f) => f.code === 'circuit-long')).toMatchObject({ verdict: 'tight', station: 'electrics' });
    const fix = advise(d, parseRig(d), a).find((f) => f.code === 'circuit-long')!;
    expect(judged(applyFix(d, fix)).findings.some((f) => f.code === 'circuit-long')).toBe(false);
  });
  test('no battery, no circuits: that is told elsewhere', () => {
    const d = bare();
    delete d.batteries;
    mend(d);
    expect(circuits(d)).toEqual([]);
    const booster = layout('buffer-skid');
    delete booster.batteries;
    mend(booster);
    addBooster(booster, [booster.lines.find((l) => l.role === 'feed')!.id], 0);
    expect(circuits(booster)).toEqual([]);
  });
});

describe('cables as typed', () => {
  const wired = (changes: object): RigDocument => {
    const d = bare();
    Object.assign(wireFrom(d, 'battery', 'soft-pump'), { length: '20 ft', ...changes });
    return d;
  };
  test('too thin for the fuse is a stop: it burns before the fuse blows', () => {
    const d = wired({ gauge: '14', fuse: '60 A' });
    const a = judged(d);
    expect(a.findings.find((f) => f.code === 'cable-thin')).toMatchObject({ verdict: 'stop', station: 'electrics', subject: { kind: 'soft-pump' } });
    const fix = advise(d, parseRig(d), a).find((f) => f.code === 'cable-thin' && f.cures)!;
    expect(judged(applyFix(d, fix)).findings.some((f) => f.code === 'cable-thin')).toBe(false);
  });
  test('a fuse below what flows blows; between that and a quarter more it is near', () => {
    const amps = circuits(bare())[0].current.value;
    expect(judged(wired({ gauge: '2', fuse: `${Math.floor(amps * 0.8)} A` })).findings.find((f) => f.code === 'fuse-small')).toMatchObject({
      verdict: 'starved',
    });
    expect(judged(wired({ gauge: '2', fuse: `${(amps * 1.1).toFixed(1)} A` })).findings.find((f) => f.code === 'fuse-small')).toMatchObject({
      verdict: 'tight',
    });
  });
  test('a thin cable slows the pump: volts at it by Ohm’s law from the current that it then draws, worked by hand', () => {
    const [thick, thin] = [judged(wired({ gauge: '4/0' })), judged(wired({ gauge: '10' }))];
    const [a, b] = [thick.chemical.softPumps[0], thin.chemical.softPumps[0]];
    expect(b.flow.value).toBeLessThan(a.flow.value * 0.97);
    const [c] = thin.circuits;
    near(c.voltage, 12.5 - 2 * 20 * 0.3048 * wireResistance(10, copperC(10, b.current!.value)) * b.current!.value, 1e-6);
    // The pump's power is the same on both sides: what it puts into the water, and what it draws running free.
    near(b.current!.value, 3 + (b.flow.value * b.rise.value) / (0.45 * c.voltage), 1e-6);
    expect(thin.findings.find((f) => f.code === 'drop-high')).toMatchObject({ subject: { kind: 'soft-pump', id: 'soft-pump' } });
  });
  test('behind a panel the shared cable carries all that hangs on it, and every load loses on both', () => {
    const d = bare();
    const panel = addPanel(d, 'battery');
    Object.assign(wireFrom(d, 'battery', panel), { gauge: '4', length: '10 ft' });
    Object.assign(wireFrom(d, panel, 'soft-pump'), { gauge: '8', length: '6 ft' });
    const lights = addLoad(d, 'lights', { current: '10 A' });
    Object.assign(wireFrom(d, panel, lights), { gauge: '12', length: '15 ft' });
    const a = judged(d);
    const of = (id: string) => a.circuits.find((c) => c.loadId === id)!;
    const pump = of('soft-pump').current.value;
    const warm = (gauge: number, amps: number): number => wireResistance(gauge, copperC(gauge, amps));
    const [main, own, far] = [warm(4, pump + 10) * 2 * 3.048, warm(8, pump) * 2 * 1.8288, warm(12, 10) * 2 * 4.572];
    near(of('soft-pump').voltage, 12.5 - main * (pump + 10) - own * pump, 1e-9);
    near(of(lights).voltage, 12.5 - main * (pump + 10) - far * 10, 1e-9);
    near(a.cables.find((c) => c.to === panel)!.currentA, pump + 10, 1e-9);
  });
  test('a starter far off on a thin cable cranks slowly; a change of the cable cures it', () => {
    const d = bare();
    d.machines[0].engine = { starter: 'electric' };
    Object.assign(wireFrom(d, 'battery', 'washer-a'), { gauge: '8', length: '12 ft' });
    const a = judged(d);
    const c = a.circuits.find((x) => x.part === 'starter')!;
    near(c.voltage, 11 - 150 * 2 * 12 * 0.3048 * wireResistance(8, 30), 1e-9);
    expect(a.findings.find((f) => f.code === 'cranks-slowly')).toMatchObject({ subject: { kind: 'machine', id: 'washer-a' } });
    const fix = advise(d, parseRig(d), a).find((f) => f.code === 'cranks-slowly' && f.cures)!;
    expect(judged(applyFix(d, fix)).findings.some((f) => f.code === 'cranks-slowly')).toBe(false);
  });
  test('twenty-four volts halve the current of the same pump', () => {
    const d = bare();
    const twelve = circuits(d)[0].current.value;
    d.batteries![0].volts = '24';
    const c = circuits(d)[0];
    near(c.current.value - 3, (twelve - 3) / 2, 0.01);
    near(c.voltage, 25 * (1 - c.dropShare!), 1e-9);
  });
});

describe('a battery over the day', () => {
  test('what is taken and charged is on balance what the day takes; two side by side give twice as much', () => {
    const d = bare();
    const one = judged(d).batteries[0];
    expect(one.taken.value).toBeGreaterThan(0);
    expect(one.net.value).toBe(Math.max(one.taken.value - one.charged, 0));
    d.batteries![0].parallel = '2';
    near(judged(d).batteries[0].usableAs, 2 * one.usableAs, 1e-9);
    // Each of two is drawn on half as hard.
    expect(judged(d).batteries[0].taken.value).toBeLessThan(one.taken.value);
  });
  test('what the brief takes out of it is what the simulated day takes: on every layout, to a twelfth or half an amp-hour', () => {
    for (const l of LAYOUTS) {
      const d = l.make();
      // Charging that fills it would hide what is taken.
      d.chargers = [];
      const rig = parseRig(d);
      const day = simulateDay(rig);
      for (const b of assess(rig).batteries) {
        const own = day.batteries.find((x) => x.id === b.batteryId)!;
        const simulated = own.usableAs - own.leftAs;
        if (own.lowestAs <= 0) expect(b.net.value).toBeGreaterThan(0.9 * own.usableAs);
        else expect([l.id, Math.abs(b.net.value - simulated) <= Math.max(simulated / 12, 1800)]).toEqual([l.id, true]);
      }
    }
  });
  test('starters and reels hang on the starting battery where there is one, pumps on the other', () => {
    const d = bare();
    d.machines[0].engine = { starter: 'electric' };
    d.reels![0].motor = '40 A';
    const start = addBattery(d, { use: 'start', capacity: '40 Ah' });
    const of = (id: string) => circuits(d).find((c) => c.loadId === id)!.batteryId;
    expect([of('washer-a'), of(d.reels![0].id), of('soft-pump')]).toEqual([start, start, 'battery']);
  });
  test('a night on a small charger does not fill it', () => {
    const d = bare();
    d.chargers = [];
    addCharger(d, 'battery', 'shore', { current: '0.5 A' });
    expect(judged(d).findings.map((f) => f.code)).toContain('night-short');
    d.chargers[0].current = '20 A';
    expect(judged(d).findings.map((f) => f.code)).not.toContain('night-short');
    expect(judged(d).batteries[0].fullByMorning).toBe(true);
  });
  /** Common practice: a deep-cycle battery of a few tens of amp-hours runs one 12 V pump through a day's roofs with most of it left. */
  test('a day’s roofs leave most of a battery of 60 Ah', () => {
    const d = LAYOUTS.find((l) => l.id === 'two-batch')!.make();
    d.batteries![0].capacity = '60 Ah';
    d.chargers = [];
    const b = judged(d).batteries[0];
    expect(b.net.value).toBeGreaterThan(0);
    expect(b.net.value).toBeLessThan(0.5 * b.capacityAs);
  });
});

test('a day that empties the battery is told, and a larger one cures it', () => {
  const d = layout('two-batch');
  d.batteries![0].capacity = '6 Ah';
  const a = judged(d);
  expect(a.findings.map((f) => f.code)).toContain('battery-short');
  const fix = advise(d, parseRig(d), a).find((f) => f.code === 'battery-short' && f.cures)!;
  expect(judged(applyFix(d, fix)).findings.map((f) => f.code)).not.toContain('battery-short');
});

test('where cable is bought by its copper, what nobody named is chosen from that', () => {
  const document = LAYOUTS.find((l) => l.id === 'crew-of-four')!.make();
  for (const w of document.wires ?? []) delete w.gauge;
  const gauges = (cables: 'awg' | 'mm2') =>
    assess(parseRig({ ...document, cables })).cables.flatMap((c) => (c.gauge === undefined ? [] : [cableSize(c.gauge)]));
  expect(gauges('awg').length).toBeGreaterThan(2);
  expect(gauges('awg').every((g) => g.startsWith('AWG '))).toBe(true);
  expect(gauges('mm2').every((g) => g.endsWith(' mm²'))).toBe(true);
});
