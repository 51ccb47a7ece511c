import { LAYOUTS } from '../layouts/layouts';
import { judged } from '../testing/judge';
import { near } from '../testing/near';
import { unlike } from '../testing/unlike';
import type { TankShape } from './schema';
import { fullDepth, halfDepth, startDepth, volumeAt } from './tank-shape';

const SHAPES: readonly TankShape[] = [
  { kind: 'box', length: 1.2, width: 0.8, height: 0.9 },
  { kind: 'upright-cylinder', diameter: 0.8, height: 0.9 },
  { kind: 'lying-cylinder', diameter: 0.9, length: 1.5 },
  { kind: 'elliptical', width: 1.3, height: 0.9, length: 1.5 },
];

test.each(SHAPES.map((s) => [s.kind, s] as const))(
  '%s: full is no higher than its top, the start no higher than full, half by what it holds',
  (_kind, shape) => {
    const tank = (fullLevel: number, startLevel: number) => ({ shape, fullLevel, startLevel });
    expect(fullDepth(tank(0.7, 0.7))).toBe(0.7);
    expect(fullDepth(tank(1.5, 0.7))).toBe(0.9);
    expect(startDepth(tank(0.7, 0.3))).toBe(0.3);
    expect(startDepth(tank(0.7, 0.8))).toBe(0.7);
    expect(startDepth(tank(1.5, 1.4))).toBe(0.9);
    for (const full of [0.2, 0.7, 0.9]) near(volumeAt(shape, halfDepth(tank(full, full))), volumeAt(shape, full) / 2, 1e-9);
  },
);

test('a round tank that is not filled to its top is half empty above half of its depth', () => {
  const lying = { shape: SHAPES[2], fullLevel: 0.6, startLevel: 0.6 };
  expect(halfDepth(lying)).toBeGreaterThan(0.3 * 1.05);
});

test.each(['two-batch', 'tied-tanks', 'crew-of-four', 'buffer-skid', 'big-tank'])('%s: a start above what is filled is a start full, whoever asks', (id) => {
  const started = (by: number) => {
    const d = LAYOUTS.find((l) => l.id === id)!.make();
    for (const t of d.tanks) {
      if (!('height' in t.shape)) continue;
      const inches = Number.parseFloat(t.shape.height) - 4;
      [t.fullLevel, t.startLevel] = [`${inches} in`, `${inches + by} in`];
    }
    return judged(d);
  };
  expect(unlike(started(3), started(0))).toEqual([]);
});
