import { assumptionValues, type AssumptionValues } from '../assumption/register.js';
import { finished } from '../steps.js';
import { Cases } from '../solve/cases.js';
import { dumpEnds, dumpLine, outflowBy } from '../subject/drain/drain.js';
import { TiedTanks } from '../solve/tied-tanks.js';
import { Stocks } from '../solve/stock.js';
import { GRAVITY } from '../fluid/air.js';
import { type EnergyPlan, energyPlan } from './energy-plan.js';
import { vapourPressure, waterDensity } from '../fluid/water.js';
import type { Phase, PhaseKind, WorkDay } from '../rig/day-schema.js';
import type { Rig, Tank } from '../rig/schema.js';
import { fullDepth, levelOf, volumeAt } from '../rig/tank-shape.js';
import { type Reach, reachOfOutlets } from './reach.js';
import { seasonsOf, type SeasonSpread } from './seasons.js';
import { handsOf, inHand, triggerOf } from './hands.js';
import { type SoftBook, softTables, type SoftTable } from './soft-states.js';
import { tidy } from './tidy.js';
import type { ShortKind } from './types.js';
import { dayOf } from './usual-day.js';
import { type Vessel, vesselsOf } from '../solve/vessels.js';
import { WaterStates } from './water-states.js';

/** A phase made ready: places instead of ids. */
export interface Planned {
  readonly kind: PhaseKind;
  readonly time: number;
  /** 0 for everybody. */
  readonly crew: number;
  readonly outlet: number;
  readonly mix: number;
  readonly trigger: number;
  /** Vessels it cannot do without. */
  readonly needs: readonly number[];
  readonly machines: number;
  /** Batteries, and drinkers of fuel, that it cannot do without. */
  readonly banks: readonly number[];
  readonly drinkers: readonly number[];
  /** Burners of its machines: dry, they leave the water cold. */
  readonly warmers: readonly number[];
  /** Of a refill: its flow, m³/s, and the vessels it fills. */
  readonly refill: { readonly flow: number; readonly vessels: readonly number[] } | undefined;
}

export interface PlannedJob {
  readonly name: string;
  readonly tap: boolean;
  /** Connected only once a phase says so. */
  readonly connects: boolean;
  readonly phases: readonly Planned[];
  /** For each of the crew, its phases in order. */
  readonly queues: readonly (readonly number[])[];
}

/** A season as this rig's stock meets it. */
export interface WorkedSeason extends SeasonSpread {
  /** By mix: strength of its stock as the season's store keeps it, against what it is reckoned at. */
  readonly aged: Float64Array;
}

/** Ends and middle of what varies from day to day; flows as shares of the rig's typical spigot. */
export interface Spread {
  readonly spigot: readonly [poor: number, usual: number, good: number];
  readonly time: readonly [number, number, number];
  readonly trigger: readonly [number, number, number];
  readonly stock: readonly [number, number, number];
  /** Of the sites, m; undefined where the brief does not say. */
  readonly distance: readonly [number, number, number] | undefined;
  readonly height: readonly [number, number, number] | undefined;
  /** Each as likely as the others; water and shut taps hang on it. */
  readonly seasons: readonly [WorkedSeason, ...WorkedSeason[]];
}

/** A rig and its day made ready to be worked through many times. */
export interface DayModel {
  readonly rig: Rig;
  readonly values: AssumptionValues;
  readonly day: WorkDay;
  readonly vessels: readonly Vessel[];
  readonly water: WaterStates;
  readonly soft: readonly SoftTable[];
  /** Vessel of each branch of each mix; −1 for none. */
  readonly softVessels: readonly (readonly number[])[];
  /** Inside level of the tank that a branch of a mix draws from, m, against the volume of its vessel: 65 even points from empty to full. */
  readonly branchLevels: readonly (readonly Float64Array[])[];
  readonly jobs: readonly PlannedJob[];
  readonly spread: Spread;
  readonly shorts: readonly ShortKind[];
  /** Places in {@link shorts}; −1 for none. */
  readonly shortOf: {
    readonly vessel: Int32Array;
    readonly feed: Int32Array;
    readonly heat: Int32Array;
    readonly air: Int32Array;
    /** By outlet, and by mix with a gun of its own. */
    readonly reach: Int32Array;
    readonly softReach: Int32Array;
    /** By battery, by fuel store. */
    readonly battery: Int32Array;
    readonly fuel: Int32Array;
  };
  /** Of each vessel, its own dump line; undefined for none. */
  readonly dump: readonly (Dump | undefined)[];
  /** Vessels that stand in open ties with one another. */
  readonly ties: readonly TieGroup[];
  /** By outlet. */
  readonly reach: readonly Reach[];
  readonly energy: EnergyPlan;
  /** When nothing goes wrong, s. */
  readonly usualSeconds: number;
  /** Head that vapour takes more at a temperature than at the rig's usual water, m. */
  readonly vapourLoss: (temperatureK: number) => number;
}

export const LEVEL_POINTS = 65;

/** Vessels tied together, and what crosses between them. */
export interface TieGroup {
  readonly vessels: readonly number[];
  readonly tanks: TiedTanks;
}

function tieGroups(cases: Cases, vessels: readonly Vessel[]): TieGroup[] {
  return vessels.flatMap((v) =>
    v.tied.length > 1 && v.tied[0] === v.tank
      ? [{ vessels: v.tied.map((t) => vessels.findIndex((x) => x.tank === t)), tanks: new TiedTanks(cases, v.tied) }]
      : [],
  );
}

/** A dump line of a vessel. */
export interface Dump {
  /** Square of what it lets out, (m³/s)², at {@link LEVEL_POINTS} even volumes from empty to full: near even between straight walls. */
  readonly squares: Float64Array;
  /** What stands below the way out, m³. */
  readonly stays: number;
}

function dumpTable(cases: Cases, tank: Tank): Dump | undefined {
  const line = dumpLine(cases, tank);
  if (!line) return undefined;
  const full = volumeAt(tank.shape, fullDepth(tank));
  const { outletM, sillM } = dumpEnds(tank, line);
  const outflow = outflowBy(line, cases);
  const squares = Float64Array.from({ length: LEVEL_POINTS }, (_, i) => {
    const surface = tank.base + levelOf(tank.shape, (full * i) / (LEVEL_POINTS - 1));
    return tidy(outflow(Math.max(surface, sillM) - outletM) ** 2);
  });
  return { squares, stays: volumeAt(tank.shape, sillM - tank.base) };
}

/** Level for a share of the vessel's volume, m, from a table of {@link DayModel.branchLevels}. */
export function levelAt(table: Float64Array, share: number): number {
  const x = Math.min(Math.max(share, 0), 1) * (LEVEL_POINTS - 1);
  const at = Math.min(Math.floor(x), LEVEL_POINTS - 2);
  return table[at] + (table[at + 1] - table[at]) * (x - at);
}

/** Out of a vessel by its own dump line when it holds a volume, m³/s. */
export function dumpAt({ dump, vessels }: DayModel, v: number, volumeM3: number): number {
  const own = dump[v];
  return own && volumeM3 > own.stays ? Math.sqrt(levelAt(own.squares, volumeM3 / vessels[v].full)) : 0;
}

/** What a refill fills and how fast: at its place, or at a usual one that gives water. */
function refillOf(phase: Phase, day: WorkDay, vessels: readonly Vessel[], values: AssumptionValues): Planned['refill'] {
  const place = day.refills?.find((r) => r.id === phase.place);
  const takes = (v: Vessel): boolean => (place?.gives === undefined ? v.water : v.tank.holds === place.gives);
  return { flow: place?.flow ?? values['refill-flow'], vessels: vessels.flatMap((v, i) => (takes(v) ? [i] : [])) };
}

/** Batteries that a phase cannot do without: its electric pump's, and those that boost its machines. */
const banksFor = (e: EnergyPlan, mix: number, machines: number): readonly number[] =>
  e.banks.flatMap((_, b) => ((mix >= 0 && e.softBank[mix] === b) || (e.boosts[b] & machines) !== 0 ? [b] : []));

/** What a phase burns fuel in: engines of its machines, or their generator, and of its pump. A burner that runs dry leaves the water cold. */
const drinkersFor = (e: EnergyPlan, mix: number, machines: number): readonly number[] =>
  [
    ...new Set([
      ...Array.from(e.engineOf).filter((d, m) => d >= 0 && (machines & (1 << m)) !== 0),
      ...(mix >= 0 && e.softEngine[mix] >= 0 ? [e.softEngine[mix]] : []),
    ]),
  ].filter((d) => e.drinkers[d].store >= 0);

/** A job is as long as the longest way through it of one of the crew, s. */
function longestQueue(phases: readonly Phase[]): number {
  const crew = Math.max(1, ...phases.map((p) => (p.crew === 'all' ? 0 : Number(p.crew))));
  return Math.max(...Array.from({ length: crew }, (_, c) => phases.reduce((t, p) => (p.crew === 'all' || Number(p.crew) === c + 1 ? t + p.time : t), 0)));
}

/**
 * Compiles a rig for its day: tanks as vessels, mixes as tables, phases as places.
 * @param book tables of a like rig, to be taken up
 */
export const dayModel = (rig: Rig, day?: WorkDay, book?: SoftBook): DayModel => finished(dayModelSteps(rig, day, book));

/** {@link dayModel} a piece at a time, so that a worker may look up between them. */
export function* dayModelSteps(rig: Rig, day: WorkDay = dayOf(rig), book?: SoftBook): Generator<void, DayModel> {
  const values = assumptionValues(rig.assumptions);
  const cases = new Cases(rig, values);
  const vessels = vesselsOf(cases);
  const stocks = new Stocks(rig, values);
  const soft = yield* softTables(cases, stocks, book);
  // Vessels stand as the tanks do.
  const softVessels = soft.map((s) => s.tanks);
  const serial = day.jobs.reduce((sum, j) => sum + longestQueue(j.phases), 0);
  const energy = energyPlan(cases, soft, serial);
  const water = new WaterStates(cases, vessels, (v, surface) => (vessels[v] ? volumeAt(vessels[v].tank.shape, surface - vessels[v].tank.base) : 0), energy);
  const branchLevels = soft.map((s, m) =>
    s.tanks.map((_tank, b) => {
      const v = vessels[softVessels[m][b]];
      return Float64Array.from({ length: v ? LEVEL_POINTS : 0 }, (_, i) => tidy(levelOf(v.tank.shape, (v.full * i) / (LEVEL_POINTS - 1))));
    }),
  );
  const hands = handsOf(rig);
  const jobs = day.jobs.map((job): PlannedJob => {
    const phases = job.phases.map((p): Planned => {
      const hand = inHand(rig, hands, p);
      const outlet = rig.outlets.findIndex((o) => o.id === hand.outletId);
      const mix = soft.findIndex((s) => s.mixId === hand.mixId);
      const machines = outlet >= 0 ? water.machinesOf[outlet] : 0;
      const needs = new Set<number>();
      rig.machines.forEach((_, m) => machines & (1 << m) && water.source[m] >= 0 && needs.add(water.source[m]));
      if (mix >= 0) for (const v of softVessels[mix]) if (v >= 0) needs.add(v);
      return {
        kind: p.kind,
        time: p.time,
        crew: p.crew === 'all' ? 0 : Number(p.crew),
        outlet,
        mix,
        trigger: triggerOf(rig, p),
        needs: [...needs],
        machines,
        banks: banksFor(energy, mix, machines),
        drinkers: drinkersFor(energy, mix, machines),
        warmers: Array.from(energy.burnerOf).filter((d, m) => d >= 0 && (machines & (1 << m)) !== 0 && energy.drinkers[d].store >= 0),
        refill: p.kind === 'refill' ? refillOf(p, day, vessels, values) : undefined,
      };
    });
    const crew = Math.max(1, ...phases.map((p) => p.crew));
    return {
      name: job.name,
      tap: job.water === 'tap' && rig.spigots.length > 0,
      connects: phases.some((p) => p.kind === 'connect'),
      phases,
      queues: Array.from({ length: crew }, (_, c) => phases.flatMap((p, i) => (p.crew === 0 || p.crew === c + 1 ? [i] : []))),
    };
  });

  const shorts: ShortKind[] = [];
  const short = (cause: ShortKind['cause'], id: string, name: string): number => shorts.push({ cause, id, name }) - 1;
  const drawn = new Set(jobs.flatMap((j) => j.phases.flatMap((p) => p.needs)));
  const used = jobs.reduce((bits, j) => j.phases.reduce((b, p) => b | p.machines, bits), 0);
  const usesMachine = (m: number): boolean => (used & (1 << m)) !== 0;
  const mixesUsed = new Set(jobs.flatMap((j) => j.phases.map((p) => p.mix)));
  const sites = day.distance !== undefined || day.height !== undefined;
  const outletsUsed = new Set(jobs.flatMap((j) => j.phases.map((p) => p.outlet)));
  const asked = Float64Array.from(energy.compressors, (_, c) =>
    soft.reduce((sum, x, k) => (energy.softCompressor[k] === c && mixesUsed.has(k) ? sum + x.air : sum), 0),
  );
  const outOfBreath = (k: number): boolean => {
    const c = energy.softCompressor[k];
    return soft[k].air > 0 && mixesUsed.has(k) && (c < 0 || asked[c] > energy.compressors[c].given * 1.001);
  };
  const needed = (list: 'banks' | 'drinkers' | 'warmers'): ReadonlySet<number> => new Set(jobs.flatMap((j) => j.phases.flatMap((p) => p[list])));
  const [banksNeeded, drinkersNeeded] = [needed('banks'), needed('drinkers')];
  const storesNeeded = new Set([...drinkersNeeded, ...needed('warmers')].map((d) => energy.drinkers[d].store));
  const shortOf = {
    vessel: Int32Array.from(vessels, (v, i) => (drawn.has(i) ? short(v.water ? 'water' : 'stock', v.tank.id, v.name) : -1)),
    feed: Int32Array.from(rig.machines, (m, i) => (usesMachine(i) ? short('feed', m.id, m.name) : -1)),
    heat: Int32Array.from(rig.machines, (m, i) => (usesMachine(i) ? short('heat', m.id, m.name) : -1)),
    air: Int32Array.from(soft, (s, i) => (outOfBreath(i) ? short('air', s.pumpId!, rig.softPumps.find((p) => p.id === s.pumpId)!.name) : -1)),
    reach: Int32Array.from(rig.outlets, (o, i) => (sites && outletsUsed.has(i) ? short('reach', o.id, o.name) : -1)),
    softReach: Int32Array.from(soft, (s, i) => ((sites || s.dry) && s.reach && mixesUsed.has(i) ? short('reach', s.reach.id, s.reach.name) : -1)),
    battery: Int32Array.from(energy.banks, (b, i) => (banksNeeded.has(i) ? short('battery', b.id, b.name) : -1)),
    fuel: Int32Array.from(energy.stores, (f, i) => (storesNeeded.has(i) ? short('fuel', f.id, f.name) : -1)),
  };

  const usualFlow = Math.max(...rig.spigots.map((s) => Math.max(...s.readings.map((r) => r.flow))), 1e-9);
  const s = day.spigot;
  const wet = rig.brief.water;
  const [firstSeason, ...otherSeasons] = seasonsOf(day, values, wet);
  const worked = (season: SeasonSpread): WorkedSeason => ({
    ...season,
    aged: Float64Array.from(soft, (t) => stocks.keptAt(rig.mixes.find((m) => m.id === t.mixId)!.stock, season.store)),
  });
  const head = (t: number): number => vapourPressure(t) / (waterDensity(t) * GRAVITY);
  const usualHead = head(wet);
  return {
    rig,
    values,
    day,
    vessels,
    water,
    soft,
    softVessels,
    branchLevels,
    jobs,
    spread: {
      spigot: s ? [s.poor / usualFlow, s.usual / usualFlow, s.good / usualFlow] : [values['poor-spigot'], 1, values['good-spigot']],
      time: [values['day-short'], 1, values['day-long']],
      trigger: [1 - values['day-trigger'], 1, 1 + values['day-trigger']],
      stock: [1 - values['day-stock'], 1, 1],
      distance: day.distance && [day.distance.near, day.distance.usual, day.distance.far],
      height: day.height && [day.height.low, day.height.usual, day.height.high],
      seasons: [worked(firstSeason), ...otherSeasons.map(worked)],
    },
    shorts,
    shortOf,
    reach: reachOfOutlets(cases),
    dump: vessels.map((v) => dumpTable(cases, v.tank)),
    ties: tieGroups(cases, vessels),
    energy,
    usualSeconds: serial,
    vapourLoss: (t) => tidy(head(t) - usualHead),
  };
}
