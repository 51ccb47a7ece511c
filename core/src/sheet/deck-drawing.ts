import { spell } from '../locale/spell.js';
import { type Box, laidLines, type Standing, standingOn } from '../deck/index.js';
import { formatQuantity, formatTape } from '../quantity/format.js';
import type { UnitSystem } from '../quantity/dimension.js';
import { startDepth, shapeHeight, volumeAt } from '../rig/tank-shape.js';
import type { LineRole, Rig } from '../rig/schema.js';
import { fittingSize } from './text.js';

/** Layers of a drawing: in a file each is one of its own. */
export const DRAWING_LAYERS = ['platform', 'things', 'liquid', 'lines', 'labels', 'dimensions'] as const;
export type DrawingLayer = (typeof DRAWING_LAYERS)[number];

/** A stroke of a drawing, m on the paper's own scale of 1:1: x to the right, y up. */
export type Stroke =
  | {
      readonly layer: DrawingLayer;
      readonly kind: 'line';
      readonly points: readonly (readonly [x: number, y: number])[];
      readonly closed?: boolean;
      readonly role?: LineRole;
      readonly fill?: 'water' | 'chemical' | 'machine' | 'plain';
    }
  | { readonly layer: DrawingLayer; readonly kind: 'circle'; readonly at: readonly [number, number]; readonly radius: number }
  | {
      readonly layer: DrawingLayer;
      readonly kind: 'text';
      readonly at: readonly [number, number];
      readonly size: number;
      readonly text: string;
      readonly anchor: 'start' | 'middle';
    };

export interface Drawing {
  readonly title: string;
  readonly strokes: readonly Stroke[];
  /** Corners of all that is drawn, m. */
  readonly bounds: { readonly x0: number; readonly y0: number; readonly x1: number; readonly y1: number };
}

const rectangle = (x0: number, y0: number, x1: number, y1: number): readonly (readonly [number, number])[] => [
  [x0, y0],
  [x1, y0],
  [x1, y1],
  [x0, y1],
];

/** Smallest letters of a drawing at 1:1, m: 1.4 mm at 1:20. */
const LEAST = 0.028;

/** Whether one thing hides another from above. */
const covers = (over: Standing & { readonly box: Box }, under: Standing & { readonly box: Box }): boolean =>
  over !== under &&
  over.box.z0 >= under.box.z1 - 1e-6 &&
  over.box.x0 <= under.box.x0 + 0.05 &&
  over.box.x1 >= under.box.x1 - 0.05 &&
  over.box.y0 <= under.box.y0 + 0.05 &&
  over.box.y1 >= under.box.y1 - 0.05;

/**
 * The deck from above, with its kerb side below, and under it the same from the kerb, with axles and coupling: to scale, with
 * the main measures. Undefined for a rig without a platform.
 * @param levels inside level of each tank, m; left out, as the job starts
 */
export function deckDrawing(rig: Rig, units: UnitSystem, levels: readonly number[] = rig.tanks.map(startDepth)): Drawing | undefined {
  const { platform: p } = rig;
  if (!p) return undefined;
  const strokes: Stroke[] = [];
  const things = standingOn(rig);
  const placed = things.filter((t): t is Standing & { readonly box: Box } => t.box !== undefined);
  const tall = Math.max(0.6, ...placed.map((t) => t.box.z1), p.headroom ?? 0, p.rail ?? 0);
  // The plan above, so that the elevation's ground is at nought.
  const lift = p.height + tall + 0.9;
  const text = (at: readonly [number, number], size: number, words: string, layer: DrawingLayer = 'labels', anchor: 'start' | 'middle' = 'middle'): void =>
    void strokes.push({ layer, kind: 'text', at, size, text: words, anchor });
  const fillOf = (t: Standing): 'water' | 'chemical' | 'machine' | 'plain' =>
    t.kind === 'tank'
      ? rig.tanks.find((x) => x.id === t.id)?.liquid === 'chemical'
        ? 'chemical'
        : 'water'
      : t.kind === 'machine' || t.kind === 'soft-pump'
        ? 'machine'
        : 'plain';

  strokes.push({ layer: 'platform', kind: 'line', points: rectangle(0, lift, p.length, lift + p.width), closed: true });
  if (p.wheelBoxes) {
    const w = p.wheelBoxes;
    for (const y of [0, p.width - w.width])
      strokes.push({ layer: 'platform', kind: 'line', points: rectangle(w.from, lift + y, w.from + w.length, lift + y + w.width), closed: true });
  }
  if (p.coupling)
    strokes.push({
      layer: 'platform',
      kind: 'line',
      points: [
        [0, lift + 0.15 * p.width],
        [-p.coupling.ahead, lift + p.width / 2],
        [0, lift + 0.85 * p.width],
      ],
    });
  const rising = [...placed].sort((a, b) => a.box.z0 - b.box.z0);
  for (const t of rising) {
    const b = t.box;
    strokes.push({ layer: 'things', kind: 'line', points: rectangle(b.x0, lift + b.y0, b.x1, lift + b.y1), closed: true, fill: fillOf(t) });
  }
  for (const l of laidLines(rig, things)) strokes.push({ layer: 'lines', kind: 'line', role: l.role, points: l.points.map((q) => [q.x, lift + q.y] as const) });
  for (const t of rising) {
    const b = t.box;
    // What something stands on is told by what is seen of it: the upper one.
    if (rising.some((o) => o.place?.on === t.id || covers(o, t))) continue;
    const size = fittingSize(t.name, b.x1 - b.x0, b.y1 - b.y0, LEAST, 0.09);
    if (size) text([(b.x0 + b.x1) / 2, lift + (b.y0 + b.y1) / 2 - size / 3], size, t.name);
  }
  text([0, lift + p.width + 0.16], 0.09, `${rig.name}: ${spell('from above, ‹curb› side below')}`, 'labels', 'start');

  // From the kerb.
  strokes.push({ layer: 'platform', kind: 'line', points: rectangle(0, p.height - 0.08, p.length, p.height), closed: true });
  if (p.rail)
    strokes.push({
      layer: 'platform',
      kind: 'line',
      points: [
        [0, p.height],
        [0, p.height + p.rail],
        [p.length, p.height + p.rail],
        [p.length, p.height],
      ],
    });
  if (p.headroom !== undefined)
    strokes.push({ layer: 'platform', kind: 'line', points: rectangle(0, p.height, p.length, p.height + p.headroom), closed: true });
  const ends = [-(p.coupling?.ahead ?? 0), ...p.axles.map((a) => a.at), 0, p.length];
  const [left, right] = [Math.min(...ends) - 0.35, Math.max(...ends) + 0.35];
  strokes.push({
    layer: 'platform',
    kind: 'line',
    points: [
      [left, 0],
      [right, 0],
    ],
  });
  for (const a of p.axles) strokes.push({ layer: 'platform', kind: 'circle', at: [a.at, 0.34], radius: 0.34 });
  if (p.coupling)
    strokes.push(
      {
        layer: 'platform',
        kind: 'line',
        points: [
          [0, p.height - 0.05],
          [-p.coupling.ahead, p.height - 0.1],
        ],
      },
      { layer: 'platform', kind: 'circle', at: [-p.coupling.ahead, p.height - 0.1], radius: 0.05 },
    );
  for (const t of [...placed].sort((a, b) => b.box.y0 - a.box.y0)) {
    const b = t.box;
    const up = (z: number): number => p.height + z;
    strokes.push({ layer: 'things', kind: 'line', points: rectangle(b.x0, up(b.z0), b.x1, up(b.z1)), closed: true, fill: 'plain' });
    const tank = rig.tanks.findIndex((x) => x.id === t.id);
    if (tank >= 0 && levels[tank] > 0)
      strokes.push({
        layer: 'liquid',
        kind: 'line',
        points: rectangle(b.x0, up(b.z0), b.x1, up(b.z0 + Math.min(levels[tank], shapeHeight(rig.tanks[tank].shape)))),
        closed: true,
        fill: fillOf(t),
      });
    const front = !placed.some(
      (o) => o !== t && o.box.y0 < b.y0 - 1e-6 && o.box.x0 < b.x1 - 0.02 && o.box.x1 > b.x0 + 0.02 && o.box.z0 < b.z1 && o.box.z1 > b.z0 + 0.6 * (b.z1 - b.z0),
    );
    const volume = tank >= 0 ? volumeAt(rig.tanks[tank].shape, levels[tank]) : 0;
    const words = tank >= 0 ? `${t.name} ${formatQuantity(volume, 'volume', units)}` : t.name;
    const size = fittingSize(words, b.x1 - b.x0, b.z1 - b.z0, LEAST, 0.08);
    if (front && size) text([(b.x0 + b.x1) / 2, up((b.z0 + b.z1) / 2) - size / 3], size, words);
  }
  text([0, p.height + tall + 0.14], 0.09, spell('from the ‹curb›'), 'labels', 'start');

  const measure = (x0: number, x1: number, y: number, value: number): void => {
    strokes.push({
      layer: 'dimensions',
      kind: 'line',
      points: [
        [x0, y],
        [x1, y],
      ],
    });
    for (const x of [x0, x1])
      strokes.push({
        layer: 'dimensions',
        kind: 'line',
        points: [
          [x, y - 0.05],
          [x, y + 0.05],
        ],
      });
    text([(x0 + x1) / 2, y + 0.03], 0.075, formatTape(value, units), 'dimensions');
  };
  measure(0, p.length, -0.22, p.length);
  const heel = p.axles.reduce((s, a) => s + a.at, 0) / p.axles.length;
  if (p.coupling) measure(-p.coupling.ahead, heel, -0.42, heel + p.coupling.ahead);
  else measure(p.axles[0].at, p.axles[p.axles.length - 1].at, -0.42, p.axles[p.axles.length - 1].at - p.axles[0].at);
  const x = p.length + 0.16;
  strokes.push({
    layer: 'dimensions',
    kind: 'line',
    points: [
      [x, lift],
      [x, lift + p.width],
    ],
  });
  for (const y of [lift, lift + p.width])
    strokes.push({
      layer: 'dimensions',
      kind: 'line',
      points: [
        [x - 0.05, y],
        [x + 0.05, y],
      ],
    });
  text([x + 0.06, lift + p.width / 2], 0.075, formatTape(p.width, units), 'dimensions', 'start');
  return { title: rig.name, strokes, bounds: { x0: left, y0: -0.55, x1: Math.max(right, p.length + 0.75), y1: lift + p.width + 0.4 } };
}
