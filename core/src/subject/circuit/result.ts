import type { Figure } from '../../working/figure.js';
import type { Verdict } from '../verdict.js';

/** A 12 V load with the cable and fuse that it wants. */
export interface WireResult {
  readonly loadId: string;
  readonly name: string;
  /** By its solved duty. */
  readonly current: Figure;
  /** From the battery, one way: as the deck lies, else the assumption. */
  readonly lengthM: number;
  readonly asLaid: boolean;
  /** AWG, 0 for 1/0 and −1 for 2/0; undefined where no cable that is sold carries it so far. */
  readonly gauge: number | undefined;
  readonly areaM2: number | undefined;
  readonly fuseA: number | undefined;
  readonly drop: Figure | undefined;
  readonly voltage: number;
  readonly dropShare: number | undefined;
  readonly verdict: Verdict;
}

export interface CircuitAnswers {
  readonly circuits: readonly WireResult[];
}
