import { advise, applyFix } from '../../advise/advise';
import { LAYOUTS } from '../../layouts/layouts';
import { parseRig } from '../../rig/read';
import type { RigDocument } from '../../rig/schema';
import { judged } from '../../testing/judge';
import { leanPull, strapsWanted } from './held';

const layout = (id: string): RigDocument => LAYOUTS.find((l) => l.id === id)!.make();
const told = (d: RigDocument, ...codes: string[]): readonly string[] =>
  judged(d)
    .findings.filter((f) => codes.includes(f.code))
    .map((f) => `${f.code} ${f.verdict}`);
const placeOf = (d: RigDocument, id: string): NonNullable<RigDocument['placements']>[number] => d.placements!.find((p) => p.thing === id)!;

// 49 CFR 393.106(d) and 393.110; from memory.
test.each([
  [1.2, 400, 1],
  [1.2, 600, 2],
  [2.5, 100, 2],
  [3.2, 100, 3],
  [6.2, 100, 4],
])('a thing %s m long of %s kg takes %s straps', (length, mass, straps) => expect(strapsWanted(length, mass)).toBe(straps));

describe('straps', () => {
  const strapped = (held: Partial<NonNullable<NonNullable<RigDocument['placements']>[number]['held']>>): RigDocument => {
    const d = layout('big-tank');
    placeOf(d, 'water').held = { by: 'straps', count: '4', working: '3000 lbf', ...held };
    return d;
  };
  test('enough of them, over the tank, are sound; too few turn it', () => {
    expect(told(strapped({}), 'ties-few', 'held-weak')).toEqual([]);
    const few = strapped({ count: '1', working: '10000 lbf' });
    expect(told(few, 'ties-few')).toEqual(['ties-few starved']);
    const fix = advise(few, parseRig(few), judged(few)).find((f) => f.code === 'ties-few' && f.cures)!;
    expect(told(applyFix(few, fix), 'ties-few')).toEqual([]);
  });
  test('back to their own side, or to the tank itself, half of their working load counts', () => {
    const of = (runs: 'across' | 'same-side' | 'to-thing') => judged(strapped({ runs })).plan!.things.find((t) => t.id === 'water')!.held!.value;
    expect(of('same-side')).toBeCloseTo(of('across') / 2, 6);
    expect(of('to-thing')).toBeCloseTo(of('across') / 2, 6);
  });
});

test('said to be held by nothing is unsafe; of which nobody said, to be asked', () => {
  const d = layout('big-tank');
  delete placeOf(d, 'water').held;
  expect(told(d, 'not-held')).toEqual(['not-held tight']);
  placeOf(d, 'water').loose = true;
  expect(told(d, 'not-held')).toEqual(['not-held stop']);
  expect(told(layout('big-tank'), 'not-held')).toEqual([]);
});

describe('a tall tank', () => {
  // 0.8 g forwards on a centre at half its height, against half its length: 1000 kg, 0.5 m long and 1.5 m high lean with 0.35 kN·m for each N.
  test('leans when the brakes go on: by hand', () => {
    expect(leanPull(1000, 0.5, 1.5)).toBeCloseTo((1000 * 9.80665 * (0.8 * 0.75 - 0.25)) / 0.5, 6);
    expect(leanPull(1000, 1.5, 1)).toBe(0);
  });
  test('held by nothing it is told; on stout bolts, or hooped over the top it is not', () => {
    const d = layout('big-tank');
    const t = d.tanks.find((x) => x.id === 'drum')!;
    t.shape = { kind: 'box', length: '20 in', width: '20 in', height: '60 in' };
    t.fullLevel = t.startLevel = '58 in';
    delete placeOf(d, 'drum').held;
    expect(told(d, 'tall-tips')).toEqual(['tall-tips tight']);
    placeOf(d, 'drum').held = { by: 'bolts', count: '4', bolt: '1/2-13' };
    expect(told(d, 'tall-tips')).toEqual([]);
    placeOf(d, 'drum').held = { by: 'hoops', count: '2', bolt: '3/8-16' };
    expect(told(d, 'tall-tips')).toEqual([]);
  });
});

describe('a trailer', () => {
  const trailer = (change: (p: NonNullable<RigDocument['platform']>) => void): RigDocument => {
    const d = layout('carried-water');
    change(d.platform!);
    return d;
  };
  test('without brakes is judged by its rating where that is more than it weighs', () => {
    const d = trailer((p) => void ((p.brakes = 'none'), (p.gvwr = '12000 lb')));
    d.assumptions = { ...d.assumptions, 'brakes-from': '5000 lb' };
    expect(told(d, 'no-brakes')).toEqual(['no-brakes tight']);
    d.platform!.gvwr = '4500 lb';
    expect(told(d, 'no-brakes')).toEqual([]);
    d.platform!.brakes = 'electric';
    expect(told(d, 'no-brakes')).toEqual([]);
  });
  test('is held to what its coupler is stamped for, whole', () => {
    expect(
      told(
        trailer((p) => void (p.coupling!.gross = '3500 lb')),
        'over-coupling',
      ),
    ).toEqual(['over-coupling stop']);
    expect(
      told(
        trailer(() => undefined),
        'over-coupling',
      ),
    ).toEqual([]);
  });
  test('that pulls its coupler up is said to lift, not to sway', () => {
    const d = trailer((p) => p.axles.forEach((a) => (a.at = '20 in')));
    const f = judged(d).findings.find((x) => x.code === 'tongue-light')!;
    expect(f.message.template).toMatch(/pulled up/);
  });
});

test('fuel that a thin hose holds back is not said to stand too low', () => {
  const d = layout('boosted-skid');
  const line = d.fuelLines!.find((l) => l.to === 'washer-a')!;
  Object.assign(line, { bore: '1/8 in', length: '60 ft' });
  const f = judged(d).findings.find((x) => x.code === 'fuel-low');
  expect(f?.message.template).toMatch(/fuel hose of/);
});
