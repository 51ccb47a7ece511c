import type { TankResult } from '../subject/buffer/result.js';
import type { BypassResult } from '../subject/bypass/result.js';
import type { ChemicalResult } from './chemical-result.js';
import type { DrainResult } from '../subject/drain/result.js';
import type { FeedResult } from '../subject/feed/result.js';
import type { FillResult } from '../subject/fill/result.js';
import type { Caution, Finding } from '../subject/finding.js';
import type { MachineResult, OutletResult, PressureCase } from '../subject/pressure/result.js';
import type { ReelResult, RunResult } from '../subject/reel/result.js';
import type { Scale, Verdict } from '../subject/verdict.js';
import type { Message } from '../working/figure.js';

/** Everything that a rig's figures say, in SI. Plain data: crosses worker and wire. */
export interface Assessment {
  readonly verdict: Verdict;
  /** What the headline's severity is about. */
  readonly scale: Scale;
  readonly headline: Message;
  readonly findings: readonly Finding[];
  readonly cautions: readonly Caution[];
  readonly fills: readonly FillResult[];
  readonly tanks: readonly TankResult[];
  readonly feeds: readonly FeedResult[];
  readonly machines: readonly MachineResult[];
  readonly outlets: readonly OutletResult[];
  readonly bypasses: readonly BypassResult[];
  readonly drains: readonly DrainResult[];
  readonly reels: readonly ReelResult[];
  readonly runs: readonly RunResult[];
  readonly chemical: ChemicalResult;
  readonly cases: readonly PressureCase[];
  /** Flow with all guns open and the tanks half full, m³/s, by line. */
  readonly lineFlow: Readonly<Record<string, number>>;
  readonly lineVerdict: Readonly<Record<string, Verdict>>;
  readonly assumptionsUsed: readonly string[];
  readonly solves: number;
}
