import * as v from 'valibot';

/** Where motors on the mains get it. */
export const MAINS = ['site', 'generator'] as const;

/** The mains of a rig's motors and shore chargers. */
export const mains = v.strictObject({
  from: v.picklist(MAINS),
  /** A residual-current device (RCD, GFCI) stands before everything that meets water; left out, nobody said. */
  rcd: v.optional(v.boolean()),
});

export type Mains = v.InferOutput<typeof mains>;
