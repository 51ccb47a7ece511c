import type { InletMargin, InletTerm } from '../../solve/inlet.js';
import type { PartShare } from '../../solve/part-share.js';
import type { Verdict } from '../verdict.js';
import type { Figure } from '../../working/figure.js';

export interface FeedCase extends InletMargin {
  readonly level: 'full' | 'half' | 'lowest';
  readonly strainer: 'clean' | 'dirty';
  readonly water: 'usual' | 'summer';
  readonly spigot: 'poor' | 'typical' | 'good';
}

export type { InletTerm } from '../../solve/inlet.js';

export interface FeedResult {
  readonly machineId: string;
  /** From source to pump. */
  readonly lineIds: readonly string[];
  readonly sourceId: string;
  readonly direct: boolean;
  readonly boosted: boolean;
  readonly cases: readonly FeedCase[];
  readonly worst: FeedCase;
  readonly terms: readonly InletTerm[];
  readonly available: Figure;
  readonly required: Figure;
  readonly margin: Figure;
  /** Gauge pressure at the inlet in the worst case, and where the pulses press it down to. */
  readonly inlet: { readonly mean: Figure; readonly troughPa: number; readonly leastPa: number };
  /** Highest gauge pressure that the inlet meets, and the most that it may. */
  readonly highest: { readonly mean: Figure; readonly mostPa: number };
  readonly velocity: Figure;
  readonly acceleration: { readonly rigidM: number; readonly capM: number; readonly used: Figure };
  readonly parts: readonly PartShare[];
  /** Heads along the path at the worst case, above the deck: for the grade line. */
  readonly grade: readonly { readonly label: string; readonly headM: number; readonly lineId: string }[];
  /** Margin, m, against the height of the water above the deck, m; and what of it is over NPSH required. */
  readonly byLevel: readonly { readonly surfaceM: number; readonly marginM: number; readonly npshM: number }[];
  readonly limits: {
    /** Water temperature at which the margin is gone, K; Infinity when boiling comes first. */
    readonly hottestK: number;
    /** Altitude at which it is gone, m. */
    readonly highestM: number;
    /** Water surface above the deck at which it is gone, m; undefined when it never is. */
    readonly lowestSurfaceM: number | undefined;
    /** Most the feed passes before the margin is gone, m³/s. */
    readonly mostFlowM3s: number;
    /** How much dirtier than its dirty mark every strainer may get: factor on its loss. */
    readonly dirtFactor: number;
  };
  readonly elbows: { readonly count: number; readonly shareByPhysics: number; readonly shareByRule: number };
  /** Margin the other way: by gravity where a booster runs, with one where none does. Undefined for a feed straight from a spigot. */
  readonly otherWay: { readonly boosted: boolean; readonly marginM: number } | undefined;
  readonly verdict: Verdict;
}

export interface FeedAnswers {
  readonly feeds: readonly FeedResult[];
}
