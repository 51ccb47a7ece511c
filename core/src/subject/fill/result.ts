import type { PartShare } from '../../solve/part-share.js';
import type { Verdict } from '../verdict.js';
import type { Figure } from '../../working/figure.js';

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

export interface FillAnswers {
  readonly fills: readonly FillResult[];
}
