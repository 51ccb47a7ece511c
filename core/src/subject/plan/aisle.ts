import type { AssumptionValues } from '../../assumption/register.js';
import type { Box } from '../../deck/index.js';
import type { Platform, Side } from '../../rig/schema.js';
import { before, openSides, overlapM } from './room.js';

/** How far apart the places are that are looked at for a way, m. */
const GRID = 0.05;

/** How wide somebody is, what one steps over and stoops under, and how far aside one reaches. */
export type Person = Pick<AssumptionValues, 'aisle' | 'aisle-step' | 'aisle-stoop' | 'aisle-aslant'>;

/** Floor of a closed body that somebody gets to from a door. */
export interface Aisle {
  /** Whether a person of that width, at a door or inside, gets within reach of a side of a box. */
  readonly gets: (box: Box, side: Side, reachM: number) => boolean;
}

/**
 * Where somebody stands who came in at a door of a closed body: a square that is moved over the floor between what
 * stands there. Under a roof lower than one stoops nobody walks: one reaches in from the doors.
 */
export function aisleOf(platform: Platform, solid: readonly Box[], values: Person): Aisle {
  const { aisle: widthM, 'aisle-step': step, 'aisle-stoop': stoop, 'aisle-aslant': aslant } = values;
  const walks = (platform.headroom ?? 0) >= stoop;
  const blocks = solid.filter((b) => b.z0 < stoop && b.z1 > step);
  const [nx, ny] = [Math.floor((platform.length - widthM) / GRID), Math.floor((platform.width - widthM) / GRID)].map((n) => Math.max(n, -1) + 1);
  const stand = (i: number, j: number): Box => ({ x0: i * GRID, x1: i * GRID + widthM, y0: j * GRID, y1: j * GRID + widthM, z0: step, z1: stoop });
  const seen = new Uint8Array(Math.max(nx * ny, 0));
  const stack: number[] = [];
  const visit = (i: number, j: number): void => {
    if (i < 0 || j < 0 || i >= nx || j >= ny || seen[i * ny + j]) return;
    seen[i * ny + j] = 1;
    const at = stand(i, j);
    if (blocks.every((b) => overlapM(at, b) <= 1e-6)) stack.push(i * ny + j);
    else seen[i * ny + j] = 2;
  };
  const doors = openSides(platform);
  if (walks && nx > 0 && ny > 0) {
    for (let j = 0; j < ny; j++) {
      if (doors.includes('front')) visit(0, j);
      if (doors.includes('rear')) visit(nx - 1, j);
    }
    for (let i = 0; i < nx; i++) {
      if (doors.includes('kerb')) visit(i, 0);
      if (doors.includes('street')) visit(i, ny - 1);
    }
    for (let at = stack.pop(); at !== undefined; at = stack.pop()) {
      const [i, j] = [Math.floor(at / ny), at % ny];
      visit(i - 1, j);
      visit(i + 1, j);
      visit(i, j - 1);
      visit(i, j + 1);
    }
  }
  const outside = doors.map((side) => before({ x0: 0, x1: platform.length, y0: 0, y1: platform.width, z0: -stoop, z1: 2 * stoop }, side, 0.01));
  return {
    gets: (box, side, reachM) => {
      // From aslant as well as from straight before it.
      const face = before(box, side, reachM, aslant);
      const hand = { ...face, z0: -stoop, z1: 2 * stoop };
      if (outside.some((o) => overlapM(hand, o) > 1e-6)) return true;
      for (let at = 0; at < seen.length; at++)
        if (seen[at] === 1) {
          const here = stand(Math.floor(at / ny), at % ny);
          if (overlapM({ ...hand, z0: step, z1: stoop }, here) > 1e-6) return true;
        }
      return false;
    },
  };
}
