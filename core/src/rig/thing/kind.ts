/** What a line is for; it decides what may stand at its ends. */
export const LINE_ROLES = ['fill', 'tie', 'feed', 'boost', 'pressure', 'bypass', 'dump', 'chemical'] as const;
export type LineRole = (typeof LINE_ROLES)[number];

/** Of every entry of a list, of none, or of those of which it says so. */
type Of = boolean | ((entry: never) => boolean);

/** An id in an entry that names something else on the rig. */
export interface Reference {
  /** Dotted where it lies deeper: `injector.outlet`. May be left out where the schema says so. */
  readonly field: string;
  /** What it may name: things, `line`, or whatever burns fuel or draws current. */
  readonly to: readonly string[];
  /** Which of those. */
  readonly only?: (entry: never) => boolean;
  /**
   * What becomes of the entry when that is gone: it goes with it, it lets go of it, or whoever takes that away sees to it (what
   * is left hanging then is a problem).
   */
  readonly gone: 'goes' | 'lets go' | 'seen to';
  /** `a fuel tank`. */
  readonly bound: string;
  /** Said where it names nothing of the kind. */
  readonly says: (own: string, named: string) => string;
  /** No two entries name the same: what is said where they do. */
  readonly single?: { readonly bound: string; readonly says: (named: string) => string };
}

/** What stands on the deck is to whoever works there. */
export interface OnDeck {
  /** Has a place; what has none hangs in the hand, lies as a line, or stands with the vehicle. */
  readonly stands: Of;
  /** A hand has to get at it: started, opened, filled, wound. A tank of water is filled from above. */
  readonly served: Of;
  /** Started by hand: out of reach it is climbed for. */
  readonly started: boolean;
  /** An exhaust melts it, or sets it on fire. */
  readonly melts: Of;
  /** Holds fuel and is filled with it. */
  readonly holdsFuel: Of;
}

/** A kind of thing that a rig has a list of: all that is the same about every one of them, in one place. */
export interface ThingKind extends OnDeck {
  /** Key of its list on the rig. */
  readonly list: string;
  /** In a sentence: "a soft wash pump". */
  readonly word: string;
  /** Roles of the lines that may start at it; left out, it is never an end of a line. */
  readonly starts?: readonly LineRole[];
  /** Roles of the lines that may end at it. */
  readonly ends?: readonly LineRole[];
  readonly refers: readonly Reference[];
  /** Burns fuel, so that a fuel line may end at it, and blows exhaust. */
  readonly burns: Of;
  /** Draws current, so that a cable may end at it. */
  readonly draws: Of;
}

/** Of what has no place on the deck. */
export const NO_PLACE = { stands: false, served: false, started: false, melts: false, holdsFuel: false } as const satisfies OnDeck;
/** Of what stands there and nobody has to get at; of what a hand has to; of what is started by hand. */
export const ON_DECK = { ...NO_PLACE, stands: true } as const satisfies OnDeck;
export const SERVED = { ...ON_DECK, served: true } as const satisfies OnDeck;
export const STARTED = { ...SERVED, started: true } as const satisfies OnDeck;
/** Of what names nothing, burns nothing and draws nothing. */
export const ALONE = { refers: [], burns: false, draws: false } as const satisfies Pick<ThingKind, 'refers' | 'burns' | 'draws'>;
