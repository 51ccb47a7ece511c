import {
  type Box,
  type LaidLine,
  laidLines,
  type LineRole,
  type AsTold,
  type PlanResult,
  type Rig,
  shapeHeight,
  type Side,
  type Standing,
  standingOn,
  type Verdict,
} from '@pozzo/core';
import { labelInside, through, trueScale } from '../../kit/drawing';

/** Drawn units across the whole picture. */
export const WIDE = 760;
const MARGIN = 26;

export interface DrawnThing {
  readonly id: string;
  readonly name: string;
  readonly kind: Standing['kind'];
  readonly paint: 'water' | 'chem' | 'machine' | 'plain';
  readonly verdict: Verdict;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  /** What of its height is liquid, from below; nothing from above. */
  readonly fill: number;
  /** Its middle where it is read: on what nothing hides. */
  readonly label: (NonNullable<ReturnType<typeof labelInside>> & { readonly x: number; readonly y: number }) | undefined;
  readonly exhaust: string | undefined;
  readonly service: string | undefined;
  readonly pinned: boolean;
  readonly box: Box;
}

export interface DeckScale {
  /** Drawn units for a metre. */
  readonly k: number;
  readonly x: (metres: number) => number;
  readonly along: (drawn: number) => number;
}

/** Kinds that are drawn as machines. */
export const MACHINES: ReadonlySet<Standing['kind']> = new Set(['machine', 'soft-pump', 'compressor', 'burner', 'battery', 'panel', 'receiver']);

const paintOf = (rig: Rig, t: Standing): DrawnThing['paint'] =>
  t.kind === 'tank' ? (rig.tanks.find((x) => x.id === t.id)?.liquid === 'chemical' ? 'chem' : 'water') : MACHINES.has(t.kind) ? 'machine' : 'plain';

/** A mark on a side of a box: a bar where it is served, a wedge where it blows. */
function sideMark(b: { x: number; y: number; width: number; height: number }, side: Side, blows: boolean): string {
  const [cx, cy] = [b.x + b.width / 2, b.y + b.height / 2];
  // Front is left, rear right; the kerb is below in the plan.
  const [px, py, dx, dy] =
    side === 'front' ? [b.x, cy, -1, 0] : side === 'rear' ? [b.x + b.width, cy, 1, 0] : side === 'kerb' ? [cx, b.y + b.height, 0, 1] : [cx, b.y, 0, -1];
  if (blows) return `M${px - dy * 7} ${py - dx * 7}L${px + dx * 13} ${py + dy * 13}L${px + dy * 7} ${py + dx * 7}Z`;
  const half = Math.max(Math.min(dx ? b.height : b.width, 46) / 2 - 4, 3);
  return `M${px - dx * 2 - dy * half} ${py - dy * 2 - dx * half}L${px - dx * 2 + dy * half} ${py - dy * 2 + dx * half}`;
}

/** Height of the tallest thing above the deck, m. */
export const tallestOf = (rig: Rig): number =>
  Math.max(
    0.5,
    rig.platform && !rig.platform.coupling ? 2.05 - rig.platform.height : 0,
    rig.platform?.rail ?? 0,
    rig.platform?.headroom ?? 0,
    ...standingOn(rig).flatMap((t) => (t.box ? [t.box.z1] : [])),
  );

/** Most drawn units that the views may be high together, so that the loads under them are seen without scrolling. */
const TALL = 476;
/** Of those what words and gaps take. */
const WORDS = 136;

/** The scale at which the whole of a platform fits across, and both views under one another. */
export function scaleOf(rig: Rig, show: 'both' | 'above' | 'side' = 'both'): DeckScale {
  const p = rig.platform!;
  const left = Math.min(0, ...p.axles.map((a) => a.at - (p.coupling ? 0.4 : 0.95)), -(p.coupling?.ahead ?? 0)) - 0.1;
  const right = Math.max(p.length, ...p.axles.map((a) => a.at + 0.4)) + 0.35;
  const high = (show === 'side' ? 0 : p.width + 0.3) + (show === 'above' ? 0 : p.height + tallestOf(rig));
  const { k, x, metres } = trueScale({ left, right, low: 0, high }, { x0: MARGIN, y0: 0, x1: WIDE - MARGIN, y1: TALL - (show === 'both' ? WORDS : WORDS / 2) });
  return { k, x, along: metres };
}

/** How many drawn units the plan, and the view from the side, are high. */
export const planHeight = (rig: Rig, s: DeckScale): number => TOP + (rig.platform!.width + 0.15) * s.k + 6;

/** Drawn units over the deck, where its measures stand. */
export const TOP = 26;

/** The deck from above, its kerb side below. */
export function planOf(rig: Rig, plan: AsTold<PlanResult>, s: DeckScale): readonly DrawnThing[] {
  const p = rig.platform!;
  const top = TOP;
  const things = standingOn(rig).filter((t): t is Standing & { box: Box } => t.box !== undefined);
  return [...things]
    .sort((a, b) => a.box.z0 - b.box.z0)
    .map((t): DrawnThing => {
      const b = { x: s.x(t.box.x0), y: top + (p.width - t.box.y1) * s.k, width: (t.box.x1 - t.box.x0) * s.k, height: (t.box.y1 - t.box.y0) * s.k };
      const own = plan.things.find((x) => x.id === t.id);
      const covered = things.some((o) => o.place?.on === t.id);
      return {
        id: t.id,
        name: t.name,
        kind: t.kind,
        paint: paintOf(rig, t),
        verdict: own?.verdict ?? 'fed',
        ...b,
        fill: 0,
        label: covered ? undefined : labelIn(t.name, b),
        exhaust: t.place?.exhaust && sideMark(b, t.place.exhaust, true),
        service: t.place?.service && sideMark(b, t.place.service, false),
        pinned: t.place?.pinned === true,
        box: t.box,
      };
    });
}

/** A name in the middle of a rectangle, where it fits there. */
function labelIn(name: string, b: { readonly x: number; readonly y: number; readonly width: number; readonly height: number }): DrawnThing['label'] {
  const label = labelInside(name, b.width, b.height);
  return label && { ...label, x: b.x + b.width / 2, y: b.y + b.height / 2 };
}

/** What of a thing is seen, m: along the deck, and over it. */
export interface Seen {
  readonly from: number;
  readonly to: number;
  readonly low: number;
  readonly high: number;
}

/** The widest stretch of a thing's middle third that nothing nearer hides, as far up and down as nothing hides it either. */
export function widestClear({ x0, x1, z0, z1 }: Box, nearer: readonly { readonly box: Box }[]): Seen {
  const [low, high] = [z0 + (z1 - z0) / 3, z1 - (z1 - z0) / 3];
  const before = nearer.filter(({ box }) => box.z0 < high && box.z1 > low && box.x0 < x1 && box.x1 > x0).sort((a, b) => a.box.x0 - b.box.x0);
  let [best, at] = [{ from: x0, to: x0 }, x0];
  for (const to of [...before.map(({ box }) => box), { x0: x1, x1 }]) {
    if (to.x0 - at > best.to - best.from) best = { from: at, to: to.x0 };
    at = Math.max(at, to.x1);
  }
  const { from, to } = best;
  const beside = nearer.map(({ box }) => box).filter((b) => b.x0 < to && b.x1 > from);
  return {
    from,
    to,
    low: Math.max(z0, ...beside.filter((b) => b.z1 <= low).map((b) => b.z1)),
    high: Math.min(z1, ...beside.filter((b) => b.z0 >= high).map((b) => b.z0)),
  };
}

/** From the kerb, or from the rear: the nearer stands before what is behind it. */
export function sideOf(rig: Rig, plan: AsTold<PlanResult>, s: DeckScale, levels: readonly number[], ground: number): readonly DrawnThing[] {
  const p = rig.platform!;
  const things = standingOn(rig).filter((t): t is Standing & { box: Box } => t.box !== undefined);
  return [...things]
    .sort((a, b) => b.box.y0 - a.box.y0)
    .map((t, i, all): DrawnThing => {
      const height = (t.box.z1 - t.box.z0) * s.k;
      const b = { x: s.x(t.box.x0), y: ground - (p.height + t.box.z1) * s.k, width: (t.box.x1 - t.box.x0) * s.k, height };
      const tank = rig.tanks.findIndex((x) => x.id === t.id);
      const clear = widestClear(t.box, all.slice(i + 1));
      const seen = {
        x: s.x(clear.from),
        y: ground - (p.height + clear.high) * s.k,
        width: (clear.to - clear.from) * s.k,
        height: (clear.high - clear.low) * s.k,
      };
      return {
        id: t.id,
        name: t.name,
        kind: t.kind,
        paint: paintOf(rig, t),
        verdict: plan.things.find((x) => x.id === t.id)?.verdict ?? 'fed',
        ...b,
        fill: tank >= 0 ? Math.min(levels[tank] / shapeHeight(rig.tanks[tank].shape), 1) * height : 0,
        label: labelIn(t.name, seen),
        exhaust: undefined,
        service: undefined,
        pinned: false,
        box: t.box,
      };
    });
}

export interface DrawnLine {
  readonly id: string;
  readonly role: LineRole;
  readonly path: string;
}

/** Lines as they lie, from above. */
export const linesOf = (rig: Rig, lines: readonly LaidLine[], s: DeckScale): readonly DrawnLine[] => {
  const top = TOP;
  return lines.map((l) => ({
    id: l.lineId,
    role: l.role,
    path: through(l.points.map((q) => [s.x(q.x), top + (rig.platform!.width - q.y) * s.k])),
  }));
};

/** Edges and middles that a dragged thing clings to, m. */
export function snapped(
  box: Box,
  others: readonly Box[],
  deck: { readonly length: number; readonly width: number },
  within: number,
): { readonly dx: number; readonly dy: number } {
  const of = (low: number, high: number, lows: readonly (readonly [number, number])[], end: number): number => {
    let best = within;
    let move = 0;
    const offer = (to: number, from: number): void => {
      const by = to - from;
      if (Math.abs(by) < Math.abs(best)) [best, move] = [by, by];
    };
    offer(0, low);
    offer(end, high);
    offer(end / 2, (low + high) / 2);
    for (const [a, b] of lows) {
      offer(a, low);
      offer(b, high);
      offer(b, low);
      offer(a, high);
      offer((a + b) / 2, (low + high) / 2);
    }
    return move;
  };
  return {
    dx: of(
      box.x0,
      box.x1,
      others.map((o) => [o.x0, o.x1] as const),
      deck.length,
    ),
    dy: of(
      box.y0,
      box.y1,
      others.map((o) => [o.y0, o.y1] as const),
      deck.width,
    ),
  };
}

export const laidOf = (rig: Rig): readonly LaidLine[] => laidLines(rig, standingOn(rig));
