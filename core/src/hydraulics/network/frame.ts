import { filled, starts } from './arrays.js';
import { LdlPattern } from './ldl.js';
import type { NetworkSpec } from './spec.js';

/** How the links of a part join its unknowns, and where that puts them in its matrix: the same for every part that is joined so. */
interface Shape {
  readonly pattern: LdlPattern;
  // By link of the part: places in the matrix; −1 for none.
  readonly slotFrom: Int32Array;
  readonly slotTo: Int32Array;
  readonly slotPair: Int32Array;
  // By unknown of the part.
  readonly row: Int32Array;
  readonly diagonal: Int32Array;
}

function shapeOf(unknowns: number, ends: readonly number[]): Shape {
  const pairs: [number, number][] = [];
  for (let e = 0; e < ends.length; e += 2) if (ends[e] >= 0 && ends[e + 1] >= 0 && ends[e] !== ends[e + 1]) pairs.push([ends[e], ends[e + 1]]);
  const pattern = new LdlPattern(unknowns, pairs);
  const slot = (a: number, b: number): number => (a < 0 || b < 0 ? -1 : pattern.slot(a, b));
  const byLink = (of: (a: number, b: number) => number): Int32Array =>
    filled(new Int32Array(ends.length / 2), ends, (_end, k) => of(ends[2 * k], ends[2 * k + 1]));
  const byUnknown = (of: (k: number) => number): Int32Array => filled(new Int32Array(unknowns), ends, (_end, k) => of(k));
  return {
    pattern,
    slotFrom: byLink((a) => slot(a, a)),
    slotTo: byLink((_a, b) => slot(b, b)),
    slotPair: byLink((a, b) => (a === b ? -1 : slot(a, b))),
    row: byUnknown((k) => pattern.row(k)),
    diagonal: byUnknown((k) => pattern.slot(k, k)),
  };
}

/** What no flow or head ties to the rest of a network: what joins others only at fixed heads. Places are those in the network. */
export interface PartFrame {
  readonly links: Int32Array;
  readonly unknown: Int32Array;
  readonly runs: Int32Array;
  /** Fixed heads that the part hangs on; none is written down where it hangs on one alone. */
  readonly ends: Int32Array;
  /** The one fixed head that all of the part hangs on, −1 where there are more or none: its heads rise with it, its flows stay. */
  readonly sole: number;
  readonly shape: Shape;
  /** How it is joined, in words: two parts that say the same are joined alike. */
  readonly joins: string;
}

/** How a network is joined: names, ends, which heads are fixed, where runs of pipe begin. */
export class Frame {
  readonly nodeAt = new Map<string, number>();
  readonly linkAt = new Map<string, number>();
  readonly from: Int32Array;
  readonly to: Int32Array;
  readonly fixed: Uint8Array;
  /** First run of each link, by link; the last entry is the count. */
  readonly runStart: Int32Array;
  readonly parts: readonly PartFrame[];
  /** Part of each link. */
  readonly partOf: Int32Array;
  /** Row of each node in the matrix of its part; −1 for a fixed head. */
  readonly rowOf: Int32Array;
  private readonly nodes: readonly string[];
  private readonly links: readonly string[];
  private readonly froms: readonly string[];
  private readonly tos: readonly string[];

  /** Throws `RangeError` for two nodes or two links of one name, and for an end that is no node. */
  constructor({ nodes, links }: NetworkSpec) {
    this.nodes = nodes.map((x) => x.id);
    this.links = links.map((x) => x.id);
    this.froms = links.map((x) => x.from);
    this.tos = links.map((x) => x.to);
    nodes.forEach(({ id }, i) => addOnce(this.nodeAt, id, i, 'node'));
    links.forEach(({ id }, l) => addOnce(this.linkAt, id, l, 'link'));
    this.from = filled(new Int32Array(links.length), links, (x) => this.node(x.from));
    this.to = filled(new Int32Array(links.length), links, (x) => this.node(x.to));
    this.fixed = filled(new Uint8Array(nodes.length), nodes, (x) => (x.headM === undefined ? 0 : 1));
    this.runStart = starts(new Int32Array(links.length + 1), links, (x) => x.runs?.length ?? 0);
    this.rowOf = new Int32Array(nodes.length).fill(-1);
    this.parts = this.parted();
    this.partOf = new Int32Array(links.length);
    this.parts.forEach((part, k) => part.links.forEach((l) => (this.partOf[l] = k)));
  }

  /** Index of a node. Throws `RangeError` for an unknown id. */
  node(id: string): number {
    return known(this.nodeAt, id, 'node');
  }

  /** Index of a link. Throws `RangeError` for an unknown id. */
  link(id: string): number {
    return known(this.linkAt, id, 'link');
  }

  /** Whether a network is joined so. */
  fits({ nodes, links }: NetworkSpec): boolean {
    if (nodes.length !== this.nodes.length || links.length !== this.links.length) return false;
    for (let i = 0; i < nodes.length; i++) {
      const x = nodes[i];
      if (x.id !== this.nodes[i] || (x.headM === undefined ? 0 : 1) !== this.fixed[i]) return false;
    }
    for (let l = 0; l < links.length; l++) {
      const x = links[l];
      if (x.id !== this.links[l] || x.from !== this.froms[l] || x.to !== this.tos[l]) return false;
      if ((x.runs?.length ?? 0) !== this.runStart[l + 1] - this.runStart[l]) return false;
    }
    return true;
  }

  /** What is joined by links whose ends are not both fixed. A link between fixed heads is a part alone. */
  private parted(): PartFrame[] {
    const { from, to, fixed } = this;
    const up = new Int32Array(fixed.length);
    for (let i = 0; i < up.length; i++) up[i] = i;
    const root = (start: number): number => {
      let i = start;
      while (up[i] !== i) i = up[i];
      return i;
    };
    for (let l = 0; l < from.length; l++) if (!fixed[from[l]] && !fixed[to[l]]) up[root(from[l])] = root(to[l]);
    const by = new Map<number, { links: number[]; unknown: number[] }>();
    const of = (key: number): { links: number[]; unknown: number[] } => {
      let p = by.get(key);
      if (!p) by.set(key, (p = { links: [], unknown: [] }));
      return p;
    };
    for (let i = 0; i < up.length; i++) if (!fixed[i]) of(root(i)).unknown.push(i);
    for (let l = 0; l < from.length; l++) of(!fixed[from[l]] ? root(from[l]) : !fixed[to[l]] ? root(to[l]) : -1 - l).links.push(l);
    return [...by.values()].map((p) => this.partWith(p.links, p.unknown));
  }

  private partWith(links: readonly number[], unknown: readonly number[]): PartFrame {
    const { from, to, fixed, runStart, rowOf } = this;
    // Places among the part's unknowns, until the matrix is ordered.
    for (let k = 0; k < unknown.length; k++) rowOf[unknown[k]] = k;
    const joins: number[] = [];
    const ends: number[] = [];
    const runs: number[] = [];
    for (const l of links) {
      joins.push(rowOf[from[l]], rowOf[to[l]]);
      if (fixed[from[l]]) ends.push(from[l]);
      if (fixed[to[l]]) ends.push(to[l]);
      for (let r = runStart[l]; r < runStart[l + 1]; r++) runs.push(r);
    }
    const sole = ends.length && ends.every((e) => e === ends[0]) ? ends[0] : -1;
    const shape = shapeOf(unknown.length, joins);
    for (let k = 0; k < unknown.length; k++) rowOf[unknown[k]] = shape.row[k];
    return {
      links: new Int32Array(links),
      unknown: new Int32Array(unknown),
      runs: new Int32Array(runs),
      ends: new Int32Array(sole < 0 ? ends : []),
      sole,
      shape,
      joins: `${sole < 0} ${joins.join()}`,
    };
  }
}

/** Frames kept: those of a rig's networks and of what is tried on it; the one last asked for in front. */
const MOST_FRAMES = 60;
const FRAMES: Frame[] = [];

/** How a network is joined, made once for all that are joined so. Throws as {@link Frame} does. */
export function frameOf(spec: NetworkSpec): Frame {
  const at = FRAMES.findIndex((f) => f.fits(spec));
  if (at === 0) return FRAMES[0];
  const frame = at > 0 ? FRAMES.splice(at, 1)[0] : new Frame(spec);
  FRAMES.unshift(frame);
  if (FRAMES.length > MOST_FRAMES) FRAMES.pop();
  return frame;
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
