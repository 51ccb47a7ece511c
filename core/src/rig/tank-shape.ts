import type { Tank, TankShape } from './schema.js';

/** Inside height of a tank, m. */
export function shapeHeight(shape: TankShape): number {
  switch (shape.kind) {
    case 'lying-cylinder':
      return shape.diameter;
    default:
      return shape.height;
  }
}

/** Inside level to which a tank is filled, m: its top where it is said to be filled higher. */
export const fullDepth = ({ fullLevel, shape }: Pick<Tank, 'fullLevel' | 'shape'>): number => Math.min(fullLevel, shapeHeight(shape));

/** Inside level as the day starts, m: no higher than it is filled. */
export const startDepth = (tank: Pick<Tank, 'fullLevel' | 'startLevel' | 'shape'>): number => Math.min(tank.startLevel, fullDepth(tank));

/** Inside level at which half of what a full tank holds is left, m. */
export const halfDepth = (tank: Pick<Tank, 'fullLevel' | 'shape'>): number => levelOf(tank.shape, volumeAt(tank.shape, fullDepth(tank)) / 2);

/** Share of an ellipse's area below a relative level 0..1. */
function segmentShare(relative: number): number {
  const x = 1 - 2 * relative;
  return (Math.acos(x) - x * Math.sqrt(Math.max(1 - x * x, 0))) / Math.PI;
}

/**
 * Volume in a tank, m³, at an inside level, m. Below the bottom 0, above the top the full volume.
 */
export function volumeAt(shape: TankShape, levelM: number): number {
  const height = shapeHeight(shape);
  const level = Math.min(Math.max(levelM, 0), height);
  switch (shape.kind) {
    case 'box':
      return shape.length * shape.width * level;
    case 'upright-cylinder':
      return (Math.PI / 4) * shape.diameter ** 2 * level;
    case 'lying-cylinder':
      return (Math.PI / 4) * shape.diameter ** 2 * shape.length * segmentShare(level / height);
    case 'elliptical':
      return (Math.PI / 4) * shape.width * shape.height * shape.length * segmentShare(level / height);
  }
}

/** Area of the water surface, m², at a level, m; at least a thousandth of the middle's so that levels stay finite. */
export function surfaceAt(shape: TankShape, levelM: number): number {
  const height = shapeHeight(shape);
  switch (shape.kind) {
    case 'box':
      return shape.length * shape.width;
    case 'upright-cylinder':
      return (Math.PI / 4) * shape.diameter ** 2;
    case 'lying-cylinder':
    case 'elliptical': {
      const width = shape.kind === 'elliptical' ? shape.width : shape.diameter;
      const r = Math.min(Math.max(levelM / height, 0), 1);
      return shape.length * width * Math.max(2 * Math.sqrt(r * (1 - r)), 1e-3);
    }
  }
}

/** Inside level, m, that holds a volume, m³ (bisection; exact for straight-walled shapes). */
export function levelOf(shape: TankShape, volumeM3: number): number {
  const height = shapeHeight(shape);
  const full = volumeAt(shape, height);
  if (!(volumeM3 > 0)) return 0;
  if (volumeM3 >= full) return height;
  if (shape.kind === 'box' || shape.kind === 'upright-cylinder') return (volumeM3 / full) * height;
  let low = 0;
  let high = height;
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (volumeAt(shape, middle) < volumeM3) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** How far below a tank's full level a way in may end and still count as at its brim: a bulkhead beside its float, m. */
const AT_BRIM_M = 0.05;

/** Whether a way into a tank ends well under the water of a full one: only such a one can be drawn back through. */
export const drowned = (endHeight: number | undefined, tank: { readonly base: number; readonly fullLevel: number }): boolean =>
  endHeight !== undefined && endHeight < tank.base + tank.fullLevel - AT_BRIM_M;
