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
}

/** An entry of the register. Its id stays a literal, so that a rule that names another is an error at build time. */
export const assumption = <const Id extends string>(
  id: Id,
  label: string,
  dimension: Dimension,
  value: string,
  kind: AssumptionKind,
  source: string,
): Assumption & { readonly id: Id } => ({ id, label, dimension, value, kind, source });
