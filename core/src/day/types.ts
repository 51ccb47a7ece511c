import type { FuelKind } from '../fuel/index.js';
import type { PhaseKind } from '../rig/day-schema.js';

/** What a day can run short of. */
export const CAUSES = ['water', 'feed', 'stock', 'battery', 'fuel', 'air', 'heat', 'reach'] as const;
export type Cause = (typeof CAUSES)[number];

/** One thing that can run short on a rig. */
export interface ShortKind {
  readonly cause: Cause;
  /** Of the vessel's first tank, the machine, the pump, the battery, or what the fuel is drawn from. */
  readonly id: string;
  readonly name: string;
}

/** It did: when first, and the work it cost. */
export interface Shortage extends ShortKind {
  /** s after the day's start. */
  readonly atS: number;
  /** Waited for and left undone, s. */
  readonly lostS: number;
}

/** A phase as it went. Times s after the day's start. */
export interface PhaseRun {
  readonly job: number;
  readonly phase: number;
  readonly kind: PhaseKind;
  /** 0 for everybody. */
  readonly crew: number;
  readonly fromS: number;
  readonly toS: number;
  readonly waitedS: number;
  readonly undoneS: number;
  readonly outletId: string | undefined;
  readonly mixId: string | undefined;
}

/** What a vessel went through, m³. */
export interface VesselDay {
  readonly tankIds: readonly string[];
  readonly name: string;
  readonly water: boolean;
  readonly full: number;
  readonly heel: number;
  readonly start: number;
  readonly end: number;
  readonly lowest: number;
}

export interface MixDay {
  readonly mixId: string;
  readonly usedM3: number;
  /** Trade shares at the wall: mean by volume, and the ends. Null when none was sprayed. */
  readonly mean: number | null;
  readonly lowest: number | null;
  readonly highest: number | null;
  readonly wanted: number;
}

/** What a battery went through, A s, of what may be used. */
export interface BatteryDay {
  readonly id: string;
  readonly name: string;
  readonly capacityAs: number;
  readonly usableAs: number;
  readonly leftAs: number;
  readonly lowestAs: number;
}

/** What a fuel tank went through, m³. */
export interface FuelDay {
  readonly id: string;
  readonly name: string;
  readonly fuel: FuelKind;
  readonly fullM3: number;
  /** What all that drink from it can use. */
  readonly usableM3: number;
  readonly usedM3: number;
  readonly leftM3: number;
}

/** How many such days a full tank lasts; Infinity where the day burns none of it. */
export const fuelLastsDays = (f: Pick<FuelDay, 'usableM3' | 'usedM3'> | undefined): number => (f && f.usedM3 > 0 ? f.usableM3 / f.usedM3 : Infinity);

/** Least share of a receiver's air above its pumps' pressure; null without a receiver. */
export interface ReceiverDay {
  readonly compressorId: string;
  readonly lowest: number | null;
}

/** The day minute by minute: a row for each event, straight or bending lines between them. */
export interface DayTrace {
  readonly timeS: readonly number[];
  /** By vessel, m³ at each time. */
  readonly volumeM3: readonly (readonly number[])[];
  /** In the step that begins at each time: into and out of each vessel, m³/s. */
  readonly inM3s: readonly (readonly number[])[];
  readonly outM3s: readonly (readonly number[])[];
  /** Trade share at the wall by mix; null while none is sprayed. */
  readonly strength: readonly (readonly (number | null)[])[];
  /** Outlets in the order of `gunPa`. */
  readonly outletIds: readonly string[];
  /** Pressure at each outlet with its trigger pulled, Pa; 0 while it is not in hand. */
  readonly gunPa: readonly (readonly number[])[];
  readonly connected: readonly boolean[];
  /** By battery, share of what may be used that is left; by fuel tank, share of the full one; at each time. */
  readonly battery: readonly (readonly number[])[];
  readonly fuel: readonly (readonly number[])[];
}

/** One day, worked through. */
export interface DayResult {
  readonly startsS: number;
  readonly lengthS: number;
  readonly jobs: readonly { readonly name: string; readonly fromS: number; readonly toS: number }[];
  readonly phases: readonly PhaseRun[];
  readonly vessels: readonly VesselDay[];
  readonly mixes: readonly MixDay[];
  readonly shortages: readonly Shortage[];
  readonly waitedS: number;
  readonly undoneS: number;
  /** Water, m³: out of the vessels that hold it, in from taps, in at refill places, let out. */
  readonly used: number;
  readonly filled: number;
  readonly refilled: number;
  readonly dumped: number;
  /** Most water on board while driving, m³. */
  readonly carriedMost: number;
  readonly guns: readonly { readonly outletId: string; readonly lowestPa: number }[];
  /** Hottest water in front of each machine, K. */
  readonly hottest: readonly { readonly machineId: string; readonly temperatureK: number }[];
  readonly batteries: readonly BatteryDay[];
  readonly fuels: readonly FuelDay[];
  readonly receivers: readonly ReceiverDay[];
  /** Burnt by everything, kg, wherever it came from. */
  readonly fuelKg: number;
  /** False when the day took more steps than it may: its figures are not to be trusted. */
  readonly settled: boolean;
  readonly trace: DayTrace | undefined;
}
