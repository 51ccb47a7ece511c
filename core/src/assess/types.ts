import type { Figure, Message } from '../working/figure.js';
import type { ChemicalResult } from './chemical/types.js';
import type { Verdict } from './verdict.js';

export { VERDICTS, type Verdict, worse, worstOf } from './verdict.js';

export const STATIONS = ['brief', 'tanks', 'fill', 'feed', 'machines', 'bypass', 'guns', 'reels', 'mix', 'liquids', 'dump', 'day', 'options'] as const;
export type Station = (typeof STATIONS)[number];

export interface Subject {
  readonly kind: 'rig' | 'spigot' | 'tank' | 'line' | 'machine' | 'outlet' | 'booster' | 'manifold' | 'reel' | 'mix' | 'soft-pump' | 'liquid';
  readonly id: string;
}

/** Something the builder should hear. */
export interface Finding {
  /** What kind of trouble, for the fixes to answer. */
  readonly code: string;
  readonly verdict: Verdict;
  readonly station: Station;
  readonly subject: Subject;
  readonly message: Message;
}

/** A standing warning shown where work can hurt someone. */
export interface Caution {
  readonly station: Station;
  readonly text: string;
}

export interface PartShare {
  readonly lineId: string;
  readonly partId: string;
  readonly name: string;
  readonly lossM: number;
  /** Of the whole path's loss, 0..1. */
  readonly share: number;
  readonly flowM3s: number;
}

export interface FillResult {
  readonly lineId: string;
  readonly spigotId: string;
  readonly tankId: string;
  /** Into the tank below its float. */
  readonly arrives: Figure;
  readonly poor: number;
  readonly good: number;
  /** At an open hose end with nothing after the hose. */
  readonly spigotFlow: Figure;
  readonly parts: readonly PartShare[];
  readonly costliest: PartShare | undefined;
  readonly fillTime: Figure;
  /** Flow if the fill hose were one size wider, m³/s. */
  readonly wider: { readonly boreM: number; readonly flowM3s: number } | undefined;
  readonly curve: { readonly staticPressurePa: number; readonly k: number };
  /** What the line asks at the spigot for a flow: its losses and its lift. */
  readonly asks: readonly { readonly flowM3s: number; readonly pressurePa: number }[];
  readonly verdict: Verdict;
}

/** Water on board against time, by a straight job. */
export interface LevelSeries {
  /** s. */
  readonly timeS: readonly number[];
  /** Usable and unusable water together, m³. */
  readonly volumeM3: readonly number[];
}

export interface TankResult {
  readonly tankId: string;
  /** Tanks tied to it, itself included. */
  readonly tiedIds: readonly string[];
  /** Of this tank alone when full; all other volumes are of the tied tanks together. */
  readonly ownVolumeM3: number;
  readonly fullVolumeM3: number;
  readonly startVolumeM3: number;
  readonly heelVolumeM3: number;
  readonly heelLevel: Figure;
  readonly usable: Figure;
  readonly inflow: Figure;
  readonly inflowPoor: number;
  readonly inflowGood: number;
  readonly draw: Figure;
  readonly fullDraw: Figure;
  /** With every trigger held; Infinity when the spigot keeps up. */
  readonly timeToEmpty: Figure;
  /** Of the job as briefed; Infinity when it lasts. */
  readonly dryAfter: Figure;
  readonly dryAfterPoorS: number;
  readonly timeToRecover: Figure;
  /** Usable water that the job needs at its start, reserve included. */
  readonly needed: Figure;
  /** At the end of the job, m³ above the heel. */
  readonly leftM3: number;
  readonly series: LevelSeries;
  readonly seriesPoor: LevelSeries;
  readonly seriesGood: LevelSeries;
  readonly tie: { readonly differenceM: Figure; readonly firstDryId: string; readonly parts: readonly PartShare[] } | undefined;
  readonly verdict: Verdict;
}

export interface FeedTerm {
  readonly id: 'air' | 'vapour' | 'lift' | 'booster' | 'friction' | 'pulses';
  readonly label: string;
  /** Head, m; negative terms take away. */
  readonly valueM: number;
}

export interface FeedCase {
  readonly level: 'full' | 'half' | 'lowest';
  readonly strainer: 'clean' | 'dirty';
  readonly water: 'usual' | 'summer';
  readonly spigot: 'poor' | 'typical' | 'good';
  readonly marginM: number;
  readonly availableM: number;
}

export interface FeedResult {
  readonly machineId: string;
  /** From source to pump. */
  readonly lineIds: readonly string[];
  readonly sourceId: string;
  readonly direct: boolean;
  readonly boosted: boolean;
  readonly cases: readonly FeedCase[];
  readonly worst: FeedCase;
  readonly terms: readonly FeedTerm[];
  readonly available: Figure;
  readonly required: Figure;
  readonly margin: Figure;
  readonly velocity: Figure;
  readonly acceleration: { readonly rigidM: number; readonly capM: number; readonly used: Figure };
  readonly parts: readonly PartShare[];
  /** Heads along the path at the worst case, above the deck: for the grade line. */
  readonly grade: readonly { readonly label: string; readonly headM: number; readonly lineId: string }[];
  /** Margin, m, against the height of the water above the deck, m. */
  readonly byLevel: readonly { readonly surfaceM: number; readonly marginM: number }[];
  readonly limits: {
    /** Water temperature at which the margin is gone, K; Infinity when boiling comes first. */
    readonly hottestK: number;
    /** Altitude at which it is gone, m. */
    readonly highestM: number;
    /** Water surface above the deck at which it is gone, m; undefined when it never is. */
    readonly lowestSurfaceM: number | undefined;
    /** Most the feed passes before the margin is gone, m³/s. */
    readonly mostFlowM3s: number;
    /** How much dirtier than its dirty mark every strainer may get: factor on its loss. */
    readonly dirtFactor: number;
  };
  readonly elbows: { readonly count: number; readonly shareByPhysics: number; readonly shareByRule: number };
  /** Margin the other way: by gravity where a booster runs, with one where none does. Undefined for a feed straight from a spigot. */
  readonly otherWay: { readonly boosted: boolean; readonly marginM: number } | undefined;
  readonly verdict: Verdict;
}

export interface GunState {
  readonly outletId: string;
  readonly open: boolean;
  readonly pressurePa: number;
  readonly flowM3s: number;
}

export interface PressureCase {
  readonly label: string;
  readonly guns: readonly GunState[];
  readonly machines: readonly {
    readonly machineId: string;
    readonly pumpPressurePa: number;
    readonly returnedM3s: number;
    readonly returnPressurePa: number;
  }[];
}

export interface MachineResult {
  readonly machineId: string;
  /** With all its guns open. */
  readonly pumpPressure: Figure;
  readonly returned: Figure;
  readonly enginePower: Figure;
  readonly engineAvailable: Figure;
  readonly verdict: Verdict;
}

export interface OutletResult {
  readonly outletId: string;
  readonly machineIds: readonly string[];
  readonly lineIds: readonly string[];
  readonly pressure: Figure;
  readonly flow: Figure;
  readonly lineLossPa: number;
  readonly parts: readonly PartShare[];
  /** Nozzle that would give the wanted pressure with everything else as it is. */
  readonly betterSize: number;
  readonly verdict: Verdict;
}

export interface BypassResult {
  readonly machineId: string;
  readonly goesTo: 'tank' | 'inlet';
  readonly tankId: string | undefined;
  readonly heatW: number;
  readonly minutesToLimit: Figure;
  /** Rise of the tank over an hour of full bypass, K; of the loop for one to the inlet. */
  readonly riseHourK: number;
  readonly backPressure: Figure;
  /** Of the return line with the trigger shut. */
  readonly parts: readonly PartShare[];
  readonly bubbles: { readonly depth: Figure; readonly reachesBelowLevelM: number } | undefined;
  readonly verdict: Verdict;
}

export interface DrainResult {
  readonly tankId: string;
  readonly lineId: string | undefined;
  readonly time: Figure | undefined;
  readonly series: { readonly timeS: readonly number[]; readonly levelM: readonly number[]; readonly volumeM3: readonly number[] };
  /** Of the dump line at its fastest. */
  readonly parts: readonly PartShare[];
  readonly fastestOutflowM3s: number;
  readonly vacuum: Figure;
  readonly vacuumAtDraw: number;
  readonly verdict: Verdict;
}

export interface ReelResult {
  readonly reelId: string;
  readonly lineId: string;
  readonly hoseM: number;
  readonly outsideM: number;
  readonly capacity: Figure;
  readonly wrapsPerLayer: number;
  readonly layers: number;
  /** Diameter over the wound hose, m. */
  readonly woundM: number;
  readonly dryKg: Figure;
  readonly fullKg: Figure;
  readonly pullOut: Figure;
  readonly empty: Figure;
  readonly verdict: Verdict;
}

/** A hose run at the site, for one gun. */
export interface RunResult {
  readonly outletId: string;
  readonly needed: Figure;
  readonly carried: Figure;
  /** At the gun, with the run's height and its hose pulled out. */
  readonly arrives: Figure;
  /** Until a new liquid is at the tip. */
  readonly changeOver: Figure;
  readonly verdict: Verdict;
}

/** Everything that a rig's figures say, in SI. Plain data: crosses worker and wire. */
export interface Assessment {
  readonly verdict: Verdict;
  readonly headline: Message;
  readonly findings: readonly Finding[];
  readonly cautions: readonly Caution[];
  readonly fills: readonly FillResult[];
  readonly tanks: readonly TankResult[];
  readonly feeds: readonly FeedResult[];
  readonly machines: readonly MachineResult[];
  readonly outlets: readonly OutletResult[];
  readonly bypasses: readonly BypassResult[];
  readonly drains: readonly DrainResult[];
  readonly reels: readonly ReelResult[];
  readonly runs: readonly RunResult[];
  readonly chemical: ChemicalResult;
  readonly cases: readonly PressureCase[];
  /** Flow with all guns open and the tanks half full, m³/s, by line. */
  readonly lineFlow: Readonly<Record<string, number>>;
  readonly lineVerdict: Readonly<Record<string, Verdict>>;
  readonly assumptionsUsed: readonly string[];
  readonly solves: number;
}
