import type { AssumptionValues } from '../assumption/register.js';
import { localLoss, runOf } from '../catalogue/part-loss.js';
import { GRAVITY } from '../fluid/air.js';
import { type Water, waterAt } from '../fluid/water.js';
import { type AnswerBook, type LinkSpec, Network, type NetworkSpec, type NodeSpec, quadraticOfOrifice } from '../hydraulics/network/index.js';
import { nozzleCoefficient } from '../hydraulics/nozzle.js';
import { runHeadLoss } from '../hydraulics/friction.js';
import { drowned, surfaceAt } from '../rig/tank-shape.js';
import type { Booster, End, Line, LineRole, Machine, Outlet, Part, Rig, Tank } from '../rig/schema.js';
import { bucketFlow, type SpigotCurve, spigotCurve } from './spigot-curve.js';

/** Names that are kept: those of some hundred large rigs. */
const MOST_NAMES = 5000;

/** A name made of a thing's id, the very same text each time: networks are told apart by their names. */
function named(before: string, after = ''): (id: string) => string {
  const known = new Map<string, string>();
  return (id) => {
    let name = known.get(id);
    if (name === undefined) {
      if (known.size >= MOST_NAMES) known.clear();
      known.set(id, (name = `${before}${id}${after}`));
    }
    return name;
  };
}

/** Names of the network's nodes and links, by the thing on the rig. */
export const nodeIds = {
  spigot: named('spigot:'),
  tap: named('tap:'),
  tank: named('tank:'),
  store: named('store:'),
  manifold: named('manifold:'),
  boosterIn: named('booster:', ':in'),
  boosterOut: named('booster:', ':out'),
  machineIn: named('machine:', ':in'),
  machineOut: named('machine:', ':out'),
  machineReturn: named('machine:', ':return'),
  outlet: named('outlet:'),
  lineEnd: named('end:'),
  air: named('air:'),
} as const;
/** Places of things that have a head. */
export type NodeKind = keyof typeof nodeIds;

export const linkIds = {
  line: named('line:'),
  tap: named('tap:'),
  store: named('store:'),
  booster: named('booster:'),
  unloader: named('unloader:'),
  loop: named('loop:'),
  nozzle: named('nozzle:'),
} as const;

/** Height above the deck of a tank line's bulkhead: as given, or the tank's bottom. */
export function bulkheadHeight(tank: Tank, end: End): number {
  return end.height ?? tank.base;
}

/** Inside height at which a line takes from a tank, m. */
export const drawLevel = (tank: Tank, line: Line): number => Math.max(bulkheadHeight(tank, line.from) - tank.base, 0);

const find = <T extends { id: string }>(list: readonly T[], id: string | undefined): T => list.find((x) => x.id === id)!;

/** Which kind of node a line's end is, for this role. */
function endNode(role: LineRole, end: End, side: 'from' | 'to', lineId: string): string {
  const id = end.id ?? '';
  switch (end.at) {
    case 'spigot':
      return nodeIds.tap(id);
    case 'tank':
      return role === 'fill' || role === 'bypass' ? nodeIds.lineEnd(lineId) : nodeIds.tank(id);
    case 'manifold':
      return nodeIds.manifold(id);
    case 'booster':
      return side === 'to' ? nodeIds.boosterIn(id) : nodeIds.boosterOut(id);
    case 'machine':
      if (side === 'to') return nodeIds.machineIn(id);
      return role === 'bypass' ? nodeIds.machineReturn(id) : nodeIds.machineOut(id);
    case 'outlet':
      return nodeIds.outlet(id);
    case 'open':
      return nodeIds.lineEnd(lineId);
    case 'mix':
    case 'soft-pump':
    case 'sprayer':
      throw new RangeError(`Line "${lineId}" is on the chemical side, which has a network of its own.`);
  }
}

/** Lines that are part of the water's network: drains are solved by themselves, the chemical side in its own network. */
const isWater = (line: Line): boolean => line.role !== 'dump' && line.role !== 'chemical';

/** Sum of a line's local losses, as link terms. */
export function lineTerms(line: Line, values: AssumptionValues, water: Water, dirty: boolean): Pick<LinkSpec, 'runs' | 'quadratic' | 'constantM' | 'oneWay'> {
  let quadratic = 0;
  let openingPa = 0;
  let oneWay = false;
  const runs = [];
  for (const part of line.parts) {
    if (part.kind === 'hose') {
      runs.push(runOf(part, values));
      continue;
    }
    const local = localLoss(part, dirty);
    quadratic += local.quadratic;
    openingPa += local.openingLossPa;
    oneWay ||= local.oneWay;
  }
  return { runs, quadratic: Math.max(quadratic, 1e-3), constantM: openingPa / (water.densityKgM3 * GRAVITY), oneWay: oneWay || openingPa > 0 };
}

/** Terms of a line that carries a liquid of another gravity, in metres of water. */
export function heavierTerms(line: Line, values: AssumptionValues, water: Water, dirty: boolean, gravity: number): ReturnType<typeof lineTerms> {
  const t = lineTerms(line, values, water, dirty);
  return { ...t, runs: t.runs!.map((r) => ({ ...r, lengthM: r.lengthM * gravity })), quadratic: t.quadratic! * gravity };
}

/** Whether dirt bears on a line: it has a strainer. */
export const strains = (line: Line): boolean => line.parts.some((p) => p.kind === 'strainer');

/** Least share of a spigot's flow that is solved for. */
const LEAST_SPIGOT = 1e-3;
/** Share of tanks' surfaces and long time used to let tied tanks fall together, s. */
const TOGETHER = 6 * 3600;

/**
 * A rig as a network, compiled once and solved for many operating cases: tank levels, strainers, water, spigots, guns.
 */
export class RigNetwork {
  readonly network: Network;
  readonly lineLink: ReadonlyMap<string, number>;
  readonly tieGroupOf: ReadonlyMap<string, number>;
  /** Links by the outlet or machine they belong to. */
  readonly nozzleOf: ReadonlyMap<string, number>;
  readonly unloaderOf: ReadonlyMap<string, number>;
  readonly curves: ReadonlyMap<string, SpigotCurve>;
  water: Water;
  /** Head of a pascal of the usual water, m. */
  private readonly perPa: number;
  // Places in the network, looked up once: cases are set many times.
  private readonly nozzleLinks: readonly number[];
  private readonly unloaderLinks: readonly number[];
  private readonly machineNodes: readonly { readonly into: number; readonly out: number }[];
  /** −1 for a tank that is tied to none. */
  private readonly storeLinks: readonly number[];
  private readonly storeNodes: readonly number[];
  private readonly spigots: readonly { readonly node: number; readonly tap: number; readonly heightM: number; readonly curve: SpigotCurve }[];
  private readonly lineEnds: readonly { readonly node: number; readonly tank: number; readonly port: number }[];
  private readonly cleanQuadratic: Float64Array;
  private readonly dirtyQuadratic: Float64Array;
  /** Nodes that were asked for. */
  private readonly places = new Map<NodeKind, Map<string, number>>();
  private readonly unfed = new Set<string>();

  constructor(
    readonly rig: Rig,
    readonly values: AssumptionValues,
    book?: AnswerBook,
  ) {
    this.water = waterAt(rig.brief.water);
    this.perPa = 1 / (this.water.densityKgM3 * GRAVITY);
    this.curves = new Map(
      rig.spigots.map((s) => {
        const hose = rig.lines.find((l) => l.role === 'fill' && l.from.at === 'spigot' && l.from.id === s.id);
        return [s.id, spigotCurve(s, (q) => (hose ? this.lineHoseLoss(hose, q) : 0))];
      }),
    );
    this.tieGroupOf = tieGroups(rig);
    this.network = new Network(this.specification(), book ?? true);
    const { network, tieGroupOf } = this;
    this.lineLink = new Map(rig.lines.filter(isWater).map((l) => [l.id, network.link(linkIds.line(l.id))]));
    this.nozzleLinks = rig.outlets.map((o) => network.link(linkIds.nozzle(o.id)));
    this.unloaderLinks = rig.machines.map((m) => network.link(linkIds.unloader(m.id)));
    this.nozzleOf = new Map(rig.outlets.map((o, i) => [o.id, this.nozzleLinks[i]]));
    this.unloaderOf = new Map(rig.machines.map((m, i) => [m.id, this.unloaderLinks[i]]));
    this.machineNodes = rig.machines.map((m) => ({ into: this.nodeAt('machineIn', m.id), out: this.nodeAt('machineOut', m.id) }));
    this.storeLinks = rig.tanks.map((t) => (tieGroupOf.has(t.id) ? network.link(linkIds.store(t.id)) : -1));
    this.storeNodes = rig.tanks.map((t) => this.nodeAt(tieGroupOf.has(t.id) ? 'store' : 'tank', t.id));
    this.spigots = rig.spigots.map((s) => ({
      node: this.nodeAt('spigot', s.id),
      tap: network.link(linkIds.tap(s.id)),
      heightM: s.height,
      curve: this.curves.get(s.id)!,
    }));
    this.lineEnds = rig.lines
      .filter((l) => (l.role === 'fill' || l.role === 'bypass') && l.to.at === 'tank')
      .map((l) => {
        const tank = find(rig.tanks, l.to.id);
        return { node: this.nodeAt('lineEnd', l.id), tank: rig.tanks.indexOf(tank), port: l.to.height ?? tank.base + tank.fullLevel };
      });
    this.cleanQuadratic = this.network.quadratic.slice();
    this.dirtyQuadratic = this.network.quadratic.slice();
    for (const line of rig.lines) {
      const link = this.lineLink.get(line.id);
      if (link !== undefined && strains(line)) this.dirtyQuadratic[link] = lineTerms(line, values, this.water, true).quadratic!;
    }
  }

  /** Pressure lost in the hoses of a fill line at a flow, Pa: what lies between spigot and hose end. */
  private lineHoseLoss(line: Line, flowM3s: number): number {
    const nu = this.water.kinematicViscosityM2S;
    let head = 0;
    for (const part of line.parts) if (part.kind === 'hose') head += runHeadLoss(runOf(part, this.values), flowM3s, nu);
    return head * this.water.densityKgM3 * GRAVITY;
  }

  private specification(): NetworkSpec {
    const { rig, values, water, perPa: head } = this;
    const nodes: NodeSpec[] = [];
    const links: LinkSpec[] = [];
    for (const s of rig.spigots) {
      const curve = this.curves.get(s.id)!;
      nodes.push(
        { id: nodeIds.spigot(s.id), elevationM: s.height, headM: s.height + curve.staticPressurePa * head },
        { id: nodeIds.tap(s.id), elevationM: s.height },
      );
      links.push({ id: linkIds.tap(s.id), from: nodeIds.spigot(s.id), to: nodeIds.tap(s.id), quadratic: Math.max(curve.k * head, 1e-3), oneWay: true });
    }
    for (const t of rig.tanks) {
      const full = t.base + t.fullLevel;
      if (!this.tieGroupOf.has(t.id)) {
        nodes.push({ id: nodeIds.tank(t.id), elevationM: t.base, headM: full });
        continue;
      }
      nodes.push({ id: nodeIds.store(t.id), elevationM: t.base, headM: full }, { id: nodeIds.tank(t.id), elevationM: t.base });
      links.push({ id: linkIds.store(t.id), from: nodeIds.store(t.id), to: nodeIds.tank(t.id), linear: 0 });
    }
    for (const m of rig.manifolds) nodes.push({ id: nodeIds.manifold(m.id), elevationM: m.height });
    for (const b of rig.boosters) {
      nodes.push({ id: nodeIds.boosterIn(b.id), elevationM: b.height }, { id: nodeIds.boosterOut(b.id), elevationM: b.height });
      const shutoff = b.shutoffPressure * head;
      links.push({
        id: linkIds.booster(b.id),
        from: nodeIds.boosterIn(b.id),
        to: nodeIds.boosterOut(b.id),
        ...(b.running ? { constantM: -shutoff, quadratic: shutoff / b.openFlow ** 2, oneWay: true } : { quadratic: 1e-3 }),
      });
    }
    for (const m of rig.machines) {
      nodes.push(
        { id: nodeIds.machineIn(m.id), elevationM: m.inletHeight, demandM3s: m.flow },
        { id: nodeIds.machineOut(m.id), elevationM: m.inletHeight, demandM3s: -m.flow },
        { id: nodeIds.machineReturn(m.id), elevationM: m.inletHeight },
      );
      links.push({
        id: linkIds.unloader(m.id),
        from: nodeIds.machineOut(m.id),
        to: nodeIds.machineReturn(m.id),
        constantM: m.unloader.setting * head,
        quadratic: 1e-3,
        oneWay: true,
      });
      if (!rig.lines.some((l) => l.role === 'bypass' && l.from.id === m.id && !l.closed)) {
        nodes.push({ id: nodeIds.air(m.id), elevationM: m.inletHeight, headM: m.inletHeight });
        links.push({ id: linkIds.loop(m.id), from: nodeIds.machineReturn(m.id), to: nodeIds.air(m.id), quadratic: 1e-3 });
      }
    }
    for (const o of rig.outlets) {
      nodes.push({ id: nodeIds.outlet(o.id), elevationM: o.height }, { id: nodeIds.air(o.id), elevationM: o.height, headM: o.height });
      links.push({
        id: linkIds.nozzle(o.id),
        from: nodeIds.outlet(o.id),
        to: nodeIds.air(o.id),
        quadratic: nozzleQuadratic(o, water),
        oneWay: true,
        closed: !o.open,
      });
    }
    for (const line of rig.lines) {
      if (!isWater(line)) continue;
      const from = endNode(line.role, line.from, 'from', line.id);
      const to = endNode(line.role, line.to, 'to', line.id);
      if (to === nodeIds.lineEnd(line.id)) {
        const tank = rig.tanks.find((t) => line.to.at === 'tank' && t.id === line.to.id);
        const height = line.to.height ?? (tank ? tank.base + tank.fullLevel : 0);
        nodes.push({ id: to, elevationM: height, headM: height });
      }
      const terms = lineTerms(line, values, water, false);
      // Into an open end, and back through an inlet above the water, comes air, never water.
      const into = line.role === 'fill' && line.to.at === 'tank' ? rig.tanks.find((t) => t.id === line.to.id) : undefined;
      const airs = line.to.at === 'open' || (line.role === 'fill' && line.from.at === 'manifold') || (into !== undefined && !drowned(line.to.height, into));
      links.push({ id: linkIds.line(line.id), from, to, closed: line.closed ?? false, ...terms, oneWay: terms.oneWay || airs });
    }
    return { nodes, links };
  }

  /** Index of the node of a thing. Throws `RangeError` where there is none. */
  nodeAt(kind: NodeKind, id: string): number {
    let of = this.places.get(kind);
    if (!of) this.places.set(kind, (of = new Map<string, number>()));
    let node = of.get(id);
    if (node === undefined) of.set(id, (node = this.network.node(nodeIds[kind](id))));
    return node;
  }

  /** Waters that were asked for: cases take the usual and the summer's in turn. */
  private readonly waters = new Map<number, Water>();

  /** Water temperature of the following solves, K. */
  setWater(temperatureK: number): void {
    if (this.water.temperatureK !== temperatureK) {
      this.waters.set(this.water.temperatureK, this.water);
      this.water = this.waters.get(temperatureK) ?? waterAt(temperatureK);
    }
    this.network.viscosity = this.water.kinematicViscosityM2S;
  }

  /** Gives one hose of a line another bore until the returned function is called. */
  tryBore(line: Line, hose: Part, boreM: number): () => void {
    const { runBore, runStart } = this.network;
    const run = runStart[this.lineLink.get(line.id)!] + line.parts.filter((p) => p.kind === 'hose').findIndex((p) => p.id === hose.id);
    const before = runBore[run];
    runBore[run] = boreM;
    return () => {
      runBore[run] = before;
    };
  }

  /** Gives a link another constant and quadratic term, whatever the strainers, until the returned function is called. */
  private tryTerms(link: number, constantM: number, quadratic: (now: number) => number): () => void {
    const { network, cleanQuadratic, dirtyQuadratic } = this;
    const before = { constant: network.constant[link], clean: cleanQuadratic[link], dirty: dirtyQuadratic[link] };
    network.constant[link] = constantM;
    cleanQuadratic[link] = quadratic(before.clean);
    dirtyQuadratic[link] = quadratic(before.dirty);
    this.termsNow = undefined;
    return () => {
      this.termsNow = undefined;
      network.constant[link] = before.constant;
      cleanQuadratic[link] = before.clean;
      dirtyQuadratic[link] = before.dirty;
    };
  }

  /** A booster in a line that has none. */
  tryBooster(line: Line, shutoffPa: number, openFlowM3s: number): () => void {
    const link = this.lineLink.get(line.id)!;
    const shutoff = shutoffPa / (this.water.densityKgM3 * GRAVITY);
    return this.tryTerms(link, this.network.constant[link] - shutoff, (q) => q + shutoff / openFlowM3s ** 2);
  }

  /** A booster switched the other way than the rig says. */
  switchBooster(booster: Booster): () => void {
    const shutoff = booster.shutoffPressure / (this.water.densityKgM3 * GRAVITY);
    return this.tryTerms(this.network.link(linkIds.booster(booster.id)), booster.running ? 0 : -shutoff, () =>
      booster.running ? 1e-3 : shutoff / booster.openFlow ** 2,
    );
  }

  /** An outlet whose nozzles pass so much more at the same pressure. */
  tryWorn(outlet: Outlet, more: number): () => void {
    return this.tryTerms(this.nozzleOf.get(outlet.id)!, 0, (q) => q / (1 + more) ** 2);
  }

  /** A machine that draws another flow at its inlet, whatever it pushes. */
  tryDraw(machine: Machine, flowM3s: number): () => void {
    const { demand } = this.network;
    const node = this.network.node(nodeIds.machineIn(machine.id));
    const before = demand[node];
    demand[node] = flowM3s;
    return () => {
      demand[node] = before;
    };
  }

  /** Loss terms now in the network: of clean or dirty strainers; `undefined` where something else was set on top. */
  private termsNow: 'clean' | 'dirty' | undefined;

  setStrainers(dirty: boolean): void {
    const wanted = dirty ? 'dirty' : 'clean';
    if (this.termsNow === wanted) return;
    this.network.quadratic.set(dirty ? this.dirtyQuadratic : this.cleanQuadratic);
    this.termsNow = wanted;
  }

  /**
   * Sets what each spigot gives into an open bucket, m³/s, by its place in the document, and its pressure at rest as a share
   * of the one read. Call after {@link setStrainers}.
   */
  setSpigots(bucket: (spigot: number) => number, pressure: (spigot: number) => number): void {
    this.termsNow = undefined;
    this.spigots.forEach(({ node, tap, heightM, curve }, i) => {
      const rest = curve.staticPressurePa * pressure(i) * this.perPa;
      // A spigot that gives nothing is told from one with hardly a trickle by no figure.
      const flow = Math.max(bucket(i), LEAST_SPIGOT * Math.min(bucketFlow(curve), 1));
      this.network.quadratic[tap] = Math.max(rest / flow ** 2, 1e-3);
      this.network.head[node] = heightM + rest;
    });
  }

  /** Every spigot as it was read. */
  restSpigots(): void {
    for (const { node, heightM, curve } of this.spigots) this.network.head[node] = heightM + curve.staticPressurePa * this.perPa;
  }

  /** Triggers now held and the water they were set for; none where they are to be set anew. */
  private gunsNow: { readonly key: string; readonly temperatureK: number } | undefined;

  /**
   * Opens just these outlets; an unloader with trapped pressure lets go to its low pressure when none is open.
   * @param key names the outlets that are open
   */
  setGuns(key: string, open: (outlet: Outlet) => boolean): void {
    const { temperatureK } = this.water;
    if (this.gunsNow?.key === key && this.gunsNow.temperatureK === temperatureK) return;
    this.gunsNow = { key, temperatureK };
    const head = 1 / (this.water.densityKgM3 * GRAVITY);
    const { outlets, machines } = this.rig;
    for (let i = 0; i < outlets.length; i++) {
      const link = this.nozzleLinks[i];
      const closed = open(outlets[i]) ? 0 : 1;
      if (this.network.closed[link] === closed) continue;
      this.network.closed[link] = closed;
      // The last answer is no guide once triggers change: a nozzle at rest tells nothing of its flow.
      this.network.restartAt(link);
    }
    for (let i = 0; i < machines.length; i++) {
      const m = machines[i];
      const any = this.outletsOf(m.id).some(open);
      const pressure = any || m.unloader.kind === 'regulating' ? m.unloader.setting : Math.min(this.values['bypass-trapped'], m.unloader.setting);
      this.network.constant[this.unloaderLinks[i]] = pressure * head;
    }
  }

  /** A flow-actuated unloader lets go whatever its guns do, until the triggers are set anew. @param machine its place in the document */
  letGo(machine: number): void {
    const head = 1 / (this.water.densityKgM3 * GRAVITY);
    this.network.constant[this.unloaderLinks[machine]] = Math.min(this.values['bypass-trapped'], this.rig.machines[machine].unloader.setting) * head;
    this.gunsNow = undefined;
  }

  /** What each machine draws and pushes, m³/s, by its place in the document; those cut off from water draw nothing. */
  setMachines(flows: readonly number[]): void {
    const { machines } = this.rig;
    const { demand } = this.network;
    for (let i = 0; i < machines.length; i++) {
      const flow = this.unfed.has(machines[i].id) ? 0 : flows[i];
      demand[this.machineNodes[i].into] = flow;
      demand[this.machineNodes[i].out] = -flow;
    }
  }

  private readonly outletCache = new Map<string, Outlet[]>();

  /** Open pressure lines that a machine pushes into, past manifolds too. */
  pressureLinesOf(machineId: string): Line[] {
    const reached = new Set<Line>();
    const walk = (at: string, id: string): void => {
      for (const l of this.rig.lines) {
        if (l.role !== 'pressure' || l.closed || l.from.at !== at || l.from.id !== id || reached.has(l)) continue;
        reached.add(l);
        if (l.to.at === 'manifold') walk('manifold', l.to.id!);
      }
    };
    walk('machine', machineId);
    return [...reached];
  }

  /** Outlets that a machine's open pressure lines lead to. */
  outletsOf(machineId: string): Outlet[] {
    const cached = this.outletCache.get(machineId);
    if (cached) return cached;
    const reached = this.pressureLinesOf(machineId);
    const out = this.rig.outlets.filter((o) => reached.some((l) => l.to.at === 'outlet' && l.to.id === o.id));
    this.outletCache.set(machineId, out);
    return out;
  }

  /**
   * Sets every tank's surface. Tied tanks get their heads solved so that all fall together, about the given surface.
   * @param levels inside each tank, m, in the document's order
   * @param draw net flow leaving each tie group, m³/s
   */
  setLevels(levels: readonly number[], draw: ReadonlyMap<number, number>): void {
    const { rig, network, tieGroupOf } = this;
    const { tanks } = rig;
    for (let i = 0; i < tanks.length; i++) {
      const t = tanks[i];
      const g = tieGroupOf.size ? tieGroupOf.get(t.id) : undefined;
      const link = this.storeLinks[i];
      const node = this.storeNodes[i];
      const surface = t.base + levels[i];
      if (g === undefined) network.head[node] = surface;
      else {
        const areaOf = (k: number): number => surfaceAt(tanks[k].shape, levels[k]);
        const together = tanks.reduce((s, x, k) => (tieGroupOf.get(x.id) === g ? s + areaOf(k) : s), 0);
        network.linear[link] = TOGETHER / areaOf(i);
        network.head[node] = surface + ((draw.get(g) ?? 0) * TOGETHER) / together;
      }
    }
    for (const { node, tank, port } of this.lineEnds) network.head[node] = Math.max(port, tanks[tank].base + levels[tank]);
  }

  /** Machines that no open line joins to water: their demand is taken out so that the rest can be judged. */
  get cutOff(): ReadonlySet<string> {
    return this.unfed;
  }

  /**
   * Solves the present case. Machines cut off from water are left out (see {@link cutOff}).
   * @returns true when solved; false when the network would not settle
   */
  solve(): boolean {
    for (let tries = 0; tries <= this.rig.machines.length * 2 + 1; tries++) {
      const outcome = this.network.solve();
      if (outcome.converged) return true;
      if (outcome.failure.reason !== 'cut-off') {
        this.network.restart();
        const again = this.network.solve();
        return again.converged;
      }
      const { nodeId } = outcome.failure;
      const machine = this.rig.machines.find((m) => nodeId === nodeIds.machineIn(m.id) || nodeId === nodeIds.machineOut(m.id));
      if (!machine) return false;
      this.unfed.add(machine.id);
      this.network.demand[this.network.node(nodeIds.machineIn(machine.id))] = 0;
      this.network.demand[this.network.node(nodeIds.machineOut(machine.id))] = 0;
    }
    return false;
  }
}

/** Quadratic coefficient of all nozzles of an outlet together. */
export function nozzleQuadratic(outlet: Outlet, water: Water): number {
  return quadraticOfOrifice(nozzleCoefficient(outlet.nozzle.size) * outlet.nozzle.count, water.densityKgM3);
}

/** Groups of tanks joined by open tie lines, numbered; tanks with no tie have none. */
function tieGroups(rig: Rig): Map<string, number> {
  const groups = new Map<string, number>();
  for (const line of rig.lines) {
    if (line.role !== 'tie' || line.closed) continue;
    const [a, b] = [line.from.id!, line.to.id!];
    const ga = groups.get(a);
    const gb = groups.get(b);
    const g = ga ?? gb ?? groups.size;
    groups.set(a, g);
    groups.set(b, g);
    if (ga !== undefined && gb !== undefined && ga !== gb) for (const [t, x] of groups) if (x === gb) groups.set(t, ga);
  }
  return groups;
}
