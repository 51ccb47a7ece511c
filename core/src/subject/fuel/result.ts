import type { EngineKind } from '../../energy/index.js';
import type { FuelKind } from '../../fuel/index.js';
import type { FuelLift } from '../../rig/schema.js';
import type { Figure } from '../../working/figure.js';
import type { Verdict } from '../verdict.js';

/** How fuel gets to an engine or a burner. SI; heads in metres of its fuel. */
export interface FuelEngineResult {
  readonly engineId: string;
  readonly name: string;
  readonly kind: EngineKind;
  readonly fuel: FuelKind;
  readonly lift: FuelLift;
  /** What it drinks from: a fuel tank's id, its own where it carries one; undefined where nobody said. */
  readonly storeId: string | undefined;
  /** At full power. */
  readonly burnsMost: Figure;
  readonly lengthM: number | undefined;
  readonly asLaid: boolean;
  /** Fuel above its carburettor, its hose's loss and the slope taken off: full, at the reserve, at the last. */
  readonly headFull: Figure | undefined;
  readonly headReserve: Figure | undefined;
  readonly headLast: Figure | undefined;
  readonly carburettorM: number;
  readonly carburettorAssumed: boolean;
  readonly slopeM: number;
  /** Head that its hose takes at full power, m. */
  readonly lossM: number | undefined;
  /** Most that its pump lifts; 0 by gravity. */
  readonly liftsM: number;
  /** Of the tank: what never gets to it, m³. */
  readonly deadM3: number;
  readonly verdict: Verdict;
}

export interface FuelTankResult {
  readonly tankId: string;
  readonly name: string;
  readonly fuel: FuelKind;
  readonly volumeM3: number;
  /** That all it feeds can use. */
  readonly usable: Figure;
  readonly massKg: number;
  /** Outlet and brim above the deck. */
  readonly outletM: number;
  readonly brimM: number;
  readonly engineIds: readonly string[];
  /** With everything that it feeds at full power, s; Infinity where nothing draws on it. */
  readonly lastsS: number;
  readonly vented: boolean;
  /** On an engine. */
  readonly own: boolean;
  readonly verdict: Verdict;
}

export interface FuelAnswers {
  readonly fuel: {
    readonly tanks: readonly FuelTankResult[];
    readonly engines: readonly FuelEngineResult[];
    /** In cans, m³. */
    readonly spareM3: Readonly<Record<FuelKind, number>>;
  };
}
