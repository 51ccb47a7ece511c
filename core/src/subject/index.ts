import { AIR } from './air/subject.js';
import { BUFFER } from './buffer/subject.js';
import { BYPASS } from './bypass/subject.js';
import { CIRCUIT } from './circuit/subject.js';
import { CROSSING } from './crossing/subject.js';
import { DRAIN } from './drain/subject.js';
import { FEED } from './feed/subject.js';
import { FILL } from './fill/subject.js';
import { FLOW } from './flow/subject.js';
import { FUEL } from './fuel/subject.js';
import { HEAT } from './heat/subject.js';
import type { FindingKind } from './kind.js';
import { HOUSE_WATER } from './house-water/subject.js';
import { LIQUID } from './liquid/subject.js';
import { MEETING } from './meeting/subject.js';
import { MIX } from './mix/subject.js';
import { PLAN } from './plan/subject.js';
import { PLUMBING } from './plumbing/subject.js';
import { PRESSURE } from './pressure/subject.js';
import { PURE_WATER } from './pure-water/subject.js';
import { REEL } from './reel/subject.js';
import { SLOPE } from './slope/subject.js';
import { SOFT_PUMP } from './soft-pump/subject.js';
import type { Subject } from './subject.js';
import { TRANSFER } from './transfer/subject.js';
import { type Scale, SEVERITY_WORDS, type Verdict } from './verdict.js';
import { SUPPLY } from './supply/subject.js';
import { WEIGHT } from './weight/subject.js';
import { WHOLE } from './whole/subject.js';
import { WINTER } from './winter/subject.js';

/** Every subject, in the order in which what is wrong is told. What a subject needs of another it names; see `assess`. */
export const SUBJECTS = [
  FILL,
  HOUSE_WATER,
  CROSSING,
  BUFFER,
  FEED,
  SUPPLY,
  PLUMBING,
  PRESSURE,
  BYPASS,
  DRAIN,
  FLOW,
  REEL,
  WEIGHT,
  SLOPE,
  PLAN,
  MEETING,
  MIX,
  SOFT_PUMP,
  TRANSFER,
  FUEL,
  CIRCUIT,
  AIR,
  HEAT,
  LIQUID,
  WINTER,
  PURE_WATER,
  WHOLE,
] as const;

type Each = (typeof SUBJECTS)[number];
type AnswersOf<S> = S extends Subject<infer A, infer _G, infer _C> ? A : never;
type All<U> = (U extends unknown ? (x: U) => void : never) extends (x: infer I) => void ? I : never;

/** Everything that the subjects answer, together. */
export type Answers = All<AnswersOf<Each>>;

/** Every code that a finding may have: the keys of the subjects' tables. */
export type FindingCode = Each extends infer S ? (S extends Subject<infer _A, infer _G, infer C> ? C : never) : never;

type ScaledKind = FindingKind & { readonly scale: Scale };

/** Every kind of finding by its code. A code in two tables fails loudly. */
export const FINDING_KINDS: Readonly<Record<FindingCode, ScaledKind>> = (() => {
  const all: Record<string, ScaledKind> = {};
  for (const { kinds, scale } of SUBJECTS as readonly Pick<Subject, 'kinds' | 'scale'>[])
    for (const [code, kind] of Object.entries(kinds)) {
      if (code in all) throw new Error(`The finding "${code}" is in two subjects' tables.`);
      all[code] = { ...kind, scale: kind.scale ?? scale };
    }
  return all as Record<FindingCode, ScaledKind>;
})();

/** The word for a finding's severity, fitted to what it is about: a mix that is too strong is not starved. */
export const severityWord = ({ code, verdict }: { readonly code: FindingCode; readonly verdict: Verdict }): string =>
  SEVERITY_WORDS[FINDING_KINDS[code].scale][verdict];
