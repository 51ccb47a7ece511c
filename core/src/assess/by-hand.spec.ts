import { LAYOUTS } from '../layouts/layouts.js';
import { parseRig } from '../rig/read.js';
import { EQUATIONS, type EquationId } from '../subject/equations.js';
import type { Figure } from '../working/figure.js';
import { assess } from './assess.js';

const G = 9.80665;

type Inputs = (symbol: string) => number;
/** The figure worked out again from nothing but the numbers that its working lists; written from the equation's text. */
const BY_HAND: Partial<Record<EquationId, (x: Inputs, all: (symbol: string) => number[]) => number>> = {
  'inlet-margin': (x) => Math.min(x('NPSHa') - x('NPSHr'), x('H_in') - x('H_min')),
  'inlet-gauge': (x) => x('ρ') * G * x('H_in'),
  velocity: (x) => x('Q') / ((Math.PI / 4) * x('d') ** 2),
  'acceleration-head': (x, all) => {
    const lv = all('L').reduce((sum, l, i) => sum + l * all('V')[i], 0);
    const yielding = x('h_b') + all('S_j').reduceRight((rest, s, j) => all('h_j')[j] + 1 / ((x('ω') * s) / (x('r') * all('Q_j')[j]) + 1 / rest), Infinity);
    return Math.min((lv * x('n') * x('C')) / (x('K') * G), yielding);
  },
  'heel-level': (x) => x('z_out') + x('s') * x('D') * (1 + (2.3 * x('V')) / Math.sqrt(G * x('D'))),
  'usable-volume': (x) => x('V') - x('V_heel'),
  'engine-derate': (x) => x('P_rated') * (1 - (x('s') * x('z')) / 304.8),
  'shaft-power': (x) => (x('p') * x('Q')) / x('η'),
  recoil: (x) => x('ρ') * x('Q') * x('C_v') * Math.sqrt((2 * x('p')) / x('ρ')),
  returned: (x, all) => x('Q') - all('Q_gun').reduce((sum, q) => sum + q, 0),
  'net-draw': (x, all) => all('P').reduce((sum, p, i) => sum + p * all('Q')[i], 0) + (all('Q_soft').length ? x('Q_soft') : 0),
  'fill-time': (x) => x('V') / x('Q_in'),
  'spigot-curve': (x) => Math.sqrt(x('p₀') / x('k')),
  'hose-carried': (x) => x('L') + x('spare'),
};

/** Every figure of an assessment, by its path. */
function* figures(at: unknown, path: string): Generator<[string, Figure]> {
  if (typeof at !== 'object' || at === null) return;
  if ('working' in at && 'value' in at) yield [path, at as Figure];
  else for (const [key, value] of Object.entries(at)) yield* figures(value, path ? `${path}.${key}` : key);
}

describe('workings can be redone by hand', () => {
  const seen = new Map<string, number>();
  test.each(LAYOUTS.map((l) => [l.id, l] as const))('%s', (_, layout) => {
    for (const [path, f] of figures(assess(parseRig(layout.make())), '')) {
      const again = BY_HAND[f.working.equation];
      if (!again || !Number.isFinite(f.value)) continue;
      const all = (symbol: string) => f.working.inputs.filter((i) => i.symbol === symbol).map((i) => i.value);
      const x: Inputs = (symbol) => {
        const [value] = all(symbol);
        if (value === undefined) throw new Error(`${path}: "${symbol}" stands in the equation and not in the working.`);
        return value;
      };
      // An inlet without hose has no velocity.
      if (f.working.equation === 'velocity' && x('d') === 0) continue;
      const got = again(x, all);
      // A balance of solved flows closes as the solver does: within 5e-9 m³/s.
      expect([path, got]).toEqual([path, expect.closeTo(f.value, f.working.equation === 'returned' ? 8 : 9)]);
      seen.set(f.working.equation, (seen.get(f.working.equation) ?? 0) + 1);
    }
  });
  test('each of these equations was met on some layout', () => {
    expect(Object.keys(BY_HAND).filter((id) => !seen.has(id))).toEqual([]);
  });
  test('what arrives by a fill line: what stands at rest is lost in the house, in the parts and uphill, to the last millimetre', () => {
    let lines = 0;
    for (const layout of LAYOUTS) {
      for (const fill of assess(parseRig(layout.make())).fills) {
        const of = (symbol: string) => fill.arrives.working.inputs.filter((i) => i.symbol === symbol).reduce((s, i) => s + i.value, 0);
        expect([layout.id, of('h_house') + of('z') + of('h')]).toEqual([layout.id, expect.closeTo(of('H₀'), 3)]);
        lines++;
      }
    }
    expect(lines).toBeGreaterThanOrEqual(10);
  });
  test('an estimate that nobody touched is not called typed', () => {
    for (const layout of LAYOUTS)
      for (const [, f] of figures(assess(parseRig(layout.make())), '')) {
        if (f.working.equation === 'given') expect(f.working.assumptions).toEqual([]);
        if (f.working.equation === 'assumed') expect(f.working.assumptions.length).toBe(1);
      }
  });
  test('no source on the screen says "from memory"; what is unverified carries the flag', () => {
    for (const e of Object.values(EQUATIONS)) expect(e.source).not.toContain('memory');
    expect(Object.values(EQUATIONS).filter((e) => 'unverified' in e).length).toBeGreaterThanOrEqual(5);
  });
});
