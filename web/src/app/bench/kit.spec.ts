import { assess, changeShape, figureAt, parseRig, pontoonRig, removeTank, returnTo } from '@pozzo/core';
import { waterfallBars } from '../stations/feed/waterfall';
import { findParts } from './catalogue-dialog';
import { unusedPartId } from './line-editor';
import { step } from './quantity-field';
import { roundUp } from '../kit/units';

test.each([
  [1.3, 1.5],
  [1.5, 1.5],
  [4.4, 5],
  [9.1, 10],
  [0.123, 0.15],
  [0.3, 0.3],
  [620, 800],
] as const)('an axis for %p ends at %p', (most, top) => expect(roundUp(most)).toBe(top));

test.each([
  ['5 gpm', 1, '6 gpm'],
  ['5 gpm', -1, '4 gpm'],
  ['2.5 bar', 1, '2.6 bar'],
  ['3500 psi', 1, '3550 psi'],
  ['150 ft', -1, '145 ft'],
  ['3/8 in', 1, null],
  ['6 ft 4 in', 1, null],
  ['', 1, null],
] as const)('arrow on %s by %p gives %s', (text, by, next) => expect(step(text, by)).toBe(next));

test('the shelf is searched by words in any order', () => {
  expect(findParts('1 in sweep').map((i) => i.name)).toContain('Sweep bend 90° 1 in');
  expect(findParts('valve ball full').every((i) => /Ball valve .* full bore/.test(i.name))).toBe(true);
  expect(findParts('unobtainium')).toEqual([]);
});

test('the waterfall’s bars stand on one another and end at what is there', () => {
  const feed = assess(parseRig(pontoonRig())).feeds[0];
  const bars = waterfallBars(feed, 'metric');
  const steps = bars.filter((b) => b.kind === 'gain' || b.kind === 'loss');
  steps.slice(1).forEach((b, i) => expect(b.from).toBeCloseTo(steps[i].to, 9));
  expect(bars.find((b) => b.kind === 'there')!.to).toBeCloseTo(feed.available.value, 2);
});

test('figures are found by their path, nothing by a wrong one', () => {
  const a = assess(parseRig(pontoonRig()));
  expect(figureAt(a, 'tanks.0.usable')?.dimension).toBe('volume');
  expect(figureAt(a, 'tanks.9.usable')).toBeUndefined();
  expect(figureAt(null, 'tanks.0.usable')).toBeUndefined();
});

test('part ids stay unique', () => expect(unusedPartId([{ id: 'p1' }, { id: 'p3' }])).toBe('p4'));

test('a tank changes shape, and goes with its lines', () => {
  const d = pontoonRig();
  changeShape(d.tanks[0], 'lying-cylinder');
  expect(d.tanks[0].shape).toEqual({ kind: 'lying-cylinder', diameter: '32 in', length: '52 in' });
  expect(() => parseRig(d)).not.toThrow();
  removeTank(d, 'water');
  expect(d.lines.map((l) => l.role)).toEqual(['pressure']);
  expect(() => parseRig(d)).not.toThrow();
});

test('a return is led elsewhere and back', () => {
  const d = pontoonRig();
  returnTo(d, 'washer-a', undefined);
  expect(d.lines.some((l) => l.role === 'bypass')).toBe(false);
  returnTo(d, 'washer-a', 'water');
  expect(parseRig(d).lines.some((l) => l.role === 'bypass')).toBe(true);
  returnTo(d, 'washer-a', 'nowhere');
  expect(() => parseRig(d)).not.toThrow();
});
