/** One figure of ours held against one from outside. */
export interface Check {
  /** Published source, standard or closed form; "common practice" for a fact of the trade. */
  readonly source: string;
  /** Cited from memory: nobody looked the value up. */
  readonly fromMemory: boolean;
  readonly what: string;
  /** The figure from outside, and ours, in one unit. */
  readonly wanted: number;
  readonly got: number;
  readonly unit: string;
  /** Largest difference that is let pass, of the figure. */
  readonly within: number;
}

/** Rows of one source: what, the figure from outside, ours. */
export type Row = readonly [what: string, wanted: number, got: number];

export const rows = (source: string, unit: string, within: number, list: readonly Row[], fromMemory = true): Check[] =>
  list.map(([what, wanted, got]) => ({ source, fromMemory, what, wanted, got, unit, within }));
