import type { Figure } from '../../working/figure.js';

/** A brush behind a resin bed. */
export interface PureWaterResult {
  readonly sprayerId: string;
  readonly life: Figure;
  readonly flow: Figure;
  readonly heightM: number;
}

export interface PureWaterAnswers {
  readonly chemical: { readonly pureWater: readonly PureWaterResult[] };
}
