import * as v from 'valibot';
import { height, id, name } from '../fields.js';
import { quantity } from '../quantity-field.js';
import { ON_DECK, type ThingKind } from './kind.js';

/** A centrifugal pump before the washers. */
export const booster = v.strictObject({
  id,
  name,
  height,
  running: v.boolean(),
  shutoffPressure: quantity('pressure', '0.5 psi', '150 psi'),
  openFlow: quantity('flow', '0.1 gpm', '200 gpm'),
});

export const BOOSTER = {
  list: 'boosters',
  word: 'booster',
  starts: ['feed', 'boost'],
  ends: ['feed', 'boost'],
  refers: [],
  burns: false,
  draws: true,
  ...ON_DECK,
} as const satisfies ThingKind;

export type Booster = v.InferOutput<typeof booster>;
