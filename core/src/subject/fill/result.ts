import type { PartShare } from '../../solve/part-share.js';
import type { Verdict } from '../verdict.js';
import type { Figure } from '../../working/figure.js';

/** A hand hose or bucket tap off a fill line, opened with the tank filling. Flows in m³/s. */
export interface HandTapResult {
  readonly tapId: string;
  readonly gives: Figure;
  /** Into the tank meanwhile. */
  readonly toTank: number;
  /** Of the hand hose with the tank's float shut. */
  readonly alone: number;
  /** At a poor site. */
  readonly poor: number;
  readonly bucketTime: Figure;
  /** A backflow preventer stands before it. */
  readonly guarded: boolean;
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
  readonly taps: readonly HandTapResult[];
  readonly verdict: Verdict;
}

export interface FillAnswers {
  readonly fills: readonly FillResult[];
}
