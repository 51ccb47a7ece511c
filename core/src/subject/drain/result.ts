import type { PartShare } from '../../solve/part-share.js';
import type { Verdict } from '../verdict.js';
import type { Figure } from '../../working/figure.js';

export interface DrainResult {
  readonly tankId: string;
  readonly lineId: string | undefined;
  readonly time: Figure | undefined;
  /** As it drains from full: with the tanks that are tied to it, what is left and what that weighs. */
  readonly series: {
    readonly timeS: readonly number[];
    readonly levelM: readonly number[];
    readonly volumeM3: readonly number[];
    readonly massKg: readonly number[];
  };
  /** Of the dump line at its fastest. */
  readonly parts: readonly PartShare[];
  readonly fastestOutflowM3s: number;
  readonly vacuum: Figure;
  readonly vacuumAtDraw: number;
  readonly verdict: Verdict;
}

export interface DrainAnswers {
  readonly drains: readonly DrainResult[];
}
