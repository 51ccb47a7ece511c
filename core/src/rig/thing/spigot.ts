import * as v from 'valibot';
import { height, id, list, name } from '../fields.js';
import { quantity } from '../quantity-field.js';
import { ALONE, NO_PLACE, type ThingKind } from './kind.js';

/** A tap of the customer, measured by timed buckets. */
export const spigot = v.strictObject({
  id,
  name,
  staticPressure: quantity('pressure', '1 psi', '200 psi'),
  /** Above the deck. */
  height,
  readings: v.pipe(
    list(
      v.strictObject({
        /** Flow into an open bucket. */
        flow: quantity('flow', '0.05 gpm', '200 gpm'),
        at: v.picklist(['spigot', 'hose-end']),
      }),
      12,
    ),
    v.minLength(1, '‹A spigot› needs one timed bucket at least.'),
  ),
});

export const SPIGOT = {
  list: 'spigots',
  word: 'spigot',
  starts: ['fill', 'feed', 'chemical'],
  ends: [],
  ...ALONE,
  ...NO_PLACE,
} as const satisfies ThingKind;

export type Spigot = v.InferOutput<typeof spigot>;
