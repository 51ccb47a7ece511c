import { UNITS } from '../quantity/dimension';
import { seeded } from '../testing/near';
import { doSum, SUMS } from './index';
import { line, type SumLine, sayLine, SYMBOL } from './line';

/** Works a formula out as it stands: numbers, symbols, π, √, + − · / ^ ² ³ and brackets. */
function worked(l: SumLine): number {
  const tokens = l.formula.match(new RegExp(`${SYMBOL.source}|[0-9.]+|[+−·/^²³√()]`, 'gu')) ?? [];
  if (tokens.join('') !== l.formula.replace(/\s/g, '')) throw new Error(`not a formula: ${l.formula}`);
  let at = 0;
  const atom = (): number => {
    const t = tokens[at++];
    if (t === '(') {
      const v = sum();
      if (tokens[at++] !== ')') throw new Error(`a bracket is open: ${l.formula}`);
      return power(v);
    }
    if (t === '√') return Math.sqrt(atom());
    if (t === 'π') return power(Math.PI);
    if (/^[0-9.]+$/.test(t)) return power(Number(t));
    const given = l.of[t];
    if (!given) throw new Error(`${t} of ${l.formula} is not given`);
    return power('us' in given ? given.value : given[0]);
  };
  const power = (v: number): number => {
    if (tokens[at] === '²') return (at++, power(v ** 2));
    if (tokens[at] === '³') return (at++, power(v ** 3));
    if (tokens[at] === '^') return (at++, v ** atom());
    return v;
  };
  const product = (): number => {
    let v = atom();
    while (tokens[at] === '·' || tokens[at] === '/') v = tokens[at++] === '·' ? v * atom() : v / atom();
    return v;
  };
  const sum = (): number => {
    let v = tokens[at] === '−' ? (at++, -product()) : product();
    while (tokens[at] === '+' || tokens[at] === '−') v = tokens[at++] === '+' ? v + product() : v - product();
    return v;
  };
  const value = sum();
  if (at !== tokens.length) throw new Error(`it goes on: ${l.formula}`);
  return value;
}

test('the reader of formulas reads: powers before products, a root of what stands behind it', () => {
  const of = { a: [3, 'number'], b: [4, 'number'] } as const;
  expect(worked(line('c', '√(a² + b²)', of, [5, 'number']))).toBe(5);
  expect(worked(line('c', '−a + 2 · b^(1 / 2) / 4', of, [0, 'number']))).toBe(-2);
  expect(() => worked(line('c', 'a · d', of, [0, 'number']))).toThrow('d of');
});

// A formula that is not what the sum does is told here, whatever its words.
describe.each(SUMS.map((s) => [s.name, s] as const))('%s', (_name, sum) => {
  test('what is written down is what was reckoned, whatever the inputs (seed 4)', () => {
    const random = seeded(4);
    let lines = 0;
    for (let round = 0; round < 40; round++) {
      const typed: Record<string, string> = {};
      for (const i of sum.inputs) {
        if (i.choices) {
          typed[i.name] = i.choices[Math.floor(random() * i.choices.length)];
          continue;
        }
        if (i.fallback !== undefined && random() < 0.4) continue;
        const unit = UNITS[i.rule.dimension][0];
        const low = Math.max(i.rule.minSi, i.rule.maxSi * 1e-3, 1e-9);
        const value =
          i.rule.dimension === 'temperature' ? i.rule.minSi + (i.rule.maxSi - i.rule.minSi) * random() : low * (i.rule.maxSi / low) ** (0.3 + 0.5 * random());
        typed[i.name] = `${(value - (unit.offset ?? 0)) / unit.factor} ${unit.symbol}`;
      }
      const done = doSum(sum, typed);
      if (!done.ok) continue;
      const x = Object.fromEntries(Object.entries(done.value.inputs).map(([k, v]) => [k, v.si]));
      const o = Object.fromEntries(Object.entries(done.value.result).map(([k, v]) => [k, v.si]));
      const written = sum.written(x, o);
      for (const l of written) {
        const [value] = l.result;
        if (!l.formula || !Number.isFinite(value)) continue;
        lines++;
        const got = worked(l);
        if (!(Math.abs(got - value) <= 1e-6 * Math.abs(value) + 1e-12))
          throw new Error(`${sum.name}: ${l.symbol} = ${l.formula} gives ${got}, the sum says ${value}`);
      }
      // Every answer stands on a line, and every line of it has its numbers in it.
      const told = written.map((l) => l.result[0]);
      for (const out of sum.outputs) {
        const value = o[out.name];
        const own = told.some((t) => t === value || Math.abs(t - value) <= 1e-9 * Math.abs(value) || SIZE.has(out.name));
        if (!own && !NOT_WRITTEN.has(`${sum.name} ${out.name}`)) throw new Error(`${sum.name}: ${out.label} stands on no line`);
      }
      for (const text of done.value.working.lines) expect(text).not.toMatch(/NaN|undefined/);
    }
    expect(lines).toBeGreaterThan(0);
  });
});

/** A nozzle's number stands as what it passes at 4000 psi. */
const SIZE = new Set(['size', 'now']);
/** Read from a table of half-lives; the rate law's is the line's own T. */
const NOT_WRITTEN = new Set(['sh-age half', 'sh-age handbook', 'coil-loss more']);

test('numbers stand in the reader’s units, those that are added in one', () => {
  const said = (name: string, typed: Record<string, string>, system: 'us' | 'metric'): readonly string[] => {
    const done = doSum(
      SUMS.find((s) => s.name === name)!,
      typed,
      system,
    );
    if (!done.ok) throw new Error(done.problems[0].message);
    return done.value.working.lines.map((l) => l.replace(/[\u00a0\u202f]/g, ' '));
  };
  // The nozzle law's own check value: number 4 at 3000 psi passes 3.464 gpm.
  expect(said('nozzle-flow', { size: '4', pressure: '3000 psi' }, 'us')).toEqual([
    'Q = N · √(p / p₀) = 4 gpm · √(3,000 psi / 4,000 psi) = 3.464 gpm, a number N passes N gpm at 4000 psi',
  ]);
  expect(said('npsh', { lift: '-2 in', friction: '3 ft' }, 'us')[1]).toMatch(/= \d[\d.]* ft \+ \(−0\.1667 ft\) − 3 ft − 0 ft \+ 0 ft = \d[\d.]* ft/);
  expect(said('hose-volume', { bore: '10 mm', length: '30 m' }, 'metric')[0]).toBe('V = π / 4 · d² · L = π / 4 · (10 mm)² · 30 m = 2.356 L');
});

test('a formula without symbols is not said twice', () => {
  expect(sayLine(line('t', '2 · π', {}, [2 * Math.PI, 'number']), 'us')).toBe('t = 2 · π = 6.283');
});
