import type { Dimension } from '../quantity/dimension.js';

export type AssumptionKind = 'published' | 'common-practice' | 'estimate';

export interface Assumption {
  readonly id: string;
  readonly label: string;
  readonly dimension: Dimension;
  /** Default as typed; its unit is the one the source uses. */
  readonly value: string;
  readonly kind: AssumptionKind;
  readonly source: string;
  /** The source is cited from memory: nobody looked the value up in it. The screen says "unverified". */
  readonly unverified?: true;
  /** Least and most that it may be, where its dimension says too little. */
  readonly within?: Bounds;
}

type Bounds = readonly [least: string, most: string];
/** What is divided by an efficiency wants one. */
export const EFFICIENCY: Bounds = ['5 %', '100 %'];
/** A booster gives more than the line carries. */
export const BOOSTED: Bounds = ['5 %', '1000 %'];
/** A pump’s inlet may stand under suction. */
export const SUCTION: Bounds = ['-14 psi', '500 psi'];

/** The words in a source, as the register is written, that say that it is cited from memory. */
const FROM_MEMORY = / ?\(from memory\)/;

/** An entry of the register. Its id stays a literal, so that a rule that names another is an error at build time. */
export const assumption = <const Id extends string>(
  id: Id,
  label: string,
  dimension: Dimension,
  value: string,
  kind: AssumptionKind,
  source: string,
  within?: Bounds,
): Assumption & { readonly id: Id } => ({
  id,
  label,
  dimension,
  value,
  kind,
  source: source.replace(FROM_MEMORY, ''),
  ...(FROM_MEMORY.test(source) ? { unverified: true as const } : {}),
  ...(within ? { within } : {}),
});
