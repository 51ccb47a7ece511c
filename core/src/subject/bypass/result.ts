import type { PartShare } from '../../solve/part-share.js';
import type { Verdict } from '../verdict.js';
import type { Figure } from '../../working/figure.js';

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

export interface BypassAnswers {
  readonly bypasses: readonly BypassResult[];
}
