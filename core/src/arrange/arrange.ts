import { assumptionValues, type AssumptionValues } from '../assumption/register.js';
import { blowsExhaust, type Box, boxOf, isServed, isStarted, laidLines, melts, middleOf, type Standing, standingOn } from '../deck/index.js';
import { DayRandom } from '../day/random.js';
import { layHoses } from '../edit/place.js';
import { changed } from '../edit/draft.js';
import { readRig } from '../rig/read.js';
import { placesOf } from '../rig/stand.js';
import type { PlacementDocument, Platform, Rig, RigDocument, Side } from '../rig/schema.js';
import { hungFull } from '../solve/deck-load.js';
import { emptyPlatform } from '../solve/empty-platform.js';
import { stockOfTank } from '../solve/loaded.js';
import { volumeAt } from '../rig/tank-shape.js';
import { Stocks } from '../solve/stock.js';
import { weigh } from '../solve/weigh.js';
import { fillings } from '../subject/weight/states.js';
import { tongueBounds } from '../subject/weight/findings.js';
import { before, clearBefore, openSides, overlapM, toEdge } from '../subject/plan/room.js';
import { centreOf, type PointMass } from '../structure/statics.js';

/** What an arrangement is to be good at besides weight and room: reels at the kerb, reels at the rear, or little moved. */
export const ARRANGE_WAYS = ['kerb', 'rear', 'near'] as const;
export type ArrangeWay = (typeof ARRANGE_WAYS)[number];

/** A way to stand everything. */
export interface Arrangement {
  readonly way: ArrangeWay;
  readonly placements: readonly PlacementDocument[];
  /** Worth of the deck as it is and arranged so: lower is better. */
  readonly before: number;
  readonly after: number;
  readonly hoseM: number;
}

const INCH = 0.0254;
const GRID = INCH;

/** One thing that can be moved, with all that stands on it. */
interface Piece {
  readonly own: Standing;
  readonly pinned: boolean;
  /** Index of the piece that carries it; -1 for the deck. */
  readonly on: number;
  readonly turns: boolean;
  readonly kind: Standing['kind'];
  readonly burns: boolean;
  readonly slab: boolean;
  /** Weighs so much with each filling, kg, and where its centre is above its bottom, m. */
  readonly massKg: readonly number[];
  readonly served: boolean;
  readonly plastic: boolean;
  readonly wanted: number;
  readonly z0: number;
}

/** Where pieces stand: corner, whether they lie across. */
interface Layout {
  readonly x: Float64Array;
  readonly y: Float64Array;
  readonly across: Uint8Array;
}

const copyOf = (l: Layout): Layout => ({ x: l.x.slice(), y: l.y.slice(), across: l.across.slice() });

/** What stands on a deck, ready to be tried in many ways. */
class Deck {
  readonly pieces: readonly Piece[];
  private readonly lines: readonly (readonly [number, number])[];
  /** Platform and what rides along, as one mass. */
  private readonly fixed: PointMass;
  private readonly bounds: readonly [number, number];
  private readonly driven: readonly number[];
  readonly now: Layout;

  constructor(
    readonly rig: Rig,
    readonly platform: Platform,
    private readonly values: AssumptionValues,
    private readonly way: ArrangeWay,
  ) {
    const stocks = new Stocks(rig, values);
    const things = standingOn(rig);
    const all = fillings(rig);
    // Where only the day's fillings go on the road, only they are balanced.
    const states = platform.road === 'day' ? all.filter((s) => s.id === 'start' || s.id === 'empty') : all;
    const index = new Map(things.map((t, i) => [t.id, i]));
    const places = placesOf(rig);
    const blows = blowsExhaust(rig);
    // As if everything had its place.
    const hung = hungFull(rig, values, (id) => index.has(id));
    this.pieces = things.map((own): Piece => {
      const tank = rig.tanks.findIndex((t) => t.id === own.id);
      const gear = rig.gear.find((g) => g.id === own.id);
      const wet = (s: number): number => (tank < 0 ? 0 : volumeAt(rig.tanks[tank].shape, states[s].levels[tank]) * stockOfTank(stocks, rig.tanks[tank]));
      const on = places.get(own.id)?.on;
      return {
        own,
        pinned: own.place?.pinned === true,
        on: on === undefined ? -1 : index.get(on)!,
        turns: own.kind !== 'reel' && own.size[0] !== own.size[1],
        kind: own.kind,
        burns: blows.has(own.id),
        slab: gear?.kind === 'shelf',
        massKg: states.map((_, s) => own.dryKg + (hung.get(own.id) ?? 0) + wet(s)),
        served: own.kind !== 'reel' && own.kind !== 'mix' && isServed(rig, own),
        plastic: melts(rig, own),
        wanted: values[own.kind === 'machine' ? 'service-machine' : 'service-other'],
        z0: own.bottomM,
      };
    });
    this.lines = rig.lines.flatMap((l) => {
      const [a, b] = [l.from.id, l.to.id ?? rig.reels.find((r) => r.line === l.id)?.id].map((id) => (id === undefined ? undefined : index.get(id)));
      const reel = rig.reels.find((r) => r.line === l.id);
      const end = b ?? (reel && index.get(reel.id));
      return a !== undefined && end !== undefined && a !== end ? [[a, end] as const] : [];
    });
    this.fixed = centreOf([
      emptyPlatform(platform),
      ...(platform.riding ?? []).map((r) => ({ massKg: r.mass, x: r.at, y: platform.width / 2, z: platform.height + 0.3 })),
    ]);
    this.bounds = tongueBounds(platform, values);
    this.driven = states.map((_, i) => i);
    this.now = {
      x: Float64Array.from(things, (t) => t.place?.x ?? NaN),
      y: Float64Array.from(things, (t) => t.place?.y ?? NaN),
      across: Uint8Array.from(things, (t) => (t.place?.turned === '90' || t.place?.turned === '270' ? 1 : 0)),
    };
  }

  sizeOf(i: number, across: number): readonly [number, number] {
    const [l, w] = this.pieces[i].own.size;
    return across ? [w, l] : [l, w];
  }

  boxes(l: Layout): Box[] {
    return this.pieces.map((p, i) => boxOf(p.own.size, { x: l.x[i], y: l.y[i], turned: l.across[i] ? '90' : '0' }, p.z0));
  }

  /** A side that stays as it is said: where little is to be moved, nothing is turned either. */
  private kept(i: number, what: 'service' | 'exhaust'): Side | undefined {
    return this.way === 'near' ? this.pieces[i].own.place?.[what] : undefined;
  }

  /** What of each thing takes room. */
  private solids(boxes: readonly Box[]): readonly Box[] {
    return boxes.map((b, i) => (this.pieces[i].slab ? { ...b, z0: b.z1 - INCH } : b));
  }

  /**
   * What is bad about a layout: metres of things in one another above all, then loads, then reach, then hose.
   * @param limit above it nobody asks how bad: Infinity is given as soon as it is passed, what is reckoned quickest first
   */
  cost(l: Layout, limit = Infinity): number {
    const { platform, pieces, values } = this;
    const boxes = this.boxes(l);
    const solid = this.solids(boxes);
    let cost = 0;
    for (let i = 0; i < boxes.length; i++) {
      const [b, p] = [boxes[i], pieces[i]];
      const allowed = p.kind === 'reel' ? values['overhang-reel'] : 0;
      const out =
        Math.max(-b.x0 - allowed, 0) +
        Math.max(b.x1 - platform.length - allowed, 0) +
        Math.max(-b.y0 - allowed, 0) +
        Math.max(b.y1 - platform.width - allowed, 0);
      cost += 400 * out;
      if (platform.headroom !== undefined) cost += 400 * Math.max(b.z1 - platform.headroom, 0);
      for (let j = i + 1; j < boxes.length; j++) {
        const by = overlapM(solid[i], solid[j]);
        if (by > 0) cost += 300 * by + 25;
      }
      const w = platform.wheelBoxes;
      if (w)
        for (const y0 of [0, platform.width - w.width])
          cost += 300 * Math.max(overlapM(b, { x0: w.from, x1: w.from + w.length, y0, y1: y0 + w.width, z0: 0, z1: w.height }), 0);
      for (const z of platform.free ?? []) cost += 100 * Math.max(overlapM(b, { x0: z.x, x1: z.x + z.length, y0: z.y, y1: z.y + z.width, z0: -1, z1: 99 }), 0);
      if (cost > limit) return Infinity;
    }
    for (const [a, b] of this.lines) {
      const [p, q] = [middleOf(boxes[a]), middleOf(boxes[b])];
      cost += 1.2 * (Math.abs(p.x - q.x) + Math.abs(p.y - q.y));
    }
    const far = this.way === 'near' ? 3 : 0.05;
    for (let i = 0; i < boxes.length; i++)
      if (Number.isFinite(this.now.x[i])) cost += far * (Math.abs(l.x[i] - this.now.x[i]) + Math.abs(l.y[i] - this.now.y[i]));
    if (cost > limit) return Infinity;
    for (let i = 0; i < boxes.length; i++) {
      const p = pieces[i];
      if (p.served || p.burns || p.kind === 'reel') cost += this.reachCost(i, boxes, solid).cost;
      if (cost > limit) return Infinity;
    }
    return cost + this.weightCost(boxes);
  }

  /** The best sides for a thing to be served from and to blow to, and what is still bad about them. */
  reachCost(i: number, boxes: readonly Box[], solid: readonly Box[]): { readonly cost: number; readonly service: Side; readonly exhaust: Side | undefined } {
    const { platform, pieces, values } = this;
    const [b, p] = [boxes[i], pieces[i]];
    const others: Box[] = [];
    for (let j = 0; j < solid.length; j++) if (j !== i && pieces[j].on !== i && p.on !== j) others.push(solid[j]);
    if (p.kind === 'reel') {
      const service = this.kept(i, 'service') ?? (this.way === 'rear' ? 'rear' : 'kerb');
      const clear = clearBefore(b, service, others);
      return { cost: 30 * Math.max(toEdge(b, service, platform), 0) + (Number.isFinite(clear) ? 12 : 0), service, exhaust: undefined };
    }
    let [service, least]: [Side, number] = ['kerb', Infinity];
    const keptService = this.kept(i, 'service');
    for (const side of keptService ? [keptService] : openSides(platform)) {
      const free = clearBefore(b, side, others);
      const reaches = !Number.isFinite(free);
      const tight = reaches ? 0 : Math.max(p.wanted - free, 0);
      const inwards = platform.headroom !== undefined ? 0 : Math.max(toEdge(b, side, platform) - values.reach, 0);
      const bad = (p.kind === 'machine' ? 60 : 15) * tight + (isStarted(p.own) ? 30 : 6) * inwards + (side === 'front' ? 0.5 : 0);
      if (bad < least) [service, least] = [side, bad];
    }
    const drain = p.own.place?.drain;
    if (drain) {
      const low = { ...b, z1: b.z0 + 0.2 * (b.z1 - b.z0) };
      least += 15 * Math.max(values['drain-room'] - clearBefore(low, drain, others), 0);
    }
    if (!p.burns) return { cost: least, service, exhaust: undefined };
    let [exhaust, hit]: [Side, number] = ['street', Infinity];
    const closed = platform.headroom !== undefined;
    const keptExhaust = this.kept(i, 'exhaust');
    for (const side of keptExhaust ? [keptExhaust] : (['front', 'rear', 'kerb', 'street'] as const)) {
      if (side === service && !closed && !keptExhaust) continue;
      const cone = before(b, side, values['exhaust-clear'], values['exhaust-spread']);
      let bad = side === 'kerb' ? 1 : 0;
      for (let j = 0; j < boxes.length; j++) if (j !== i && pieces[j].plastic && overlapM(cone, boxes[j]) > 1e-4) bad += 30;
      if (closed) bad += openSides(platform).includes(side) ? 80 * Math.max(toEdge(b, side, platform) - 0.25, 0) : 200;
      if (bad < hit) [exhaust, hit] = [side, bad];
    }
    return { cost: least + hit, service, exhaust };
  }

  private weightCost(boxes: readonly Box[]): number {
    const { platform, pieces, values } = this;
    let cost = 0;
    const ground = platform.height;
    for (const s of this.driven) {
      let { massKg } = this.fixed;
      let [x, y, z] = [massKg * this.fixed.x, massKg * this.fixed.y, massKg * this.fixed.z];
      for (let i = 0; i < pieces.length; i++) {
        const [b, m] = [boxes[i], pieces[i].massKg[s]];
        massKg += m;
        x += (m * (b.x0 + b.x1)) / 2;
        y += (m * (b.y0 + b.y1)) / 2;
        z += m * ((b.z0 + b.z1) / 2 + ground);
      }
      const w = weigh(platform, [{ massKg, x: x / massKg, y: y / massKg, z: z / massKg }]);
      w.axles.forEach((a, k) => (cost += 0.4 * Math.max(a - 0.94 * platform.axles[k].rating, 0)));
      if (w.tongueKg !== undefined) {
        const share = w.tongueKg / w.massKg;
        const [low, high] = this.bounds;
        cost += 700 * Math.max(low + 0.004 - share, share - high + 0.004, 0) + 5 * Math.abs(share - (low + high) / 2);
        if (platform.coupling) cost += 0.4 * Math.max(w.tongueKg - 0.94 * Math.min(platform.coupling.rating, platform.tow?.hitch ?? Infinity), 0);
      } else cost += 500 * Math.max(values['steer-least'] + 0.02 - w.axles[0] / w.massKg, 0);
      cost += 600 * Math.max(2 * Math.abs(w.streetShare - 0.5) - 0.85 * values['side-most'], 0);
    }
    return cost;
  }

  /** A layout as placements: what the document says of each thing stays, but for where it stands and its sides. */
  placements(l: Layout): PlacementDocument[] {
    const boxes = this.boxes(l);
    const solid = this.solids(boxes);
    const inches = (v: number): string => `${Math.round(v / INCH)} in`;
    return this.pieces.map((p, i) => {
      const { service, exhaust } = p.served || p.burns || p.kind === 'reel' ? this.reachCost(i, boxes, solid) : { service: undefined, exhaust: undefined };
      const on = p.on >= 0 ? this.pieces[p.on].own.id : undefined;
      return {
        thing: p.own.id,
        x: inches(l.x[i]),
        y: inches(l.y[i]),
        ...(on !== undefined ? { on } : {}),
        ...(l.across[i] ? { turned: '90' as const } : {}),
        ...(service ? { service } : {}),
        ...(exhaust ? { exhaust } : {}),
      };
    });
  }
}

const ROUND = 400;

/**
 * Looks for a good way to stand everything on the deck: simulated annealing over places, quarter turns and changes of place,
 * with what is pinned left alone and what stands on a thing going along. The same seed gives the same arrangement.
 * Steps tell how far it is, 0 to 1. Undefined without a platform.
 * @param tries layouts that are looked at
 */
export function* arrangeSteps(doc: RigDocument, way: ArrangeWay, seed: number, tries = 16_000): Generator<number, Arrangement | undefined> {
  const read = readRig(doc);
  if (!read.ok || !read.rig.platform) return undefined;
  const { rig } = read;
  const platform = read.rig.platform;
  const deck = new Deck(rig, platform, assumptionValues(rig.assumptions), way);
  const n = deck.pieces.length;
  if (n === 0) return undefined;
  const random = new DayRandom();
  random.start(seed, ARRANGE_WAYS.indexOf(way));
  const start = copyOf(deck.now);
  for (let i = 0; i < n; i++) {
    // Only where little is to be moved does the search begin with what is there: the others are to be other ways.
    if (Number.isFinite(start.x[i]) && (way === 'near' || deck.pieces[i].pinned)) continue;
    const [l, w] = deck.sizeOf(i, 0);
    start.x[i] = Math.round((Math.max(platform.length - l, 0) * random.next()) / GRID) * GRID;
    start.y[i] = Math.round((Math.max(platform.width - w, 0) * random.next()) / GRID) * GRID;
  }
  for (let i = 0; i < n; i++) follow(deck, start, i);
  const beforeCost = deck.now.x.every(Number.isFinite) ? deck.cost(deck.now) : Infinity;
  let [at, cost] = [start, deck.cost(start)];
  let [best, least] = [at, cost];
  const movable = deck.pieces.flatMap((p, i) => (p.pinned || p.on >= 0 ? [] : [i]));
  if (!movable.length) return { way, placements: deck.placements(start), before: beforeCost, after: cost, hoseM: hoseOf(rig) };
  for (let t = 0; t < tries; t++) {
    if (t % ROUND === 0) yield t / tries;
    const heat = (1 - t / tries) ** 2;
    const next = copyOf(at);
    const i = movable[Math.floor(random.next() * movable.length)];
    const what = random.next();
    if (what < 0.12 && deck.pieces[i].turns) next.across[i] ^= 1;
    else if (what < 0.3 && movable.length > 1) {
      const j = movable[Math.floor(random.next() * movable.length)];
      [next.x[i], next.x[j], next.y[i], next.y[j]] = [next.x[j], next.x[i], next.y[j], next.y[i]];
      slideIn(deck, next, j, platform);
    } else if (what < 0.4) {
      // Anywhere: what is shut in among others gets out.
      next.x[i] = platform.length * random.next();
      next.y[i] = platform.width * random.next();
    } else {
      const far = 0.04 + heat * (what < 0.5 ? 2.5 : 0.6);
      if (what < 0.85) next.x[i] += (random.next() - 0.5) * far * 2;
      if (what < 0.65 || what >= 0.85) next.y[i] += (random.next() - 0.5) * far * 2;
    }
    slideIn(deck, next, i, platform);
    for (let k = 0; k < n; k++) follow(deck, next, k);
    // Worse by so much is taken at times, the more seldom the colder it is: drawn first, so that what is worse still is not reckoned out.
    const limit = cost - (30 * heat + 0.02) * Math.log(1 - random.next());
    const then = deck.cost(next, limit);
    if (then <= limit) {
      [at, cost] = [next, then];
      if (cost < least) [best, least] = [at, cost];
    }
  }
  const placements = deck.placements(best).map((p) => ({ ...doc.placements?.find((x) => x.thing === p.thing), ...p }));
  for (const p of placements) if (!('turned' in deck.placements(best).find((x) => x.thing === p.thing)!)) delete p.turned;
  const after = changed(doc, (d) => {
    d.placements = placements;
    layHoses(d);
  });
  const arranged = readRig(after);
  return { way, placements, before: beforeCost, after: least, hoseM: arranged.ok ? hoseOf(arranged.rig) : 0 };
}

/** Hose between things as they stand, m. */
const hoseOf = (rig: Rig): number => laidLines(rig, standingOn(rig)).reduce((s, l) => s + l.pathM, 0);

/** What stands on another goes where that goes. */
function follow(deck: Deck, l: Layout, i: number): void {
  const { on } = deck.pieces[i];
  if (on < 0) return;
  follow(deck, l, on);
  const [dx, dy] = [deck.now.x[i] - deck.now.x[on], deck.now.y[i] - deck.now.y[on]];
  l.x[i] = l.x[on] + (Number.isFinite(dx) ? dx : 0);
  l.y[i] = l.y[on] + (Number.isFinite(dy) ? dy : 0);
}

/** On the grid, and back over the deck where it has slipped off; reels may hang over a little. */
function slideIn(deck: Deck, l: Layout, i: number, platform: Platform): void {
  const [length, width] = deck.sizeOf(i, l.across[i]);
  const over = deck.pieces[i].kind === 'reel' ? 4 * INCH : 0;
  l.x[i] = Math.round(Math.min(Math.max(l.x[i], -over), Math.max(platform.length - length + over, 0)) / GRID) * GRID;
  l.y[i] = Math.round(Math.min(Math.max(l.y[i], -over), Math.max(platform.width - width + over, 0)) / GRID) * GRID;
}
