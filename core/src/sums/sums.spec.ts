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
        const probe = doSum({ ...s, inputs: [i], outputs: [], run: () => ({}) }, {});
        expect([s.name, i.name, probe.ok]).toEqual([s.name, i.name, true]);
      }
    }
  });
});
