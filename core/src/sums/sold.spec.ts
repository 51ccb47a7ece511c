import { findSum, doSum, SUMS } from './index';
import { SIZING_SUMS } from './sold';

const sold = (name: string, typed: Record<string, string>, system: 'us' | 'metric' = 'us'): string | undefined => {
  const done = doSum(findSum(name)!, typed, system);
  if (!done.ok) throw new Error(done.problems[0].message);
  return done.value.sold?.replace(/[\u00a0\u202f]/g, ' ');
};

describe('a sum that comes to a size says what is sold, and what it gives then', () => {
  // 8 gpm at 3,500 psi asks for 8.55: the 8.5 makes 4000 · (8 / 8.5)² = 3,543 psi.
  test('a nozzle', () => expect(sold('nozzle-size', { flow: '8 gpm', pressure: '3500 psi' })).toBe('Number 8.5: it makes 3,543 psi at 8 gpm.'));
  test('a nozzle that nobody sells', () => expect(sold('nozzle-size', { flow: '90 gpm', pressure: '1000 psi' })).toBeUndefined());
  test('a hose, by the reader’s sizes', () => {
    const hose = { length: '50 ft', flow: '8 gpm', loss: '2 psi' };
    expect(sold('hose-bore', hose)).toMatch(/^1 in hose: it loses [\d.]+ psi\.$/);
    expect(sold('hose-bore', hose, 'metric')).toMatch(/^25 mm hose: it loses [\d.]+ k?(Pa|bar)\.$/);
  });
  test('a cable, by gauge or by copper', () => {
    // 12 V, 20 A, 10 ft one way, 3 %: AWG 8; ρ · 2 L · I / A of 10 mm² at 30 °C and a little more is 0.22 V.
    const cable = { current: '20 A', length: '10 ft', voltage: '12 V' };
    expect(sold('cable', cable)).toMatch(/^AWG 8: it loses 0\.2\d+ V\.$/);
    expect(sold('cable', cable, 'metric')).toMatch(/^10 mm²: it loses 0\.2\d+ V\.$/);
  });
  test('a battery in steps of ten', () => {
    // 40 A for an hour a day, 60 %, k 1.2: (20^0.2 · 1 / 0.6)^(1/1.2) · 40 = 100.9 Ah; 110 Ah runs 20 · (110 / 800)^1.2 · 0.6 h.
    expect(sold('battery-size', { current: '40 A', time: '1 h' })).toBe('110 Ah: it then runs 66.6 min a day.');
    // 1 A for 20 h: one that is drawn on gently gives what it holds.
    expect(sold('battery-size', { current: '1 A', time: '20 h' })).toBe('40 Ah: it then runs 24 h a day.');
  });
  test('none for a sum of no size, and a word for each that has one', () => {
    expect(sold('nozzle-flow', { size: '4', pressure: '3000 psi' })).toBeUndefined();
    expect(SIZING_SUMS.filter((name) => !SUMS.some((s) => s.name === name))).toEqual([]);
  });
});
