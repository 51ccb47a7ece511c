import type { ChemicalTankResult, LiquidResult, MeetingResult } from '../subject/liquid/result.js';
import type { MixResult } from '../subject/mix/result.js';
import type { SoftPumpResult } from '../subject/soft-pump/result.js';
import type { PureWaterResult, WinterResult } from '../subject/winter/result.js';

/** Everything about the chemical side. */
export interface ChemicalResult {
  readonly mixes: readonly MixResult[];
  readonly softPumps: readonly SoftPumpResult[];
  readonly liquids: readonly LiquidResult[];
  readonly tanks: readonly ChemicalTankResult[];
  readonly meetings: readonly MeetingResult[];
  readonly winter: WinterResult | undefined;
  readonly pureWater: readonly PureWaterResult[];
  /** Mean flow that soft washing takes from each tank over the job, m³/s. */
  readonly drawnFrom: Readonly<Record<string, number>>;
}
