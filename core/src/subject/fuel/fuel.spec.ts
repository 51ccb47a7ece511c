import { advise, applyFix } from '../../advise/advise';
import { addFuelTank, lineFuel } from '../../edit/energy';
import { LAYOUTS } from '../../layouts/layouts';
import { parseRig } from '../../rig/read';
import type { RigDocument } from '../../rig/schema';
import { judged } from '../../testing/judge';
import { near } from '../../testing/near';

const layout = (id: string): RigDocument => LAYOUTS.find((l) => l.id === id)!.make();
const codes = (d: RigDocument): string[] => judged(d).findings.map((f) => f.code);
/** A 13 hp washer, which has no fuel pump, on a tank of its own height over the deck; no platform, so heights are as typed. */
const remote = (base: string, more: Partial<NonNullable<RigDocument['fuelTanks']>[number]> = {}): RigDocument => {
  const d = layout('carried-water');
  delete d.platform;
  delete d.placements;
  d.machines[0].engine = { carburettor: '18 in' };
  addFuelTank(d, ['washer-a'], { base, volume: '6 gal', size: { length: '20 in', width: '12 in', height: '10 in' }, ...more });
  d.fuelLines![0].length = '5 ft';
  return d;
};
const only = (d: RigDocument) => judged(d).fuel.engines[0];

describe('fuel by gravity', () => {
  test('surface over the carburettor, less what hose and slope take, worked by hand (Hagen and Poiseuille in the hose)', () => {
    const e = only(remote('24 in'));
    // 13 hp at 0.60 lb/(hp·h) and 6.1 lb/gal; 8 % of the hose’s 5 ft where nothing has a place.
    const flow = (((13 * 0.6) / 6.1) * 0.003785411784) / 3600;
    near(e.burnsMost.value, flow, 1e-4);
    const loss = (128 * 0.6e-6 * 1.524 * flow) / (Math.PI * 9.80665 * 0.00635 ** 4);
    const slope = 0.08 * 1.524;
    near(e.headFull!.value, (34 - 18) * 0.0254 - loss - slope, 2e-3);
    near(e.headLast!.value, (24.3 - 18) * 0.0254 - loss - slope, 2e-2);
    expect(e.lift).toBe('gravity');
    expect(codes(remote('24 in'))).not.toContain('fuel-low');
  });
  test('20 L/h through 5 ft of 1/4 in hose take a few millimetres of the lift', () => {
    const e = only(remote('24 in'));
    const loss = e.headFull!.working.inputs.find((x) => x.symbol === 'h_f')!.value;
    expect(loss).toBeLessThan(0.02);
    expect(loss).toBeGreaterThan(0.0005);
  });
  test('too low, part of the tank never gets there; lower still, nothing does; raised, fed again', () => {
    const part = remote('17 in');
    expect(judged(part).findings.find((f) => f.code === 'fuel-low')).toMatchObject({ verdict: 'starved', subject: { kind: 'machine', id: 'washer-a' } });
    const usable = judged(part).fuel.tanks[0].usable.value;
    expect(usable).toBeGreaterThan(0);
    expect(usable).toBeLessThan(judged(remote('24 in')).fuel.tanks[0].usable.value);
    const none = remote('2 in');
    expect(judged(none).fuel.tanks[0].usable.value).toBe(0);
    const fixes = advise(none, parseRig(none), judged(none)).filter((f) => f.code === 'fuel-low');
    expect(fixes.length).toBeGreaterThan(1);
    for (const fix of fixes.filter((f) => f.cures)) expect(codes(applyFix(none, fix))).not.toContain('fuel-low');
  });
  test('at the height where the last of it just runs there the tank is whole; a hair below it is not', () => {
    const whole = remote('24 in');
    const e = only(whole);
    // Lower the tank by what is to spare at the last.
    const touch = (more: number): number => {
      const d = remote(`${24 - e.headLast!.value / 0.0254 + more} in`);
      return only(d).deadM3 / judged(d).fuel.tanks[0].volumeM3;
    };
    near(touch(0.02), 0.03, 1e-6);
    expect(touch(-1)).toBeGreaterThan(0.1);
  });
  test('a larger engine has a pump and draws from below, as far as that lifts', () => {
    const d = remote('0 in');
    d.machines[0].enginePower = '24 hp';
    expect(only(d).lift).toBe('engine');
    expect(codes(d)).not.toContain('fuel-low');
    d.machines[0].engine = { carburettor: '60 in' };
    expect(codes(d)).toContain('fuel-low');
  });
});

describe('what is dangerous or troublesome about it', () => {
  test('no vent is a stop, and a vent cures it', () => {
    const d = remote('24 in', { vented: false });
    expect(judged(d).findings.find((f) => f.code === 'fuel-unvented')).toMatchObject({ verdict: 'stop', station: 'fuel' });
    expect(judged(d).verdict).toBe('stop');
    const fix = advise(d, parseRig(d), judged(d)).find((f) => f.code === 'fuel-unvented')!;
    expect(codes(applyFix(d, fix))).not.toContain('fuel-unvented');
  });
  test('diesel in a petrol engine is a stop', () =>
    expect(judged(remote('24 in', { fuel: 'diesel' })).findings.find((f) => f.code === 'fuel-wrong')).toMatchObject({ verdict: 'stop' }));
  test('two engines without pumps on one tank are mentioned, and hold nothing back', () => {
    const d = remote('30 in');
    d.machines.push({ ...d.machines[0], id: 'second', name: 'Second washer' });
    lineFuel(d, d.fuelTanks![0].id, 'second');
    expect(judged(d).findings.find((f) => f.code === 'fuel-share')).toMatchObject({ verdict: 'fed' });
  });
  test('fuel on a deck wants an extinguisher', () => {
    const d = layout('carried-water');
    expect(codes(d)).not.toContain('no-extinguisher');
    d.gear = d.gear!.filter((g) => g.kind !== 'extinguisher');
    d.placements = d.placements!.filter((p) => p.thing !== 'extinguisher');
    expect(codes(d)).toContain('no-extinguisher');
  });
  test('beside SH or a battery a fuel tank is told at the plan', () => {
    const d = layout('small-buffer');
    expect(codes(d)).not.toContain('fuel-oxidiser');
    const tank = d.placements!.find((p) => p.thing === 'fuel-tank')!;
    const at = (thing: string) => d.placements!.find((p) => p.thing === thing)!;
    Object.assign(tank, { x: at('drum').x, y: at('drum').y });
    expect(codes(d)).toContain('fuel-oxidiser');
    Object.assign(tank, { x: at('battery').x, y: at('battery').y });
    expect(codes(d)).toContain('battery-fuel');
  });
});

test('every layout has its fuel, and it gets to every engine', () => {
  for (const l of LAYOUTS) {
    const { fuel } = judged(l.make());
    for (const e of fuel.engines) expect([l.id, e.engineId, e.storeId === undefined, e.verdict]).toEqual([l.id, e.engineId, false, 'fed']);
  }
});

test('an engine that nobody told the fuel of is not judged', () => {
  const d = layout('carried-water');
  delete d.machines[0].engine;
  expect(judged(d).fuel).toMatchObject({ tanks: [], engines: [{ storeId: undefined, verdict: 'fed' }] });
});
