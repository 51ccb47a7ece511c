import { GRAVITY } from '../fluid/air.js';
import { coilFactor, velocity } from '../hydraulics/friction.js';
import type { Network } from '../hydraulics/network/network.js';
import type { LinkSpec } from '../hydraulics/network/spec.js';
import { INP_UNITS, INP_VISCOSITY } from './inp-units.js';

const U = INP_UNITS['LPM'];
/** Bore on which losses without a hose are written as minor losses, m. */
const PLAIN_BORE = 0.0254;

const number = (x: number): string => (Object.is(x, -0) ? '0' : Number(x.toPrecision(12)).toString());

/** Names without blanks or marks that the format reads as its own. */
const safe = (id: string): string => id.replace(/[^A-Za-z0-9_.-]+/g, '_').slice(0, 31);

/**
 * Writes a solved network in EPANET's text format (INP), LPM and Darcy–Weisbach, so that anyone can check it.
 * What the format has no word for is written as what it comes to in this solve: storage as fixed heads, coiled hose as a
 * longer one, pressure lost at opening and relief valves that pass water as minor losses; relief valves at
 * rest are left out, since a shut pipe leaks in the format's engine under the pressures of a washer.
 */
export function writeInp(network: Network, title: string): string {
  return new Writer(network).write(title);
}

class Writer {
  private readonly junctions: string[] = [];
  private readonly reservoirs: string[] = [];
  private readonly pipes: string[] = [];
  private readonly pumps: string[] = [];
  private readonly curves: string[] = [];
  private readonly emitters: string[] = [];
  private readonly names = new Map<string, string>();

  constructor(private readonly network: Network) {}

  private name(id: string): string {
    const known = this.names.get(id);
    if (known) return known;
    const taken = new Set(this.names.values());
    let name = safe(id);
    for (let i = 2; taken.has(name); i++) name = `${safe(id).slice(0, 27)}_${i}`;
    this.names.set(id, name);
    return name;
  }

  write(title: string): string {
    const { spec, head, demand } = this.network;
    const air = new Set<string>();
    const held = new Map<string, number>();
    // An emitter's pressure counts from its junction: that stands where the jet meets the air.
    const level = new Map<string, number>();
    for (const l of spec.links) {
      if (this.isNozzle(l)) {
        air.add(l.to);
        level.set(l.from, head[this.network.node(l.to)]);
      }
      // A tank's store and its surface are one fixed head.
      if (l.id.startsWith('store:')) {
        held.set(l.to, head[this.network.node(l.to)]);
        air.add(l.from);
      }
    }
    spec.nodes.forEach((n, i) => {
      if (air.has(n.id)) return;
      const fixed = held.get(n.id) ?? (n.headM === undefined ? undefined : head[i]);
      if (fixed !== undefined) this.reservoirs.push(`${this.name(n.id)}\t${number(fixed)}`);
      else this.junctions.push(`${this.name(n.id)}\t${number(level.get(n.id) ?? n.elevationM)}\t${number(demand[i] / U.flow)}`);
    });
    spec.links.forEach((l, i) => this.link(l, i, air));
    return [
      `[TITLE]\n${title.replace(/[\r\n[\]]+/g, ' ')}`,
      section('JUNCTIONS', this.junctions),
      section('RESERVOIRS', this.reservoirs),
      section('PIPES', this.pipes),
      section('PUMPS', this.pumps),
      section('EMITTERS', this.emitters),
      section('CURVES', this.curves),
      `[OPTIONS]\nUNITS\tLPM\nHEADLOSS\tD-W\nVISCOSITY\t${number(this.network.viscosity / INP_VISCOSITY)}\nACCURACY\t0.0000001\nTRIALS\t500\nUNBALANCED\tCONTINUE 20`,
      '[END]\n',
    ].join('\n\n');
  }

  private isNozzle(l: LinkSpec): boolean {
    return l.id.startsWith('nozzle:');
  }

  private link(l: LinkSpec, i: number, air: ReadonlySet<string>): void {
    const { network } = this;
    if (l.id.startsWith('store:')) return;
    if (this.isNozzle(l)) {
      // h = k Q²: Q = √(h/k); in the format Q[LPM] = C √h[m].
      if (!network.closed[i]) this.emitters.push(`${this.name(l.from)}\t${number(1 / Math.sqrt(network.quadratic[i]) / U.flow)}`);
      return;
    }
    if (air.has(l.from) || air.has(l.to)) return;
    if (network.constant[i] < 0 || l.curve) return this.pump(l, i);
    const flow = network.flow[i];
    const opening = Math.abs(flow) > 1e-9 ? network.constant[i] / (flow * flow) : 0;
    if (l.id.startsWith('unloader:')) return this.unloader(l, i, flow);
    const status = network.closed[i] ? 'CLOSED' : l.oneWay ? 'CV' : 'OPEN';
    const runs = l.runs ?? [];
    const quadratic = network.quadratic[i] + opening;
    if (runs.length === 0) return this.pipe(this.name(l.id), l.from, l.to, 1e-3, PLAIN_BORE, 0.0015e-3, kOf(quadratic, PLAIN_BORE), status);
    let from = l.from;
    runs.forEach((run, r) => {
      const last = r === runs.length - 1;
      const to = last ? l.to : this.between(l.id, r, from);
      const reynolds = (Math.abs(velocity(flow, run.boreM)) * run.boreM) / network.viscosity;
      const straight = network.runLength[network.runStart[i] + r];
      const length = straight + Math.min(run.coiledLengthM ?? 0, straight) * (coilFactor(reynolds, run.boreM, run.coilDiameterM ?? 0) - 1);
      this.pipe(
        this.name(r === 0 ? l.id : `${l.id}_${r + 1}`),
        from,
        to,
        length,
        run.boreM,
        run.roughnessM,
        last ? kOf(quadratic, run.boreM) : 0,
        r === 0 ? status : 'OPEN',
      );
      from = to;
    });
  }

  private between(id: string, r: number, near: string): string {
    const name = `${id}~${r + 1}`;
    const node = this.network.spec.nodes.find((n) => n.id === near);
    this.junctions.push(`${this.name(name)}\t${number(node?.elevationM ?? 0)}\t0`);
    return name;
  }

  private pipe(name: string, from: string, to: string, lengthM: number, boreM: number, roughnessM: number, k: number, status: string): void {
    this.pipes.push(
      [name, this.name(from), this.name(to), number(lengthM), number(boreM / U.diameter), number(roughnessM / U.roughness), number(k), status].join('\t'),
    );
  }

  private pump(l: LinkSpec, i: number): void {
    const { network } = this;
    const name = this.name(l.id);
    this.pumps.push(`${name}\t${this.name(l.from)}\t${this.name(l.to)}\tHEAD ${name}`);
    if (l.curve) {
      for (const p of l.curve) if (p.headM >= 0) this.curves.push(`${name}\t${number(p.flowM3s / U.flow)}\t${number(p.headM)}`);
      return;
    }
    const shutoff = -network.constant[i];
    const open = Math.sqrt(shutoff / network.quadratic[i]);
    for (const share of [0, 0.5, 0.9]) this.curves.push(`${name}\t${number((open * share) / U.flow)}\t${number(shutoff * (1 - share * share))}`);
  }

  /** The format's valves hold a pressure by turning, this one by letting go: written as the loss it is in this solve. */
  private unloader(l: LinkSpec, i: number, flow: number): void {
    if (flow > 1e-9) this.pipe(this.name(l.id), l.from, l.to, 1e-3, PLAIN_BORE, 0.0015e-3, kOf(this.network.headLoss(i) / (flow * flow), PLAIN_BORE), 'OPEN');
  }
}

/** Minor loss coefficient on a bore of a quadratic loss, s²/m⁵. */
function kOf(quadratic: number, boreM: number): number {
  const area = (Math.PI / 4) * boreM * boreM;
  return quadratic * 2 * GRAVITY * area * area;
}

const section = (name: string, rows: readonly string[]): string => `[${name}]${rows.length ? `\n${rows.join('\n')}` : ''}`;
