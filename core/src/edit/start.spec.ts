import { assess } from '../assess/assess.js';
import { emptyRig } from '../layouts/pieces.js';
import { parseRig } from '../rig/read.js';
import { hasStep, START_STEPS, type StartStep, takeStep } from './start.js';

const orders: StartStep[][] = [
  ['tank', 'machine', 'tap'],
  ['tank', 'tap', 'machine'],
  ['machine', 'tank', 'tap'],
  ['machine', 'tap', 'tank'],
  ['tap', 'tank', 'machine'],
  ['tap', 'machine', 'tank'],
];

test.each(orders.map((o) => [o.join(', '), o] as const))('%s: an empty page becomes a rig whose pump is fed', (_, order) => {
  const d = emptyRig('New build');
  for (const step of order) {
    expect(hasStep(d, step)).toBe(false);
    takeStep(d, step);
    expect(hasStep(d, step)).toBe(true);
    // Every rig on the way reads and is judged.
    assess(parseRig(d));
  }
  const a = assess(parseRig(d));
  expect(a.feeds).toHaveLength(1);
  expect(a.outlets).toHaveLength(1);
  expect(a.outlets[0].flow.value).toBeGreaterThan(0);
  expect(d.tanks).toHaveLength(1);
});

test('a tap for a machine without a tank feeds it straight, and a step taken twice changes nothing', () => {
  const d = emptyRig('New build');
  for (const step of ['machine', 'tap'] as const) takeStep(d, step);
  expect(assess(parseRig(d)).feeds[0].direct).toBe(true);
  const before = JSON.stringify(d);
  for (const step of ['machine', 'tap'] as const) takeStep(d, step);
  expect(JSON.stringify(d)).toBe(before);
  expect(START_STEPS.every((s) => hasStep(d, s))).toBe(false);
});

test('a machine is never plumbed to a tank of chemicals', () => {
  const d = emptyRig('New build');
  takeStep(d, 'tank');
  Object.assign(d.tanks[0], { liquid: 'chemical' });
  takeStep(d, 'machine');
  expect(d.lines.filter((l) => l.role === 'feed' || l.role === 'bypass')).toEqual([]);
});
