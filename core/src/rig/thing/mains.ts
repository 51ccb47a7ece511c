import * as v from 'valibot';
import { quantity } from '../quantity-field.js';
import { GAUGES } from './wire.js';

/** Where motors on the mains get it. */
export const MAINS = ['site', 'generator'] as const;

/** The mains of a rig's motors and shore chargers. */
export const mains = v.strictObject({
  from: v.picklist(MAINS),
  /** A residual-current device (RCD, GFCI) stands before everything that meets water; left out, nobody said. */
  rcd: v.optional(v.boolean()),
  /** Of the socket: its voltage and its breaker, as its plate says; left out, assumptions stand in. */
  volts: v.optional(quantity('voltage', '100 V', '480 V')),
  breaker: v.optional(quantity('current', '5 A', '200 A')),
  /** An extension lead between socket and motor. */
  lead: v.optional(v.strictObject({ length: quantity('length', '1 ft', '500 ft'), gauge: v.picklist(GAUGES) })),
});

export type Mains = v.InferOutput<typeof mains>;
