import { advise, applyFix } from '../../advise/advise';
import { LAYOUTS } from '../../layouts/layouts';
import { parseRig } from '../../rig/read';
import type { RigDocument } from '../../rig/schema';
import { judged } from '../../testing/judge';

/*
 * Fuel by its flash point (NFPA 30), carbon monoxide and hydrogen in closed bodies (NIOSH 96-118, 29 CFR 1910.178(g) on battery
 * rooms), pairs that make gas (CAMEO Chemicals): all from memory. Each beside a sound twin.
 */
const CODES = ['fuel-hot', 'battery-fuel', 'fuel-oxidiser', 'exhaust-inside', 'fuel-inside', 'battery-gas', 'fumes-inside', 'gas-pair'];
const layout = (id: string): RigDocument => LAYOUTS.find((l) => l.id === id)!.make();
const told = (d: RigDocument, ...codes: string[]): readonly string[] =>
  judged(d)
    .findings.filter((f) => (codes.length ? codes : CODES).includes(f.code))
    .map((f) => `${f.code} ${f.verdict}`);
const placeOf = (d: RigDocument, id: string): NonNullable<RigDocument['placements']>[number] => d.placements!.find((p) => p.thing === id)!;

test('no layout is told of fire or gas', () => {
  for (const l of LAYOUTS) expect([l.id, told(l.make())]).toEqual([l.id, []]);
});

/** A bare deck with an engine in the middle of its near end, and a can so far behind it. */
function deck(behindIn: number, fuel: 'petrol' | 'diesel' = 'petrol', beside: 'engine' | 'battery' | 'sh' | 'generator' = 'engine'): RigDocument {
  const d = layout('big-tank');
  d.placements = [];
  const from = { engine: 'washer-a', battery: 'cell', sh: 'drum', generator: 'genset' }[beside];
  if (beside === 'battery') d.batteries = [...(d.batteries ?? []), { id: 'cell', name: 'Battery', capacity: '100 Ah', chemistry: 'agm' }];
  d.gear = [
    { id: 'can', name: 'Can', kind: 'fuel-can', length: '10 in', width: '10 in', height: '12 in', mass: '3 lb', volume: '5 gal', fuel },
    ...(beside === 'generator'
      ? [{ id: 'genset', name: 'Generator', kind: 'generator' as const, length: '24 in', width: '20 in', height: '20 in', mass: '100 lb', running: '2 kW' }]
      : []),
  ];
  d.placements.push({ thing: from, x: '10 in', y: '20 in', size: { length: '30 in', width: '24 in', height: '24 in' } });
  d.placements.push({ thing: 'can', x: `${40 + behindIn} in`, y: '24 in' });
  return d;
}
const NEAR = ['fuel-hot', 'battery-fuel', 'fuel-oxidiser'];

describe('fuel beside what sets it on fire', () => {
  test.each([
    ['engine', 0.5, ['fuel-hot stop']],
    ['engine', 4, ['fuel-hot tight']],
    ['engine', 7, []],
    ['generator', 0.5, ['fuel-hot stop']],
    ['battery', 0.5, ['battery-fuel stop']],
    ['battery', 12, ['battery-fuel tight']],
    ['battery', 20, []],
    ['sh', 0.5, ['fuel-oxidiser stop']],
    ['sh', 10, ['fuel-oxidiser tight']],
    ['sh', 14, []],
  ] as const)('gasoline and %s, %s in apart', (beside, apart, says) => expect(told(deck(apart, 'petrol', beside), ...NEAR)).toEqual(says));
  test('diesel may stand by an engine, not over it', () => {
    expect(told(deck(2, 'diesel'), ...NEAR)).toEqual([]);
    const d = deck(0, 'diesel');
    d.gear!.push({ id: 'rack', name: 'Rack', kind: 'shelf', length: '34 in', width: '28 in', height: '30 in', mass: '20 lb', carries: '200 lb' });
    d.placements!.push({ thing: 'rack', x: '8 in', y: '18 in' });
    Object.assign(placeOf(d, 'can'), { x: '18 in', y: '24 in', on: 'rack' });
    expect(told(d, ...NEAR)).toEqual(['fuel-hot tight']);
    d.gear!.find((g) => g.id === 'can')!.fuel = 'petrol';
    expect(told(d, ...NEAR)).toEqual(['fuel-hot stop']);
  });
  test('moving one of them is a fix', () => {
    const d = deck(0.5);
    const fix = advise(d, parseRig(d), judged(d)).find((f) => f.code === 'fuel-hot' && f.cures)!;
    expect(told(applyFix(d, fix), ...NEAR)).toEqual([]);
  });
});

describe('a closed body', () => {
  const van = (change: (d: RigDocument) => void): RigDocument => {
    const d = layout('mix-tank-truck');
    change(d);
    return d;
  };
  test('an engine in it needs a pipe outside: a side with a door is none, nor is what nobody said', () => {
    expect(told(van((d) => void delete placeOf(d, 'soft-pump').exhaustPipe))).toEqual(['exhaust-inside stop']);
    const without = van((d) => void (placeOf(d, 'soft-pump').exhaustPipe = false));
    expect(told(without)).toEqual(['exhaust-inside stop']);
    const fix = advise(without, parseRig(without), judged(without)).find((f) => f.code === 'exhaust-inside')!;
    expect(told(applyFix(without, fix))).toEqual([]);
    expect(told(van(() => undefined))).toEqual([]);
  });
  test('gasoline in a can, with an engine to set it off, is unsafe; diesel is not', () => {
    const can = (fuel: 'petrol' | 'diesel'): RigDocument =>
      van((d) => {
        d.gear = [
          ...(d.gear ?? []),
          { id: 'can', name: 'Can', kind: 'fuel-can', length: '10 in', width: '10 in', height: '12 in', mass: '3 lb', volume: '5 gal', fuel },
        ];
        d.placements!.push({ thing: 'can', x: '0 in', y: '60 in' });
      });
    expect(told(can('petrol'), 'fuel-inside')).toEqual(['fuel-inside stop']);
    expect(told(can('diesel'), 'fuel-inside')).toEqual([]);
  });
  test('lead-acid that is charged in it gives off hydrogen; AGM does not, nor lead-acid on an open deck', () => {
    const charged = (id: string, chemistry: 'lead-acid' | 'agm'): RigDocument => {
      const d = layout(id);
      for (const b of d.batteries ?? []) b.chemistry = 'agm';
      d.batteries = [...(d.batteries ?? []), { id: 'cell', name: 'Battery', capacity: '100 Ah', chemistry }];
      d.chargers = [...(d.chargers ?? []), { id: 'shore-2', name: 'Shore charger', kind: 'shore', battery: 'cell', current: '10 A' }];
      d.placements!.push({ thing: 'cell', x: '2 in', y: '2 in' });
      return d;
    };
    expect(told(charged('mix-tank-truck', 'lead-acid'), 'battery-gas')).toEqual(['battery-gas tight']);
    expect(told(charged('mix-tank-truck', 'agm'), 'battery-gas')).toEqual([]);
    expect(told(charged('crew-of-four', 'lead-acid'), 'battery-gas')).toEqual([]);
  });
  test('SH that stands open in it is unsafe; under a lid that breathes outside it is not', () => {
    expect(
      told(
        van((d) => void (d.tanks.find((t) => t.id === 'batch-tank')!.lid = 'open')),
        'fumes-inside',
      ),
    ).toEqual(['fumes-inside stop']);
    expect(
      told(
        van(() => undefined),
        'fumes-inside',
      ),
    ).toEqual([]);
  });
});

describe('SH and acid side by side', () => {
  const pair = (apart: number, bund?: string): RigDocument => {
    const d = layout('tied-tanks');
    d.liquids!.push({ id: 'acid', name: 'Rust remover', kind: 'acid', price: '$18' });
    const soap = d.tanks.find((t) => t.id === 'soap-tank')!;
    d.tanks.push({ ...structuredClone(soap), id: 'acid-tank', name: 'Acid tank', holds: 'acid', ...(bund ? { bund } : {}) });
    d.placements = [
      { thing: 'sh-tank', x: '10 in', y: '10 in', size: { length: '20 in', width: '20 in', height: '24 in' } },
      { thing: 'acid-tank', x: `${30 + apart} in`, y: '10 in', size: { length: '20 in', width: '20 in', height: '24 in' } },
    ];
    return d;
  };
  test('are told with nothing between; apart, or with a tray, they are not', () => {
    expect(told(pair(2), 'gas-pair')).toEqual(['gas-pair tight']);
    expect(told(pair(40), 'gas-pair')).toEqual([]);
    expect(told(pair(2, '30 gal'), 'gas-pair')).toEqual([]);
  });
});
