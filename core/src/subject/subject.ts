import type { AssumptionId, AssumptionValues } from '../assumption/register.js';
import type { Rig } from '../rig/schema.js';
import type { Blends } from '../solve/blend-network.js';
import type { Cases } from '../solve/cases.js';
import type { Stocks } from '../solve/stock.js';
import type { Caution, Finding } from './finding.js';
import type { Kinds } from './kind.js';
import type { Scale } from './verdict.js';

/** What subjects reckon from. Each piece is made when it is first asked for. */
export interface Ground {
  readonly rig: Rig;
  readonly values: AssumptionValues;
  readonly cases: Cases;
  readonly stocks: Stocks;
  readonly blends: Blends;
  /** Cases that would not settle, in words; complete once every subject has answered. */
  readonly unsettled: readonly string[];
}

/** A list of what answers hang on that is more, or less, than a part of the document, see `assess/again/lists`. */
export type ListName =
  | 'air'
  | 'job'
  | 'coldest'
  | 'tap solids'
  | 'up to the pumps'
  | 'before the pumps'
  | 'all water'
  | 'behind the pumps'
  | 'behind the pumps, and tanks'
  | 'feed paths'
  | 'chemistry'
  | 'blends'
  | 'chemicals'
  | 'chemical levels'
  | 'water of injectors'
  | 'contents'
  | 'walls and ways out'
  | 'feed lines'
  | 'dump lines'
  | 'water of boosters'
  | 'wound lines'
  | 'guns open'
  | 'deck'
  | 'weighed besides'
  | 'slope';
/** What of a rig answers may hang on: a list, or a part of the document as it is. */
export type ReadName = ListName | Exclude<keyof Rig, 'brief' | 'name' | 'customer' | 'notes'>;

/**
 * A subject of the trade: what it answers, from what, and what may be wrong.
 * @typeParam Answers what it adds to an assessment
 * @typeParam Given the answers of the subjects that it names as its needs
 */
export interface Subject<Answers extends object = object, Given extends object = object, Code extends string = string> {
  readonly name: string;
  /** What the severity of its findings is about, where their kind says nothing else. */
  readonly scale: Scale;
  readonly kinds: Kinds<Code>;
  /** Names of the subjects whose answers it takes. */
  readonly needs?: readonly string[];
  /** What of the rig its answers and findings hang on, the names of things in findings apart: where none of it changes they stand. */
  readonly reads: readonly ReadName[];
  readonly assess: (ground: Ground, given: Given) => Answers;
  readonly findings?: (ground: Ground, a: Answers & Given) => readonly Finding[];
  /** Standing warnings for the work. Advice, never a permit: local codes, data sheets and licensed trades decide. */
  readonly cautions?: (rig: Rig) => readonly Caution[];
  /** Assumptions behind verdicts and numbers that are no figures of their own. */
  readonly rests?: (rig: Rig, a: Answers) => readonly AssumptionId[];
}
