import type { Box, LaidLine } from '../../deck/index.js';
import type { Side } from '../../rig/schema.js';
import type { ShelfPart } from '../../quantity/nominal.js';
import type { Figure } from '../../working/figure.js';
import type { Verdict } from '../verdict.js';

/** How a thing is got at. */
export interface Access {
  /** Side it is served from: as said, else that of the nearest edge. */
  readonly side: Side;
  readonly stated: boolean;
  /** Free in front of it on the deck, m; Infinity where the way to the edge is clear. */
  readonly freeM: number;
  readonly wantedM: number;
  /** From the edge of the deck to it, m. */
  readonly inFromEdgeM: number;
  /** Of its handles above the ground, m. */
  readonly handleM: number;
}

export interface PlacedThing {
  readonly id: string;
  readonly access: Access | undefined;
  /** Full, kg. */
  readonly massKg: number;
  /** What holds it, N, and what it has to be held against; undefined where nothing is said, or it is light. */
  readonly held: Figure | undefined;
  readonly heldWantedN: number;
  readonly verdict: Verdict;
}

/**
 * Where a hand closes on a valve or a strainer's bowl, or on an engine's start, oil drain or fuel cap, m: on the deck from its
 * front and kerb side, above the ground, in from the nearest edge.
 */
export interface HandPoint {
  readonly what: 'valve' | 'strainer' | 'start' | 'oil-drain' | 'fuel-cap';
  /** Of a valve or a bowl: its line, and the part's name. */
  readonly lineId: string | undefined;
  readonly part: string | undefined;
  /** The same part as a sentence calls it. */
  readonly called: string | ShelfPart | undefined;
  /** Side it is got at from; undefined for what is got at from above or from where one likes. */
  readonly side: Side | undefined;
  /** The thing it sits at. */
  readonly thing: string;
  readonly x: number;
  readonly y: number;
  readonly aboveGroundM: number;
  readonly inFromEdgeM: number;
  /** Whether it is got at by one who stands on the ground; else from the deck. */
  readonly fromGround: boolean;
  /** The thing that stands in the hand's way. */
  readonly behind: string | undefined;
  /** Of what sits at an engine or a fuel tank: free before it (over a cap), Infinity to the open, and what is wanted, m. */
  readonly room: { readonly freeM: number; readonly wantedM: number } | undefined;
}

export interface PlanResult {
  /** Ids of what has no place yet. */
  readonly tray: readonly string[];
  readonly things: readonly PlacedThing[];
  readonly hands: readonly HandPoint[];
  /** Bunds under tanks of chemicals, as large as what they hold and are deep. */
  readonly bunds: readonly { readonly tankId: string; readonly box: Box }[];
  readonly lines: readonly LaidLine[];
  /** Over all with what hangs over, m. */
  readonly widthM: number;
  readonly verdict: Verdict;
}

export interface PlanAnswers {
  /** Undefined while the rig has no platform. */
  readonly plan: PlanResult | undefined;
}
