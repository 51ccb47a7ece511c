import fc from 'fast-check';
import { UNITS, type Dimension, findUnit, fromSi, workshopUnit } from './dimension';
import { formatInches, formatNumber, formatQuantity, typeableQuantity } from './format';
import { parseQuantity } from './parse';

const INCH = 0.0254;
const si = (text: string, dimension: Dimension, bare?: string): number => {
  const r = parseQuantity(text, dimension, bare);
  if (!r.ok) throw new Error(r.error.message);
  return r.si;
};
const code = (text: string, dimension: Dimension): string => {
  const r = parseQuantity(text, dimension);
  return r.ok ? `read as ${r.si}` : r.error.code;
};

describe('a builder types', () => {
  // Factors by definition: NIST SP 811.
  test.each<[string, Dimension, number]>([
    ['3/8 in', 'length', 0.375 * INCH],
    ['1 1/2"', 'length', 1.5 * INCH],
    ['1-1/2 in', 'length', 1.5 * INCH],
    ['1½ in', 'length', 1.5 * INCH],
    ['6 ft 4 in', 'length', 76 * INCH],
    [`6' 4"`, 'length', 76 * INCH],
    ['200 ft', 'length', 60.96],
    ['5 gpm', 'flow', 5 * 6.30901964e-5],
    ['19 L/min', 'flow', 19e-3 / 60],
    ['19 lpm', 'flow', 19e-3 / 60],
    ['2.5 bar', 'pressure', 2.5e5],
    ['2,5 bar', 'pressure', 2.5e5],
    ['3,000 psi', 'pressure', 3000 * 6894.757293],
    ['68 °F', 'temperature', 293.15],
    ['20 C', 'temperature', 293.15],
    ['-40 °F', 'temperature', 233.15],
    ['1 h 30 min', 'time', 5400],
    ['70 %', 'ratio', 0.7],
    ['275 gal', 'volume', 275 * 231 * INCH ** 3],
    ['$64', 'money', 64],
    ['1450 rpm', 'rotation', 1450 / 60],
    ['13 hp', 'power', 13 * 745.6998716],
    ['.5 in', 'length', 0.5 * INCH],
    ['1e-3 m', 'length', 1e-3],
    ['-2 ft', 'length', -0.6096],
    ['−2 ft 6 in', 'length', -0.762],
    ['4', 'number', 4],
  ])('%s', (text, dimension, expected) => expect(Math.abs(si(text, dimension) / expected - 1)).toBeLessThan(2e-9));

  test('a third of a share is a third, not a third of a percent; weeks are read', () => {
    expect(si('1/3', 'ratio', '%')).toBeCloseTo(1 / 3, 12);
    expect(si('1/3', 'ratio')).toBeCloseTo(1 / 3, 12);
    expect(si('1/3 %', 'ratio')).toBeCloseTo(1 / 300, 12);
    expect(si('0.5', 'ratio', '%')).toBeCloseTo(0.005, 12);
    expect(si('2 weeks', 'time')).toBe(14 * 86400);
    expect(si('1 wk', 'time')).toBe(7 * 86400);
    expect(si('3 yards', 'length')).toBeCloseTo(2.7432, 12);
  });
  test('a number typed without a unit is what the workshop would mean', () => {
    expect([workshopUnit('length', 'us', 0.3), workshopUnit('length', 'metric', 0.3)]).toEqual(['in', 'mm']);
    expect([workshopUnit('length', 'us', 100), workshopUnit('length', 'metric')]).toEqual(['ft', 'm']);
    expect([workshopUnit('volume', 'us'), workshopUnit('flow', 'metric'), workshopUnit('pressure', 'metric')]).toEqual(['gal', 'L/min', 'bar']);
  });
  test('a bare number takes the unit of its field', () => {
    expect(si('5', 'flow', 'gpm')).toBeCloseTo(5 * 6.30901964e-5, 12);
    expect(parseQuantity('5', 'flow', 'gpm')).toMatchObject({ text: '5 gpm' });
  });

  test.each<[string, Dimension, string]>([
    ['', 'flow', 'empty'],
    ['   ', 'flow', 'empty'],
    ['5', 'flow', 'unit-missing'],
    ['5 psi', 'flow', 'unit-wrong'],
    ['5 parsec', 'length', 'unit-unknown'],
    ['fast', 'flow', 'number'],
    ['NaN gpm', 'flow', 'number'],
    ['Infinity gpm', 'flow', 'number'],
    ['1/0 in', 'length', 'number'],
    ['1e999 m', 'length', 'number'],
    ['4 in 6 ft', 'length', 'number'],
    ['6 ft 4 gal', 'length', 'unit-wrong'],
    ['1 2 3 4 5 in', 'length', 'number'],
    ['--5 ft', 'length', 'number'],
    ['5..2 ft', 'length', 'number'],
    ['68 °F 3 °F', 'temperature', 'number'],
  ])('and "%s" as %s is refused: %s', (text, dimension, expected) => expect(code(text, dimension)).toBe(expected));

  test('the sentence names what was meant', () => {
    const r = parseQuantity('5 psi', 'flow');
    expect(r.ok ? '' : r.error.message).toBe('"5 psi" is a pressure; a flow is needed (gpm, gph, L/min, L/h, L/s, m³/h).');
  });

  test('no text at all makes it throw', () => {
    fc.assert(
      fc.property(fc.string(), fc.constantFrom<Dimension>('length', 'flow', 'temperature', 'number'), (text, d) => {
        const r = parseQuantity(text, d);
        if (r.ok) expect(Number.isFinite(r.si)).toBe(true);
      }),
      { seed: 7 },
    );
  });
});

describe('printing', () => {
  test('what is printed for typing reads back to the same value in every unit', () => {
    const all = (Object.keys(UNITS) as Dimension[]).flatMap((d) => UNITS[d].map((u) => [d, u.symbol] as const));
    fc.assert(
      fc.property(fc.constantFrom(...all), fc.double({ min: 0.001, max: 99999, noNaN: true }), ([d, symbol], value) => {
        const unit = findUnit(d, symbol)!;
        const siValue = value * unit.factor + (unit.offset ?? 0);
        const back = si(typeableQuantity(siValue, d, symbol, 12), d);
        expect(Math.abs(fromSi(back, unit) - value)).toBeLessThanOrEqual(1e-9 * value + 1e-8);
      }),
      { seed: 11 },
    );
  });

  test('the text as typed is kept', () => expect(parseQuantity(' 1 1/2" ', 'length')).toMatchObject({ text: '1 1/2"' }));

  test.each([
    [0, '0'],
    [3.456, '3.46'],
    [99.96, '100'],
    [0.00123, '0.00123'],
    [-2.5, '−2.5'],
    [33620.7, '33,621'],
    [9.996, '10'],
    [Infinity, '∞'],
    [NaN, 'no figure'],
  ])('%p prints as %s', (value, text) => expect(formatNumber(value)).toBe(text));

  test('figures take the unit a builder would say', () => {
    expect(formatQuantity(0.0254, 'length', 'us')).toBe('1\u00a0in');
    expect(formatQuantity(30.48, 'length', 'us')).toBe('100\u00a0ft');
    expect(formatQuantity(0.0254, 'length', 'metric')).toBe('25.4\u00a0mm');
    expect(formatQuantity(7200 * 2, 'time', 'us')).toBe('4\u00a0h');
    expect(formatQuantity(3.68 * 3600, 'time', 'us')).toBe('3:41\u00a0h');
    expect(formatQuantity(11.999 * 3600, 'time', 'metric')).toBe('12\u00a0h');
    expect(parseQuantity('3:41', 'time')).toMatchObject({ ok: true, si: 13260 });
    expect(parseQuantity('3:41 h', 'time')).toMatchObject({ ok: true, si: 13260 });
    expect(parseQuantity('3:75', 'time').ok).toBe(false);
    // One kilowatt is 3412 BTU an hour (handbook).
    expect(formatQuantity(1000, 'power', 'us', { unit: 'BTU/h', digits: 4 })).toBe('3,412\u00a0BTU/h');
    expect(formatQuantity(293.15, 'temperature', 'us')).toBe('68°F');
    expect(formatQuantity(64, 'money', 'us')).toBe('$64');
    expect(formatQuantity(10.1, 'money', 'us')).toBe('$10.10');
    expect(formatQuantity(408, 'money', 'us')).toBe('$408');
  });

  test('inches print as fractions', () => {
    expect(formatInches(1.5 * INCH)).toBe('1 1/2\u00a0in');
    expect(formatInches(0.375 * INCH)).toBe('3/8\u00a0in');
    expect(formatInches(2 * INCH)).toBe('2\u00a0in');
    expect(formatInches(0.01)).toBe('0.394\u00a0in');
  });
});
