import { assumptionValues, type AssumptionValues } from '../assumption/register.js';
import { blowsExhaust, type Box, boxOf, endHeight, isServed, isStarted, laidLines, melts, portTo, type Standing, standingOn } from '../deck/index.js';
import { DayRandom } from '../day/random.js';
import { layHoses } from '../edit/place.js';
import { enginesOn } from '../energy/index.js';
import { changed } from '../edit/draft.js';
import { readRig } from '../rig/read.js';
import { telling } from '../steps.js';
import { placesOf } from '../rig/stand.js';
import type { PlacementDocument, Platform, Rig, RigDocument, Side } from '../rig/schema.js';
import { fuelOn, hungOn } from '../solve/deck-load.js';
import { emptyPlatform } from '../solve/empty-platform.js';
import { stockOfTank } from '../solve/loaded.js';
import { volumeAt } from '../rig/tank-shape.js';
import { Stocks } from '../solve/stock.js';
import { weigh } from '../solve/weigh.js';
import type { Verdict } from '../subject/verdict.js';
import { assessPlan } from '../subject/plan/plan.js';
import { assessWeight } from '../subject/weight/weight.js';
import { fillings } from '../subject/weight/states.js';
import { tongueBounds, weightFindings } from '../subject/weight/findings.js';
import { bundBox } from '../subject/plan/bunds.js';
import { wantedApart } from '../subject/plan/fire.js';
import { planFindings } from '../subject/plan/findings.js';
import { HAND, hasLid, isValve } from '../subject/plan/hand-points.js';
import { filledItself, lowOf, startedByCord } from '../subject/plan/service-points.js';
import { apartM, before, clearBefore, inwards, openSides, overlapM, toEdge } from '../subject/plan/room.js';
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
  /** How many things are told of it at plan and weight. */
  readonly told: number;
  /** With every tank full, kg; the tongue as a share of the trailer. */
  readonly axlesKg: readonly number[];
  readonly tongueShare: number | undefined;
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
  /** Room wanted over it to lift its lid or to pour, m; 0 where it has neither. */
  readonly over: number;
  /** What the bund under it holds, m³. */
  readonly bund: number;
  readonly z0: number;
}

/** Two that are to stand apart, m. */
interface Apart {
  readonly a: number;
  readonly b: number;
  readonly wantM: number;
}

/** A line between two pieces: heights of its ends, m, and the hose it has; Infinity where that is cut to the deck. */
interface Run {
  readonly a: number;
  readonly b: number;
  readonly za: number;
  readonly zb: number;
  readonly hoseM: number;
}

/** A valve at a tank's bulkhead, and where its line leads. */
interface Valve {
  readonly from: number;
  readonly to: number;
  readonly z: number;
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
  private readonly lines: readonly Run[];
  /** Platform and what rides along, as one mass. */
  private readonly fixed: PointMass;
  private readonly apart: readonly Apart[];
  private readonly valves: readonly Valve[];
  private readonly gate: Box | undefined;
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
    const engines = enginesOn(rig, values);
    const byCord = new Set(engines.filter(startedByCord).map((e) => e.id));
    const capped = new Set(engines.filter((e) => filledItself(rig, e)).map((e) => e.id));
    // As if everything had its place.
    const hung = hungOn(rig, (id) => index.has(id));
    const fuel = new Map(fuelOn(rig, values).map((x) => [x.id, x.kg]));
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
        massKg: states.map(({ fuel: share }, s) => own.dryKg + (hung.get(own.id) ?? 0) + wet(s) + (fuel.get(own.id) ?? 0) * share(own.id)),
        served: own.kind !== 'reel' && (isServed(rig, own) || (own.kind === 'tank' && own.place?.service !== undefined)),
        plastic: melts(rig, own),
        wanted: Math.max(values[own.kind === 'machine' ? 'service-machine' : 'service-other'], byCord.has(own.id) ? values['cord-room'] : 0),
        over: Math.max(hasLid(rig, own) ? values['lid-room'] : 0, own.kind === 'fuel-tank' || capped.has(own.id) ? values['cap-room'] : 0),
        bund: tank < 0 ? 0 : (rig.tanks[tank].bund ?? 0),
        z0: own.bottomM,
      };
    });
    this.lines = rig.lines.flatMap((l): Run[] => {
      const reel = rig.reels.find((r) => r.line === l.id);
      const [a, b] = [l.from.id, l.to.id].map((id) => (id === undefined ? undefined : index.get(id)));
      const end = b ?? (reel && index.get(reel.id));
      if (a === undefined || end === undefined || a === end) return [];
      const own = l.parts.filter((p) => p.kind === 'hose' && (!reel || p.use === 'whip'));
      const cut = own.some((p) => p.kind === 'hose' && p.asLaid);
      const [za, zb] = [endHeight(rig, l.from, { z0: things[a].bottomM }), endHeight(rig, l.to, { z0: things[end].bottomM })];
      return [{ a, b: end, za, zb, hoseM: cut || !own.length ? Infinity : own.reduce((s, p) => s + (p.kind === 'hose' ? p.length : 0), 0) }];
    });
    this.apart = things.flatMap((t, a) =>
      things.flatMap((o, b): Apart[] => {
        const wantM = wantedApart(rig, t, o, blows, values);
        return wantM === undefined ? [] : [{ a, b, wantM }];
      }),
    );
    this.valves = rig.lines.flatMap((l): Valve[] => {
      const [from, to] = [l.from.id, l.to.id ?? rig.reels.find((r) => r.line === l.id)?.id].map((id) => (id === undefined ? undefined : index.get(id)));
      if (l.from.at !== 'tank' || from === undefined || to === undefined || !l.parts.some(isValve)) return [];
      return [{ from, to, z: l.from.height ?? things[from].bottomM }];
    });
    this.gate = platform.gate && inwards({ x0: 0, x1: platform.length, y0: 0, y1: platform.width, z0: 0, z1: 10 }, platform.gate, values['gate-room']);
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
        if (by > 0) cost += 400 * by + 70;
        else if (p.over > 0 || pieces[j].over > 0) cost += this.lidCost(i, j, solid) + this.lidCost(j, i, solid);
      }
      if (p.bund > 0) cost += this.bundCost(i, b, solid);
      if (this.gate && p.on < 0) cost += 60 * Math.max(overlapM(this.gate, solid[i]), 0);
      const w = platform.wheelBoxes;
      if (w)
        for (const y0 of [0, platform.width - w.width])
          cost += 300 * Math.max(overlapM(b, { x0: w.from, x1: w.from + w.length, y0, y1: y0 + w.width, z0: 0, z1: w.height }), 0);
      for (const z of platform.free ?? []) cost += 100 * Math.max(overlapM(b, { x0: z.x, x1: z.x + z.length, y0: z.y, y1: z.y + z.width, z0: -1, z1: 99 }), 0);
      if (cost > limit) return Infinity;
    }
    for (const { a, b, za, zb, hoseM } of this.lines) {
      const [s, e] = [boxes[a], boxes[b]];
      cost += 0.6 * (Math.abs(s.x0 + s.x1 - e.x0 - e.x1) + Math.abs(s.y0 + s.y1 - e.y0 - e.y1));
      if (hoseM === Infinity) continue;
      const [p, q] = [portTo(s, e, za), portTo(e, s, zb)];
      const short = Math.abs(p.x - q.x) + Math.abs(p.y - q.y) + Math.abs(p.z - q.z) - hoseM;
      if (short > 0) cost += 5 + 10 * short;
    }
    for (const { a, b, wantM } of this.apart) {
      const by = wantM - apartM(boxes[a], boxes[b]);
      if (by > 0) cost += 8 + 40 * by;
    }
    for (const v of this.valves) cost += this.valveCost(v, boxes, solid);
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

  /** A thing with a lid or a cap that another stands close over. */
  private lidCost(i: number, j: number, solid: readonly Box[]): number {
    const want = this.pieces[i].over;
    const [a, b] = [solid[i], solid[j]];
    if (!(want > 0) || b.z0 < a.z1 - 1e-4 || b.z0 - a.z1 >= want - 1e-4) return 0;
    return Math.min(a.x1, b.x1) - Math.max(a.x0, b.x0) > 1e-4 && Math.min(a.y1, b.y1) - Math.max(a.y0, b.y0) > 1e-4 ? 20 : 0;
  }

  /** A bund that runs into what stands beside its tank, or hangs over the edge. */
  private bundCost(i: number, b: Box, solid: readonly Box[]): number {
    const { platform, pieces, values } = this;
    const bund = bundBox(b, pieces[i].bund, values['bund-depth']);
    const over = Math.max(-bund.x0, -bund.y0, bund.x1 - platform.length, bund.y1 - platform.width, 0);
    let cost = over > 1e-4 ? 10 + 60 * over : 0;
    for (let j = 0; j < solid.length; j++) {
      if (j === i || pieces[j].kind === 'mix' || pieces[j].kind === 'manifold') continue;
      const by = overlapM(bund, solid[j]);
      if (by > 1e-4) cost += 10 + 60 * by;
    }
    return cost;
  }

  /** A valve that something stands before. */
  private valveCost({ from, to, z }: Valve, boxes: readonly Box[], solid: readonly Box[]): number {
    const [p, b] = [portTo(boxes[from], boxes[to], z), portTo(boxes[to], boxes[from], z)];
    const along = Math.abs(b.x - p.x) > 1e-4;
    const x = along ? p.x + Math.sign(b.x - p.x) * HAND : p.x;
    const y = along ? p.y : p.y + Math.sign(b.y - p.y) * HAND;
    for (let j = 0; j < solid.length; j++) {
      const s = solid[j];
      if (j !== from && j !== to && x > s.x0 && x < s.x1 && y > s.y0 && y < s.y1 && p.z > s.z0 && p.z < s.z1) return 12;
    }
    return 0;
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
      const bad = (tight > 1e-4 ? 25 : 0) + (p.kind === 'machine' ? 60 : 15) * tight + (isStarted(p.own) ? 30 : 6) * inwards + (side === 'front' ? 0.5 : 0);
      if (bad < least) [service, least] = [side, bad];
    }
    const drain = p.own.place?.drain;
    if (drain) {
      least += 15 * Math.max(values['drain-room'] - clearBefore(lowOf(b, values), drain, others), 0);
    }
    if (!p.burns) return { cost: least, service, exhaust: undefined };
    let [exhaust, hit]: [Side, number] = ['street', Infinity];
    const closed = platform.headroom !== undefined;
    const keptExhaust = this.kept(i, 'exhaust');
    for (const side of keptExhaust ? [keptExhaust] : (['front', 'rear', 'kerb', 'street'] as const)) {
      if (side === service && !closed && !keptExhaust) continue;
      const cone = before(b, side, values['exhaust-clear'], values['exhaust-spread']);
      let bad = (side === 'kerb' ? 1 : 0) + (closed && side === service && openSides(platform).length > 1 ? 30 : 0);
      for (let j = 0; j < boxes.length; j++) if (j !== i && pieces[j].plastic && overlapM(cone, boxes[j]) > 1e-4) bad += 60;
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
        // Where little is to be moved, what was served from its nearest side still is.
        ...(service && !(this.way === 'near' && p.own.place && p.own.place.service === undefined) ? { service } : {}),
        ...(exhaust ? { exhaust } : {}),
      };
    });
  }
}

/** Pairs of things looked at before whoever searches may look up: some thirty milliseconds. */
const PAIRS_AT_ONCE = 80_000;

/** Searches that are made for one arrangement, each with another seed, until one leaves nothing to be told. */
const MOST_SEARCHES = 5;
/** Layouts of a search that are judged as any rig is: the last that were the best so far. */
const JUDGED = 4;

/** How much a rig's deck leaves to be told, at plan and weight: of what would never do, of what is short, of what is tight. */
const BADNESS: Readonly<Record<Verdict, number>> = { fed: 0, tight: 1, starved: 20, stop: 100 };

/** A document with its things stood so, hoses that follow the deck cut anew. */
const stoodSo = (doc: RigDocument, placements: readonly PlacementDocument[]): RigDocument =>
  changed(doc, (d) => {
    d.placements = [...placements];
    layHoses(d);
  });

interface Judged extends Pick<Arrangement, 'placements' | 'hoseM' | 'told' | 'axlesKg' | 'tongueShare'> {
  readonly badness: number;
}

/** A way to stand everything, judged at plan and weight as any rig is; undefined where it cannot be read. */
function* judged(doc: RigDocument, placements: readonly PlacementDocument[]): Generator<void, Judged | undefined> {
  const stood = stoodSo(doc, placements);
  yield;
  const read = readRig(stood);
  yield;
  if (!read.ok) return undefined;
  const { rig } = read;
  const stocks = new Stocks(rig, assumptionValues(rig.assumptions));
  const plan = assessPlan(rig, stocks);
  yield;
  const weight = assessWeight(rig, stocks);
  if (!plan || !weight) return undefined;
  const findings = [...planFindings(rig, plan, stocks.values), ...weightFindings(rig, weight, stocks.values)].filter((f) => f.verdict !== 'fed');
  const full = weight.states.find((s) => s.id === 'full')!;
  return {
    placements,
    hoseM: laidLines(rig, standingOn(rig)).reduce((s, l) => s + l.pathM, 0),
    told: findings.length,
    axlesKg: full.axles,
    tongueShare: full.tongueShare,
    badness: findings.reduce((s, f) => s + BADNESS[f.verdict], 0),
  };
}

/**
 * Looks for a good way to stand everything on the deck: simulated annealing over places, quarter turns and changes of place,
 * with what is pinned left alone and what stands on a thing going along. The best layouts are judged as any rig is, and while
 * something is told of each of them another search is made. The same seed gives the same arrangement.
 * Steps tell how far it is, 0 to 1. Undefined without a platform.
 * @param tries layouts that are looked at in a search
 * @param searches most searches
 */
export function* arrangeSteps(
  doc: RigDocument,
  way: ArrangeWay,
  seed: number,
  tries = 16_000,
  searches = MOST_SEARCHES,
): Generator<number, Arrangement | undefined> {
  const read = readRig(doc);
  if (!read.ok || !read.rig.platform) return undefined;
  const { rig } = read;
  yield 0;
  const deck = new Deck(rig, read.rig.platform, assumptionValues(rig.assumptions), way);
  if (deck.pieces.length === 0) return undefined;
  const before = deck.now.x.every(Number.isFinite) ? deck.cost(deck.now) : Infinity;
  const placed = (l: Layout): PlacementDocument[] =>
    deck.placements(l).map((p) => {
      const now = { ...doc.placements?.find((x) => x.thing === p.thing), ...p };
      if (!('turned' in p)) delete now.turned;
      return now;
    });
  let best: { readonly judged: Judged; readonly cost: number } | undefined;
  for (let n = 0; n < searches && !(best && best.judged.badness === 0); n++) {
    // The last search begins with what is there.
    const search = annealed(deck, way, seed + n, tries, n > 0 && n === searches - 1);
    let step = search.next();
    for (; !step.done; step = search.next()) yield (n + step.value) / searches;
    // A single quick search is no choice between layouts: its best is taken.
    for (const { layout, cost } of searches > 1 ? step.value : step.value.slice(-1)) {
      const own = yield* telling(judged(doc, placed(layout)), (n + 1) / searches);
      const than = best?.judged.badness ?? Infinity;
      if (own && (own.badness < than || (own.badness === than && cost < best!.cost))) best = { judged: own, cost };
    }
  }
  if (!best) return undefined;
  const { placements, hoseM, told, axlesKg, tongueShare } = best.judged;
  return { way, placements, before, after: best.cost, hoseM, told, axlesKg, tongueShare };
}

interface Found {
  readonly layout: Layout;
  readonly cost: number;
}

/** One search: the last layouts that were the best so far, the best last. Steps tell how far it is, 0 to 1. */
function* annealed(deck: Deck, way: ArrangeWay, seed: number, tries: number, fromNow: boolean): Generator<number, readonly Found[]> {
  const { platform } = deck;
  const n = deck.pieces.length;
  const random = new DayRandom();
  random.start(seed, ARRANGE_WAYS.indexOf(way));
  const start = copyOf(deck.now);
  for (let i = 0; i < n; i++) {
    // Only where little is to be moved does the search begin with what is there: the others are to be other ways.
    if (Number.isFinite(start.x[i]) && (way === 'near' || fromNow || deck.pieces[i].pinned)) continue;
    const [l, w] = deck.sizeOf(i, 0);
    start.x[i] = Math.round((Math.max(platform.length - l, 0) * random.next()) / GRID) * GRID;
    start.y[i] = Math.round((Math.max(platform.width - w, 0) * random.next()) / GRID) * GRID;
  }
  for (let i = 0; i < n; i++) follow(deck, start, i);
  let [at, cost] = [start, deck.cost(start)];
  let found: readonly Found[] = [{ layout: at, cost }];
  const movable = deck.pieces.flatMap((p, i) => (p.pinned || p.on >= 0 ? [] : [i]));
  if (!movable.length) return found;
  const round = Math.max(1, Math.ceil(PAIRS_AT_ONCE / n ** 2));
  for (let t = 0; t < tries; t++) {
    if (t % round === 0) yield t / tries;
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
      if (cost < found[found.length - 1].cost) found = [...found, { layout: at, cost }].slice(-JUDGED);
    }
  }
  return found;
}

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
