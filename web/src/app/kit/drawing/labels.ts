import { textWidth } from '@pozzo/core';
import { through } from './dimension';
import type { Area } from './scale';

export type Anchor = 'start' | 'middle' | 'end';
/** Where a label may stand about the point that it names. */
export type Way = 'above' | 'below' | 'right' | 'left' | 'here';

/** Words that belong to a point of a drawing. */
export interface Label {
  readonly id: string;
  /** One above the other. */
  readonly lines: readonly string[];
  readonly x: number;
  readonly y: number;
  /** Preferred ways, the first first; left out, above, below, right, left. */
  readonly ways?: readonly Way[];
  /** Height of its letters in drawn units. */
  readonly size?: number;
}

export interface PlacedLabel {
  readonly id: string;
  readonly x: number;
  /** Baseline of each of its lines. */
  readonly y: readonly number[];
  readonly anchor: Anchor;
  readonly box: Area;
  /** A thin line back to its point, where it had to stand away from it. */
  readonly leader: string | undefined;
  /** False where there was no free place left and it stands over something. */
  readonly clear: boolean;
}

const SIZE = 13.5;
const LEADING = 1.2;
const GAP = 7;
/** Distances that are tried, drawn units. */
const AWAY = [0, 10, 20, 32, 46, 62, 80, 100, 124, 150] as const;
/** Further than this a label is led back to its point. */
const LED = 24;
const DEFAULT_WAYS: readonly Way[] = ['above', 'below', 'right', 'left'];

const overlap = (a: Area, b: Area): number =>
  Math.max(Math.min(a.x1, b.x1) - Math.max(a.x0, b.x0), 0) * Math.max(Math.min(a.y1, b.y1) - Math.max(a.y0, b.y0), 0);

/** The areas that a path of straight stretches takes, a stretch at a time; slanted ones in pieces. */
export function alongPath(points: readonly (readonly [number, number])[], half = 2): readonly Area[] {
  return points.slice(1).flatMap(([x1, y1], i) => {
    const [x0, y0] = points[i];
    const straight = Math.abs(x1 - x0) < 1 || Math.abs(y1 - y0) < 1;
    const pieces = straight ? 1 : Math.min(Math.max(Math.ceil(Math.hypot(x1 - x0, y1 - y0) / 16), 1), 40);
    return Array.from({ length: pieces }, (_, k): Area => {
      const [a, b] = [k / pieces, (k + 1) / pieces];
      const xs = [x0 + (x1 - x0) * a, x0 + (x1 - x0) * b];
      const ys = [y0 + (y1 - y0) * a, y0 + (y1 - y0) * b];
      return { x0: Math.min(...xs) - half, y0: Math.min(...ys) - half, x1: Math.max(...xs) + half, y1: Math.max(...ys) + half };
    });
  });
}

interface Place {
  readonly x: number;
  readonly anchor: Anchor;
  readonly box: Area;
}

function placeAt(l: Label, way: Way, away: number, shift: number): Place {
  const size = l.size ?? SIZE;
  const wide = Math.max(...l.lines.map((t) => textWidth(t, size)), 1);
  const tall = l.lines.length * size * LEADING;
  const gap = GAP + away;
  const [left, top] =
    way === 'above'
      ? [l.x - wide / 2 + shift, l.y - gap - tall]
      : way === 'below'
        ? [l.x - wide / 2 + shift, l.y + gap]
        : way === 'right'
          ? [l.x + gap, l.y - tall / 2 + shift]
          : way === 'left'
            ? [l.x - gap - wide, l.y - tall / 2 + shift]
            : [l.x - wide / 2 + shift, l.y - tall / 2];
  const anchor: Anchor = way === 'right' ? 'start' : way === 'left' ? 'end' : 'middle';
  const x = anchor === 'start' ? left : anchor === 'end' ? left + wide : left + wide / 2;
  return { x, anchor, box: { x0: left, y0: top, x1: left + wide, y1: top + tall } };
}

/** Moved into the frame by as little as does. */
function inside(p: Place, frame: Area): Place {
  const dx = Math.max(frame.x0 - p.box.x0, 0) - Math.max(p.box.x1 - frame.x1, 0);
  const dy = Math.max(frame.y0 - p.box.y0, 0) - Math.max(p.box.y1 - frame.y1, 0);
  return dx || dy ? { x: p.x + dx, anchor: p.anchor, box: { x0: p.box.x0 + dx, x1: p.box.x1 + dx, y0: p.box.y0 + dy, y1: p.box.y1 + dy } } : p;
}

/**
 * Labels where nothing is in their way: the first free place about each one's point, nearest first, ways in their order. An
 * earlier label keeps its place before a later one. Where no place is free, the one that covers least, and it says so.
 */
export function placeLabels(labels: readonly Label[], taken: readonly Area[], frame: Area): ReadonlyMap<string, PlacedLabel> {
  const busy: Area[] = [...taken];
  const out = new Map<string, PlacedLabel>();
  for (const l of labels) {
    const size = l.size ?? SIZE;
    let best: { place: Place; cost: number; away: number } | undefined;
    search: for (const away of AWAY)
      for (const way of l.ways ?? DEFAULT_WAYS)
        for (const shift of [0, -16, 16, -40, 40, -80, 80]) {
          const place = inside(placeAt(l, way, away, shift), frame);
          const cost = busy.reduce((t, b) => t + overlap(b, place.box), 0);
          if (!best || cost < best.cost) best = { place, cost, away };
          if (cost === 0) break search;
        }
    const { place, cost } = best!;
    busy.push(place.box);
    const near: readonly [number, number] = [
      Math.min(Math.max(l.x, place.box.x0), place.box.x1),
      l.y < place.box.y0 ? place.box.y0 : Math.min(l.y, place.box.y1),
    ];
    const far = Math.hypot(near[0] - l.x, near[1] - l.y);
    out.set(l.id, {
      id: l.id,
      x: place.x,
      anchor: place.anchor,
      box: place.box,
      y: l.lines.map((_, i) => place.box.y0 + size * (0.95 + LEADING * i)),
      leader: far > LED ? through([[l.x, l.y], near]) : undefined,
      clear: cost === 0,
    });
  }
  return out;
}

const FIT_SIZES = [15, 13.5, 12] as const;

/** The name of a box where it can be read in it: along, else upright; undefined where it does not fit. */
export function labelInside(
  text: string,
  width: number,
  height: number,
): { readonly text: string; readonly size: number; readonly upright: boolean } | undefined {
  for (const size of FIT_SIZES) {
    if (textWidth(text, size) < width - 6 && size * 1.3 < height) return { text, size, upright: false };
    if (textWidth(text, size) < height - 6 && size * 1.3 < width) return { text, size, upright: true };
  }
  return undefined;
}
