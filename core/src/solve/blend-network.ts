import type { AssumptionValues } from '../assumption/register.js';
import { GRAVITY } from '../fluid/air.js';
import { waterAt, type Water } from '../fluid/water.js';
import { type DiaphragmPump, pumpCurve, type Supplied } from '../chemistry/diaphragm-pump.js';
import { builtOhms, loadsOn, voltsOf } from '../energy/index.js';
import { type LinkSpec, Network, type NodeSpec, quadraticOfOrifice } from '../hydraulics/network/index.js';
import type { Mix, SoftPump, Sprayer } from '../rig/schema.js';
import type { Line, Rig, Tank } from '../rig/schema.js';
import { drawLevel, heavierTerms, strains } from './rig-network.js';
import type { Stock, Stocks } from './stock.js';

/** Discharge coefficient of a straight or fan tip. */
const TIP = 0.97;

/** A branch into the blend. */
export interface Branch {
  readonly line: Line;
  /** Left out for a branch straight from a spigot. */
  readonly tank: Tank | undefined;
  readonly stock: Stock;
  /** Specific gravity of what it brings: of a finished mix, that of the mix. */
  readonly gravity: number;
}

export interface BlendState {
  /** m³/s into the blend, by branch. */
  readonly flows: readonly number[];
  readonly flowM3s: number;
  /** Trade share. */
  readonly strength: number;
  readonly gravity: number;
  /** At the tip, Pa gauge. */
  readonly tipPressurePa: number;
  /** Put on by the pump, Pa. */
  readonly pumpRisePa: number;
  /** At the pump's inlet, Pa gauge. */
  readonly inletPressurePa: number;
  readonly solved: boolean;
}

/** Share of a blend that a branch gives, by volume. */
export const shareOf = (s: BlendState, branch: number): number => (s.flowM3s > 0 ? s.flows[branch] / s.flowM3s : 0);

/** What an electric pump runs on: its battery's volts, through its cable as built. */
export function suppliedOf(rig: Rig, pump: SoftPump, values: AssumptionValues): Supplied {
  const load = loadsOn(rig, values).find((l) => l.id === pump.id);
  return {
    volts: voltsOf(
      rig.batteries.find((b) => b.id === load?.batteryId),
      values,
    ),
    ...builtOhms(rig, values, pump.id),
    efficiency: values['pump-12v-efficiency'],
    freeA: values['pump-free-current'],
  };
}

/** A pump's hydraulic data. */
export function diaphragmOf(rig: Rig, pump: SoftPump, values: AssumptionValues): DiaphragmPump {
  switch (pump.kind) {
    case 'electric':
      return { kind: 'electric', openFlow: pump.openFlow, switchPressure: pump.limit, ...suppliedOf(rig, pump, values) };
    case 'engine':
      return { kind: 'engine', openFlow: pump.openFlow, reliefPressure: pump.limit };
    case 'air':
      return { kind: 'air', openFlow: pump.openFlow, airPressure: pump.limit };
  }
}

/**
 * The way of a blend as a network: branches from their tanks to where they meet, through the pump, to the tip.
 * All heads are metres of water; a denser liquid counts with its gravity in lift and in loss. Viscosity is water's.
 */
export class BlendNetwork {
  readonly branches: readonly Branch[];
  /** Strength of what each branch carries: only the mix's own stock counts. */
  readonly strengths: readonly number[];
  readonly suction: Line | undefined;
  readonly delivery: Line;
  readonly water: Water;
  readonly network: Network;
  /** Of the blend last solved: where the next solve begins. */
  private gravity = 1;
  private readonly tankNodes: readonly number[];
  private readonly branchLinks: readonly number[];
  private readonly clean: Float64Array;
  private readonly dirty: Float64Array;
  private readonly full: readonly number[];
  private readonly suctionLink: number;
  private readonly deliveryLink: number;
  private readonly tipLink: number;
  private readonly airNode: number;
  private readonly ends: { readonly into: number; readonly out: number; readonly tip: number };
  /** Lines that carry the blend, with the lengths of their hoses. */
  private readonly blended: readonly { readonly link: number; readonly start: number; readonly runs: Float64Array }[];

  constructor(
    readonly rig: Rig,
    readonly values: AssumptionValues,
    stocks: Stocks,
    readonly mix: Mix,
    readonly pump: SoftPump,
    readonly sprayer: Sprayer,
    readonly way: BlendWay,
  ) {
    this.water = waterAt(rig.brief.water);
    this.branches = way.branches.map((line) => {
      const tank = line.from.at === 'tank' ? rig.tanks.find((t) => t.id === line.from.id)! : undefined;
      return tank ? { line, tank, stock: stocks.in(tank), gravity: stocks.gravityIn(tank) } : { line, tank, stock: stocks.of(undefined), gravity: 1 };
    });
    const active = stocks.of(mix.stock).liquid.id;
    this.strengths = this.branches.map((b) => (b.stock.liquid.id === active ? b.stock.today : 0));
    this.suction = way.suction;
    this.delivery = way.delivery;
    const nodes: NodeSpec[] = [
      { id: 'mix', elevationM: mix.height },
      { id: 'in', elevationM: pump.height },
      { id: 'out', elevationM: pump.height },
      { id: 'tip', elevationM: sprayer.height },
      { id: 'air', elevationM: sprayer.height, headM: sprayer.height },
    ];
    const links: LinkSpec[] = [];
    for (const [i, b] of this.branches.entries()) {
      nodes.push({ id: `tank:${i}`, elevationM: mix.height, headM: mix.height });
      links.push({ id: `branch:${i}`, from: `tank:${i}`, to: 'mix', ...this.terms(b.line, b.gravity, false) });
    }
    links.push(
      this.suction
        ? { id: 'suction', from: 'mix', to: 'in', ...this.terms(this.suction, 1, false) }
        : { id: 'suction', from: 'mix', to: 'in', quadratic: 1e-3 },
      { id: 'pump', from: 'in', to: 'out', oneWay: true, curve: pumpCurve(diaphragmOf(rig, pump, values), this.water.densityKgM3) },
      { id: 'delivery', from: 'out', to: 'tip', ...this.terms(this.delivery, 1, false) },
      { id: 'nozzle:tip', from: 'tip', to: 'air', oneWay: true, quadratic: this.tipQuadratic(sprayer.nozzleBore) },
    );
    this.network = new Network({ nodes, links });
    this.network.viscosity = this.water.kinematicViscosityM2S;
    this.tankNodes = this.branches.map((_, i) => this.network.node(`tank:${i}`));
    this.branchLinks = this.branches.map((_, i) => this.network.link(`branch:${i}`));
    this.suctionLink = this.network.link('suction');
    this.clean = this.network.quadratic.slice();
    this.dirty = this.network.quadratic.slice();
    for (const [i, b] of this.branches.entries()) if (strains(b.line)) this.dirty[this.branchLinks[i]] = this.terms(b.line, b.gravity, true).quadratic!;
    if (this.suction && strains(this.suction)) this.dirty[this.suctionLink] = this.terms(this.suction, 1, true).quadratic!;
    this.full = this.branches.map((b) => b.tank?.fullLevel ?? 0);
    this.deliveryLink = this.network.link('delivery');
    this.tipLink = this.network.link('nozzle:tip');
    this.airNode = this.network.node('air');
    this.ends = { into: this.network.node('in'), out: this.network.node('out'), tip: this.network.node('tip') };
    this.blended = [this.suctionLink, this.deliveryLink].map((link) => {
      const { runStart, runLength } = this.network;
      return { link, start: runStart[link], runs: runLength.slice(runStart[link], runStart[link + 1]) };
    });
  }

  private tipQuadratic(boreM: number): number {
    const area = (Math.PI / 4) * boreM ** 2;
    return quadraticOfOrifice(TIP * area * Math.sqrt(2 / this.water.densityKgM3), this.water.densityKgM3);
  }

  private terms(line: Line, gravity: number, dirty: boolean): Pick<LinkSpec, 'runs' | 'quadratic' | 'constantM' | 'oneWay'> {
    return heavierTerms(line, this.values, this.water, dirty, gravity);
  }

  /** Opens one metering valve of a branch to a share of its full coefficient. */
  setValve(branch: number, partId: string, setting: number): void {
    const b = this.branches[branch];
    const line = { ...b.line, parts: b.line.parts.map((p) => (p.id === partId && p.kind === 'valve' ? { ...p, setting } : p)) };
    const link = this.branchLinks[branch];
    this.clean[link] = this.terms(line, b.gravity, false).quadratic!;
    this.dirty[link] = strains(line) ? this.terms(line, b.gravity, true).quadratic! : this.clean[link];
  }

  /** Shuts a branch, or opens it. */
  shut(branch: number, closed: boolean): void {
    this.network.closed[this.branchLinks[branch]] = closed ? 1 : 0;
  }

  /** Another tip at the end of the hose until the returned function is called. */
  tryTip(boreM: number): () => void {
    const before = this.clean[this.tipLink];
    this.clean[this.tipLink] = this.tipQuadratic(boreM);
    this.dirty[this.tipLink] = this.clean[this.tipLink];
    return () => {
      this.clean[this.tipLink] = before;
      this.dirty[this.tipLink] = before;
    };
  }

  /** Every elbow gone from suction and delivery, to tell what they cost. */
  withoutElbows(levels?: readonly number[], strengths?: readonly number[]): { readonly count: number; readonly flowM3s: number } {
    let count = 0;
    const strip = (line: Line): Line => ({
      ...line,
      parts: line.parts.filter((p) => {
        const elbow = p.kind === 'fitting' && (p.is === 'elbow-90' || p.is === 'elbow-90-swept');
        if (elbow) count += p.count;
        return !elbow;
      }),
    });
    const before = this.clean.slice();
    this.branches.forEach((b, i) => (this.clean[this.branchLinks[i]] = this.terms(strip(b.line), b.gravity, false).quadratic!));
    if (this.suction) this.clean[this.suctionLink] = this.terms(strip(this.suction), 1, false).quadratic!;
    this.clean[this.deliveryLink] = this.terms(strip(this.delivery), 1, false).quadratic!;
    const { flowM3s } = this.solve(levels, false, strengths);
    this.clean.set(before);
    return { count, flowM3s };
  }

  /**
   * Flows and strength for tank levels.
   * @param levels inside levels, m, by branch; left out, every tank is full
   * @param strengths trade shares of what the branches carry; left out, {@link strengths}
   */
  solve(levels: readonly number[] = this.full, dirty = false, strengths: readonly number[] = this.strengths): BlendState {
    const { network, branches, mix, sprayer } = this;
    for (let i = 0; i < branches.length; i++) {
      const b = branches[i];
      const surface = b.tank ? b.tank.base + Math.max(levels[i], 0) : mix.height;
      network.head[this.tankNodes[i]] = mix.height + b.gravity * (surface - mix.height);
    }
    let gravity = this.gravity;
    let solved = true;
    let total = 0;
    const flows = branches.map(() => 0);
    // The blend's weight hangs on the flows, which hang a little on the weight: from the last answer one round often settles it.
    for (let round = 0; round < 3; round++) {
      network.quadratic.set(dirty ? this.dirty : this.clean);
      for (const { link, start, runs } of this.blended) {
        network.quadratic[link] *= gravity;
        for (let r = 0; r < runs.length; r++) network.runLength[start + r] = runs[r] * gravity;
      }
      network.quadratic[this.tipLink] *= gravity;
      network.head[this.airNode] = mix.height + gravity * (sprayer.height - mix.height);
      solved = network.solve().converged;
      if (!solved) {
        network.restart();
        solved = network.solve().converged;
      }
      total = 0;
      for (let i = 0; i < flows.length; i++) {
        flows[i] = Math.max(network.flow[this.branchLinks[i]], 0);
        if (flows[i] < 1e-10) flows[i] = 0;
        total += flows[i];
      }
      const next = total > 0 ? branches.reduce((s, b, i) => s + (b.gravity * flows[i]) / total, 0) : 1;
      const done = Math.abs(next - gravity) < 1e-4;
      gravity = next;
      this.gravity = next;
      if (done || branches.length === 0) break;
    }
    const rhoG = this.water.densityKgM3 * GRAVITY;
    const { head } = network;
    const { into, out, tip } = this.ends;
    const strength = total > 0 ? branches.reduce((s, _, i) => s + strengths[i] * flows[i], 0) / total : 0;
    return {
      flows,
      flowM3s: total,
      strength,
      gravity,
      tipPressurePa: Math.max(head[tip] - head[this.airNode], 0) * rhoG,
      pumpRisePa: Math.max(head[out] - head[into], 0) * rhoG,
      inletPressurePa: (head[into] - mix.height - gravity * (this.pump.height - mix.height)) * rhoG,
      solved,
    };
  }
}

/** The networks of a rig's blends, each built once. Solving leaves a network as its document has it. */
export class Blends {
  private readonly nets = new Map<string, BlendNetwork | undefined>();

  constructor(
    private readonly rig: Rig,
    private readonly values: AssumptionValues,
    private readonly stocks: Stocks,
  ) {}

  /** Of a mix; undefined when its way is not whole. */
  of(mix: Mix): BlendNetwork | undefined {
    if (!this.nets.has(mix.id)) {
      const way = wayOf(this.rig, mix);
      this.nets.set(mix.id, way && new BlendNetwork(this.rig, this.values, this.stocks, mix, way.pump, way.sprayer, way));
    }
    return this.nets.get(mix.id);
  }
}

/** Lines that make up a blend's way. */
export interface BlendWay {
  readonly branches: readonly Line[];
  readonly suction: Line | undefined;
  readonly delivery: Line;
  readonly pump: SoftPump;
  readonly sprayer: Sprayer;
}

/** The open lines of a mix, through its pump to its first sprayer; undefined when the way is not whole. */
export function wayOf(rig: Rig, mix: Mix): BlendWay | undefined {
  const open = rig.lines.filter((l) => l.role === 'chemical' && !l.closed);
  const branches = open.filter((l) => l.to.at === 'mix' && l.to.id === mix.id);
  const suction = open.find((l) => l.from.at === 'mix' && l.from.id === mix.id && l.to.at === 'soft-pump');
  const pump = rig.softPumps.find((p) => p.id === suction?.to.id);
  const delivery = pump && open.find((l) => l.from.at === 'soft-pump' && l.from.id === pump.id && l.to.at === 'sprayer');
  const sprayer = rig.sprayers.find((s) => s.id === delivery?.to.id);
  return branches.length && pump && delivery && sprayer ? { branches, suction, delivery, pump, sprayer } : undefined;
}

/** Height at which a branch takes from its tank, inside it, m. */
export const drawHeight = (b: Pick<Branch, 'line' | 'tank'>): number => (b.tank ? drawLevel(b.tank, b.line) : 0);
