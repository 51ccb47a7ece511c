import type { Line, Rig } from '../rig/schema.js';
import type { Box, Standing } from './outline.js';

/** A point on a deck, m: from its front edge, from the kerb side, above it. */
export interface Point {
  readonly x: number;
  readonly y: number;
  readonly z: number;
}

export const middleOf = (b: Box): Point => ({ x: (b.x0 + b.x1) / 2, y: (b.y0 + b.y1) / 2, z: (b.z0 + b.z1) / 2 });

const clamp = (v: number, low: number, high: number): number => Math.min(Math.max(v, low), high);

/** Where a hose meets a box on its way to or from another: the point of its outside nearest to that, at a height of its own. */
export function portTo(box: Box, other: Box, z: number): Point {
  const to = middleOf(other);
  return { x: clamp(to.x, box.x0, box.x1), y: clamp(to.y, box.y0, box.y1), z: clamp(z, box.z0, Math.max(box.z1, box.z0)) };
}

/** A line as it lies on the deck: along it and its walls, square, from port to port. */
export interface LaidLine {
  readonly lineId: string;
  readonly role: Line['role'];
  /** From its start to its end. */
  readonly points: readonly Point[];
  /** Along those points, m. */
  readonly pathM: number;
  /** Of its hoses, m. */
  readonly hoseM: number;
}

function along(points: readonly Point[]): number {
  let sum = 0;
  for (let i = 1; i < points.length; i++)
    sum += Math.abs(points[i].x - points[i - 1].x) + Math.abs(points[i].y - points[i - 1].y) + Math.abs(points[i].z - points[i - 1].z);
  return sum;
}

/** Heights of the ends of a line above the deck, m, where the document tells them. */
export function endHeight(rig: Rig, end: Line['from'], box: Pick<Box, 'z0'>): number {
  if (end.height !== undefined) return end.height;
  switch (end.at) {
    case 'machine':
      return rig.machines.find((m) => m.id === end.id)?.inletHeight ?? box.z0;
    case 'soft-pump':
      return rig.softPumps.find((p) => p.id === end.id)?.height ?? box.z0;
    case 'booster':
      return rig.boosters.find((b) => b.id === end.id)?.height ?? box.z0;
    default:
      return box.z0;
  }
}

/**
 * Lines between two things that both have a place, as they lie: from the start's side down to the deck, square along it, up
 * to the end's. A line that goes to a reel lies to the reel. Length along the deck is |Δx| + |Δy| + |Δz| of its ports.
 */
export function laidLines(rig: Rig, things: readonly Standing[]): LaidLine[] {
  const boxes = new Map(things.flatMap((t) => (t.box ? [[t.id, t.box] as const] : [])));
  const reels = new Map([...rig.reels].reverse().map((r) => [r.line, r]));
  return rig.lines.flatMap((l): LaidLine[] => {
    const reel = reels.get(l.id);
    const from = l.from.id === undefined ? undefined : boxes.get(l.from.id);
    const to = (l.to.id === undefined ? undefined : boxes.get(l.to.id)) ?? (reel && boxes.get(reel.id));
    if (!from || !to) return [];
    const [a, b] = [portTo(from, to, endHeight(rig, l.from, from)), portTo(to, from, endHeight(rig, l.to, to))];
    const points = [a, { x: b.x, y: a.y, z: a.z }, { x: b.x, y: b.y, z: a.z }, b];
    // What lies on the deck of a run that is wound up is its whip only.
    const hoseM = l.parts.reduce((s, p) => s + (p.kind === 'hose' && (!reel || p.use === 'whip') ? p.length : 0), 0);
    return [{ lineId: l.id, role: l.role, points, pathM: along(points), hoseM }];
  });
}
