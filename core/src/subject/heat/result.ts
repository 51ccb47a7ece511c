import type { Figure } from '../../working/figure.js';
import type { Verdict } from '../verdict.js';

/** A burner behind a washer, every gun open. SI. */
export interface BurnerResult {
  readonly burnerId: string;
  readonly machineId: string;
  readonly rise: Figure;
  readonly out: Figure;
  readonly heat: Figure;
  readonly fuel: Figure;
  /** It gets the water to what its thermostat holds. */
  readonly reaches: boolean;
  readonly setK: number;
  /** What stands the least of all behind it: named, with the line that it is in; undefined where nothing is behind it. */
  readonly weakest: { readonly part: string; readonly lineId: string; readonly standsK: number; readonly assumed: boolean } | undefined;
  readonly verdict: Verdict;
}

export interface HeatAnswers {
  readonly burners: readonly BurnerResult[];
}
