import { near } from '../testing/near';
import { FUELS } from '../fuel/index';
import { doSum, findSum } from './index';

const run = (name: string, typed: Record<string, string>): Record<string, number> => {
  const done = doSum(findSum(name)!, typed);
  if (!done.ok) throw new Error(JSON.stringify(done.problems));
  return Object.fromEntries(Object.entries(done.value.result).map(([k, v]) => [k, v.si]));
};

describe('sums of wire, fuel and heat, both ways round', () => {
  // Worked by hand: AWG 10 has 0.999 Ω for 1000 ft; 20 A over 10 ft there and back lose 0.40 V.
  test('voltage-drop and cable-reach', () => {
    near(run('voltage-drop', { current: '20 A', length: '10 ft', gauge: '10', voltage: '12 V' })['drop'], 0.4 * (1 + 0.00393 * 23.33), 5e-3);
    const reach = run('cable-reach', { current: '20 A', gauge: '10', voltage: '12 V', most: '3 %' })['length'];
    near(run('voltage-drop', { current: '20 A', length: `${reach} m`, gauge: '10', voltage: '12 V' })['share'], 0.03, 1e-9);
  });
  test('cable takes AWG 8 for 20 A over 10 ft at 3 %', () =>
    expect(run('cable', { current: '20 A', length: '10 ft', voltage: '12 V' })).toMatchObject({ gauge: 8, fuse: 25 }));
  test('fuse and what it holds', () => {
    expect(run('fuse', { current: '20 A' })['fuse']).toBe(25);
    expect(run('fuse-load', { fuse: '25 A' })['current']).toBe(20);
  });
  test('starter and how far its cable reaches', () => {
    const reach = run('starter-reach', { current: '150 A', gauge: '2', voltage: '11 V', least: '9.6 V' })['length'];
    near(run('starter', { current: '150 A', length: `${reach} m`, gauge: '2', voltage: '11 V' })['left'], 9.6, 1e-9);
    const none = doSum(findSum('starter-reach')!, { gauge: '2', voltage: '9 V', least: '9.6 V' });
    expect(none.ok).toBe(false);
  });
  // Peukert by hand: 100 Ah at 20 h, exponent 1.2, 20 A: 3.79 h.
  test('battery-hours and battery-size', () => {
    near(run('battery-hours', { capacity: '100 Ah', current: '20 A', exponent: '1.2' })['time'], 3.79 * 3600, 1e-3);
    near(
      run('battery-size', {
        current: '20 A',
        time: `${run('battery-hours', { capacity: '100 Ah', current: '20 A', exponent: '1.2' })['time']} s`,
        usable: '100 %',
        exponent: '1.2',
      })['capacity'],
      360_000,
      1e-9,
    );
  });
  test('fuel-day and fuel-tank', () => {
    const day = run('fuel-day', { power: '20 hp', hours: '4 h', volume: '13 gal' });
    // 20 hp at 60 % for 4 h and 0.60 lb: 28.8 lb.
    near(day['day'] * FUELS.petrol.densityKgM3, 28.8 * 0.45359237, 1e-3);
    near(run('fuel-tank', { power: '20 hp', hours: '4 h', days: '3' })['volume'], 3 * day['day'], 1e-9);
  });
  test('burner and burner-rise: 8 gpm through 60 K are 126.5 kW; degrees of either kind, or a bare number of kelvin', () => {
    near(run('burner', { flow: '8 gpm', rise: '60 K' })['heat'], 126.5e3, 3e-3);
    near(run('burner', { flow: '8 gpm', rise: '108 °F' })['heat'], run('burner', { flow: '8 gpm', rise: '60 K' })['heat'], 1e-9);
    near(run('burner', { flow: '8 gpm', rise: '60' })['heat'], run('burner', { flow: '8 gpm', rise: '60 °C' })['heat'], 1e-9);
    near(run('burner-rise', { flow: '8 gpm', heat: '126.5 kW' })['rise'], 60, 3e-3);
    near(run('burner', { flow: '8 gpm', rise: '60 K', efficiency: '85 %' })['fuel'] * 3.6e6, 15, 0.01);
  });
  test('air-line loses more through a longer one, and what is wanted at its start is that more', () => {
    const of = (length: string) => run('air-line', { air: '20 cfm', bore: '1/2 in', length });
    expect(of('100 ft')['loss']).toBeGreaterThan(1.9 * of('50 ft')['loss']);
    near(of('50 ft')['start'] - of('50 ft')['loss'], 90 * 6894.757, 1e-6);
  });
  test('generator wants its motor’s power over its efficiency, and three times that to start', () =>
    expect(run('generator', { power: '1.5 kW' })).toMatchObject({ running: 1875, starting: 5625 }));
  test('reel-motor: power is pull times speed over efficiency', () =>
    near(run('reel-motor', { pull: '50 lbf' })['power'], (50 * 4.4482216 * 2 * 0.3048) / 0.5, 1e-6));
});
