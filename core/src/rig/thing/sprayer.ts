import * as v from 'valibot';
import { id, name } from '../fields.js';
import { quantity } from '../quantity-field.js';
import { ALONE, NO_PLACE, type ThingKind } from './kind.js';

/** What a soft wash pump ends in. */
export const sprayer = v.strictObject({
  id,
  name,
  kind: v.picklist(['jet', 'fan', 'brush']),
  /** At work, above the deck. */
  height: quantity('length', '-20 ft', '120 ft'),
  nozzleBore: quantity('length', '0.5 mm', '30 mm'),
  /** A resin bed before a brush. */
  resin: v.optional(v.strictObject({ volume: quantity('volume', '0.1 L', '200 L'), capacity: quantity('density', '1000 gr/ft³', '40000 gr/ft³') })),
});

export const SPRAYER = {
  list: 'sprayers',
  word: 'soft wash gun',
  starts: [],
  ends: ['chemical'],
  ...ALONE,
  ...NO_PLACE,
} as const satisfies ThingKind;

export type Sprayer = v.InferOutput<typeof sprayer>;
