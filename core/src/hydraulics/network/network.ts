import { filled } from './arrays.js';
import { firstGuess } from './first-guess.js';
import { type Frame, frameOf } from './frame.js';
import { Laws } from './laws.js';
import { type AnswerBook, NetworkPart, type PartOutcome, type Whole } from './part.js';
import { ReducingSolver } from './reducing.js';
import type { NetworkSpec, SolveOutcome } from './spec.js';

/**
 * Steady flow in a network of tanks, lines, pumps and valves: heads and flows together by Newton's method in the
 * global gradient form (Todini & Pilati 1988). Compiled once; {@link solve} allocates nothing but its outcome and what it
 * is to remember. What hangs together only at fixed heads is solved part by part.
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

  private readonly laws: Laws;
  /** How it is joined. */
  readonly frame: Frame;
  private readonly fixed: Uint8Array;
  private readonly isolated: Uint8Array;
  private readonly from: Int32Array;
  private readonly to: Int32Array;
  private readonly startFlow: Float64Array;
  private readonly startHead: Float64Array;
  private readonly net: Float64Array;
  private readonly whole: Whole;
  private readonly parts: readonly NetworkPart[];
  private readonly reducing: ReducingSolver | undefined;
  /** How the links stood when what is cut off was last found. */
  private readonly closedThen: Uint8Array;
  private isolationKnown = false;
  private anyIsolated = false;
  private readonly parent: Int32Array;

  /** @param remembers whether answers are taken up where everything is set as it was then; a book keeps them for later networks */
  constructor(
    readonly spec: NetworkSpec,
    remembers: boolean | AnswerBook = false,
  ) {
    const { nodes, links } = spec;
    const n = nodes.length;
    const m = links.length;
    const frame = frameOf(spec);
    this.frame = frame;
    const laws = new Laws(links, frame.runStart);
    this.laws = laws;
    this.head = filled(new Float64Array(n), nodes, (x) => x.headM ?? x.elevationM);
    this.demand = filled(new Float64Array(n), nodes, (x) => x.demandM3s ?? 0);
    this.fixed = frame.fixed;
    this.isolated = new Uint8Array(n);
    this.from = frame.from;
    this.to = frame.to;
    this.closed = filled(new Uint8Array(m), links, (x) => (x.closed ? 1 : 0));
    this.reducesTo = filled(new Float64Array(m), links, (x) => x.reducesToHeadM ?? 0);
    this.startFlow = filled(new Float64Array(m), links, firstGuess);
    this.startHead = this.head.slice();
    this.net = new Float64Array(n);
    this.closedThen = new Uint8Array(m);
    this.parent = new Int32Array(n);
    ({
      flow: this.flow,
      constant: this.constant,
      linear: this.linear,
      quadratic: this.quadratic,
      powerCoefficient: this.powerCoefficient,
      runRoughness: this.runRoughness,
      runLength: this.runLength,
      runBore: this.runBore,
      runStart: this.runStart,
    } = laws);
    const { head, demand, closed, from, to, fixed, isolated, net } = this;
    this.whole = { laws, head, demand, closed, from, to, fixed, isolated, net, rowOf: frame.rowOf };
    this.reducing = links.some((x) => x.reducesToHeadM !== undefined) ? new ReducingSolver(this.whole, links, this.reducesTo, this.startFlow) : undefined;
    this.parts = this.reducing ? [] : frame.parts.map((part) => new NetworkPart(this.whole, part, remembers));
    this.restart();
  }

  /** Kinematic viscosity of the liquid, m²/s. */
  get viscosity(): number {
    return this.laws.viscosity;
  }
  set viscosity(m2s: number) {
    this.laws.viscosity = m2s;
  }

  /** Index of a node. Throws `RangeError` for an unknown id. */
  node(id: string): number {
    return this.frame.node(id);
  }

  /** Index of a link. Throws `RangeError` for an unknown id. */
  link(id: string): number {
    return this.frame.link(id);
  }

  /**
   * The one fixed head that a node's part of the network hangs on: its head rises with it one for one and no flow changes.
   * −1 where the part hangs on several, or on none.
   */
  soleHeadOf(node: number): number {
    for (const { frame } of this.parts) if (frame.unknown.includes(node)) return frame.sole;
    return -1;
  }

  /** The part of the network that a link belongs to; 0 of one that is solved as a whole. */
  partAt(link: number): number {
    return this.reducing ? 0 : this.frame.partOf[link];
  }

  /** Forgets the last answer, so that the next solve depends on the present settings only. */
  restart(): void {
    this.flow.set(this.startFlow);
    // Heads too: a solve that failed may have left what is no number.
    const { head, fixed, startHead } = this;
    for (let i = 0; i < head.length; i++) if (!fixed[i]) head[i] = startHead[i];
    this.laws.rootOf.fill(0);
    this.reducing?.restart();
  }

  /** Forgets the last answer of the part that a link belongs to. */
  restartAt(link: number): void {
    if (this.reducing) return this.restart();
    const { links, runs } = this.parts[this.frame.partOf[link]].frame;
    for (let k = 0; k < links.length; k++) this.flow[links[k]] = this.startFlow[links[k]];
    for (let k = 0; k < runs.length; k++) this.laws.rootOf[runs[k]] = 0;
  }

  /** Head lost along a link at the present flow, m, from→to (negative for a gain). */
  headLoss(link: number): number {
    if (this.closed[link] || this.spec.links[link].reducesToHeadM !== undefined) return this.head[this.from[link]] - this.head[this.to[link]];
    this.laws.refresh();
    this.laws.evaluate(link);
    return this.laws.loss[link];
  }

  /** Heads and flows for the present settings. Starts from the last answer. */
  solve(): SolveOutcome {
    const cut = this.cutOff();
    if (cut >= 0) return { converged: false, iterations: 0, failure: { reason: 'cut-off', nodeId: this.spec.nodes[cut].id } };
    this.laws.refresh();
    if (this.reducing) return this.told(this.reducing.solve());
    let iterations = 0;
    let massError = 0;
    for (let k = 0; k < this.parts.length; k++) {
      const done = this.parts[k].solve();
      if (!done.converged) return this.told(done);
      if (done.iterations > iterations) ({ iterations } = done);
      if (!(done.massError <= massError)) ({ massError } = done);
    }
    return { converged: true, iterations, massError };
  }

  /** An outcome with the names of what it is about. */
  private told(done: PartOutcome): SolveOutcome {
    if (done.converged) return done;
    const { failure, iterations } = done;
    return {
      converged: false,
      iterations,
      failure:
        failure.reason === 'cut-off'
          ? { reason: 'cut-off', nodeId: this.spec.nodes[failure.node].id }
          : { reason: 'not-converged', linkId: this.spec.links[failure.link].id, flowChange: failure.flowChange },
    };
  }

  /** Largest imbalance at a junction, relative to the largest flow of the network. */
  massError(): number {
    const { net, demand, flow, from, to, fixed, isolated } = this;
    for (let i = 0; i < net.length; i++) net[i] = -demand[i];
    let scale = 1e-6;
    for (let l = 0; l < flow.length; l++) {
      net[to[l]] += flow[l];
      net[from[l]] -= flow[l];
      scale = Math.max(scale, Math.abs(flow[l]));
    }
    let worst = 0;
    // Written so that an imbalance that is no number is one.
    for (let i = 0; i < net.length; i++) if (!fixed[i] && !isolated[i] && !(Math.abs(net[i]) <= worst)) worst = Math.abs(net[i]);
    return worst / scale;
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
