import { outflowThrough } from '../hydraulics/outflow.js';
import { levelOf, shapeHeight, volumeAt } from '../rig/tank-shape.js';
import type { Tank } from '../rig/schema.js';
import type { Cases } from './cases.js';
import { lineTerms } from './rig-network.js';

const POINTS = 65;
const LAW_POINTS = 49;
/** Head up to which laws of flow are tabulated, m: no two surfaces of a rig stand further apart. */
const MOST_HEAD = 30;
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
  /** m³/s at √head, by even steps. */
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
    this.rest = new Float64Array(tanks.length);
  }

  /** Forgets what crossed last: a run that begins alike goes alike, whatever was run before. */
  begin(): void {
    this.flow.fill(0);
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

  private flowAt(c: Crossing, here: number, there: number): number {
    if (c.to < 0) return here > c.fromM ? this.read(c.law, here - c.toM) : 0;
    const sill = Math.max(c.fromM, c.toM);
    return here >= there ? this.read(c.law, here - Math.max(there, sill)) : -this.read(c.law, there - Math.max(here, sill));
  }

  private read(law: Float64Array, headM: number): number {
    if (!(headM > 0)) return 0;
    const x = Math.min(Math.sqrt(headM / MOST_HEAD), 1) * (LAW_POINTS - 1);
    const at = Math.min(Math.floor(x), LAW_POINTS - 2);
    return law[at] + (law[at + 1] - law[at]) * (x - at);
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
        const at = (q: number): number =>
          this.flowAt(c, this.surface(c.from, rest[c.from] - q * dt), c.to < 0 ? c.toM : this.surface(c.to, rest[c.to] + q * dt)) - q;
        const q = root(at, c.to < 0 ? 0 : -c.law[LAW_POINTS - 1], c.law[LAW_POINTS - 1], flow[k]);
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

/** Where a falling function is nothing: bracketed near the last answer where it may be, then by a secant that never leaves its bracket. */
function root(of: (q: number) => number, least: number, most: number, last: number): number {
  let [low, high] = [least, most];
  const near = 1e-5 + 0.02 * Math.abs(last);
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
  let side = 0;
  for (let n = 0; n < TRIES && high - low > EXACT; n++) {
    // Halving now and then: the law has the root's steep foot at nothing.
    const q = n % 3 === 2 ? (low + high) / 2 : (low * atHigh - high * atLow) / (atHigh - atLow);
    const f = of(q);
    if (Math.abs(f) < EXACT) return q;
    if (f > 0) {
      [low, atLow] = [q, f];
      if (side === 1) atHigh /= 2;
      side = 1;
    } else {
      [high, atHigh] = [q, f];
      if (side === -1) atLow /= 2;
      side = -1;
    }
  }
  return (low + high) / 2;
}
