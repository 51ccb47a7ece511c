import { outflowThrough } from '../hydraulics/outflow.js';
import { levelOf, shapeHeight, volumeAt } from '../rig/tank-shape.js';
import type { Tank } from '../rig/schema.js';
import type { Cases } from './cases.js';
import { lineTerms } from './rig-network.js';

const POINTS = 65;
const LAW_POINTS = 49;
/** Head up to which laws of flow are tabulated, m: no two surfaces of a rig stand further apart. Its root, √m. */
const MOST_HEAD = 30;
const MOST_PULL = Math.sqrt(MOST_HEAD);
const TRIES = 60;
const SWEEPS = 30;
/** Change of a flow between sweeps that counts as none, m³/s. */
const STILL = 2e-8;
/** To which a flow is found, m³/s. */
const EXACT = 2e-9;

/** Water crossing between two tanks, or from one into the open. Heights above the deck, m. */
interface Crossing {
  readonly from: number;
  /** −1 for the open. */
  readonly to: number;
  readonly fromM: number;
  readonly toM: number;
  /** m³/s at the root of the head, by even steps up to {@link MOST_PULL}. */
  readonly law: Float64Array;
}

/**
 * Tanks joined by open ties, each with a surface of its own: what crosses between them while other flows are constant.
 * Steps are implicit (backward Euler on the tie's own head–flow law), so that a wide tie needs no short ones. Volumes by
 * the order of the tanks given.
 */
export class TiedTanks {
  private readonly crossings: Crossing[] = [];
  private readonly levels: readonly Float64Array[];
  private readonly volumes: readonly number[];
  private readonly flow: Float64Array;
  /** Roots of the heads that drove the crossings last, √m; below nothing where it is driven back. */
  private readonly pull: Float64Array;
  private readonly rest: Float64Array;

  constructor(
    private readonly cases: Cases,
    readonly tanks: readonly Tank[],
  ) {
    this.volumes = tanks.map((t) => volumeAt(t.shape, shapeHeight(t.shape)));
    this.levels = tanks.map((t, i) => Float64Array.from({ length: POINTS }, (_, k) => levelOf(t.shape, (this.volumes[i] * k) / (POINTS - 1))));
    for (const l of cases.rig.lines) {
      if (l.role !== 'tie' || l.closed) continue;
      const [from, to] = [this.place(l.from.id), this.place(l.to.id)];
      if (from < 0 || to < 0) continue;
      const at = (end: typeof l.from, tank: Tank): number => Math.max(end.height ?? tank.base, tank.base);
      const { quadratic, runs } = lineTerms(l, cases.values, cases.asDrawn.water, false);
      this.crossings.push({ from, to, fromM: at(l.from, tanks[from]), toM: at(l.to, tanks[to]), law: this.lawOf((h) => this.through(h, quadratic!, runs!)) });
    }
    this.flow = new Float64Array(this.crossings.length + 1);
    this.pull = new Float64Array(this.crossings.length + 1);
    this.rest = new Float64Array(tanks.length);
  }

  /** Forgets what crossed last: a run that begins alike goes alike, whatever was run before. */
  begin(): void {
    this.flow.fill(0);
    this.pull.fill(0);
  }

  private place(id: string | undefined): number {
    return this.tanks.findIndex((t) => t.id === id);
  }

  private through(headM: number, quadratic: number, runs: Parameters<typeof outflowThrough>[2]): number {
    return outflowThrough(headM, quadratic, runs, this.cases.asDrawn.water.kinematicViscosityM2S);
  }

  private lawOf(flow: (headM: number) => number): Float64Array {
    return Float64Array.from({ length: LAW_POINTS }, (_, k) => flow((k / (LAW_POINTS - 1)) ** 2 * MOST_HEAD));
  }

  /** An outlet of one of the tanks into the open, drawn on from then on. */
  open(tank: Tank, fromM: number, toM: number, flow: (headM: number) => number): void {
    this.crossings.push({ from: this.tanks.indexOf(tank), to: -1, fromM, toM, law: this.lawOf(flow) });
  }

  /** Height above the deck to which each tank empties when one of them does to `sillM`: no lower than the ties on its way. */
  floors(drained: number, sillM: number): number[] {
    const floor = this.tanks.map((_, i) => (i === drained ? sillM : Infinity));
    for (let round = 0; round < this.tanks.length; round++)
      for (const { from, to, fromM, toM } of this.crossings) {
        if (to < 0) continue;
        const sill = Math.max(fromM, toM);
        floor[from] = Math.min(floor[from], Math.max(sill, floor[to]));
        floor[to] = Math.min(floor[to], Math.max(sill, floor[from]));
      }
    return floor;
  }

  /** Height of a tank's surface above the deck, m. */
  surface(tank: number, volumeM3: number): number {
    // Below nothing a step is found to have taken too much.
    if (volumeM3 < 0) return this.tanks[tank].base + volumeM3;
    const table = this.levels[tank];
    const x = Math.min(Math.max(volumeM3 / this.volumes[tank], 0), 1) * (POINTS - 1);
    const at = Math.min(Math.floor(x), POINTS - 2);
    return this.tanks[tank].base + table[at] + (table[at + 1] - table[at]) * (x - at);
  }

  /** Head that drives a crossing, m, back below nothing. There is none over a sill that the water does not reach. */
  private driving(c: Crossing, here: number, there: number): number {
    if (c.to < 0) return here > c.fromM ? Math.max(here - c.toM, 0) : 0;
    const sill = Math.max(c.fromM, c.toM);
    return here >= there ? Math.max(here - Math.max(there, sill), 0) : -Math.max(there - Math.max(here, sill), 0);
  }

  /** What crosses by the root of a head, m³/s: near even in it. */
  private flowBy(law: Float64Array, pull: number): number {
    const x = Math.min(Math.abs(pull) / MOST_PULL, 1) * (LAW_POINTS - 1);
    const at = Math.min(Math.floor(x), LAW_POINTS - 2);
    const flow = law[at] + (law[at + 1] - law[at]) * (x - at);
    return pull < 0 ? -flow : flow;
  }

  /** Furthest that two tied surfaces stand apart, m. */
  apart(volumes: ArrayLike<number>): number {
    let most = 0;
    for (const c of this.crossings) if (c.to >= 0) most = Math.max(most, Math.abs(this.surface(c.from, volumes[c.from]) - this.surface(c.to, volumes[c.to])));
    return most;
  }

  /**
   * Net flow into each tank by its ties, m³/s, mean over a step: ties that end the step at the head that drives them.
   * @param net what else comes in less what else goes out, m³/s
   * @param out written over: by tank; an opened outlet's flow follows last
   */
  cross(volumes: ArrayLike<number>, net: ArrayLike<number>, dt: number, out: Float64Array): void {
    const { crossings, flow, rest } = this;
    for (let sweep = 0; sweep < SWEEPS; sweep++) {
      let change = 0;
      for (let k = 0; k < crossings.length; k++) {
        const c = crossings[k];
        for (let i = 0; i < rest.length; i++) rest[i] = volumes[i] + net[i] * dt;
        for (let o = 0; o < crossings.length; o++) {
          if (o === k) continue;
          rest[crossings[o].from] -= flow[o] * dt;
          if (crossings[o].to >= 0) rest[crossings[o].to] += flow[o] * dt;
        }
        // Looked for by the root of the head, in which the law is near even: a flow has a steep foot at nothing.
        const at = (pull: number): number => {
          const q = this.flowBy(c.law, pull);
          const there = c.to < 0 ? c.toM : this.surface(c.to, rest[c.to] + q * dt);
          return this.driving(c, this.surface(c.from, rest[c.from] - q * dt), there) - pull * Math.abs(pull);
        };
        const most = c.law[LAW_POINTS - 1];
        this.pull[k] = most > 0 ? root(at, c.to < 0 ? 0 : -MOST_PULL, MOST_PULL, this.pull[k], (EXACT / most) * MOST_PULL) : 0;
        const q = this.flowBy(c.law, this.pull[k]);
        change = Math.max(change, Math.abs(q - flow[k]));
        flow[k] = q;
      }
      if (change < STILL || crossings.length < 2) break;
    }
    out.fill(0);
    for (let k = 0; k < crossings.length; k++) {
      const c = crossings[k];
      out[c.from] -= flow[k];
      if (c.to >= 0) out[c.to] += flow[k];
      else out[this.tanks.length] += flow[k];
    }
  }
}

/**
 * Where a falling function is nothing, to `exact`: bracketed near the last answer where it may be, then by an inverse parabola
 * wherever that is safe, else halved (Chandrupatla 1997, Advances in Engineering Software 28, 145, from memory).
 */
function root(of: (x: number) => number, least: number, most: number, last: number, exact: number): number {
  let [low, high] = [least, most];
  const near = 2e-3 + 0.1 * Math.abs(last);
  let atLow = NaN;
  let atHigh = NaN;
  if (last - near > least) {
    const f = of(last - near);
    if (f > 0) [low, atLow] = [last - near, f];
    else [high, atHigh] = [last - near, f];
  }
  if (last + near < high) {
    const f = of(last + near);
    if (f > 0) [low, atLow] = [last + near, f];
    else [high, atHigh] = [last + near, f];
  }
  if (Number.isNaN(atLow)) atLow = of(low);
  if (Number.isNaN(atHigh)) atHigh = of(high);
  if (!(atLow > 0)) return low;
  if (!(atHigh < 0)) return high;
  // The newest point, the one across the root from it, and the one before.
  let [a, atA, b, atB] = [high, atHigh, low, atLow];
  let share = atA / (atA - atB);
  for (let n = 0; n < TRIES; n++) {
    const x = a + share * (b - a);
    const f = of(x);
    let [c, atC] = [a, atA];
    if (f > 0 !== atA > 0) [c, atC, b, atB] = [b, atB, a, atA];
    [a, atA] = [x, f];
    const width = Math.abs(b - a);
    if (Math.abs(atA) * width <= 0.5 * exact * Math.abs(atB - atA)) return a;
    if (width < exact) return Math.abs(atA) < Math.abs(atB) ? a : b;
    const [xi, phi] = [(a - b) / (c - b), (atA - atB) / (atC - atB)];
    share =
      phi * phi < xi && (1 - phi) * (1 - phi) < 1 - xi
        ? (atA / (atB - atA)) * (atC / (atB - atC)) + ((c - a) / (b - a)) * (atA / (atC - atA)) * (atB / (atC - atB))
        : 0.5;
    const least = (0.5 * exact) / width;
    share = Math.min(Math.max(share, least), 1 - least);
  }
  return a;
}
