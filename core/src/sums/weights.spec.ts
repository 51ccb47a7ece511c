import { si } from '../quantity/parse.js';
import { doSum, findSum } from './index.js';

const sum = (name: string, typed: Record<string, string>): Record<string, number> => {
  const done = doSum(findSum(name)!, typed);
  if (!done.ok) throw new Error(done.problems.map((p) => p.message).join(' '));
  return Object.fromEntries(Object.entries(done.value.result).map(([k, v]) => [k, v.si]));
};

describe('recoil at a gun', () => {
  test('8 gpm at 3500 psi push back with about 25 lbf (common practice)', () => {
    expect(sum('recoil', { flow: '8 gpm', pressure: '3500 psi' })['force'] / si('25 lbf', 'force')).toBeCloseTo(1, 1);
  });
  // Fire-service handbooks: NR = 0.0505 · Q · √p, lbf, gpm, psi (from memory); written for jets without loss.
  test.each([
    ['4 gpm', '3000 psi', 0.0505 * 4 * Math.sqrt(3000)],
    ['8 gpm', '3500 psi', 0.0505 * 8 * Math.sqrt(3500)],
    ['100 gpm', '100 psi', 0.0505 * 100 * 10],
  ])('%s at %s agree with the nozzle reaction of the fire service within 5 %%', (flow, pressure, lbf) => {
    expect(Math.abs(sum('recoil', { flow, pressure, speed: '100 %' })['force'] / si(`${lbf} lbf`, 'force') - 1)).toBeLessThan(0.05);
  });
  test('grows with the flow, and with the root of the pressure', () => {
    const f = (flow: string, pressure: string) => sum('recoil', { flow, pressure })['force'];
    expect(f('8 gpm', '3000 psi') / f('4 gpm', '3000 psi')).toBeCloseTo(2, 9);
    expect(f('8 gpm', '4000 psi') / f('8 gpm', '1000 psi')).toBeCloseTo(2, 9);
  });
});

describe('what a tank holds and weighs', () => {
  test('a box by its sides: 231 cubic inches are a gallon, and a gallon of water weighs 8.34 lb', () => {
    const r = sum('tank-holds', { shape: 'box', length: '45 in', width: '38 in', height: '37.1 in', density: '8.34 lb/gal' });
    const gallons = (45 * 38 * 37.1) / 231;
    expect(r['full'] / si(`${gallons} gal`, 'volume')).toBeCloseTo(1, 9);
    expect(r['fullMass'] / si(`${gallons * 8.34} lb`, 'mass')).toBeCloseTo(1, 6);
  });
  test('half a lying cylinder is half full, a quarter of its height less than a quarter', () => {
    const at = (level: string) => sum('tank-holds', { shape: 'lying', length: '54.2 in', width: '42 in', level });
    expect(at('50 %')['volume'] / at('50 %')['full']).toBeCloseTo(0.5, 9);
    // Segment of a circle at a quarter of its height: 0.1955 of its area (handbook tables of partly filled pipes).
    expect(at('25 %')['volume'] / at('25 %')['full']).toBeCloseTo(0.1955, 4);
  });
  test('an upright cylinder by its diameter, an elliptical one by all three', () => {
    expect(sum('tank-holds', { shape: 'upright', length: '30 in', height: '32.7 in' })['full'] / si('100 gal', 'volume')).toBeCloseTo(1, 2);
    const ellipse = sum('tank-holds', { shape: 'elliptical', length: '60 in', width: '40 in', height: '30 in' })['full'];
    expect(ellipse / si(`${((Math.PI / 4) * 40 * 30 * 60) / 231} gal`, 'volume')).toBeCloseTo(1, 9);
  });
  test('a shape that there is not is told', () => {
    const done = doSum(findSum('tank-holds')!, { shape: 'ball', length: '2 ft' });
    expect(done.ok ? '' : done.problems[0].message).toBe('shape: "ball" is none of box, upright, lying, elliptical.');
  });
});

test('300 ft of 1/2 in hose hold about 3 gal (common practice): 25 lb more when full', () => {
  const r = sum('hose-weight', { bore: '1/2 in', length: '300 ft', perLength: '20 lb' });
  expect(r['empty'] / si('60 lb', 'mass')).toBeCloseTo(1, 9);
  expect((r['full'] - r['empty']) / si('25.5 lb', 'mass')).toBeCloseTo(1, 2);
});
