import type { Judged } from './assessment.js';
import type { Rule } from './rule.js';
import type { Dimension } from '../quantity/dimension.js';
import type { Rig } from '../rig/schema.js';
import type { Scale } from './verdict.js';

/** The figure that a finding is about, and which way is better. */
export interface FindingFigure {
  readonly label: string;
  readonly dimension: Dimension;
  readonly better: 'more' | 'less';
  /** Smallest change worth telling. */
  readonly step: number;
  /** Of the thing that the finding is about, in SI. */
  readonly of: (a: Judged, id: string, rig: Rig) => number;
}

/** A kind of finding: one entry a code, in its subject's table. */
export interface FindingKind {
  /** What its severity is about; left out, that of its subject's table. */
  readonly scale?: Scale;
  readonly figure: FindingFigure;
  /** Changes that may help. */
  readonly rules?: Rule;
  /** A small trouble that a cure of a greater one may bring. */
  readonly minor?: boolean;
}

export type Kinds<Code extends string> = Readonly<Record<Code, FindingKind>>;

/** A finding that is there or not: the figure is how many places it is told of. */
export const places = (code: string): FindingFigure => ({
  label: 'places',
  dimension: 'number',
  better: 'less',
  step: 0.5,
  of: (a) => a.findings.filter((f) => f.code === code).length,
});

/** How much better `after` is than `before`, in the figure's own unit; negative when worse. */
export const gained = (figure: Pick<FindingFigure, 'better'>, before: number, after: number): number =>
  figure.better === 'more' ? after - before : before - after;
