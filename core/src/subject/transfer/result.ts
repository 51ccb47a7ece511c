import type { Figure } from '../../working/figure.js';
import type { Verdict } from '../verdict.js';

/** A pump that moves what one tank holds into another. */
export interface TransferResult {
  readonly pumpId: string;
  readonly fromId: string;
  readonly toId: string;
  /** With the tank that it takes from half full. */
  readonly flow: Figure;
  /** With that tank nearly empty, m³/s. */
  readonly least: number;
  /** From the liquid nearly empty up to where it comes out, and the most that the pump's pressure lifts it, m. */
  readonly liftM: number;
  readonly liftsM: number;
  /** From there up to the pump; below 0 it stands lower than the liquid. */
  readonly suctionM: number;
  /** What is moved: all that can be taken, or all that there is room for. */
  readonly moves: Figure;
  readonly time: Figure;
  /** It holds more than there is room for. */
  readonly overflows: boolean;
  readonly current: Figure | undefined;
  readonly verdict: Verdict;
}

export interface TransferAnswers {
  readonly chemical: { readonly transfers: readonly TransferResult[] };
}
