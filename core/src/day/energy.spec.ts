import { addBattery, addBurner, addCharger, addFuelTank, addLoad, wireFrom } from '../edit/energy';
import { burnerFuel } from '../fuel';
import { pontoonRig } from '../layouts/first-rig';
import { LAYOUTS } from '../layouts/layouts';
import { smallBuffer } from '../layouts/small-buffer';
import { twoBatchSingleAxle } from '../layouts/two-batch-single-axle';
import type { JobDocument, PhaseDocument } from '../rig/day-schema';
import { mend } from '../rig/mend';
import { parseRig } from '../rig/read';
import type { RigDocument } from '../rig/schema';
import { near } from '../testing/near';
import { dayModel } from './model';
import { sampleDays } from './sample';
import { simulateDay } from './simulate-day';

type Draft = Omit<PhaseDocument, 'id'>;
const job = (id: string, phases: readonly Draft[]): JobDocument => ({ id, name: id, water: 'tap', phases: phases.map((p, i) => ({ id: `p${i}`, ...p })) });
const wash = (time: string): Draft => ({ kind: 'wash', time, crew: '1', trigger: '60 %' });
const drive: Draft = { kind: 'drive', time: '30 min', crew: 'all' };
const plan = (d: RigDocument, ...phases: readonly (readonly Draft[])[]): RigDocument => {
  d.brief.day = { starts: '8:00', jobs: phases.map((p, i) => job(`job${i}`, p)), tolerance: '2 %' };
  d.spigots.forEach((s) => (s.readings = [{ flow: '20 gpm', at: 'spigot' }]));
  return d;
};
const work = (d: RigDocument) => simulateDay(parseRig(d));

describe('fuel through the day', () => {
  test('two engines on one tank draw it down together; each on its own draws its own', () => {
    const day = [wash('1 h'), { kind: 'mix', time: '20 min', crew: '1', gun: 'soft-gun', trigger: '80 %' } as Draft];
    const shared = plan(smallBuffer(), day);
    addFuelTank(shared, ['washer-a', 'compressor'], { volume: '17 gal', base: '30 in' });
    const own = plan(smallBuffer(), day);
    own.machines[0].engine = { own: '8 gal' };
    own.compressors![0].engine = { own: '3 gal' };
    const [a, b] = [work(shared), work(own)];
    expect(a.fuels.length).toBe(1);
    near(a.fuels[0].usedM3, b.fuels[0].usedM3 + b.fuels[1].usedM3, 1e-9);
    near(a.fuelKg, b.fuelKg, 1e-9);
    near(a.fuels[0].leftM3 + a.fuels[0].usedM3, a.fuels[0].fullM3, 1e-12);
  });
  test('what gravity does not bring is left in the tank, and its engine stops at that', () => {
    const d = plan(pontoonRig(), [wash('6 h')]);
    d.machines[0].enginePower = '12 hp';
    d.machines[0].engine = { carburettor: '14 in' };
    addFuelTank(d, ['washer-a'], { volume: '3 gal', base: '12 in', size: { length: '16 in', width: '10 in', height: '8 in' } });
    d.fuelLines![0].length = '2 ft';
    const r = work(d);
    const dead = parseRig(d);
    expect(r.shortages.find((s) => s.cause === 'fuel')).toMatchObject({ id: d.fuelTanks![0].id });
    near(r.fuels[0].leftM3, dayModel(dead).energy.drinkers[0].deadKg / dayModel(dead).energy.stores[0].densityKgM3, 1e-9);
    expect(r.fuels[0].leftM3).toBeGreaterThan(0.3 * r.fuels[0].fullM3);
    expect(r.undoneS).toBeGreaterThan(600);
  });
  test('a can rides along and is poured in, a tank at a time, when that is down', () => {
    const d = plan(pontoonRig(), [wash('3 h')]);
    d.machines[0].engine = { own: '2 gal' };
    const bare = work(d);
    d.gear = [{ id: 'can', name: 'Can', kind: 'fuel-can', length: '14 in', width: '10 in', height: '16 in', mass: '34 lb', volume: '5 gal' }];
    const r = work(d);
    expect(bare.shortages.some((s) => s.cause === 'fuel')).toBe(true);
    expect(r.shortages.some((s) => s.cause === 'fuel')).toBe(false);
    near(r.fuels[0].usedM3 + r.fuels[0].leftM3, r.fuels[0].fullM3 + 2 * 2 * 0.97 * 0.003785411784, 1e-3);
    // Diesel in the can is of no use to it.
    d.gear[0].fuel = 'diesel';
    expect(work(d).shortages.some((s) => s.cause === 'fuel')).toBe(true);
  });
  test('a diesel burns less by weight, and its tank is heavier by the gallon', () => {
    const petrol = plan(pontoonRig(), [wash('1 h')]);
    const diesel = plan(pontoonRig(), [wash('1 h')]);
    diesel.machines[0].drive = 'diesel';
    near(work(diesel).fuelKg / work(petrol).fuelKg, 0.45 / 0.6, 1e-9);
  });
  test('a burner burns by the flow that goes through it, and dry it only leaves the water cold', () => {
    const d = plan(pontoonRig(), [wash('2 h')]);
    addBurner(d, 'washer-a', { set: '120 °F', heat: '200 kW', own: '8 gal' });
    const r = work(d);
    const burnt = r.fuels.find((f) => f.id === 'burner')!;
    const through = r.used;
    const heat = 998.2 * 4182 * through * (((120 + 459.67) * 5) / 9 - (parseRig(d).brief.water * 9) / 9);
    near(burnt.usedM3, burnerFuel(heat, 0.85, 'diesel'), 0.02);
    d.burners![0].own = '0.5 gal';
    const dry = work(d);
    expect(dry.shortages.find((s) => s.cause === 'fuel')).toMatchObject({ id: 'burner' });
    expect(dry.undoneS).toBe(0);
    near(dry.fuels.find((f) => f.id === 'burner')!.usedM3, 0.5 * 0.003785411784, 1e-9);
  });
  test('an electric washer on a generator burns the generator’s fuel', () => {
    const d = plan(LAYOUTS.find((l) => l.id === 'gravity-van')!.make(), [wash('1 h')]);
    d.mains = { from: 'generator', rcd: true };
    d.gear!.push({
      id: 'set',
      name: 'Generator',
      kind: 'generator',
      length: '24 in',
      width: '18 in',
      height: '19 in',
      mass: '105 lb',
      running: '3 kW',
      engine: { own: '3 gal' },
    });
    const r = work(d);
    expect(r.fuels).toMatchObject([{ id: 'set' }]);
    expect(r.fuels[0].usedM3).toBeGreaterThan(0);
    d.mains.from = 'site';
    expect(work(d).fuelKg).toBe(0);
  });
});

describe('charge through the day', () => {
  const spray: Draft = { kind: 'mix', time: '14 min', crew: '1', gun: 'walls-gun', trigger: '100 %' };
  test('a pump’s charge is its current for its time, more than itself above the battery’s rated current', () => {
    const d = plan(twoBatchSingleAxle(), [spray]);
    const model = dayModel(parseRig(d));
    const k = model.soft.findIndex((s) => s.electric);
    const bank = model.energy.banks[0];
    const r = work(d);
    const amps = model.soft[k].rows[model.soft[k].width - 1];
    const taken = bank.usableAs - r.batteries[0].leftAs;
    expect(amps).toBeGreaterThan(bank.ratedA);
    near(taken, amps * (amps / bank.ratedA) ** (bank.peukert - 1) * 14 * 60, 0.05);
  });
  test('lights draw their hours, evenly over the day', () => {
    const d = plan(twoBatchSingleAxle(), [drive, wash('1 h')]);
    addLoad(d, 'lights', { current: '4 A', hours: '1 h' });
    const r = work(d);
    near(r.batteries[0].usableAs - r.batteries[0].leftAs, 4 * 3600, 1e-6);
  });
  test('the vehicle charges while it drives, a coil while its engine runs, and nothing fills it over the brim', () => {
    const d = plan(twoBatchSingleAxle(), [spray, drive, wash('30 min')]);
    const bare = work(d).batteries[0].leftAs;
    addCharger(d, 'battery', 'vehicle', { current: '1 A' });
    near(work(d).batteries[0].leftAs - bare, 0.9 * 1800, 0.02);
    d.chargers = [];
    addCharger(d, 'battery', 'coil', { current: '1 A', engine: 'washer-a' });
    near(work(d).batteries[0].leftAs - bare, 0.9 * 1800, 0.02);
    d.chargers[0].current = '100 A';
    expect(work(d).batteries[0].leftAs).toBe(work(d).batteries[0].usableAs);
  });
  test('starters and reels take theirs at the end of each job', () => {
    const d = plan(twoBatchSingleAxle(), [wash('30 min')], [wash('30 min')]);
    d.machines[0].engine = { starter: 'electric' };
    const one = work(d).batteries[0];
    const hard = (150 / (one.capacityAs / 72000)) ** 0.1;
    near(one.usableAs - one.leftAs, 2 * 2 * 3 * 150 * hard, 1e-6);
  });
  test('a pump on a battery that falls sprays less than on a full one', () => {
    const [large, small] = ['400 Ah', '18 Ah'].map((capacity) => {
      const d = plan(twoBatchSingleAxle(), [spray]);
      d.batteries![0].capacity = capacity;
      return work(d);
    });
    expect(small.shortages.some((s) => s.cause === 'battery')).toBe(false);
    expect(Math.max(...small.mixes.map((m) => m.usedM3))).toBeLessThan(0.99 * Math.max(...large.mixes.map((m) => m.usedM3)));
  });
  test('a pump on a battery of its own leaves the other alone', () => {
    const d = plan(twoBatchSingleAxle(), [spray]);
    const second = addBattery(d);
    wireFrom(d, second, 'pump-walls');
    mend(d);
    const r = work(d);
    expect(r.batteries[0].leftAs).toBe(r.batteries[0].usableAs);
    expect(r.batteries[1].leftAs).toBeLessThan(r.batteries[1].usableAs);
  });
});

describe('how long a fuel tank lasts, by sampled days', () => {
  test('a larger one lasts more often, two days in a row no oftener than one', () => {
    const d = plan(pontoonRig(), [wash('4 h')]);
    d.machines[0].engine = { own: '13 gal' };
    const { fuels } = sampleDays(dayModel(parseRig(d)), 200, 3);
    expect(fuels).toMatchObject([{ id: 'washer-a', ranDry: false }]);
    const { sizes } = fuels[0];
    for (let i = 1; i < sizes.length; i++) for (let k = 0; k < 3; k++) expect(sizes[i].lasts[k]).toBeGreaterThanOrEqual(sizes[i - 1].lasts[k]);
    for (const s of sizes) expect(s.lasts[1]).toBeLessThanOrEqual(s.lasts[0] + 1e-9);
    expect(sizes.filter((s) => s.now).length).toBe(1);
    expect(sizes[0].lasts[0]).toBeLessThan(1);
    expect(sizes[sizes.length - 1].lasts[2]).toBe(1);
  });
});
