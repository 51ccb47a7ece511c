import type { Caution, Finding } from './finding.js';
import type { Answers } from './index.js';
import type { Scale, Verdict } from './verdict.js';
import type { Message } from '../working/figure.js';

/** What is said of a rig as a whole. */
interface Over {
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
export interface Assessment extends Over, Answers {}

/** What of an assessment a change is judged by. */
export interface Judged extends Pick<Over, 'verdict' | 'findings'>, Answers {}

/** Everything about the chemical side. */
export type ChemicalResult = Assessment['chemical'];
