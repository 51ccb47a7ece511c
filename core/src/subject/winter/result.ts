import type { Figure } from '../../working/figure.js';

/** A stretch to be filled with antifreeze. */
export interface CircuitResult {
  readonly name: string;
  readonly wettedM3: number;
}

/** A battery on the coldest night, after a day's work and before a charger. */
export interface WinterBattery {
  readonly batteryId: string;
  readonly name: string;
  /** Of its charge. */
  readonly leftShare: number;
  /** Where its acid freezes, K; undefined for one without. */
  readonly freezesK: number | undefined;
  /** Of what it may give, in that cold. */
  readonly gives: Figure;
}

export interface WinterResult {
  readonly batteries: readonly WinterBattery[];
  readonly circuits: readonly CircuitResult[];
  readonly coldestK: number | undefined;
  /** Of the mix in the lines; 0 without frost, null where the product does not stand the coldest night: no amount of it would do. */
  readonly glycolShare: number | null;
  readonly antifreeze: Figure;
  readonly cost: number;
  /** In antifreeze tanks as the rig stands, m³; undefined where there is none. */
  readonly onBoardM3: number | undefined;
  readonly away: readonly string[];
  readonly back: readonly string[];
}

export interface WinterAnswers {
  readonly chemical: { readonly winter: WinterResult | undefined };
}
