import type { AssumptionId, AssumptionValues } from '../assumption/register.js';
import type { Rig, Tank } from '../rig/schema.js';
import type { Blends } from '../solve/blend-network.js';
import type { Cases } from '../solve/cases.js';
import type { FeedPart } from '../solve/feed-parts.js';
import type { GunPart } from '../solve/gun-parts.js';
import type { Stocks } from '../solve/stock.js';
import type { Caution, Finding } from './finding.js';
import type { Kinds } from './kind.js';
import type { SharedLists } from './shared-lists.js';
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
  /**
   * The answer for one thing; that of an earlier assessment where nothing it hangs on has changed. For subjects whose things
   * do not bear on one another.
   * @param key names subject and thing
   */
  readonly each: <T>(key: string, reads: (of: Reading) => readonly unknown[], make: () => T) => T;
}

/** A rig as a subject reads it. */
export interface Reading {
  readonly rig: Rig;
  readonly lists: SharedLists;
  /** Things without their names: the same for two that differ in nothing else. For figures that carry no name of theirs. */
  readonly bare: (things: readonly object[]) => readonly object[];
  /** Tanks as the water in them sees them: the same for two that differ in names, or in how far walls stand up beyond what is filled. */
  readonly wet: (tanks: readonly Tank[]) => readonly object[];
  /** What hangs together before the pumps. */
  readonly parts: ReadonlyMap<string, FeedPart>;
  /** What hangs together behind them. */
  readonly gunParts: ReadonlyMap<string, GunPart>;
  readonly ground: Pick<Ground, 'cases'>;
}

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
  /** What of the rig its answers hang on: where none of it changes they stand. Numbers, texts, and branches by identity. */
  readonly reads: (of: Reading) => readonly unknown[];
  /** What its findings hang on besides, names apart: where none of it changes either, they stand. */
  readonly tells?: (of: Reading) => readonly unknown[];
  readonly assess: (ground: Ground, given: Given) => Answers;
  readonly findings?: (ground: Ground, a: Answers & Given) => readonly Finding[];
  /** Standing warnings for the work. Advice, never a permit: local codes, data sheets and licensed trades decide. */
  readonly cautions?: (rig: Rig) => readonly Caution[];
  /** Assumptions behind verdicts and numbers that are no figures of their own. */
  readonly rests?: (rig: Rig, a: Answers) => readonly AssumptionId[];
}
