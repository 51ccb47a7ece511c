import { readFileSync } from 'node:fs';
import { join } from 'node:path';

/** Contrast of two colours by WCAG 2.2 (relative luminance of sRGB). */
function contrast(a: string, b: string): number {
  const luminance = (hex: string): number => {
    const of = (i: number): number => {
      const c = parseInt(hex.slice(1 + 2 * i, 3 + 2 * i), 16) / 255;
      return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
    };
    return 0.2126 * of(0) + 0.7152 * of(1) + 0.0722 * of(2);
  };
  const [x, y] = [luminance(a), luminance(b)].sort((p, q) => q - p);
  return (x + 0.05) / (y + 0.05);
}

const css = readFileSync(join(__dirname, '_tokens.scss'), 'utf8');
function tokens(theme: string): Record<string, string> {
  const start = css.indexOf(`@mixin ${theme} {`);
  const body = css.slice(start, css.indexOf('\n}', start));
  const own = Object.fromEntries([...body.matchAll(/--([\w-]+): (#[0-9a-f]{6});/g)].map((m) => [m[1], m[2]]));
  return theme === 'sunlight' ? { ...tokens('light'), ...own } : own;
}

/** What is written on what. */
const TEXT: readonly (readonly [string, string])[] = [
  ...['card', 'ground', 'ground-2', 'field', 'water-pale'].flatMap((on) => [['ink', on] as const, ['ink-quiet', on] as const]),
  ...['card', 'ground', 'ground-2', 'water-pale'].map((on) => ['water', on] as const),
  ...['card', 'ground', 'ground-2', 'attention-pale'].map((on) => ['attention', on] as const),
  ...['card', 'ground', 'danger-pale'].map((on) => ['danger', on] as const),
  ['ink', 'attention-pale'],
  ['ink', 'danger-pale'],
  ['ink', 'chem-pale'],
  ['card', 'attention'],
  ['card', 'danger'],
  ['press-ink', 'press'],
  ['bar-ink', 'bar'],
  ['bar-quiet', 'bar'],
];
/** Marks and edges against what they lie on. */
const MARKS: readonly (readonly [string, string])[] = [
  ...['card', 'ground', 'ground-2'].flatMap((on) => [['water', on] as const, ['chem', on] as const, ['attention', on] as const, ['danger', on] as const]),
  ['field-line', 'field'],
  ['focus', 'card'],
  ['focus', 'ground'],
];

test('black on white is 21 to 1, as the guideline says', () => expect(contrast('#000000', '#ffffff')).toBeCloseTo(21, 6));
describe.each(['light', 'dark', 'sunlight'])('in %s', (theme) => {
  const of = tokens(theme);
  test('every word is readable on what it is written on: 4.5 to 1', () => {
    const low = TEXT.filter(([a, b]) => !(contrast(of[a], of[b]) >= 4.5)).map(([a, b]) => `${a} on ${b}: ${contrast(of[a], of[b]).toFixed(2)}`);
    expect(low).toEqual([]);
  });
  test('every mark stands out from what it lies on: 3 to 1', () => {
    const low = MARKS.filter(([a, b]) => !(contrast(of[a], of[b]) >= 3)).map(([a, b]) => `${a} on ${b}: ${contrast(of[a], of[b]).toFixed(2)}`);
    expect(low).toEqual([]);
  });
});
