import type { LinkSpec, NetworkSpec, NodeSpec } from '../hydraulics/network/spec.js';
import { quadraticOfK } from '../hydraulics/network/spec.js';
import { INP_UNITS, INP_VISCOSITY, INP_WEIGHT, type InpUnits } from './inp-units.js';

/** What could not be read, by line (1 is the first). */
export interface InpProblem {
  readonly line: number;
  readonly message: string;
}

export interface InpNetwork {
  readonly spec: NetworkSpec;
  /** m²/s. */
  readonly viscosity: number;
  /** N/m³, for pressures. */
  readonly weight: number;
  /** Diameter of pipes and valves by link, m; pumps have none. */
  readonly bores: ReadonlyMap<string, number>;
  /** Nodes that the file has; the others stand for the open air at emitters. */
  readonly nodeIds: readonly string[];
  readonly linkIds: readonly string[];
  /** Flow of emitters is carried by links of these ids, by node. */
  readonly emitterLinks: ReadonlyMap<string, string>;
}

export type ReadInp = { readonly ok: true; readonly network: InpNetwork } | { readonly ok: false; readonly problems: readonly InpProblem[] };

const KNOWN = new Set([
  'TITLE',
  'JUNCTIONS',
  'RESERVOIRS',
  'TANKS',
  'PIPES',
  'PUMPS',
  'VALVES',
  'EMITTERS',
  'CURVES',
  'PATTERNS',
  'DEMANDS',
  'STATUS',
  'OPTIONS',
  'TIMES',
  'END',
]);
/** Sections that say nothing about one hydraulic state. */
const IDLE = new Set(['REPORT', 'COORDINATES', 'VERTICES', 'LABELS', 'BACKDROP', 'TAGS', 'ENERGY', 'QUALITY', 'SOURCES', 'REACTIONS', 'MIXING']);

interface Row {
  readonly line: number;
  readonly words: readonly string[];
}

interface PumpRow {
  readonly row: Row;
  readonly curve: string;
  readonly speed: number;
}

/**
 * Reads a network in EPANET's text format (INP): junctions, reservoirs, tanks at their initial level, pipes
 * (Darcy–Weisbach, check valves, closed), pump head curves, emitters, throttle and pressure-reducing valves; flow in
 * GPM, LPM, LPS or CMH. What is not supported is named with its line. Never throws.
 */
export function readInp(text: string): ReadInp {
  return new Reader(text).read();
}

class Reader {
  private readonly problems: InpProblem[] = [];
  private readonly sections = new Map<string, Row[]>();
  /** Sections that the file has, with something in them or not. */
  private readonly heads = new Set<string>();
  private units: InpUnits = INP_UNITS['GPM'];
  private readonly nodes: NodeSpec[] = [];
  private readonly links: LinkSpec[] = [];
  private readonly bores = new Map<string, number>();
  private readonly emitterLinks = new Map<string, string>();

  constructor(text: string) {
    let section = '';
    text.split(/\r?\n/).forEach((raw, i) => {
      const line = raw.split(';')[0].trim();
      if (line === '') return;
      const head = /^\[(\w+)\]?/.exec(line);
      if (head) {
        section = head[1].toUpperCase();
        section = [...KNOWN, ...IDLE].find((k) => k.startsWith(section) || section.startsWith(k)) ?? section;
        this.heads.add(section);
        if (!KNOWN.has(section) && !IDLE.has(section)) this.say(i + 1, `[${section}] is not supported.`);
        return;
      }
      if (section === '') return this.say(i + 1, 'Text before the first [SECTION].');
      const rows = this.sections.get(section) ?? [];
      rows.push({ line: i + 1, words: line.split(/\s+/) });
      this.sections.set(section, rows);
    });
  }

  private say(line: number, message: string): void {
    this.problems.push({ line, message });
  }
  private rows(section: string): readonly Row[] {
    return this.sections.get(section) ?? [];
  }

  /** A number of a row; missing ones take the fallback, unreadable ones are told. */
  private number(row: Row, at: number, what: string, fallback?: number): number {
    const word = row.words[at];
    if (word === undefined || word === '*') {
      if (fallback !== undefined) return fallback;
      this.say(row.line, `${what} is missing.`);
      return 0;
    }
    const value = Number(word);
    if (!Number.isFinite(value)) {
      this.say(row.line, `${what} must be a number, not "${word}".`);
      return fallback ?? 0;
    }
    return value;
  }
  private positive(row: Row, at: number, what: string): number {
    const value = this.number(row, at, what);
    if (!(value > 0)) this.say(row.line, `${what} must be above zero.`);
    return Math.max(value, 1e-9);
  }

  read(): ReadInp {
    const options = this.options();
    this.readNodes(options.multiplier);
    this.readLinks();
    this.readEmitters(options.exponent);
    this.checkEnds();
    // A network of nothing, as it is written of a rig with nothing on it, is one: there is nothing to be solved.
    if (this.nodes.length === 0) {
      if (!this.heads.has('JUNCTIONS')) this.say(1, 'The file holds no nodes.');
    } else if (!this.nodes.some((n) => n.headM !== undefined && !n.id.startsWith('\u0000')))
      this.say(1, 'The file holds no reservoir or tank: there is nothing to give the water its head.');
    if (this.problems.length) return { ok: false, problems: this.problems.sort((a, b) => a.line - b.line) };
    return {
      ok: true,
      network: {
        spec: { nodes: this.nodes, links: this.links },
        viscosity: options.viscosity * INP_VISCOSITY,
        weight: options.gravity * INP_WEIGHT,
        bores: this.bores,
        nodeIds: this.nodes.map((n) => n.id).filter((id) => !id.startsWith('\u0000')),
        linkIds: this.links.map((l) => l.id).filter((id) => !id.startsWith('\u0000')),
        emitterLinks: this.emitterLinks,
      },
    };
  }

  private options(): { viscosity: number; gravity: number; multiplier: number; exponent: number } {
    let viscosity = 1;
    let gravity = 1;
    let multiplier = 1;
    let exponent = 0.5;
    let friction = 'H-W';
    let frictionLine = 1;
    for (const row of this.rows('OPTIONS')) {
      const words = row.words.map((w) => w.toUpperCase());
      const [key] = words;
      if (key === 'UNITS') {
        const units = Object.hasOwn(INP_UNITS, words[1] ?? '') ? INP_UNITS[words[1]] : undefined;
        if (units) this.units = units;
        else this.say(row.line, `Flow units ${row.words[1] ?? '(none)'} are not supported: ${Object.keys(INP_UNITS).join(', ')} are.`);
      } else if (key === 'HEADLOSS') {
        friction = words[1] ?? '';
        frictionLine = row.line;
      } else if (key === 'VISCOSITY') viscosity = this.positive(row, 1, 'Viscosity');
      else if (key === 'SPECIFIC') gravity = this.positive(row, 2, 'Specific gravity');
      else if (key === 'DEMAND' && words[1] === 'MULTIPLIER') multiplier = this.number(row, 2, 'Demand multiplier');
      else if (key === 'DEMAND' && words[1] === 'MODEL' && words[2] !== 'DDA') this.say(row.line, `Demand model ${row.words[2]} is not supported.`);
      else if (key === 'EMITTER' && words[1] === 'EXPONENT') exponent = this.positive(row, 2, 'Emitter exponent');
    }
    if (friction !== 'D-W' && this.rows('PIPES').length) this.say(frictionLine, `Head loss formula ${friction} is not supported: D-W is.`);
    return { viscosity, gravity, multiplier, exponent };
  }

  private patternStart(id: string | undefined): number {
    if (id === undefined) return 1;
    const row = this.rows('PATTERNS').find((r) => r.words[0] === id);
    return row ? this.number(row, 1, 'Pattern multiplier', 1) : 1;
  }

  private readNodes(multiplier: number): void {
    const { length, flow } = this.units;
    const own = new Map<string, number>();
    for (const row of this.rows('DEMANDS')) {
      const id = row.words[0];
      own.set(id, (own.get(id) ?? 0) + this.number(row, 1, 'Demand') * this.patternStart(row.words[2]));
    }
    for (const row of this.rows('JUNCTIONS')) {
      const [id, , , pattern] = row.words;
      const base = own.get(id) ?? this.number(row, 2, 'Demand', 0) * this.patternStart(pattern);
      this.addNode(row, { id, elevationM: this.number(row, 1, 'Elevation', 0) * length, demandM3s: base * multiplier * flow });
    }
    for (const row of this.rows('RESERVOIRS')) {
      const head = this.number(row, 1, 'Head') * this.patternStart(row.words[2]) * length;
      this.addNode(row, { id: row.words[0], elevationM: head, headM: head });
    }
    for (const row of this.rows('TANKS')) {
      const elevation = this.number(row, 1, 'Elevation') * length;
      this.addNode(row, { id: row.words[0], elevationM: elevation, headM: elevation + this.number(row, 2, 'Initial level', 0) * length });
    }
  }
  private addNode(row: Row, node: NodeSpec): void {
    if (this.nodes.some((n) => n.id === node.id)) this.say(row.line, `Node ${node.id} is there twice.`);
    else this.nodes.push(node);
  }
  private addLink(row: Row, link: LinkSpec): void {
    if (this.links.some((l) => l.id === link.id)) this.say(row.line, `Link ${link.id} is there twice.`);
    else this.links.push(link);
  }

  private readLinks(): void {
    const { length, diameter, roughness } = this.units;
    const status = new Map(this.rows('STATUS').map((r) => [r.words[0], r]));
    const isClosed = (id: string): boolean => status.get(id)?.words[1]?.toUpperCase() === 'CLOSED';
    for (const row of this.rows('PIPES')) {
      const [id, from, to] = row.words;
      const bore = this.positive(row, 4, 'Diameter') * diameter;
      const state = (row.words[7] ?? row.words[6])?.toUpperCase();
      const named = state === 'CV' || state === 'CLOSED' || state === 'OPEN' ? state : 'OPEN';
      const minor = row.words[6] !== undefined && /^[-\d.]/.test(row.words[6]) ? this.number(row, 6, 'Minor loss', 0) : 0;
      const rough = this.number(row, 5, 'Roughness') * roughness;
      if (!(rough >= 0)) this.say(row.line, 'Roughness must not be below zero.');
      this.bores.set(id, bore);
      this.addLink(row, {
        id,
        from,
        to,
        runs: [{ lengthM: this.positive(row, 3, 'Length') * length, boreM: bore, roughnessM: rough }],
        quadratic: quadraticOfK(minor, bore),
        oneWay: named === 'CV',
        closed: named === 'CLOSED' || isClosed(id),
      });
    }
    for (const pump of this.pumps()) this.addPump(pump, status.get(pump.row.words[0]));
    for (const row of this.rows('VALVES')) {
      const [id, from, to, , type] = row.words;
      const bore = this.positive(row, 3, 'Diameter') * diameter;
      const setting = this.number(row, 5, 'Setting', 0);
      const minor = quadraticOfK(this.number(row, 6, 'Minor loss', 0), bore);
      this.bores.set(id, bore);
      const fixed = status.get(id)?.words[1]?.toUpperCase();
      const closed = fixed === 'CLOSED';
      const kind = type?.toUpperCase();
      if (kind === 'TCV') this.addLink(row, { id, from, to, quadratic: Math.max(fixed === 'OPEN' ? minor : quadraticOfK(setting, bore), 1e-3), closed });
      else if (kind === 'PRV') {
        const down = this.nodes.find((n) => n.id === to);
        if (fixed === 'OPEN') this.addLink(row, { id, from, to, quadratic: Math.max(minor, 1e-3) });
        else
          this.addLink(row, {
            id,
            from,
            to,
            quadratic: Math.max(minor, 1e-3),
            reducesToHeadM: (down?.elevationM ?? 0) + setting * this.units.pressureHead,
            closed,
          });
      } else this.say(row.line, `Valve type ${type ?? '(none)'} is not supported: TCV and PRV are.`);
    }
  }

  private pumps(): PumpRow[] {
    return this.rows('PUMPS').flatMap((row): PumpRow[] => {
      let curve: string | undefined;
      let speed = 1;
      for (let i = 3; i < row.words.length; i += 2) {
        const key = row.words[i].toUpperCase();
        if (key === 'HEAD') curve = row.words[i + 1];
        else if (key === 'SPEED') speed = this.number(row, i + 1, 'Speed');
        else this.say(row.line, `Pump property ${row.words[i]} is not supported: HEAD and SPEED are.`);
      }
      if (curve === undefined) {
        this.say(row.line, `Pump ${row.words[0]} has no head curve.`);
        return [];
      }
      return [{ row, curve, speed }];
    });
  }

  private addPump({ row, curve, speed }: PumpRow, status: Row | undefined): void {
    const [id, from, to] = row.words;
    const { flow, length } = this.units;
    const set = status?.words[1]?.toUpperCase();
    const factor = set !== undefined && set !== 'OPEN' && set !== 'CLOSED' ? this.number(status!, 1, 'Speed') : speed;
    const points = this.rows('CURVES')
      .filter((r) => r.words[0] === curve)
      .map((r) => ({
        flowM3s: this.number(r, 1, 'Flow of the curve') * flow * factor,
        headM: this.number(r, 2, 'Head of the curve') * length * factor * factor,
      }));
    if (points.length === 0) return this.say(row.line, `Pump ${id} names a curve "${curve}" that is not there.`);
    const base = { id, from, to, oneWay: true, closed: set === 'CLOSED' || factor === 0 };
    if (points.length === 1) {
      const [p] = points;
      if (!(p.flowM3s > 0 && p.headM > 0)) return this.say(row.line, `The curve of pump ${id} needs a flow and a head above zero.`);
      return this.addLink(row, { ...base, constantM: (-4 / 3) * p.headM, power: { coefficient: p.headM / 3 / p.flowM3s ** 2, exponent: 2 } });
    }
    if (points.some((p, i) => i > 0 && (p.flowM3s <= points[i - 1].flowM3s || p.headM >= points[i - 1].headM)))
      return this.say(row.line, `The curve of pump ${id} must rise in flow and fall in head.`);
    if (points.length === 3 && points[0].flowM3s === 0) {
      const [p0, p1, p2] = points;
      const exponent = Math.log((p0.headM - p2.headM) / (p0.headM - p1.headM)) / Math.log(p2.flowM3s / p1.flowM3s);
      return this.addLink(row, { ...base, constantM: -p0.headM, power: { coefficient: (p0.headM - p1.headM) / p1.flowM3s ** exponent, exponent } });
    }
    this.addLink(row, { ...base, curve: points });
  }

  /** An emitter is a link from its junction to the open air at the junction's height. Flow may come back in, as in the format's engine. */
  private readEmitters(exponent: number): void {
    for (const row of this.rows('EMITTERS')) {
      const [id] = row.words;
      const node = this.nodes.find((n) => n.id === id);
      if (!node || node.headM !== undefined) {
        this.say(row.line, `Emitter at ${id}: there is no such junction.`);
        continue;
      }
      const given = this.number(row, 1, 'Emitter coefficient');
      if (given === 0) continue;
      // Q = C p^n in the file's units, p = h / pressureHead.
      const perHead = given * this.units.flow * this.units.pressureHead ** -exponent;
      const link = `\u0000emitter ${id}`;
      this.nodes.push({ id: `\u0000air ${id}`, elevationM: node.elevationM, headM: node.elevationM });
      this.links.push({ id: link, from: id, to: `\u0000air ${id}`, power: { coefficient: perHead ** (-1 / exponent), exponent: 1 / exponent } });
      this.emitterLinks.set(id, link);
    }
  }

  private checkEnds(): void {
    const ids = new Set(this.nodes.map((n) => n.id));
    for (const section of ['PIPES', 'PUMPS', 'VALVES'])
      for (const row of this.rows(section)) {
        for (const end of [row.words[1], row.words[2]])
          if (!ids.has(end)) this.say(row.line, `Link ${row.words[0]} leads to node "${end ?? ''}", which is not there.`);
        if (row.words[1] === row.words[2]) this.say(row.line, `Link ${row.words[0]} begins and ends at the same node.`);
      }
  }
}
