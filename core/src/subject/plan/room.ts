import type { Box, Standing } from '../../deck/index.js';
import type { Platform, Side } from '../../rig/schema.js';

/** Below this two things touch and do not overlap, m. */
export const TOUCH = 1e-4;
const SLAB = 0.0254;
/** Where a hose runs off a reel, of its height. */
export const REEL_PAYS = 0.75;

const cut = (a0: number, a1: number, b0: number, b1: number): number => Math.min(a1, b1) - Math.max(a0, b0);

/** What of a thing takes room: a shelf its top, anything else all of its box. */
export const solidOf = (t: Pick<Standing, 'box'>, isShelf: boolean): Box | undefined => t.box && (isShelf ? { ...t.box, z0: t.box.z1 - SLAB } : t.box);

/** How far two boxes reach into each other, m: the least of the three directions; nothing or less where they do not. */
export const overlapM = (a: Box, b: Box): number => Math.min(cut(a.x0, a.x1, b.x0, b.x1), cut(a.y0, a.y1, b.y0, b.y1), cut(a.z0, a.z1, b.z0, b.z1));

/** The room in front of a side of a box, so deep, as wide as the box and growing by `spread` m for each m to both sides. */
export function before(box: Box, side: Side, depth: number, spread = 0): Box {
  const wide = spread * depth;
  switch (side) {
    case 'front':
      return { ...box, x0: box.x0 - depth, x1: box.x0, y0: box.y0 - wide, y1: box.y1 + wide };
    case 'rear':
      return { ...box, x0: box.x1, x1: box.x1 + depth, y0: box.y0 - wide, y1: box.y1 + wide };
    case 'kerb':
      return { ...box, y0: box.y0 - depth, y1: box.y0, x0: box.x0 - wide, x1: box.x1 + wide };
    case 'street':
      return { ...box, y0: box.y1, y1: box.y1 + depth, x0: box.x0 - wide, x1: box.x1 + wide };
  }
}

/** The strip behind a side of a box, so deep. */
export function inwards(box: Box, side: Side, depth: number): Box {
  switch (side) {
    case 'front':
      return { ...box, x1: box.x0 + depth };
    case 'rear':
      return { ...box, x0: box.x1 - depth };
    case 'kerb':
      return { ...box, y1: box.y0 + depth };
    case 'street':
      return { ...box, y0: box.y1 - depth };
  }
}

/** From a side of a box to the edge of the deck, m; less than nothing where it hangs over. */
export function toEdge(box: Box, side: Side, p: Platform): number {
  switch (side) {
    case 'front':
      return box.x0;
    case 'rear':
      return p.length - box.x1;
    case 'kerb':
      return box.y0;
    case 'street':
      return p.width - box.y1;
  }
}

/** Sides from which a person gets at the deck: of a closed body its doors; a vehicle's cab stands before its front, a trailer's is open. */
export const openSides = (p: Platform): readonly Side[] =>
  p.headroom !== undefined ? (p.doors ?? []) : p.kind === 'trailer' ? ['kerb', 'street', 'rear', 'front'] : ['kerb', 'street', 'rear'];

/** From one side of a box to the nearest of others in front of it, m; Infinity where nothing stands there. @param self the box among them that is its own */
export function clearBefore(box: Box, side: Side, others: readonly Box[], self?: Box): number {
  let free = Infinity;
  for (const o of others) {
    if (o === self) continue;
    const beside = side === 'front' || side === 'rear' ? cut(box.y0, box.y1, o.y0, o.y1) : cut(box.x0, box.x1, o.x0, o.x1);
    if (!(beside > TOUCH) || !(cut(box.z0, box.z1, o.z0, o.z1) > TOUCH)) continue;
    const gap = side === 'front' ? box.x0 - o.x1 : side === 'rear' ? o.x0 - box.x1 : side === 'kerb' ? box.y0 - o.y1 : o.y0 - box.y1;
    if (gap > -TOUCH) free = Math.min(free, Math.max(gap, 0));
  }
  return free;
}

/** The open side with the most room in front of a box; of those whose way to the edge is clear, the nearest. */
export function roomiestSide(box: Box, p: Platform, others: readonly Box[], self?: Box): Side {
  const sides = openSides(p).length ? openSides(p) : (['kerb', 'street', 'rear', 'front'] as const);
  let [best, room] = [sides[0], -Infinity];
  for (const side of sides) {
    const free = clearBefore(box, side, others, self);
    // Clear to the edge is worth more than any room on the deck, the nearer the better.
    const worth = Number.isFinite(free) ? free : 1e3 - toEdge(box, side, p);
    if (worth > room) [best, room] = [side, worth];
  }
  return best;
}

/** Between two boxes in plan, m. */
export const apartM = (a: Box, b: Box): number =>
  Math.hypot(Math.max(-cut(a.x0, a.x1, b.x0, b.x1), 0), Math.max(-cut(a.y0, a.y1, b.y0, b.y1), 0), Math.max(-cut(a.z0, a.z1, b.z0, b.z1), 0));
