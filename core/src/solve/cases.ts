import { type AssumptionValues } from '../assumption/register.js';
import type { AnswerBook } from '../hydraulics/network/index.js';
import type { Booster, Line, Machine, Outlet, Part, Rig, Tank } from '../rig/schema.js';
import { fullDepth } from '../rig/tank-shape.js';
import { enginePace, HOLDS, drivePower, shaftPower } from './engine-pace.js';
import { submergence } from './heel.js';
import { feedPath, inletMargin, type LaidPiece, piecesOf } from './inlet.js';
import { passedFlows } from './passed-flows.js';
import { drawLevel, nodeIds, RigNetwork } from './rig-network.js';
import { Sites } from './sites.js';
import { type CaseState, isDraw, returnsToItself, Solved } from './solved.js';

/** The rig otherwise than drawn, for one case. */
export type Trial =
  | { readonly what: 'bore'; readonly line: Line; readonly hose: Part; readonly boreM: number }
  | { readonly what: 'booster'; readonly line: Line; readonly shutoffPa: number; readonly openFlowM3s: number }
  | { readonly what: 'switch'; readonly booster: Booster }
  | { readonly what: 'worn'; readonly outlet: Outlet; readonly more: number }
  | { readonly what: 'draw'; readonly machine: Machine; readonly flowM3s: number };

/** What is left out is half full, clean, usual water, a typical spigot, guns and machines as drawn. */
export interface CaseSettings extends Partial<CaseState> {
  /** Ids of the outlets whose trigger is held. */
  readonly open?: readonly string[];
  /** Whether a machine, by its place in the document, runs. */
  readonly running?: (machine: number) => boolean;
  /** Flow of the site's spigots as a share of the usual one; takes the place of `spigot`. */
  readonly spigotShare?: number;
  /** Tanks at a level of their own, m inside, by id. */
  readonly levelOf?: Readonly<Record<string, number>>;
  readonly trial?: Trial;
  /** What each machine draws and pushes, m³/s, by its place in the document, where it is not its own flow. */
  readonly flows?: readonly number[];
}

/** Outlet bore of a line that leaves a tank: its first part's. */
export const outletBore = (line: Line): number => line.parts[0]?.bore ?? 0.025;

/** A washer's draw from a tank: height of its outlet inside, bore there, flow. */
export interface HeelDraw {
  readonly outletM: number;
  readonly boreM: number;
  readonly flowM3s: number;
  /** Of the rule's depth that is kept. */
  readonly share: number;
}

/** A rig's network in one operating case after another: ask for a case, get its answer. Assumes a rig that passed `readRig`. */
export class Cases {
  readonly net: RigNetwork;
  /** Cases that would not settle, in words, for a finding. */
  readonly unsettled: string[] = [];
  solves = 0;
  /** Inside level below which each tank is not usable, m; where that is more than is filled, nothing of it is. */
  readonly heel = new Map<string, number>();
  /** The same by each tank's own outlets alone, whatever it is tied to. */
  readonly ownHeel = new Map<string, number>();
  /** The draw that decides each tank's heel, where one of a washer does: its level inside that tank, its bore and flow, SI. */
  readonly heelBy = new Map<string, HeelDraw>();
  private readonly tiedDraw = new Map<number, number>();
  /** Answers to cases that are likely to be asked for again: by the triggers held, as drawn where none are said, and by the rest. */
  private readonly answers = new Map<string | undefined, (Solved | undefined)[]>();
  /** The guns that are drawn open, as triggers held are named. */
  private readonly drawnOpen: string;
  /** What every machine pushes, m³/s: what it is made for, less where its engine is too small. */
  private ownFlows: readonly number[];
  /** By machine whose engine is too small: share of its full flow, and what full speed would take at its shaft, W. */
  readonly slowed = new Map<string, { readonly pace: number; readonly neededW: number }>();
  private readonly laid = new Map<string, readonly LaidPiece[]>();
  private readonly passed = new Map<string, readonly number[] | undefined>();
  private readonly sites: Sites;
  /** What a machine draws may come back to its own inlet, so that triggers bear on its feed. */
  private readonly turnsRound: boolean;
  private levelsOf: Partial<Record<CaseState['level'], readonly number[]>> = {};

  /** @param book answers of earlier assessments, to be taken up where nothing of a part has changed */
  constructor(
    readonly rig: Rig,
    readonly values: AssumptionValues,
    book?: AnswerBook,
  ) {
    this.net = new RigNetwork(rig, values, book);
    this.sites = new Sites(rig, values, this.net.curves);
    this.turnsRound = returnsToItself(rig);
    this.ownFlows = rig.machines.map((m) => m.flow);
    this.drawnOpen = rig.outlets
      .filter((o) => o.open)
      .map((o) => o.id)
      .join(' ');
    for (const t of rig.tanks) this.heel.set(t.id, 0);
    this.settleHeels();
    this.slowDown();
  }

  /** Heels and what crosses ties at the flows as they are. */
  private settleHeels(): void {
    this.tiedDraw.clear();
    this.findHeels(this.at({ level: 'full' }));
    this.answers.clear();
    if (!this.net.tieGroupOf.size) return;
    const full = this.at({ level: 'full' });
    for (const [tankId, group] of this.net.tieGroupOf) {
      // What fills a tied tank has to cross the tie like any other water, so it is part of the network.
      const filled = full.filledInto(tankId);
      this.net.network.demand[this.net.network.node(nodeIds.tank(tankId))] = -filled;
      this.tiedDraw.set(group, (this.tiedDraw.get(group) ?? 0) + full.drawnFrom(tankId) - filled);
    }
    this.answers.clear();
    this.findHeels(this.at({ level: 'full' }));
    this.answers.clear();
  }

  /** Engines that do not turn their pumps at full speed push less; where all do, nothing is solved for it. */
  private slowDown(): void {
    const { rig, values } = this;
    // A pump asks the most of its engine at its unloader's setting.
    const doubtful = rig.machines.filter((m) => drivePower(m, rig, values) < HOLDS * shaftPower(m.unloader.setting, m.flow, values));
    if (!doubtful.length) return;
    const drawn = this.asDrawn;
    for (const m of doubtful) {
      const pressurePa = drawn.pressureOf('machineOut', m.id);
      const flowM3s = drawn.machineFlow(m);
      if (!(flowM3s > 0)) continue;
      const pace = enginePace(drivePower(m, rig, values), pressurePa, flowM3s, drawn.returned(m), values);
      if (pace < 1) this.slowed.set(m.id, { pace, neededW: shaftPower(pressurePa, flowM3s, values) });
    }
    if (!this.slowed.size) return;
    this.ownFlows = rig.machines.map((m) => m.flow * (this.slowed.get(m.id)?.pace ?? 1));
    this.drawn = undefined;
    this.answers.clear();
    this.passed.clear();
    for (const t of rig.tanks) this.heel.set(t.id, 0);
    this.ownHeel.clear();
    this.heelBy.clear();
    this.settleHeels();
  }

  /** What a machine pushes of what it is made for, m³/s. */
  flowOf(machine: Machine): number {
    return machine.flow * (this.slowed.get(machine.id)?.pace ?? 1);
  }

  /** The same cases for a rig that differs in names, or in what is in its chemical lines, only. Its unsettled cases are told anew. */
  renamed(rig: Rig): Cases {
    return Object.assign(Object.create(Cases.prototype) as Cases, this, { rig });
  }

  /** Heel of every tank; tied tanks share one surface, so the highest heel among them counts for all. */
  private findHeels(full: Solved): void {
    const { rig, net } = this;
    this.levelsOf = {};
    for (const t of rig.tanks) {
      const { levelM, by } = this.heelOf(t, full);
      this.heel.set(t.id, levelM);
      this.ownHeel.set(t.id, levelM);
      if (by) this.heelBy.set(t.id, by);
    }
    for (const t of rig.tanks) {
      const group = net.tieGroupOf.get(t.id);
      if (group === undefined) continue;
      const tied = rig.tanks.filter((x) => net.tieGroupOf.get(x.id) === group);
      const all = tied.map((x) => ({ tank: x, ...this.heelOf(x, full) }));
      const highest = all.reduce((a, b) => (b.tank.base + b.levelM > a.tank.base + a.levelM ? b : a));
      const rise = highest.tank.base - t.base;
      this.heel.set(t.id, Math.max(rise + highest.levelM, 0));
      if (highest.by) this.heelBy.set(t.id, { ...highest.by, outletM: highest.by.outletM + rise });
    }
  }

  /** A washer’s draw needs depth over its outlet; a slow draw of chemicals goes down to its hose’s end. */
  private heelOf(tank: Tank, full: Solved): { readonly levelM: number; readonly by: HeelDraw | undefined } {
    const drawn = this.rig.lines.filter((l) => l.from.at === 'tank' && l.from.id === tank.id && !l.closed);
    const washers = drawn.filter(isDraw);
    if (!washers.length) {
      const ends = drawn.filter((l) => l.role === 'chemical').map((l) => drawLevel(tank, l));
      return { levelM: Math.max(0, ...ends), by: undefined };
    }
    let [levelM, by]: [number, HeelDraw | undefined] = [0, undefined];
    for (const l of washers) {
      const [outletM, boreM, flowM3s] = [drawLevel(tank, l), outletBore(l), full.flowOf(l.id)];
      const level = outletM + this.heelShare(l) * submergence(boreM, flowM3s);
      if (level > levelM) [levelM, by] = [level, { outletM, boreM, flowM3s, share: this.heelShare(l) }];
    }
    return { levelM, by };
  }

  /** Share of the vortex rule's depth that is kept over an outlet. */
  heelShare(line: Line): number {
    const plate = line.parts.some((p) => p.kind === 'fitting' && p.is === 'anti-vortex');
    return this.values['heel-share'] * (plate ? this.values['heel-plate'] : 1);
  }

  /** Inside level of a tank in a case, m. */
  levelIn(tank: Tank, settings: Pick<CaseSettings, 'level' | 'levelOf'>): number {
    const own = settings.levelOf && Object.hasOwn(settings.levelOf, tank.id) ? settings.levelOf[tank.id] : undefined;
    if (own !== undefined) return own;
    const full = fullDepth(tank);
    const heel = Math.min(this.heel.get(tank.id)!, full);
    switch (settings.level ?? 'half') {
      case 'full':
        return full;
      case 'half':
        return (full + heel) / 2;
      case 'lowest':
        return heel;
    }
  }

  /** Inside levels of all tanks in a case, m, in the document's order. */
  private levels(settings: Pick<CaseSettings, 'level' | 'levelOf'>): readonly number[] {
    const level = settings.level ?? 'half';
    let of = this.levelsOf[level];
    if (!of) this.levelsOf[level] = of = this.rig.tanks.map((t) => this.levelIn(t, { level }));
    const own = settings.levelOf;
    return own ? of.map((m, i) => (Object.hasOwn(own, this.rig.tanks[i].id) ? own[this.rig.tanks[i].id] : m)) : of;
  }

  /** The case as drawn, with what the pumps get: half full, clean, usual water, typical spigot, all guns that are drawn open. */
  get asDrawn(): Solved {
    return (this.drawn ??= this.given({}));
  }
  private drawn: Solved | undefined;

  /**
   * A case with what the pumps get: none draws more than its feed passes at the inlet head that it needs, so that a starved
   * pump shows at its guns. {@link at} judges the feed itself.
   */
  given(settings: CaseSettings): Solved {
    const wanted = this.at(settings);
    const flows = this.passedIn(settings, wanted);
    return flows ? this.at({ ...settings, flows }) : wanted;
  }

  /** What of a path bears on the pulses, the same object for the same path: most cases of a feed ask for it again. */
  laidOf(path: readonly Line[]): readonly LaidPiece[] {
    let key = '';
    for (const l of path) key += `${l.id} `;
    let laid = this.laid.get(key);
    if (!laid) this.laid.set(key, (laid = piecesOf(path, this.values, this.rig.brief.altitude)));
    return laid;
  }

  /** Whether a machine hangs on the surface of one tank alone, so that its inlet head rises and falls with it and nothing else changes. */
  hangsOnlyOn(machine: Machine, tankId: string): boolean {
    const { net } = this;
    return !net.tieGroupOf.has(tankId) && net.network.soleHeadOf(net.nodeAt('machineIn', machine.id)) === net.nodeAt('tank', tankId);
  }

  /** Guns whose triggers bear on no other's flows stand apart: by their places among these outlets. */
  apart(guns: readonly Outlet[]): readonly (readonly number[])[] {
    const all = guns.map((_, i) => i);
    if (this.turnsRound) return [all];
    const { net } = this;
    const byPart = new Map<number, number[]>();
    for (const i of all) {
      const part = net.network.partAt(net.nozzleOf.get(guns[i].id)!);
      byPart.set(part, [...(byPart.get(part) ?? []), i]);
    }
    return [...byPart.values()];
  }

  /** What each machine gets in a case, m³/s; undefined where all get what they want. */
  private passedIn(settings: CaseSettings, wanted: Solved): readonly number[] | undefined {
    const { rig } = this;
    const runs = (i: number): boolean => (settings.running ? settings.running(i) : true);
    const bits = rig.machines.reduce((sum, _, i) => sum + (runs(i) ? 2 ** i : 0), 0);
    const { level, strainer, water, spigot, spigotShare, open } = settings;
    const guns = this.turnsRound ? (open?.join(' ') ?? '*') : '';
    const name = settings.levelOf || settings.trial ? undefined : [level, strainer, water, spigot, spigotShare, bits, guns].join();
    if (name !== undefined && this.passed.has(name)) return this.passed.get(name);
    const made = this.findPassed(settings, wanted, runs);
    if (name !== undefined) this.passed.set(name, made);
    return made;
  }

  private findPassed(settings: CaseSettings, wanted: Solved, runs: (machine: number) => boolean): readonly number[] | undefined {
    const { rig, net } = this;
    const own = this.ownFlows.map((flow, i) => (runs(i) ? flow : 0));
    const fed = rig.machines.flatMap((m, i) => {
      if (!runs(i) || net.cutOff.has(m.id)) return [];
      const path = feedPath(wanted, m);
      const from = path[0]?.from.at;
      return from === 'tank' || from === 'spigot' ? [{ m, i, path, laid: this.laidOf(path) }] : [];
    });
    if (!fed.some(({ m, path, laid }) => inletMargin(wanted, m, path, laid).marginM < 0)) return undefined;
    const full = (flows: readonly number[]): number[] => {
      const all = [...own];
      fed.forEach(({ i }, k) => (all[i] = flows[k]));
      return all;
    };
    const gets = passedFlows(
      fed.map(({ i }) => this.ownFlows[i]),
      (flows) => {
        const solved = this.at({ ...settings, flows: full(flows) });
        return fed.map(({ m, path, laid }) => (solved.settled ? inletMargin(solved, m, path, laid).marginM : -1e3));
      },
    );
    return full(gets);
  }

  /** A case as wanted: every pump draws all it is made for, whatever that leaves at its inlet. Its answer is kept. */
  at(settings: CaseSettings): Solved {
    const { open, spigotShare, running } = settings;
    const state: CaseState = {
      level: settings.level ?? 'half',
      strainer: settings.strainer ?? 'clean',
      water: settings.water ?? 'usual',
      spigot: settings.spigot ?? 'typical',
    };
    const kept = isCommon(settings) ? this.answersWith(open) : undefined;
    const place = placeOf(state);
    const known = kept?.[place];
    if (known) return known;
    const { net, values, rig } = this;
    net.setWater(state.water === 'summer' ? Math.max(values['summer-water'], rig.brief.water) : rig.brief.water);
    const flows = settings.flows ?? (running ? this.ownFlows.map((flow, i) => (running(i) ? flow : 0)) : this.ownFlows);
    net.setMachines(flows);
    const undo = settings.trial && this.tried(settings.trial);
    net.setStrainers(state.strainer === 'dirty');
    const site = spigotShare !== undefined ? this.sites.at(spigotShare) : state.spigot !== 'typical' ? this.sites.of(state.spigot) : undefined;
    if (site) net.setSpigots(site.bucket, site.pressure);
    else net.restSpigots();
    net.setGuns(open ? `${open.join(' ')}.` : '*', open ? (o) => open.includes(o.id) : (o) => o.open);
    net.setLevels(this.levels(settings), this.tiedDraw);
    this.solves++;
    let settled = net.solve();
    const slack = this.letGo(flows);
    if (slack.length) settled = net.solve();
    if (!settled && settings.trial?.what !== 'draw' && !settings.flows)
      this.unsettled.push(`${state.level}, ${state.strainer}, ${state.water}, ${state.spigot}`);
    const { flow, head } = net.network;
    const { trial } = settings;
    const drawn = trial?.what === 'draw' ? flows.map((q, i) => (rig.machines[i] === trial.machine ? trial.flowM3s : q)) : flows;
    const made = new Solved(net, state, net.water, settled, both(flow, head), flow.length, drawn, slack);
    undo?.();
    if (kept) kept[place] = made;
    return made;
  }

  /** Answers with these triggers held, by {@link placeOf}. */
  private answersWith(open: readonly string[] | undefined): (Solved | undefined)[] {
    const held = open?.join(' ');
    const guns = held === this.drawnOpen ? undefined : held;
    let own = this.answers.get(guns);
    if (!own) this.answers.set(guns, (own = new Array<Solved | undefined>(PLACES)));
    return own;
  }

  /**
   * Flow-actuated unloaders that too little flow holds shut, by the place of their machine; lets them go.
   * @param flows what each machine pushes, m³/s
   */
  private letGo(flows: readonly number[]): readonly number[] {
    const { net, rig, values } = this;
    let slack: number[] | undefined;
    for (let i = 0; i < rig.machines.length; i++) {
      const m = rig.machines[i];
      if (m.unloader.kind !== 'flow-actuated' || flows[i] <= 0) continue;
      const back = Math.max(net.network.flow[net.unloaderOf.get(m.id)!], 0);
      if (flows[i] - back < values['unloader-hold'] * m.flow) (slack ??= []).push(i);
    }
    slack?.forEach((i) => net.letGo(i));
    return slack ?? NONE;
  }

  private tried(trial: Trial): () => void {
    const { net } = this;
    switch (trial.what) {
      case 'bore':
        return net.tryBore(trial.line, trial.hose, trial.boreM);
      case 'booster':
        return net.tryBooster(trial.line, trial.shutoffPa, trial.openFlowM3s);
      case 'switch':
        return net.switchBooster(trial.booster);
      case 'worn':
        return net.tryWorn(trial.outlet, trial.more);
      case 'draw':
        return net.tryDraw(trial.machine, trial.flowM3s);
    }
  }
}

/** Flows, then heads, in one piece: a plain list, which is made quicker than a typed one of its size. */
function both(flow: Float64Array, head: Float64Array): readonly number[] {
  const [m, n] = [flow.length, head.length];
  const out = new Array<number>(m + n);
  for (let i = 0; i < m; i++) out[i] = flow[i];
  for (let i = 0; i < n; i++) out[m + i] = head[i];
  return out;
}

/** Whether a case is likely to be asked for again. */
const isCommon = (s: CaseSettings): boolean => !(s.levelOf || s.trial || s.running || s.flows || s.spigotShare !== undefined);

const NONE: readonly number[] = [];
const LEVELS = { full: 0, half: 1, lowest: 2 } as const;
const SPIGOTS = { poor: 0, typical: 1, good: 2 } as const;
/** Places of all states. */
const PLACES = 36;

/** A state's place among all of them. */
const placeOf = (s: CaseState): number =>
  ((LEVELS[s.level] * 3 + SPIGOTS[s.spigot]) * 2 + (s.strainer === 'dirty' ? 1 : 0)) * 2 + (s.water === 'summer' ? 1 : 0);
