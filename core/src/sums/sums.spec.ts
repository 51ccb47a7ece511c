import { near } from '../testing/near';
import { doSum, findSum, SUMS } from './index';

const GPM = (231 * 0.0254 ** 3) / 60;
const PSI = 6894.757293;
const run = (name: string, inputs: Record<string, string>): Record<string, number> => {
  const done = doSum(findSum(name)!, inputs);
  if (!done.ok) throw new Error(done.problems.map((p) => p.message).join(' '));
  return Object.fromEntries(Object.entries(done.value.result).map(([k, a]) => [k, a.si]));
};

describe('quick sums', () => {
  // Printed nozzle charts: number 4 at 3000 psi passes 3.5 gpm.
  test('nozzle-flow', () => near(run('nozzle-flow', { size: '4', pressure: '3000 psi' })['flow'] / GPM, 3.46, 2e-3));
  test('nozzle-size', () => near(run('nozzle-size', { flow: '8 gpm', pressure: '3500 psi' })['size'], 8.55, 1e-3));
  test('nozzle-pressure', () => near(run('nozzle-pressure', { size: '4', flow: '4 gpm' })['pressure'] / PSI, 4000, 1e-9));
  // Crane TP-410 table, Schedule 40, 60 °F (from memory): 2.03 psi per 100 ft.
  test('hose-loss', () =>
    near(run('hose-loss', { bore: '2.067 in', length: '100 ft', flow: '50 gpm', temperature: '60 °F', roughness: '0.00015 ft' })['loss'] / PSI, 2.03, 0.01));
  /** Common practice: 300 ft of 1/2 in hose holds about 3 gal. */
  test('hose-volume', () => near(run('hose-volume', { bore: '1/2 in', length: '300 ft' })['volume'] / (GPM * 60), 3.06, 0.01));
  test('bucket-test', () => near(run('bucket-test', { volume: '5 gal', time: '1 min' })['flow'] / GPM, 5, 1e-12));
  test('time-to-empty', () => near(run('time-to-empty', { volume: '210 gal', out: '8 gpm', in: '4 gpm' })['time'], 52.5 * 60, 1e-9));
  test('time-to-empty of a tank that is not losing', () =>
    expect(run('time-to-empty', { volume: '210 gal', out: '4 gpm', in: '4 gpm' })['time']).toBe(Infinity));

  test('nozzle-wear: a number 4 that reads 2400 psi at 3.46 gpm is a tenth too wide', () => {
    const r = run('nozzle-wear', { size: '4', flow: '3.464 gpm', pressure: '2400 psi' });
    near(r['wear'], Math.sqrt(3000 / 2400) - 1, 1e-3);
    near(r['expected'] / PSI, 3000, 1e-3);
  });
  test('hose-bore and hose-reach undo hose-loss', () => {
    const loss = run('hose-loss', { bore: '3/8 in', length: '200 ft', flow: '8 gpm' })['loss'] / PSI;
    near(run('hose-bore', { length: '200 ft', flow: '8 gpm', loss: `${loss} psi` })['bore'], 0.009525, 1e-6);
    near(run('hose-reach', { pump: '3500 psi', gun: `${3500 - loss} psi`, bore: '3/8 in', flow: '8 gpm' })['length'], 60.96, 1e-6);
  });
  test('a bore for more loss than a millimetre makes is told, not made up', () => {
    const done = doSum(findSum('hose-bore')!, { length: '1 mm', flow: '0.001 gpm', loss: '9000 psi' });
    expect(done.ok).toBe(false);
  });
  // Definition: 8 gpm · 3500 psi / 1714 = 16.3 hp.
  test('engine-power', () => {
    const r = run('engine-power', { flow: '8 gpm', pressure: '3500 psi', altitude: '1000 ft' });
    near(r['hydraulic'] / 745.7, 16.3, 3e-3);
    near(r['rated'], r['shaft'] / 0.965, 1e-9);
  });
  /** Common practice: an 18 in wide reel takes 200 ft of 3/4 in hose; a 12 in wide one little more than 100 ft; a large one 500 ft of 3/8 in. */
  test('reel-capacity', () => {
    const reel = (width: string) => run('reel-capacity', { flange: '20 in', core: '9 in', width, hose: '1.1 in' })['length'] / 0.3048;
    expect(reel('18 in')).toBeGreaterThan(200);
    expect(reel('12 in')).toBeGreaterThan(100);
    expect(reel('12 in')).toBeLessThan(200);
    near(reel('18 in') / reel('12 in'), 1.5, 1e-9);
    expect(run('reel-capacity', { flange: '22 in', core: '10 in', width: '20 in', hose: '0.75 in' })['length'] / 0.3048).toBeGreaterThan(500);
  });
  /** Common practice, two schools: 20 in only from 8 gpm up; 20 in works on 3.5 to 4 gpm, slower. */
  test('surface-cleaner', () => {
    near(run('surface-cleaner', { flow: '8 gpm' })['strict'] / 0.0254, 20, 1e-6);
    near(run('surface-cleaner', { flow: '3.75 gpm' })['thrifty'] / 0.0254, 20, 1e-6);
    near(run('surface-cleaner', { flow: '8 gpm', width: '1 m', speed: '0.5 m/s', overlap: '20 %' })['hour'], 1440, 1e-9);
  });
  // Mishra & Gupta 1979 (from memory): 3/8 in at 8 gpm on a 0.40 m coil, about +24 %.
  test('coil-loss', () => near(run('coil-loss', { bore: '3/8 in', length: '100 ft', flow: '8 gpm', coil: '0.4 m' })['more'], 0.24, 0.03));
  // Lüger (from memory): 6.9 bar, 3.0 mm: 10.3 m. Common practice: a little above 9 m.
  test('jet-height', () => near(run('jet-height', { pressure: '6.9 bar', bore: '3.0 mm' })['height'], 10.3, 0.01));
  // Hydraulic Institute definition; at sea level and 20 °C the air gives 10.35 m and vapour takes 0.24 m.
  test('npsh', () => near(run('npsh', { lift: '-1 m', friction: '0.5 m', temperature: '20 °C' })['available'], 10.351 - 0.239 - 1.5, 2e-3));
  // GPSA / Hydraulic Institute (from memory): 8 gpm, 1 in, 8 ft, 1450 rpm, K 1.5: about 52 ft.
  test('acceleration-head', () => {
    const r = run('acceleration-head', { length: '8 ft', bore: '1 in', flow: '8 gpm', k: '1.5', wave: '120 m/s' });
    near(r['rigid'] / 0.3048, 52, 0.01);
    expect(r['used']).toBe(r['cap']);
  });
  // ANSI/HI 9.8 (from memory): 2 in, 16 gpm: 5.2 in.
  test('submergence', () => near(run('submergence', { bore: '2 in', flow: '16 gpm' })['depth'] / 0.0254, 5.2, 0.01));
  test('spigot-curve: three quarters of the pressure is left at half the flow', () =>
    near(run('spigot-curve', { static: '60 psi', bucket: '6 gpm', flow: '3 gpm' })['pressure'] / PSI, 45, 1e-9));
  /** Common practice: a full 275 gal tote empties through a 1 in line in 15 to 20 minutes. */
  test('drain-time', () => {
    const minutes = run('drain-time', { volume: '275 gal', depth: '33 in', bore: '1 in', length: '6 ft', drop: '10 in' })['time'] / 60;
    expect(minutes).toBeGreaterThan(14);
    expect(minutes).toBeLessThan(21);
  });
  test('drain-time through an orifice is Torricelli’s', () =>
    near(
      run('drain-time', { volume: '1 m³', depth: '1 m', bore: '2 in', length: '0 ft', k: '0' })['time'],
      Math.sqrt(2 / 9.80665) / ((Math.PI / 4) * 0.0508 ** 2),
      1e-3,
    ));
  // Torricelli by hand, no hose and no valve: h from 2 m to 1 m over 1 m³ on 1 m² through 25.4 mm.
  test('gravity-fill', () => {
    const area = (Math.PI / 4) * 0.0254 ** 2;
    const exact = (2 * (Math.sqrt(2) - 1)) / (area * Math.sqrt(2 * 9.80665));
    near(run('gravity-fill', { volume: '1 m³', fall: '2 m', rise: '1 m', bore: '1 in', length: '0 ft', k: '0' })['time'], exact, 2e-3);
    expect(doSum(findSum('gravity-fill')!, { volume: '50 gal', fall: '2 ft', rise: '3 ft', bore: '1 in' }).ok).toBe(false);
  });
  test('vent-vacuum', () =>
    near(run('vent-vacuum', { flow: '100 gpm', vent: '1 in' })['vacuum'], (1.1839 / 2) * ((100 * GPM) / (0.6 * (Math.PI / 4) * 0.0254 ** 2)) ** 2, 2e-3));
  // First law: 8 gpm at 250 psi heats with about 870 W.
  // C₁V₁ = C₂V₂, by hand: 50 gal at 3 % from 12.5 % takes 12 gal.
  test('dilution', () => near(run('dilution', { volume: '50 gal', wanted: '3 %' })['stockVolume'] / (GPM * 60), 12, 1e-9));
  test('batch over 20 gal left at 2 %', () => {
    const r = run('batch', { volume: '50 gal', wanted: '3 %', left: '20 gal', leftStrength: '2 %' });
    near(r['stockVolume'] / (GPM * 60), (50 * 3 - 20 * 2) / 12.5, 1e-9);
    expect(doSum(findSum('batch')!, { volume: '50 gal', wanted: '1 %', left: '45 gal', leftStrength: '5 %' }).ok).toBe(false);
  });
  // 12.5 % at 10:1 gives 1.14 %.
  test('downstream', () => near(run('downstream', { water: '10 gal', drawn: '1 gal' })['strength'], 0.01136, 1e-3));
  test('proportioner: streams make up the flow', () => {
    const r = run('proportioner', { flow: '5 gpm', wanted: '3 %', soap: '1 oz/gal' });
    near(r['stockFlow'] + r['soapFlow'] + r['water'], 5 * GPM, 1e-12);
    near(r['share'], 0.24, 1e-9);
  });
  // Gordon, Adam & Bubnis 1995 (from memory): 120 g/L at 25 °C halves in about 200 d.
  test('sh-age', () => near(run('sh-age', { stock: '12 %', age: '203 d', kept: '25 °C' })['lost'], 0.5, 0.01));
  test('trade-to-weight', () => near(run('trade-to-weight', {})['weight'], 0.1073, 1e-3));
  /** Common practice: 300 ft of 1/2 in hose holds about 3 gal. */
  test('flush', () => near(run('flush', { bore: '1/2 in', length: '300 ft', flow: '5 gpm' })['arrives'], (3.06 / 5) * 60, 0.01));
  // 26.2 A for an hour of a battery that it may take 60 % of: (26.2^1.2 · 20^0.2 / 0.6)^(1 / 1.2) = 66.2 Ah, 39.7 of them; by hand. Without Peukert 26.2.
  test('battery-day', () => {
    near(run('battery-day', { flow: '5 gpm', time: '1 h' })['charge'] / 3600, 39.7, 0.01);
    near(run('battery-day', { flow: '5 gpm', time: '1 h', exponent: '1' })['charge'] / 3600, 26.2, 0.01);
    const { current, battery } = run('battery-day', { flow: '5 gpm', time: '1 h' });
    near(run('battery-size', { current: `${current} A`, time: '1 h' })['capacity'], battery, 1e-9);
  });
  /** Common practice: at least 6.5 hp for a 1/2 in pump. */
  // Receiver sizing, t = V·(p₁ − p₂)/(C·p₀) (compressed-air handbooks, from memory): 60 gal, 125 to 90 psi, 15 cfm short: 76 s.
  test('receiver', () => {
    const r = run('receiver', { use: '20 cfm', given: '5 cfm', altitude: '0 ft' });
    near(r['time'], 76.4, 0.005);
    near(r['air'] / 0.3048 ** 3, 19.1, 0.002);
    expect(run('receiver', { use: '20 cfm', given: '25 cfm' })['time']).toBe(Infinity);
  });
  // 5 gpm at 80 psi in the air of 5,000 ft, 84.3 kPa: 0.3155 L/s · (551.6 + 84.3) / 84.3 · 1.3 = 3.09 L/s; by hand.
  test('air-need counts altitude once', () => near(run('air-need', { flow: '5 gpm', air: '80 psi', altitude: '5000 ft' })['free'] * 1000, 3.09, 2e-3));
  test('resin-life', () => near(run('resin-life', { resin: '28.3168 L', solids: '171.18 ppm' })['volume'] / (GPM * 60), 1200, 2e-3));
  // Propylene glycol data-sheet table (from memory): −13 °C wants 30 %.
  test('antifreeze', () => near(run('antifreeze', { wetted: '5 gal', coldest: '-13 °C', left: '0 %', product: '100 %' })['product'] / (GPM * 60), 1.5, 1e-9));
  test('coverage', () => near(run('coverage', { area: '2400 ft²', coverage: '120 ft²/gal' })['mix'] / (GPM * 60), 20, 1e-9));
  test('bypass-heat', () => near(run('bypass-heat', { flow: '8 gpm', pressure: '250 psi', volume: '0.5 gal' })['power'], 870, 0.01));

  test.each<[Record<string, unknown>, string, string]>([
    [{ size: '4' }, 'missing', 'pressure'],
    [{ size: '4', pressure: '3000 gpm' }, 'unit-wrong', 'pressure'],
    [{ size: '0', pressure: '3000 psi' }, 'below', 'size'],
    [{ size: '4', pressure: '1e9 psi' }, 'above', 'pressure'],
    [{ size: '4', pressure: '3000 psi', colour: 'red' }, 'unknown', 'colour'],
    [{ size: 4, pressure: '3000 psi' }, 'type', 'size'],
    [{ size: 'NaN', pressure: '3000 psi' }, 'number', 'size'],
    [{ __proto__: null, size: '4', pressure: '3000 psi', constructor: 'x' }, 'unknown', 'constructor'],
  ])('%j is refused: %s at %s', (inputs, code, path) => {
    const done = doSum(findSum('nozzle-flow')!, inputs);
    expect(done.ok ? [] : done.problems).toContainEqual(expect.objectContaining({ code, path }));
  });

  test('each has inputs with readable fallbacks, outputs and an equation', () => {
    for (const s of SUMS) {
      expect(s.inputs.length).toBeGreaterThan(0);
      for (const i of s.inputs.filter((x) => x.fallback !== undefined)) {
        const probe = doSum({ ...s, name: 'probe', inputs: [i], outputs: [], run: () => ({}), written: () => [] }, {});
        expect([s.name, i.name, probe.ok]).toEqual([s.name, i.name, true]);
      }
    }
  });
});
