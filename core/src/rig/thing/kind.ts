/** What a line is for; it decides what may stand at its ends. */
export const LINE_ROLES = ['fill', 'tie', 'feed', 'boost', 'pressure', 'bypass', 'dump', 'chemical'] as const;
export type LineRole = (typeof LINE_ROLES)[number];

/** A kind of thing that a rig has a list of. */
export interface ThingKind {
  /** Key of its list on the rig. */
  readonly list: string;
  /** In a sentence: "a soft wash pump". */
  readonly word: string;
  /** Roles of the lines that may start at it; left out, it is never an end of a line. */
  readonly starts?: readonly LineRole[];
  /** Roles of the lines that may end at it. */
  readonly ends?: readonly LineRole[];
}
