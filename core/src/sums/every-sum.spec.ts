import { type Dimension, UNITS } from '../quantity/dimension';
import { seeded } from '../testing/near';
import { doSum, SUMS, type Sum } from './index';

/** An SI value in the first unit of its dimension. */
function typed(dimension: Dimension, si: number): string {
  const unit = UNITS[dimension][0];
  return `${(si - (unit.offset ?? 0)) / unit.factor} ${unit.symbol}`;
}

/** Inputs between their bounds: the usual value where there is one, else about the middle of the scale. */
function between(sum: Sum, share: number): Record<string, string> {
  return Object.fromEntries(
    sum.inputs.map((i) => {
      if (i.choices) return [i.name, i.choices[Math.floor(share * i.choices.length)]];
      const { minSi: low, maxSi: high } = i.rule;
      const from = Math.max(low, high * 1e-4, 1e-12);
      const value = low < 0 || i.rule.dimension === 'temperature' ? low + (high - low) * share : from * (high / from) ** share;
      return [i.name, i.fallback && share === 0.5 ? i.fallback : typed(i.rule.dimension, value)];
    }),
  );
}

describe.each(SUMS.map((s) => [s.name, s] as const))('%s', (_name, sum) => {
  test('with its usual values where it has them, gives figures or says why not', () => {
    let answered = 0;
    for (const share of [0.5, 0.35, 0.62, 0.2]) {
      const done = doSum(sum, between(sum, share));
      if (done.ok) {
        answered++;
        for (const o of sum.outputs) {
          const figure = done.value.result[o.name];
          expect([o.name, figure.text.length > 0, Number.isNaN(figure.si)]).toEqual([o.name, true, false]);
        }
      } else for (const p of done.problems) expect(p.message.length).toBeGreaterThan(10);
    }
    // A sum that refuses whatever it is asked is no sum.
    expect(answered).toBeGreaterThan(0);
  });
  test('every input left out that has no usual value is asked for by name', () => {
    const wanted = sum.inputs.filter((i) => i.fallback === undefined);
    const done = doSum(sum, {});
    if (wanted.length === 0) return expect(done.ok).toBe(true);
    if (done.ok) throw new Error('it answered without its inputs');
    expect(done.problems.map((p) => p.path)).toEqual(expect.arrayContaining([wanted[0].name]));
  });
  test('an input below or above its bound is told with the bound, one of another kind with what is wanted', () => {
    for (const i of sum.inputs) {
      const all = between(sum, 0.5);
      if (i.choices) {
        const other = doSum(sum, { ...all, [i.name]: 'something else' });
        if (other.ok) throw new Error(`${i.name} took what it does not offer`);
        expect(other.problems[0]).toMatchObject({ path: i.name, bound: i.choices.join(', ') });
        continue;
      }
      const above = doSum(sum, { ...all, [i.name]: typed(i.rule.dimension, i.rule.maxSi * 10 + 1) });
      if (above.ok) throw new Error(`${i.name} took ${i.rule.maxSi * 10 + 1}`);
      expect(above.problems[0]).toMatchObject({ path: i.name, bound: `≤ ${i.rule.max}` });
      const wrong = doSum(sum, { ...all, [i.name]: i.rule.dimension === 'voltage' ? '3 psi' : '3 V' });
      if (wrong.ok) throw new Error(`${i.name} took volts`);
      expect(wrong.problems[0].path).toBe(i.name);
    }
  });
  test('nonsense is refused, an unknown input too', () => {
    for (const bad of ['many', '-', 'NaN gpm', '1e999 m', '--3']) {
      const done = doSum(sum, { ...between(sum, 0.5), [sum.inputs[0].name]: bad });
      expect(done.ok).toBe(false);
    }
    expect(doSum(sum, { ...between(sum, 0.5), colour: 'blue' }).ok).toBe(false);
  });
});

test('the same sum in any unit gives the same figure (seed 8)', () => {
  const random = seeded(8);
  const same = new Map<string, number>();
  for (const sum of SUMS)
    for (let round = 0; round < 8; round++) {
      const si: Record<string, string> = {};
      const other: Record<string, string> = {};
      for (const i of sum.inputs) {
        if (i.fallback && random() < 0.5) continue;
        const units = UNITS[i.rule.dimension].filter((u) => !u.offset);
        const [a, b] = [units[0], units[Math.floor(random() * units.length)]];
        const low = Math.max(i.rule.minSi, i.rule.maxSi * 1e-3, 1e-9);
        const value = low * (i.rule.maxSi / low) ** (0.3 + 0.3 * random());
        si[i.name] = `${value / a.factor} ${a.symbol}`;
        other[i.name] = `${value / b.factor} ${b.symbol}`;
      }
      const [x, y] = [doSum(sum, si), doSum(sum, other)];
      expect(x.ok).toBe(y.ok);
      if (!x.ok || !y.ok) continue;
      same.set(sum.name, (same.get(sum.name) ?? 0) + 1);
      for (const o of sum.outputs) {
        const [p, q] = [x.value.result[o.name].si, y.value.result[o.name].si];
        if (!(p === q || Math.abs(p - q) <= 1e-6 * Math.abs(p) + 1e-12 || (Number.isNaN(p) && Number.isNaN(q))))
          throw new Error(`${sum.name}, ${o.name}: ${p} and ${q}`);
      }
    }
  // Nearly every sum answered at least once.
  expect(same.size / SUMS.length).toBeGreaterThan(0.9);
});
