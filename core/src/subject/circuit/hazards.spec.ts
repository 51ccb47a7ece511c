import { advise, applyFix } from '../../advise/advise';
import { ampacityOf, copperC, wireResistance } from '../../electrics/index';
import { LAYOUTS } from '../../layouts/layouts';
import { mend } from '../../rig/mend';
import { parseRig } from '../../rig/read';
import type { RigDocument } from '../../rig/schema';
import { doSum, findSum } from '../../sums/index';
import { judged } from '../../testing/judge';

const layout = (id: string): RigDocument => LAYOUTS.find((l) => l.id === id)!.make();
const told = (d: RigDocument, ...codes: string[]): readonly string[] =>
  judged(d)
    .findings.filter((f) => codes.includes(f.code))
    .map((f) => `${f.code} ${f.verdict}`);
const fixed = (d: RigDocument, code: string): readonly string[] => {
  const fix = advise(d, parseRig(d), judged(d)).find((f) => f.code === code && f.cures);
  return fix ? told(applyFix(d, fix), code) : ['no fix'];
};

describe('ampacity', () => {
  // NEC table 310.16, copper: AWG 8 carries 40, 50 and 55 A at 60, 75 and 90 °C; in air of 40 °C 60 °C wire carries 0.82 of it.
  test('by insulation and by the air around', () => {
    expect((['60', '75', '90', 'vehicle'] as const).map((i) => ampacityOf(8, i))).toEqual([40, 50, 55, 80]);
    expect(ampacityOf(8, '60', 40)! / 40).toBeCloseTo(0.82, 2);
    expect(ampacityOf(8, '90', 40)! / 55).toBeCloseTo(0.91, 2);
    expect(ampacityOf(8, '60', 60)).toBe(0);
  });
  test('copper is as warm as its air with no current, and as its insulation stands at its ampacity; its resistance follows', () => {
    expect(copperC(8, 0)).toBe(30);
    expect(copperC(8, 40)).toBeCloseTo(60, 9);
    expect(copperC(8, 20, '60', 40)).toBeCloseTo(40 + 20 * (20 / (40 * Math.sqrt(20 / 30))) ** 2, 9);
    expect(wireResistance(8, 60) / wireResistance(8)).toBeCloseTo(1 + 0.00393 * 40, 9);
  });
  test('the sum and the rig lose the same in the same cable', () => {
    const d = layout('tied-tanks');
    const { circuits } = judged(d);
    const own = circuits.find((c) => c.part === 'pump')!;
    d.wires = [{ id: 'w', from: own.batteryId, to: own.loadId, gauge: '8', length: '12 ft' }];
    const c = judged(d).circuits.find((x) => x.loadId === own.loadId)!;
    const sum = doSum(findSum('voltage-drop')!, { current: `${c.current.value} A`, length: '12 ft', gauge: '8', voltage: '12.5 V' });
    expect(sum).toMatchObject({ ok: true });
    if (sum.ok) expect(sum.value.result['drop'].si / c.drop!.value).toBeCloseTo(1, 6);
  });
});

describe('a cable and its fuse', () => {
  const wired = (wire: Partial<NonNullable<RigDocument['wires']>[number]>): RigDocument => {
    const d = layout('tied-tanks');
    const own = judged(d).circuits.find((c) => c.part === 'pump')!;
    d.wires = [{ id: 'w', from: own.batteryId, to: own.loadId, ...wire }];
    return d;
  };
  test('none, and said to be none, is unsafe; left out, one is chosen', () => {
    expect(told(wired({ unfused: true }), 'no-fuse')).toEqual(['no-fuse stop']);
    expect(fixed(wired({ unfused: true }), 'no-fuse')).toEqual([]);
    expect(told(wired({}), 'no-fuse', 'cable-thin')).toEqual([]);
  });
  test('over what 60 °C wire carries asks which insulation; said to be 60 °C it is unsafe, as vehicle cable it is sound', () => {
    const over = (insulation?: '60' | 'vehicle') => told(wired({ gauge: '8', fuse: '50 A', ...(insulation ? { insulation } : {}) }), 'cable-thin');
    expect(over()).toEqual(['cable-thin tight']);
    expect(over('60')).toEqual(['cable-thin stop']);
    expect(over('vehicle')).toEqual([]);
  });
  test('a fuse that Pozzo chose condemns nobody', () => {
    const amps = judged(layout('tied-tanks')).circuits.find((c) => c.part === 'pump')!.current.value;
    // The smallest gauge that carries the load itself, whatever 1.25 of it would ask.
    const gauge = (['14', '12', '10', '8', '6'] as const).find((g) => ampacityOf(Number(g))! >= amps)!;
    expect(told(wired({ gauge }), 'cable-thin').filter((t) => t.endsWith('stop'))).toEqual([]);
  });
});

describe('volts', () => {
  test('a 12 V pump on 24 V burns; made for 24 it does not', () => {
    const d = layout('tied-tanks');
    for (const b of d.batteries!) b.volts = '24';
    d.softPumps![0].volts = '12';
    expect(told(d, 'volts-wrong')).toEqual(['volts-wrong stop']);
    expect(fixed(d, 'volts-wrong')).toEqual([]);
    delete d.softPumps![0].volts;
    expect(told(d, 'volts-wrong')).toEqual([]);
  });
});

describe('what needs current and has none', () => {
  test('electric start, a reel’s motor, a burner, lights: each is told; with a battery none', () => {
    const d = layout('big-tank');
    delete d.batteries;
    delete d.chargers;
    delete d.wires;
    delete d.panels;
    mend(d);
    d.machines[0].engine = { starter: 'electric' };
    d.reels![0].motor = '20 A';
    d.loads = [{ id: 'lights', name: 'Work lights', kind: 'lights', current: '4 A', hours: '1 h' }];
    const none = judged(d).findings.filter((f) => f.code === 'no-battery');
    expect(none.map((f) => f.subject.kind).sort()).toEqual(expect.arrayContaining(['load', 'machine', 'reel']));
    expect(told(layout('big-tank'), 'no-battery')).toEqual([]);
  });
});

describe('a socket', () => {
  const van = (power: string, mains: Partial<NonNullable<RigDocument['mains']>>): RigDocument => {
    const d = layout('gravity-van');
    d.machines[0].enginePower = power;
    d.mains = { from: 'site', rcd: true, ...mains };
    return d;
  };
  // 5 hp / 80 % / 120 V = 38.9 A.
  test.each([
    ['5 hp', { volts: '120 V', breaker: '15 A' }, ['socket-small starved']],
    ['5 hp', {}, ['socket-small tight']],
    ['5 hp', { volts: '240 V', breaker: '30 A' }, []],
    ['2 hp', { volts: '120 V', breaker: '20 A' }, []],
    ['2 hp', { volts: '120 V', breaker: '16 A' }, ['socket-small tight']],
  ])('%s on %j', (power, mains, says) => expect(told(van(power, mains), 'socket-small')).toEqual(says));
  test('an extension lead too thin burns, too long starves the motor, thick enough does neither', () => {
    const lead = (gauge: '18' | '16' | '12' | '10', length: string) => van('2 hp', { volts: '120 V', breaker: '20 A', lead: { gauge, length } });
    expect(told(lead('16', '25 ft'), 'lead-thin')).toEqual(['lead-thin stop']);
    expect(told(lead('12', '150 ft'), 'lead-thin')).toEqual(['lead-thin tight']);
    expect(told(lead('10', '50 ft'), 'lead-thin')).toEqual([]);
    expect(fixed(lead('16', '25 ft'), 'lead-thin')).toEqual([]);
  });
});

test('a generator gives less at altitude: 3.5 % for each 1000 ft', () => {
  const d = layout('gravity-van');
  d.mains = { from: 'generator', rcd: true };
  d.gear = [
    ...(d.gear ?? []),
    { id: 'set', name: 'Generator', kind: 'generator', length: '24 in', width: '20 in', height: '20 in', mass: '100 lb', running: '2.0 kW', starting: '6 kW' },
  ];
  expect(told(d, 'generator-small')).toEqual([]);
  d.brief.altitude = '8000 ft';
  expect(told(d, 'generator-small')).toEqual(['generator-small starved']);
});

// Two 45 A loads for 24 minutes on 100 Ah with an exponent of 1.2: 90 A · 0.4 h · (90 / 5)^0.2 = 64.2 Ah; each by itself 2 · 27.9.
test('what runs together draws harder than each by itself', () => {
  const d = layout('tied-tanks');
  const id = d.batteries![0].id;
  d.batteries = [{ id, name: 'Battery', capacity: '100 Ah', chemistry: 'lead-acid' }];
  d.chargers = [];
  d.panels = [];
  d.wires = [];
  d.loads = ['a', 'b'].map((x) => ({ id: x, name: x, kind: 'other' as const, current: '45 A', hours: '24 min' }));
  d.assumptions = { ...d.assumptions, 'peukert-lead-acid': '1.2' };
  mend(d);
  const taken = (loads: typeof d.loads) => judged({ ...d, loads }).batteries[0].taken.value / 3600;
  const none = taken([]);
  expect(taken(d.loads) - none).toBeCloseTo(64.2, 1);
  expect(2 * (taken(d.loads.slice(0, 1)) - none)).toBeCloseTo(55.9, 1);
});
