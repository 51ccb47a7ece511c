import { formatNumber, formatQuantity, formatTape, offeredUnits, hoseSize, shelfName, shownIn, UNITS } from './index';
import { CATALOGUE } from '../catalogue/index';
import { si } from './parse';

test('what was typed stays where its unit is of the reader’s system or of both, and is converted where it is not', () => {
  expect(shownIn('8 gpm', 'flow', 'us')).toEqual({ text: '8 gpm', typed: '' });
  // 8 gpm of 3.785412 L (NIST SP 811): 30.28 L/min.
  expect(shownIn('8 gpm', 'flow', 'metric')).toEqual({ text: '30.3\u00a0L/min', typed: '8 gpm' });
  expect(shownIn('38 mm', 'length', 'us').text).toBe('1.5\u00a0in');
  expect(shownIn('12.7 mm', 'length', 'us').text).toBe('1/2\u00a0in');
  expect(shownIn('20 °C', 'temperature', 'us').text).toBe('68°F');
  for (const both of ['90 min', '12 V']) expect(shownIn(both, both.endsWith('V') ? 'voltage' : 'time', 'metric').typed).toBe('');
  expect(shownIn('five', 'flow', 'metric')).toEqual({ text: 'five', typed: '' });
});
test('what is shown can be typed again, and is the same figure within its digits', () => {
  for (const [text, dimension] of [
    ['1234 gal', 'volume'],
    ['6 ft 4 in', 'length'],
    ['3380 psi', 'pressure'],
    ['-2 °F', 'temperature'],
    ['0.3 oz/gal', 'ratio'],
  ] as const) {
    const shown = shownIn(text, dimension, 'metric');
    expect(Math.abs(si(shown.text.replace('−', '-'), dimension) / si(text, dimension) - 1)).toBeLessThan(0.006);
  }
});
test('every unit is of one system, but for those that both read; cubic metres a second are offered nowhere and still read', () => {
  for (const [dimension, units] of Object.entries(UNITS)) {
    const offered = offeredUnits(dimension as keyof typeof UNITS, 'us').map((u) => u.symbol);
    if (units.some((u) => u.of === 'us')) expect([dimension, units.find((u) => u.symbol === offered[0])?.of]).toEqual([dimension, 'us']);
  }
  // One that is forgotten would be shown unconverted to everybody: these alone are of both.
  const both = new Set(Object.values(UNITS).flatMap((us) => us.filter((u) => u.of === undefined).map((u) => u.symbol)));
  expect([...both].sort()).toEqual(['', '$', '%', 'A', 'Ah', 'Hz', 'Pa·s', 'V', 'W', 'd', 'h', 'kW', 'mPa·s', 'min', 'ppm', 'rpm', 's', 'wk'].sort());
  expect(offeredUnits('flow').map((u) => u.symbol)).not.toContain('m³/s');
  expect(si('1 m³/s', 'flow')).toBe(1);
});
test('less than one percent has two digits; one percent and over three', () => {
  expect(formatQuantity(0.00769, 'ratio', 'us')).toBe('0.77%');
  expect(formatQuantity(0.00998, 'ratio', 'us')).toBe('1%');
  expect(formatQuantity(0.0456, 'ratio', 'us')).toBe('4.56%');
  expect(formatNumber(0.768)).toBe('0.768');
});
test('trade sizes are labels: hose by ISO 1307, fittings by ISO 6708 (both from memory), none of them changes a bore', () => {
  expect(hoseSize(0.01905, 'metric')).toBe('19 mm');
  expect(hoseSize(0.01905, 'us')).toBe('3/4\u00a0in');
  expect(hoseSize(0.0117, 'metric')).toBe('11.7\u00a0mm');
  expect(shelfName({ name: 'Suction hose 1 1/2 in', kind: 'hose' }, 'metric')).toBe('Suction hose 38 mm');
  expect(shelfName({ name: 'Ball valve 1 1/2 in, full bore', kind: 'fitting' }, 'metric')).toBe('Ball valve DN 40, full bore');
  for (const { name, part } of CATALOGUE) expect([name, /\d in\b/.test(shelfName({ name, kind: part.kind }, 'metric'))]).toEqual([name, false]);
});
test('a measure past a foot is read off a tape to an eighth of an inch', () => {
  expect(formatTape((36 + 13 / 32) * 0.0254, 'us')).toBe('36 3/8\u00a0in');
  expect(formatTape((3 + 13 / 32) * 0.0254, 'us')).toBe('3 13/32\u00a0in');
  expect(formatTape(1.4224, 'metric')).toBe('142\u00a0cm');
});
