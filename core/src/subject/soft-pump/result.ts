import type { Verdict } from '../verdict.js';
import type { Figure } from '../../working/figure.js';

/** A soft wash pump at work, tanks half full. */
export interface SoftPumpResult {
  readonly pumpId: string;
  readonly sprayerId: string;
  readonly lineIds: readonly string[];
  readonly flow: Figure;
  readonly rise: Figure;
  readonly tipPressure: Figure;
  /** From the water, tanks half full, up to what sprays, m, and the most that the pump's pressure lifts against; least flow that is of use there, m³/s. */
  readonly liftM: number;
  readonly liftsM: number;
  readonly leastFlow: number;
  readonly jetHeight: Figure;
  readonly jetThrow: Figure;
  /** Height of the tallest work that the site asks, m above the sprayer; 0 for none. */
  readonly reachWantedM: number;
  readonly elbows: { readonly count: number; readonly shareByPhysics: number; readonly shareByRule: number };
  /** Pump curve and what hose and tip ask, for a drawing: m³/s, Pa. */
  readonly curve: readonly { readonly flowM3s: number; readonly pressurePa: number }[];
  readonly asks: readonly { readonly flowM3s: number; readonly pressurePa: number }[];
  /** Spraying over the day, s. */
  readonly daySeconds: number;
  readonly current: Figure | undefined;
  readonly airUse: Figure | undefined;
  /** Spraying of one job, s. */
  readonly sprayS: number;
  readonly airPower: Figure | undefined;
  /** Fuel of the engine or compressor over the day, kg. */
  readonly fuelDayKg: number;
  readonly bypassLimitS: number;
  readonly spare: boolean;
  readonly verdict: Verdict;
}

export interface SoftPumpAnswers {
  readonly chemical: { readonly softPumps: readonly SoftPumpResult[] };
}
