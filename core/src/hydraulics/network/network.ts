import { coilFactor, colebrook, frictionFactor, TURBULENT } from '../friction.js';
import { GRAVITY } from '../../fluid/air.js';
import { SparseLdl } from './ldl.js';
import type { LinkSpec, NetworkSpec, SolveOutcome } from './spec.js';

/** Flow below which quadratic losses turn linear, m³/s: keeps the slope finite at rest. */
const STILL = 1e-7;
/** Head per flow of a shut check valve, s/m²: 10 m across it leak 10⁻¹¹ m³/s. */
const SHUT = 1e12;
const MAX_ITERATIONS = 120;
/** Newton’s method squares its error at each step: a last step this small leaves one of its square. */
const RELATIVE_FLOW_CHANGE = 1e-7;
/** Resistance that every link has at the least, s/m²: some µm of head, so that no link is quite without. */
const LEAST = 0.01;
/** How many of what is kept of a case are its answer. */
const ANSWERS = 3;
/** Changes below this count as none, m³/s: a network at rest has settled. */
const STANDSTILL = 1e-13;
const TWO_OVER_LN10 = 2 / Math.LN10;
const PIN = 1e9;

enum ValveState {
  Open,
  Active,
  Closed,
}

/** A typed array with a value for each of a list: a plain loop, far quicker than `from`. */
function filled<A extends Float64Array | Int32Array | Uint8Array, T>(into: A, list: ArrayLike<T>, of: (x: T, i: number) => number): A {
  for (let i = 0; i < into.length; i++) into[i] = of(list[i], i);
  return into;
}

/**
 * Steady flow in a network of tanks, lines, pumps and valves: heads and flows together by Newton's method in the
 * global gradient form (Todini & Pilati 1988). Compiled once; {@link solve} allocates nothing but its outcome.
 *
 * Between solves the public arrays may be changed: fixed heads, demands, closed flags, loss terms, viscosity.
 * After a solve `head` (m, by node) and `flow` (m³/s, by link, positive from→to) hold the answer.
 */
export class Network {
  readonly head: Float64Array;
  readonly demand: Float64Array;
  readonly flow: Float64Array;
  readonly closed: Uint8Array;
  readonly constant: Float64Array;
  readonly linear: Float64Array;
  readonly quadratic: Float64Array;
  readonly powerCoefficient: Float64Array;
  readonly reducesTo: Float64Array;
  readonly runRoughness: Float64Array;
  readonly runLength: Float64Array;
  readonly runBore: Float64Array;
  /** First run of each link, by link; the last entry is the count. */
  readonly runStart: Int32Array;
  /** Kinematic viscosity of the liquid, m²/s. */
  viscosity = 1.0034e-6;

  private readonly nodeIndex = new Map<string, number>();
  private readonly linkIndex = new Map<string, number>();
  private readonly fixed: Uint8Array;
  private readonly isolated: Uint8Array;
  private readonly oneWay: Uint8Array;
  private readonly from: Int32Array;
  private readonly to: Int32Array;
  private readonly exponent: Float64Array;
  private readonly runCoiled: Float64Array;
  private readonly runCoilDiameter: Float64Array;
  private readonly curveStart: Int32Array;
  private readonly curveFlow: Float64Array;
  private readonly curveHead: Float64Array;
  private readonly startFlow: Float64Array;
  private readonly valve: Uint8Array;
  private readonly isValve: Uint8Array;
  private readonly hasValves: boolean;
  private readonly loss: Float64Array;
  private readonly slope: Float64Array;
  private readonly net: Float64Array;
  /** How the links stood when what is cut off was last found. */
  private readonly closedThen: Uint8Array;
  private isolationKnown = false;
  private anyIsolated = false;
  private readonly parent: Int32Array;
  private readonly ldl: SparseLdl;
  private readonly unknown: Int32Array;
  private readonly slotFrom: Int32Array;
  private readonly slotTo: Int32Array;
  private readonly slotPair: Int32Array;
  private readonly rowOf: Int32Array;
  private readonly diagonalOf: Int32Array;
  private readonly factor = new Float64Array(2);
  /** 1/√f of each run at its last turbulent flow; 0 before the first. */
  private readonly rootOf: Float64Array;
  /** Heads, flows and valves, which a solve gives, then everything that may be changed between solves. */
  private readonly kept: readonly (Float64Array | Uint8Array)[];

  constructor(readonly spec: NetworkSpec) {
    const { nodes, links } = spec;
    const n = nodes.length;
    const m = links.length;
    nodes.forEach((node, i) => addOnce(this.nodeIndex, node.id, i, 'node'));
    links.forEach((link, l) => addOnce(this.linkIndex, link.id, l, 'link'));
    this.head = filled(new Float64Array(nodes.length), nodes, (x) => x.headM ?? x.elevationM);
    this.demand = filled(new Float64Array(nodes.length), nodes, (x) => x.demandM3s ?? 0);
    this.fixed = filled(new Uint8Array(nodes.length), nodes, (x) => (x.headM === undefined ? 0 : 1));
    this.isolated = new Uint8Array(n);
    this.from = filled(new Int32Array(links.length), links, (x) => this.node(x.from));
    this.to = filled(new Int32Array(links.length), links, (x) => this.node(x.to));
    this.closed = filled(new Uint8Array(links.length), links, (x) => (x.closed ? 1 : 0));
    this.oneWay = filled(new Uint8Array(links.length), links, (x) => (x.oneWay ? 1 : 0));
    this.constant = filled(new Float64Array(links.length), links, (x) => x.constantM ?? 0);
    this.linear = filled(new Float64Array(links.length), links, (x) => x.linear ?? 0);
    this.quadratic = filled(new Float64Array(links.length), links, (x) => x.quadratic ?? 0);
    this.powerCoefficient = filled(new Float64Array(links.length), links, (x) => x.power?.coefficient ?? 0);
    this.exponent = filled(new Float64Array(links.length), links, (x) => x.power?.exponent ?? 2);
    this.reducesTo = filled(new Float64Array(links.length), links, (x) => x.reducesToHeadM ?? 0);
    this.isValve = filled(new Uint8Array(links.length), links, (x) => (x.reducesToHeadM === undefined ? 0 : 1));
    this.hasValves = this.isValve.includes(1);
    this.valve = new Uint8Array(m);
    this.flow = new Float64Array(m);
    this.loss = new Float64Array(m);
    this.slope = new Float64Array(m);
    this.net = new Float64Array(n);
    this.closedThen = new Uint8Array(m);
    this.parent = new Int32Array(n);

    const runs = links.flatMap((x) => x.runs ?? []);
    this.runStart = starts(links.map((x) => x.runs?.length ?? 0));
    this.runLength = filled(new Float64Array(runs.length), runs, (r) => r.lengthM);
    this.runBore = filled(new Float64Array(runs.length), runs, (r) => r.boreM);
    this.runRoughness = filled(new Float64Array(runs.length), runs, (r) => r.roughnessM);
    this.rootOf = new Float64Array(runs.length);
    this.runCoiled = filled(new Float64Array(runs.length), runs, (r) => Math.min(r.coiledLengthM ?? 0, r.lengthM));
    this.runCoilDiameter = filled(new Float64Array(runs.length), runs, (r) => r.coilDiameterM ?? 0);
    const points = links.flatMap((x) => x.curve ?? []);
    this.curveStart = starts(links.map((x) => x.curve?.length ?? 0));
    this.curveFlow = filled(new Float64Array(points.length), points, (p) => p.flowM3s);
    this.curveHead = filled(new Float64Array(points.length), points, (p) => p.headM);
    this.startFlow = filled(new Float64Array(links.length), links, (x) => firstGuess(x));
    const { head, flow, valve, demand, closed, constant, linear, quadratic, powerCoefficient, reducesTo, runRoughness, runLength, runBore } = this;
    this.kept = [head, flow, valve, demand, closed, constant, linear, quadratic, powerCoefficient, reducesTo, runRoughness, runLength, runBore];

    const unknowns: number[] = [];
    const at = new Int32Array(n).fill(-1);
    nodes.forEach((_, i) => {
      if (!this.fixed[i]) at[i] = unknowns.push(i) - 1;
    });
    this.unknown = Int32Array.from(unknowns);
    const pairs: [number, number][] = [];
    for (let l = 0; l < m; l++) {
      const a = at[this.from[l]];
      const b = at[this.to[l]];
      if (a >= 0 && b >= 0) pairs.push([a, b]);
    }
    this.ldl = new SparseLdl(unknowns.length, pairs);
    this.rowOf = filled(new Int32Array(at.length), at, (k) => (k < 0 ? -1 : this.ldl.row(k)));
    this.diagonalOf = filled(new Int32Array(at.length), at, (k) => (k < 0 ? -1 : this.ldl.slot(k, k)));
    this.slotFrom = filled(new Int32Array(this.from.length), this.from, (i) => this.diagonalOf[i]);
    this.slotTo = filled(new Int32Array(this.to.length), this.to, (i) => this.diagonalOf[i]);
    this.slotPair = new Int32Array(m).fill(-1);
    for (let l = 0; l < m; l++) {
      const a = at[this.from[l]];
      const b = at[this.to[l]];
      if (a >= 0 && b >= 0 && a !== b) this.slotPair[l] = this.ldl.slot(a, b);
    }
    this.restart();
  }

  /** Index of a node. Throws `RangeError` for an unknown id. */
  node(id: string): number {
    return known(this.nodeIndex, id, 'node');
  }

  /** Index of a link. Throws `RangeError` for an unknown id. */
  link(id: string): number {
    return known(this.linkIndex, id, 'link');
  }

  /** Forgets the last answer, so that the next solve depends on the present settings only. */
  restart(): void {
    this.flow.set(this.startFlow);
    this.rootOf.fill(0);
    this.valve.fill(ValveState.Active);
  }

  /** Head lost along a link at the present flow, m, from→to (negative for a gain). */
  headLoss(link: number): number {
    if (this.closed[link] || this.isValve[link]) return this.head[this.from[link]] - this.head[this.to[link]];
    this.evaluate(link);
    return this.loss[link];
  }

  /**
   * The present settings with their answer, to be {@link recall}ed. Call after a solve that settled.
   * @param into an answer no longer needed, to be written over
   */
  remember(into: Float64Array = new Float64Array(this.kept.reduce((n, x) => n + x.length, 1))): Float64Array {
    let at = 0;
    for (const x of this.kept) {
      into.set(x, at);
      at += x.length;
    }
    into[at] = this.viscosity;
    return into;
  }

  /** Takes up an earlier answer where everything is set as it was then, to the last bit. */
  recall(answer: Float64Array): boolean {
    const { kept, fixed, head } = this;
    if (answer[answer.length - 1] !== this.viscosity) return false;
    let at = head.length + this.flow.length + this.valve.length;
    for (let k = ANSWERS; k < kept.length; k++) {
      const now = kept[k];
      for (let i = 0; i < now.length; i++) if (now[i] !== answer[at + i]) return false;
      at += now.length;
    }
    for (let i = 0; i < fixed.length; i++) if (fixed[i] && head[i] !== answer[i]) return false;
    at = 0;
    for (let k = 0; k < ANSWERS; k++) {
      const now = kept[k];
      for (let i = 0; i < now.length; i++) now[i] = answer[at + i];
      at += now.length;
    }
    return true;
  }

  /** Heads and flows for the present settings. Starts from the last answer. */
  solve(): SolveOutcome {
    const cut = this.cutOff();
    if (cut >= 0) return { converged: false, iterations: 0, failure: { reason: 'cut-off', nodeId: this.spec.nodes[cut].id } };
    if (!this.hasValves) return this.solvePlain();
    const { flow, closed, isValve } = this;
    const m = flow.length;
    for (let l = 0; l < m; l++) if (closed[l]) flow[l] = 0;
    let worst = 0;
    let worstChange = 0;
    for (let iteration = 1; iteration <= MAX_ITERATIONS; iteration++) {
      const lost = this.linearSolve();
      if (lost >= 0) return { converged: false, iterations: iteration, failure: { reason: 'cut-off', nodeId: this.spec.nodes[this.unknown[lost]].id } };
      const relax = iteration > 25 ? (iteration % 3 === 0 ? 1 : 0.5) : 1;
      let change = 0;
      let total = 0;
      worstChange = 0;
      for (let l = 0; l < m; l++) {
        if (closed[l] || (isValve[l] && this.valve[l] === ValveState.Active)) continue;
        const p = 1 / this.slope[l];
        const step = relax * p * (this.head[this.from[l]] - this.head[this.to[l]] - this.loss[l]);
        flow[l] += step;
        const size = Math.abs(step);
        change += size;
        total += Math.abs(flow[l]);
        if (size > worstChange) {
          worstChange = size;
          worst = l;
        }
      }
      let settled = true;
      if (this.hasValves) {
        change += this.updateValveFlows();
        settled = this.updateValveStates();
      }
      if (settled && relax === 1 && change <= Math.max(RELATIVE_FLOW_CHANGE * total, STANDSTILL)) {
        this.balance();
        return { converged: true, iterations: iteration, massError: this.massError() };
      }
    }
    return {
      converged: false,
      iterations: MAX_ITERATIONS,
      failure: { reason: 'not-converged', linkId: this.spec.links[worst].id, flowChange: worstChange },
    };
  }

  /** As {@link solve} without reducing valves: assembly and update in one place, the same sums in the same order. */
  private solvePlain(): SolveOutcome {
    const { ldl, from, to, flow, head, fixed, closed, slope, loss, slotFrom, slotTo, slotPair, rowOf, isolated, net, demand, diagonalOf, unknown } = this;
    const a = ldl.values;
    const b = ldl.rightSide;
    const m = flow.length;
    const u = unknown.length;
    for (let l = 0; l < m; l++) if (closed[l]) flow[l] = 0;
    let worst = 0;
    let worstChange = 0;
    for (let iteration = 1; iteration <= MAX_ITERATIONS; iteration++) {
      for (let i = 0; i < a.length; i++) a[i] = 0;
      // Head corrections, not heads, are solved for: what is left to solve shrinks with the error.
      for (let i = 0; i < net.length; i++) net[i] = -demand[i];
      for (let l = 0; l < m; l++) {
        const i = from[l];
        const j = to[l];
        const q = flow[l];
        net[j] += q;
        net[i] -= q;
        if (closed[l]) continue;
        this.evaluate(l);
        const p = 1 / slope[l];
        const step = p * (head[i] - head[j] - loss[l]);
        net[j] += step;
        net[i] -= step;
        if (slotFrom[l] >= 0) a[slotFrom[l]] += p;
        if (slotTo[l] >= 0) a[slotTo[l]] += p;
        if (slotPair[l] >= 0) a[slotPair[l]] -= p;
      }
      for (let t = 0; t < u; t++) {
        const i = unknown[t];
        const diagonal = diagonalOf[i];
        if (isolated[i] || a[diagonal] === 0) {
          a[diagonal] += 1;
          b[rowOf[i]] = 0;
        } else b[rowOf[i]] = net[i];
      }
      const lost = ldl.factor();
      if (lost >= 0) return { converged: false, iterations: iteration, failure: { reason: 'cut-off', nodeId: this.spec.nodes[unknown[lost]].id } };
      ldl.solve();
      for (let t = 0; t < u; t++) head[unknown[t]] += b[rowOf[unknown[t]]];
      const relax = iteration > 25 ? (iteration % 3 === 0 ? 1 : 0.5) : 1;
      let change = 0;
      let total = 0;
      worstChange = 0;
      for (let l = 0; l < m; l++) {
        if (closed[l]) continue;
        const step = relax * (1 / slope[l]) * (head[from[l]] - head[to[l]] - loss[l]);
        const q = flow[l] + step;
        flow[l] = q;
        const size = step < 0 ? -step : step;
        change += size;
        total += q < 0 ? -q : q;
        if (size > worstChange) {
          worstChange = size;
          worst = l;
        }
      }
      if (relax === 1 && change <= Math.max(RELATIVE_FLOW_CHANGE * total, STANDSTILL)) {
        let error = this.massError();
        if (error >= 1e-13) {
          for (let t = 0; t < u; t++) b[rowOf[unknown[t]]] = isolated[unknown[t]] ? 0 : net[unknown[t]];
          ldl.solve();
          for (let l = 0; l < m; l++) {
            if (closed[l]) continue;
            const x = fixed[from[l]] ? 0 : b[rowOf[from[l]]];
            const y = fixed[to[l]] ? 0 : b[rowOf[to[l]]];
            flow[l] += (x - y) / slope[l];
          }
          error = this.massError();
        }
        return { converged: true, iterations: iteration, massError: error };
      }
    }
    return {
      converged: false,
      iterations: MAX_ITERATIONS,
      failure: { reason: 'not-converged', linkId: this.spec.links[worst].id, flowChange: worstChange },
    };
  }

  /** A node that wants water and has none, or -1. What is cut off is found anew only where a link was opened or shut. */
  private cutOff(): number {
    const { closed, closedThen, isolated, demand } = this;
    let same = this.isolationKnown;
    for (let l = 0; same && l < closed.length; l++) if (closed[l] !== closedThen[l]) same = false;
    if (!same) {
      const wanting = this.findIsolated();
      closedThen.set(closed);
      this.isolationKnown = true;
      this.anyIsolated = isolated.includes(1);
      return wanting;
    }
    let wanting = -1;
    if (this.anyIsolated) for (let i = 0; i < isolated.length; i++) if (isolated[i] && demand[i] !== 0) wanting = i;
    return wanting;
  }

  /**
   * Takes out what rounding left: heads of hundreds of metres across links with hardly any loss blur the flows.
   * One more solve with the last matrix, for the imbalance alone.
   */
  private balance(): void {
    const { ldl, from, to, flow, fixed, closed, slope, rowOf, isolated, net } = this;
    if (this.massError() < 1e-13) return;
    const b = ldl.rightSide;
    for (let i = 0; i < net.length; i++) if (!fixed[i]) b[rowOf[i]] = isolated[i] ? 0 : net[i];
    for (let l = 0; l < flow.length; l++) if (this.isValve[l] && this.valve[l] === ValveState.Active && !fixed[to[l]]) b[rowOf[to[l]]] = 0;
    ldl.solve();
    for (let l = 0; l < flow.length; l++) {
      if (closed[l] || (this.isValve[l] && this.valve[l] !== ValveState.Open)) continue;
      const a = fixed[from[l]] ? 0 : b[rowOf[from[l]]];
      const c = fixed[to[l]] ? 0 : b[rowOf[to[l]]];
      flow[l] += (a - c) / slope[l];
    }
    if (this.hasValves) this.updateValveFlows();
  }

  /** Largest imbalance at a junction, relative to the largest flow of the network. */
  massError(): number {
    const { net, demand, flow, from, to, unknown, isolated } = this;
    for (let i = 0; i < net.length; i++) net[i] = -demand[i];
    let scale = 1e-6;
    for (let l = 0; l < flow.length; l++) {
      const q = flow[l];
      net[to[l]] += q;
      net[from[l]] -= q;
      const size = q < 0 ? -q : q;
      if (size > scale) scale = size;
    }
    let worst = 0;
    for (let t = 0; t < unknown.length; t++) {
      if (isolated[unknown[t]]) continue;
      const off = Math.abs(net[unknown[t]]);
      // Written so that an imbalance that is no number is one.
      if (!(off <= worst)) worst = off;
    }
    return worst / scale;
  }

  /** Net inflow at each node less its demand, into `net`. */
  private sumNet(): void {
    const { net, demand, flow, from, to } = this;
    for (let i = 0; i < net.length; i++) net[i] = -demand[i];
    for (let l = 0; l < flow.length; l++) {
      net[to[l]] += flow[l];
      net[from[l]] -= flow[l];
    }
  }

  private linearSolve(): number {
    const { ldl, from, to, flow, head, fixed, closed, slope, loss, slotFrom, slotTo, slotPair, rowOf, isolated, net } = this;
    const a = ldl.values;
    const b = ldl.rightSide;
    a.fill(0);
    b.fill(0);
    // Head corrections, not heads, are solved for: what is left to solve shrinks with the error.
    for (let i = 0; i < net.length; i++) net[i] = -this.demand[i];
    for (let l = 0; l < flow.length; l++) {
      const i = from[l];
      const j = to[l];
      net[j] += flow[l];
      net[i] -= flow[l];
      if (closed[l] || (this.isValve[l] && this.valve[l] !== ValveState.Open)) continue;
      this.evaluate(l);
      const p = 1 / slope[l];
      const step = p * (head[i] - head[j] - loss[l]);
      net[j] += step;
      net[i] -= step;
      if (!fixed[i]) a[slotFrom[l]] += p;
      if (!fixed[j]) a[slotTo[l]] += p;
      if (slotPair[l] >= 0) a[slotPair[l]] -= p;
    }
    for (let i = 0; i < net.length; i++) if (!fixed[i]) b[rowOf[i]] = net[i];
    if (this.hasValves) this.pinValves(a, b);
    for (let i = 0; i < net.length; i++) {
      if (!fixed[i] && (isolated[i] || a[this.diagonalOf[i]] === 0)) {
        a[this.diagonalOf[i]] += 1;
        b[rowOf[i]] = 0;
      }
    }
    const lost = ldl.factor();
    if (lost >= 0) return lost;
    ldl.solve();
    for (let i = 0; i < net.length; i++) if (!fixed[i]) head[i] += b[rowOf[i]];
    return -1;
  }

  private pinValves(a: Float64Array, b: Float64Array): void {
    for (let l = 0; l < this.flow.length; l++) {
      if (!this.isValve[l]) continue;
      if (this.valve[l] === ValveState.Active) {
        const j = this.to[l];
        if (this.fixed[j]) continue;
        a[this.diagonalOf[j]] += PIN;
        b[this.rowOf[j]] = PIN * (this.reducesTo[l] - this.head[j]);
      }
    }
  }

  /** Flow through each active reducing valve: what its downstream node still needs. */
  private updateValveFlows(): number {
    let change = 0;
    this.sumNet();
    for (let l = 0; l < this.flow.length; l++) {
      if (!this.isValve[l] || this.closed[l] || this.valve[l] !== ValveState.Active) continue;
      const need = this.flow[l] - this.net[this.to[l]];
      change += Math.abs(need - this.flow[l]);
      this.flow[l] = need;
    }
    return change;
  }

  private updateValveStates(): boolean {
    let settled = true;
    const tolerance = 1e-6;
    for (let l = 0; l < this.flow.length; l++) {
      if (!this.isValve[l] || this.closed[l]) continue;
      const before = this.valve[l];
      const h1 = this.head[this.from[l]];
      const h2 = this.head[this.to[l]];
      const set = this.reducesTo[l];
      const q = this.flow[l];
      let next = before;
      if (before === ValveState.Active) {
        if (q < -1e-9) next = ValveState.Closed;
        else if (h1 - this.quadratic[l] * q * q < set - tolerance) next = ValveState.Open;
      } else if (before === ValveState.Open) {
        if (q < -1e-9) next = ValveState.Closed;
        else if (h2 >= set + tolerance) next = ValveState.Active;
      } else if (h1 >= set + tolerance && h2 < set - tolerance) next = ValveState.Active;
      else if (h1 < set - tolerance && h1 > h2 + tolerance) next = ValveState.Open;
      if (next !== before) {
        settled = false;
        this.valve[l] = next;
        if (next === ValveState.Closed) this.flow[l] = 0;
        else if (next === ValveState.Open && q === 0) this.flow[l] = this.startFlow[l];
      }
    }
    return settled;
  }

  /** Loss and slope of a link at its present flow, into `loss[l]` and `slope[l]`. */
  private evaluate(l: number): void {
    const q = this.flow[l];
    if (this.oneWay[l] && q < 0) {
      this.loss[l] = this.constant[l] + SHUT * q;
      if (this.curveStart[l + 1] > this.curveStart[l]) this.loss[l] -= this.curveHead[this.curveStart[l]];
      this.slope[l] = SHUT;
      return;
    }
    const size = Math.abs(q);
    const sign = q < 0 ? -1 : 1;
    const smooth = Math.sqrt(q * q + STILL * STILL);
    const k = this.quadratic[l];
    const linear = this.linear[l] + LEAST;
    let h = this.constant[l] + linear * q + k * q * smooth;
    let s = linear + (k * (2 * q * q + STILL * STILL)) / smooth;
    const c = this.powerCoefficient[l];
    if (c !== 0) {
      const e = this.exponent[l] - 1;
      const scaled = c * smooth ** e;
      h += scaled * q;
      s += scaled * (1 + (e * q * q) / (smooth * smooth));
    }
    const nu = this.viscosity;
    for (let r = this.runStart[l], end = this.runStart[l + 1]; r < end; r++) {
      const d = this.runBore[r];
      const area = 0.7853981633974483 * d * d;
      const v = size / area;
      const reynolds = (v * d) / nu;
      let length = this.runLength[r];
      if (reynolds <= 2000) {
        const laminar = (32 * nu * length) / (GRAVITY * d * d * area);
        h += laminar * q;
        s += laminar;
        continue;
      }
      let f: number;
      let logSlope: number;
      if (reynolds < TURBULENT) {
        frictionFactor(reynolds, this.runRoughness[r] / d, this.factor);
        f = this.factor[0];
        logSlope = this.factor[1];
      } else {
        // Colebrook–White by Newton's method from the last root: near the answer one step is exact to rounding.
        const rough = this.runRoughness[r] / d / 3.7;
        const viscous = 2.51 / reynolds;
        let x = this.rootOf[r];
        if (x === 0) x = 1 / Math.sqrt(colebrook(reynolds, rough * 3.7));
        let step = 1;
        for (let i = 0; i < 4 && (step > 1e-6 || step < -1e-6); i++) {
          const inside = rough + viscous * x;
          step = (x + TWO_OVER_LN10 * Math.log(inside)) / (1 + (TWO_OVER_LN10 * viscous) / inside);
          x -= step;
        }
        this.rootOf[r] = x;
        f = 1 / (x * x);
        const pull = (TWO_OVER_LN10 * viscous) / (rough + viscous * x);
        logSlope = (-2 * pull) / (1 + pull);
      }
      if (this.runCoiled[r] > 0) length += this.runCoiled[r] * (coilFactor(reynolds, d, this.runCoilDiameter[r]) - 1);
      const loss = ((f * length) / d) * ((v * v) / (2 * GRAVITY));
      h += sign * loss;
      s += ((2 + logSlope) * loss) / size;
    }
    if (this.curveStart[l + 1] > this.curveStart[l]) {
      let i = this.curveStart[l] + 1;
      while (i < this.curveStart[l + 1] - 1 && q > this.curveFlow[i]) i++;
      const fall = (this.curveHead[i - 1] - this.curveHead[i]) / (this.curveFlow[i] - this.curveFlow[i - 1]);
      h -= this.curveHead[i - 1] - fall * (q - this.curveFlow[i - 1]);
      s += fall;
    }
    this.loss[l] = h;
    this.slope[l] = s;
  }

  /** Marks nodes that no open link joins to a fixed head; returns one of them that wants water, or -1. */
  private findIsolated(): number {
    const { parent, from, to, closed } = this;
    const n = parent.length;
    for (let i = 0; i < n; i++) parent[i] = this.fixed[i] ? -1 : i;
    const root = (start: number): number => {
      let i = start;
      while (i >= 0 && parent[i] !== i) i = parent[i];
      return i;
    };
    for (let l = 0; l < from.length; l++) {
      if (closed[l]) continue;
      const a = root(from[l]);
      const b = root(to[l]);
      if (a === b) continue;
      if (a < 0) parent[b] = -1;
      else if (b < 0) parent[a] = -1;
      else parent[b] = a;
    }
    let wanting = -1;
    for (let i = 0; i < n; i++) {
      this.isolated[i] = root(i) >= 0 ? 1 : 0;
      if (this.isolated[i] && this.demand[i] !== 0) wanting = i;
    }
    return wanting;
  }
}

function addOnce(index: Map<string, number>, id: string, at: number, what: string): void {
  if (index.has(id)) throw new RangeError(`Two ${what}s are called "${id}".`);
  index.set(id, at);
}

function known(index: Map<string, number>, id: string, what: string): number {
  const i = index.get(id);
  if (i === undefined) throw new RangeError(`There is no ${what} called "${id}".`);
  return i;
}

function starts(counts: readonly number[]): Int32Array {
  const out = new Int32Array(counts.length + 1);
  counts.forEach((c, i) => (out[i + 1] = out[i] + c));
  return out;
}

/** Head that a first guess lets a link lose at most, m. */
const FIRST_LOSS = 50;

/** About 1 m/s in the narrowest run, less where that would lose more head than is likely. */
function firstGuess(link: LinkSpec): number {
  if (link.curve?.length) return link.curve[link.curve.length - 1].flowM3s / 2;
  if (link.constantM && link.constantM < 0) {
    if (link.power) return (-link.constantM / 2 / link.power.coefficient) ** (1 / link.power.exponent);
    if (link.quadratic) return Math.sqrt(-link.constantM / 2 / link.quadratic);
  }
  const bores = (link.runs ?? []).map((r) => r.boreM);
  const brisk = bores.length ? (Math.PI / 4) * Math.min(...bores) ** 2 : 2e-4;
  const byQuadratic = link.quadratic ? Math.sqrt(FIRST_LOSS / link.quadratic) : Infinity;
  const byPower = link.power ? (FIRST_LOSS / link.power.coefficient) ** (1 / link.power.exponent) : Infinity;
  return Math.min(brisk, byQuadratic, byPower);
}
