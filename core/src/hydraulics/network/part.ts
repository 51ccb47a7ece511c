import type { PartFrame } from './frame.js';
import type { Laws } from './laws.js';
import { SparseLdl } from './ldl.js';

export const MAX_ITERATIONS = 120;
/** Newton’s method squares its error at each step: a last step this small leaves one of its square. */
export const RELATIVE_FLOW_CHANGE = 1e-7;
/** Changes below this count as none, m³/s: a network at rest has settled. */
export const STANDSTILL = 1e-13;
/** Imbalance, relative to the largest flow, that is worth one more solve with the last matrix. */
export const UNBALANCED = 1e-13;
/** Answers that a part remembers: the cases of an assessment ask for some twenty. */
const MOST_KEPT = 32;
const REMEMBERED: PartOutcome = { converged: true, iterations: 0, massError: 0 };

/** How a solve of a part ended; nodes and links by their places in the network. */
export type PartOutcome =
  | { readonly converged: true; readonly iterations: number; readonly massError: number }
  | {
      readonly converged: false;
      readonly iterations: number;
      readonly failure:
        { readonly reason: 'cut-off'; readonly node: number } | { readonly reason: 'not-converged'; readonly link: number; readonly flowChange: number };
    };

/** What the parts of a network have in common: its arrays, by node and by link. */
export interface Whole {
  readonly laws: Laws;
  readonly head: Float64Array;
  readonly demand: Float64Array;
  readonly closed: Uint8Array;
  readonly from: Int32Array;
  readonly to: Int32Array;
  readonly fixed: Uint8Array;
  readonly isolated: Uint8Array;
  /** Row of each node in the matrix of its part; −1 for a fixed head. */
  readonly rowOf: Int32Array;
  /** Imbalance at each node, m³/s. */
  readonly net: Float64Array;
}

/**
 * Answers of a part, each a list of what was set, then its flows and heads; the oldest makes room. Plain lists: they are made
 * quicker than typed ones of their size.
 */
export class Page {
  readonly answers: number[][] = [];
  private oldest = 0;

  add(answer: number[]): void {
    if (this.answers.length < MOST_KEPT) this.answers.push(answer);
    else {
      this.answers[this.oldest] = answer;
      this.oldest = (this.oldest + 1) % MOST_KEPT;
    }
  }
}

/** Kinds of part whose answers a book holds. */
const MOST_PAGES = 400;

/** Answers that outlive a network: the next one with a part of the same kind takes them up. */
export class AnswerBook {
  private readonly pages = new Map<string, Page>();

  of(part: PartFrame, laws: Laws): Page {
    const kind = `${part.joins} ${laws.kindsOf(part.links).join()}`;
    let page = this.pages.get(kind);
    if (page) this.pages.delete(kind);
    else {
      page = new Page();
      if (this.pages.size >= MOST_PAGES) this.pages.delete(this.pages.keys().next().value!);
    }
    this.pages.set(kind, page);
    return page;
  }
}

/**
 * A part of a network that no flow or head ties to the rest: what joins others only at fixed heads. It is solved by itself,
 * and takes up an earlier answer where everything is set as it was then, to the last bit.
 */
export class NetworkPart {
  private readonly ldl: SparseLdl;
  /** Links that let nothing through, by link of the part. */
  private readonly shut: Uint8Array;
  private readonly set: Float64Array;
  private readonly kept: Page;

  constructor(
    private readonly whole: Whole,
    readonly frame: PartFrame,
    remembers: boolean | AnswerBook,
  ) {
    const { laws } = whole;
    const { links, ends, unknown, runs, shape } = frame;
    this.shut = new Uint8Array(links.length);
    this.ldl = new SparseLdl(shape.pattern);
    this.kept = typeof remembers === 'object' ? remembers.of(frame, laws) : new Page();
    this.set = new Float64Array(remembers === false ? 0 : 2 + links.length * 5 + ends.length + unknown.length + runs.length * 3);
  }

  /** Writes down everything that the answer hangs on, and a sum of it in front. */
  private writeDown(): void {
    const { set } = this;
    const { links, ends, unknown, runs } = this.frame;
    const { laws, closed, head, demand } = this.whole;
    const { constant, linear, quadratic, powerCoefficient, runBore, runLength, runRoughness } = laws;
    let at = 0;
    set[at++] = 0;
    set[at++] = laws.viscosity;
    for (let k = 0; k < ends.length; k++) set[at++] = head[ends[k]];
    for (let k = 0; k < unknown.length; k++) set[at++] = demand[unknown[k]];
    for (let k = 0; k < links.length; k++) set[at++] = closed[links[k]];
    for (let k = 0; k < links.length; k++) {
      const l = links[k];
      set[at++] = constant[l];
      set[at++] = linear[l];
      set[at++] = quadratic[l];
      set[at++] = powerCoefficient[l];
    }
    for (let k = 0; k < runs.length; k++) {
      const r = runs[k];
      set[at++] = runBore[r];
      set[at++] = runLength[r];
      set[at++] = runRoughness[r];
    }
    // Two that are alike have the same sum: most that are not show at once.
    let sum = 0;
    for (let i = 1; i < at; i++) sum += i * set[i];
    set[0] = sum;
  }

  /** Takes up an answer to what is written down, if there is one. */
  private recall(): boolean {
    const { set } = this;
    const { links, unknown } = this.frame;
    const { answers } = this.kept;
    const many = set.length;
    for (let k = answers.length - 1; k >= 0; k--) {
      const a = answers[k];
      let i = 0;
      while (i < many && a[i] === set[i]) i++;
      if (i < many) continue;
      const { laws, head } = this.whole;
      const above = this.datum();
      for (let j = 0; j < links.length; j++) laws.flow[links[j]] = a[i++];
      for (let j = 0; j < unknown.length; j++) head[unknown[j]] = above + a[i++];
      return true;
    }
    return false;
  }

  /** What kept heads are above. */
  private datum(): number {
    const { sole } = this.frame;
    return sole < 0 ? 0 : this.whole.head[sole];
  }

  private keep(): void {
    const { set } = this;
    const { links, unknown } = this.frame;
    const { laws, head } = this.whole;
    const datum = this.datum();
    const many = set.length;
    const answer = new Array<number>(many + links.length + unknown.length);
    let at = 0;
    while (at < many) answer[at] = set[at++];
    for (let k = 0; k < links.length; k++) answer[at++] = laws.flow[links[k]];
    for (let t = 0; t < unknown.length; t++) answer[at++] = head[unknown[t]] - datum;
    this.kept.add(answer);
  }

  /** Heads and flows of the part; starts from the last answer. */
  solve(): PartOutcome {
    const remembers = this.set.length > 0;
    if (remembers) {
      this.writeDown();
      if (this.recall()) return REMEMBERED;
    }
    const { ldl } = this;
    const { links, unknown } = this.frame;
    const { slotFrom, slotTo, slotPair, row, diagonal } = this.frame.shape;
    const { laws, head, demand, closed, from, to, isolated, net } = this.whole;
    const { flow, loss, slope } = laws;
    const a = ldl.values;
    const b = ldl.rightSide;
    const m = links.length;
    const u = unknown.length;
    // Nothing flows in what no open link joins to a fixed head.
    const shut = this.shut;
    for (let k = 0; k < m; k++) {
      const l = links[k];
      shut[k] = closed[l] || isolated[from[l]] || isolated[to[l]] ? 1 : 0;
      if (shut[k]) flow[l] = 0;
    }
    let worst = links[0] ?? 0;
    let worstChange = 0;
    for (let iteration = 1; iteration <= MAX_ITERATIONS; iteration++) {
      for (let i = 0; i < a.length; i++) a[i] = 0;
      // Head corrections, not heads, are solved for: what is left to solve shrinks with the error.
      for (let t = 0; t < u; t++) net[unknown[t]] = -demand[unknown[t]];
      for (let k = 0; k < m; k++) {
        const l = links[k];
        const i = from[l];
        const j = to[l];
        const q = flow[l];
        net[j] += q;
        net[i] -= q;
        if (shut[k]) continue;
        laws.evaluate(l);
        const p = 1 / slope[l];
        const step = p * (head[i] - head[j] - loss[l]);
        net[j] += step;
        net[i] -= step;
        if (slotFrom[k] >= 0) a[slotFrom[k]] += p;
        if (slotTo[k] >= 0) a[slotTo[k]] += p;
        if (slotPair[k] >= 0) a[slotPair[k]] -= p;
      }
      for (let t = 0; t < u; t++) {
        const i = unknown[t];
        if (isolated[i] || a[diagonal[t]] === 0) {
          a[diagonal[t]] += 1;
          b[row[t]] = 0;
        } else b[row[t]] = net[i];
      }
      const lost = ldl.factor();
      if (lost >= 0) return { converged: false, iterations: iteration, failure: { reason: 'cut-off', node: unknown[lost] } };
      ldl.solve();
      for (let t = 0; t < u; t++) head[unknown[t]] += b[row[t]];
      const relax = iteration > 25 ? (iteration % 3 === 0 ? 1 : 0.5) : 1;
      let change = 0;
      let total = 0;
      worstChange = 0;
      for (let k = 0; k < m; k++) {
        const l = links[k];
        if (shut[k]) continue;
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
        const massError = this.balanced();
        if (remembers) this.keep();
        return { converged: true, iterations: iteration, massError };
      }
    }
    return { converged: false, iterations: MAX_ITERATIONS, failure: { reason: 'not-converged', link: worst, flowChange: worstChange } };
  }

  /**
   * Takes out what rounding left: heads of hundreds of metres across links with hardly any loss blur the flows.
   * One more solve with the last matrix, for the imbalance alone. Gives what is left of it.
   */
  private balanced(): number {
    const error = this.massError();
    if (error < UNBALANCED) return error;
    const { ldl } = this;
    const { links, unknown } = this.frame;
    const { row } = this.frame.shape;
    const { laws, from, to, isolated, net, rowOf } = this.whole;
    const b = ldl.rightSide;
    for (let t = 0; t < unknown.length; t++) b[row[t]] = isolated[unknown[t]] ? 0 : net[unknown[t]];
    ldl.solve();
    for (let k = 0; k < links.length; k++) {
      const l = links[k];
      if (this.shut[k]) continue;
      const x = rowOf[from[l]] < 0 ? 0 : b[rowOf[from[l]]];
      const y = rowOf[to[l]] < 0 ? 0 : b[rowOf[to[l]]];
      laws.flow[l] += (x - y) / laws.slope[l];
    }
    return this.massError();
  }

  /** Largest imbalance at a junction, relative to the largest flow of the part. */
  private massError(): number {
    const { links, unknown } = this.frame;
    const { laws, demand, from, to, isolated, net } = this.whole;
    for (let t = 0; t < unknown.length; t++) net[unknown[t]] = -demand[unknown[t]];
    let scale = 1e-6;
    for (let k = 0; k < links.length; k++) {
      const l = links[k];
      const q = laws.flow[l];
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
}
