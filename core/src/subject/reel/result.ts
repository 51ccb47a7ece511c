import type { Verdict } from '../verdict.js';
import type { Figure } from '../../working/figure.js';

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

export interface ReelAnswers {
  readonly reels: readonly ReelResult[];
  readonly runs: readonly RunResult[];
}
