import { BUFFER_KINDS, type BufferCode } from './buffer/kinds.js';
import { BYPASS_KINDS, type BypassCode } from './bypass/kinds.js';
import { DRAIN_KINDS, type DrainCode } from './drain/kinds.js';
import { FEED_KINDS, type FeedCode } from './feed/kinds.js';
import { FILL_KINDS, type FillCode } from './fill/kinds.js';
import { type FindingKind, type Kinds, places } from './kind.js';
import { LIQUID_KINDS, type LiquidCode } from './liquid/kinds.js';
import { MIX_KINDS, type MixCode } from './mix/kinds.js';
import { PRESSURE_KINDS, type PressureCode } from './pressure/kinds.js';
import { REEL_KINDS, type ReelCode } from './reel/kinds.js';
import { SOFT_PUMP_KINDS, type SoftPumpCode } from './soft-pump/kinds.js';
import { type Scale, SEVERITY_WORDS, type Verdict } from './verdict.js';
import { WINTER_KINDS, type WinterCode } from './winter/kinds.js';

/** Told of the rig as a whole. */
export type RigCode = 'no-machine' | 'unsolved';
const RIG_KINDS: Kinds<RigCode> = {
  'no-machine': { figure: places('no-machine') },
  unsolved: {
    figure: {
      label: 'cases that do not settle',
      dimension: 'number',
      better: 'less',
      step: 0.5,
      of: (a) => a.findings.filter((f) => f.code === 'unsolved').length,
    },
  },
};

/** Every code that a finding may have: the keys of the subjects' tables. */
export type FindingCode =
  RigCode | FillCode | BufferCode | FeedCode | PressureCode | BypassCode | DrainCode | ReelCode | MixCode | LiquidCode | SoftPumpCode | WinterCode;

const TABLES = {
  rig: RIG_KINDS,
  fill: FILL_KINDS,
  buffer: BUFFER_KINDS,
  feed: FEED_KINDS,
  pressure: PRESSURE_KINDS,
  bypass: BYPASS_KINDS,
  drain: DRAIN_KINDS,
  reel: REEL_KINDS,
  mix: MIX_KINDS,
  liquid: LIQUID_KINDS,
  'soft-pump': SOFT_PUMP_KINDS,
  winter: WINTER_KINDS,
} as const;

/** A subject of the trade: a folder here. */
export type SubjectName = keyof typeof TABLES;

type ScaledKind = FindingKind & { readonly scale: Scale };

/** What the severity of a subject's findings is about. */
const SCALE_OF: Readonly<Record<SubjectName, Scale>> = {
  rig: 'feeding',
  fill: 'feeding',
  buffer: 'feeding',
  feed: 'feeding',
  pressure: 'rating',
  bypass: 'rating',
  drain: 'rating',
  reel: 'practice',
  mix: 'strength',
  liquid: 'practice',
  'soft-pump': 'rating',
  winter: 'practice',
};

/** Every kind of finding by its code. A code in two tables fails loudly. */
export const FINDING_KINDS: Readonly<Record<FindingCode, ScaledKind>> = (() => {
  const all: Record<string, ScaledKind> = {};
  for (const [name, table] of Object.entries(TABLES) as [SubjectName, Kinds<string>][])
    for (const [code, kind] of Object.entries(table)) {
      if (code in all) throw new Error(`The finding "${code}" is in two subjects' tables.`);
      all[code] = { ...kind, scale: kind.scale ?? SCALE_OF[name] };
    }
  return all as Record<FindingCode, ScaledKind>;
})();

/** The word for a finding's severity, fitted to what it is about: a mix that is too strong is not starved. */
export const severityWord = ({ code, verdict }: { readonly code: FindingCode; readonly verdict: Verdict }): string =>
  SEVERITY_WORDS[FINDING_KINDS[code].scale][verdict];
