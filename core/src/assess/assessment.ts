import type { Caution, Finding } from '../subject/finding.js';
import type { Answers } from '../subject/index.js';
import type { Scale, Verdict } from '../subject/verdict.js';
import type { Message } from '../working/figure.js';

/** What is said of a rig as a whole. */
interface Frame {
  readonly verdict: Verdict;
  /** What the headline's severity is about. */
  readonly scale: Scale;
  readonly headline: Message;
  readonly findings: readonly Finding[];
  readonly cautions: readonly Caution[];
  readonly lineVerdict: Readonly<Record<string, Verdict>>;
  readonly assumptionsUsed: readonly string[];
  readonly solves: number;
}

/** Everything that a rig's figures say, in SI: the answers of every subject. Plain data: crosses worker and wire. */
export interface Assessment extends Frame, Answers {}

/** What of an assessment a change is judged by. */
export interface Judged extends Pick<Frame, 'verdict' | 'findings'>, Answers {}

/** Everything about the chemical side. */
export type ChemicalResult = Assessment['chemical'];
