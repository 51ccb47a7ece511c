import { filled } from './arrays.js';
import { LdlPattern, SparseLdl } from './ldl.js';
import { MAX_ITERATIONS, type PartOutcome, RELATIVE_FLOW_CHANGE, STANDSTILL, UNBALANCED, type Whole } from './part.js';
import type { LinkSpec } from './spec.js';

/** Weight that pins a head. */
const PIN = 1e9;

/** States of a valve: wide open, holding its head, shut. */
const OPEN = 0;
const ACTIVE = 1;
const CLOSED = 2;

/**
 * A network with reducing valves, solved as a whole: a valve that holds the head behind it ties what lies on both sides by
 * flow alone. Network files have them; rigs have none.
 */
export class ReducingSolver {
  private readonly valve: Uint8Array;
  private readonly isValve: Uint8Array;
  private readonly ldl: SparseLdl;
  private readonly unknown: readonly number[];
  private readonly rowOf: Int32Array;
  private readonly diagonalOf: Int32Array;
  private readonly slotPair: Int32Array;

  /** @param reducesTo head that each link holds at the most at its end, m; only of links that are valves */
  constructor(
    private readonly whole: Whole,
    links: readonly LinkSpec[],
    private readonly reducesTo: Float64Array,
    private readonly startFlow: Float64Array,
  ) {
    const { from, to, fixed } = whole;
    const m = links.length;
    this.isValve = filled(new Uint8Array(m), links, (x) => (x.reducesToHeadM === undefined ? 0 : 1));
    this.valve = new Uint8Array(m);
    const unknown: number[] = [];
    const at = new Int32Array(fixed.length).fill(-1);
    for (let i = 0; i < fixed.length; i++) if (!fixed[i]) at[i] = unknown.push(i) - 1;
    this.unknown = unknown;
    const pairs: [number, number][] = [];
    for (let l = 0; l < m; l++) if (at[from[l]] >= 0 && at[to[l]] >= 0) pairs.push([at[from[l]], at[to[l]]]);
    const pattern = new LdlPattern(unknown.length, pairs);
    this.ldl = new SparseLdl(pattern);
    this.rowOf = filled(new Int32Array(at.length), at, (k) => (k < 0 ? -1 : pattern.row(k)));
    this.diagonalOf = filled(new Int32Array(at.length), at, (k) => (k < 0 ? -1 : pattern.slot(k, k)));
    this.slotPair = new Int32Array(m).fill(-1);
    for (let l = 0; l < m; l++) {
      const [a, b] = [at[from[l]], at[to[l]]];
      if (a >= 0 && b >= 0 && a !== b) this.slotPair[l] = pattern.slot(a, b);
    }
  }

  restart(): void {
    this.valve.fill(ACTIVE);
  }

  solve(): PartOutcome {
    const { isValve } = this;
    const { laws, head, closed, from, to } = this.whole;
    const { flow, slope, loss } = laws;
    const m = flow.length;
    for (let l = 0; l < m; l++) if (closed[l]) flow[l] = 0;
    let worst = 0;
    let worstChange = 0;
    for (let iteration = 1; iteration <= MAX_ITERATIONS; iteration++) {
      const lost = this.linearSolve();
      if (lost >= 0) return { converged: false, iterations: iteration, failure: { reason: 'cut-off', node: this.unknown[lost] } };
      const relax = iteration > 25 ? (iteration % 3 === 0 ? 1 : 0.5) : 1;
      let change = 0;
      let total = 0;
      worstChange = 0;
      for (let l = 0; l < m; l++) {
        if (closed[l] || (isValve[l] && this.valve[l] === ACTIVE)) continue;
        const p = 1 / slope[l];
        const step = relax * p * (head[from[l]] - head[to[l]] - loss[l]);
        flow[l] += step;
        const size = Math.abs(step);
        change += size;
        total += Math.abs(flow[l]);
        if (size > worstChange) {
          worstChange = size;
          worst = l;
        }
      }
      change += this.updateValveFlows();
      const settled = this.updateValveStates();
      if (settled && relax === 1 && change <= Math.max(RELATIVE_FLOW_CHANGE * total, STANDSTILL)) {
        this.balance();
        return { converged: true, iterations: iteration, massError: this.massError() };
      }
    }
    return { converged: false, iterations: MAX_ITERATIONS, failure: { reason: 'not-converged', link: worst, flowChange: worstChange } };
  }

  private linearSolve(): number {
    const { ldl, rowOf, slotPair, diagonalOf, isValve, valve } = this;
    const { laws, head, closed, from, to, fixed, isolated, net } = this.whole;
    const { flow, slope, loss } = laws;
    const a = ldl.values;
    const b = ldl.rightSide;
    a.fill(0);
    b.fill(0);
    this.sumNet();
    for (let l = 0; l < flow.length; l++) {
      const i = from[l];
      const j = to[l];
      if (closed[l] || (isValve[l] && valve[l] !== OPEN)) continue;
      laws.evaluate(l);
      const p = 1 / slope[l];
      const step = p * (head[i] - head[j] - loss[l]);
      net[j] += step;
      net[i] -= step;
      if (!fixed[i]) a[diagonalOf[i]] += p;
      if (!fixed[j]) a[diagonalOf[j]] += p;
      if (slotPair[l] >= 0) a[slotPair[l]] -= p;
    }
    for (const i of this.unknown) b[rowOf[i]] = net[i];
    this.pinValves(a, b);
    for (const i of this.unknown) {
      if (!isolated[i] && a[diagonalOf[i]] !== 0) continue;
      a[diagonalOf[i]] += 1;
      b[rowOf[i]] = 0;
    }
    const lost = ldl.factor();
    if (lost >= 0) return lost;
    ldl.solve();
    for (const i of this.unknown) head[i] += b[rowOf[i]];
    return -1;
  }

  private pinValves(a: Float64Array, b: Float64Array): void {
    const { head, to, fixed } = this.whole;
    for (let l = 0; l < this.isValve.length; l++) {
      if (!this.isValve[l] || this.valve[l] !== ACTIVE) continue;
      const j = to[l];
      if (fixed[j]) continue;
      a[this.diagonalOf[j]] += PIN;
      b[this.rowOf[j]] = PIN * (this.reducesTo[l] - head[j]);
    }
  }

  /** One more solve with the last matrix, for the imbalance alone. */
  private balance(): void {
    if (this.massError() < UNBALANCED) return;
    const { ldl, rowOf, isValve, valve } = this;
    const { laws, closed, from, to, fixed, isolated, net } = this.whole;
    const b = ldl.rightSide;
    for (const i of this.unknown) b[rowOf[i]] = isolated[i] ? 0 : net[i];
    for (let l = 0; l < isValve.length; l++) if (isValve[l] && valve[l] === ACTIVE && !fixed[to[l]]) b[rowOf[to[l]]] = 0;
    ldl.solve();
    for (let l = 0; l < isValve.length; l++) {
      if (closed[l] || (isValve[l] && valve[l] !== OPEN)) continue;
      const x = fixed[from[l]] ? 0 : b[rowOf[from[l]]];
      const y = fixed[to[l]] ? 0 : b[rowOf[to[l]]];
      laws.flow[l] += (x - y) / laws.slope[l];
    }
    this.updateValveFlows();
  }

  /** Largest imbalance at a junction, relative to the largest flow. */
  private massError(): number {
    this.sumNet();
    const { laws, isolated, net } = this.whole;
    let scale = 1e-6;
    for (let l = 0; l < laws.flow.length; l++) scale = Math.max(scale, Math.abs(laws.flow[l]));
    let worst = 0;
    for (const i of this.unknown) {
      if (isolated[i]) continue;
      const off = Math.abs(net[i]);
      // Written so that an imbalance that is no number is one.
      if (!(off <= worst)) worst = off;
    }
    return worst / scale;
  }

  /** Net inflow at each node less its demand, into `net`. */
  private sumNet(): void {
    const { laws, demand, from, to, net } = this.whole;
    for (let i = 0; i < net.length; i++) net[i] = -demand[i];
    for (let l = 0; l < from.length; l++) {
      net[to[l]] += laws.flow[l];
      net[from[l]] -= laws.flow[l];
    }
  }

  /** Flow through each active reducing valve: what its downstream node still needs. */
  private updateValveFlows(): number {
    let change = 0;
    const { laws, closed, to, net } = this.whole;
    const { flow } = laws;
    this.sumNet();
    for (let l = 0; l < this.isValve.length; l++) {
      if (!this.isValve[l] || closed[l] || this.valve[l] !== ACTIVE) continue;
      const need = flow[l] - net[to[l]];
      change += Math.abs(need - flow[l]);
      flow[l] = need;
    }
    return change;
  }

  private updateValveStates(): boolean {
    const { laws, head, closed, from, to } = this.whole;
    let settled = true;
    const tolerance = 1e-6;
    for (let l = 0; l < this.isValve.length; l++) {
      if (!this.isValve[l] || closed[l]) continue;
      const before = this.valve[l];
      const h1 = head[from[l]];
      const h2 = head[to[l]];
      const set = this.reducesTo[l];
      const q = laws.flow[l];
      let next = before;
      if (before === ACTIVE) {
        if (q < -1e-9) next = CLOSED;
        else if (h1 - laws.quadratic[l] * q * q < set - tolerance) next = OPEN;
      } else if (before === OPEN) {
        if (q < -1e-9) next = CLOSED;
        else if (h2 >= set + tolerance) next = ACTIVE;
      } else if (h1 >= set + tolerance && h2 < set - tolerance) next = ACTIVE;
      else if (h1 < set - tolerance && h1 > h2 + tolerance) next = OPEN;
      if (next !== before) {
        settled = false;
        this.valve[l] = next;
        if (next === CLOSED) laws.flow[l] = 0;
        else if (next === OPEN && q === 0) laws.flow[l] = this.startFlow[l];
      }
    }
    return settled;
  }
}
