import * as v from 'valibot';
import { id, name } from '../fields.js';
import { quantity } from '../quantity-field.js';
import { SERVED, type ThingKind } from './kind.js';

/** An air receiver behind a compressor. */
export const receiver = v.strictObject({ id, name, volume: quantity('volume', '0.1 gal', '500 gal'), compressor: id });

export const RECEIVER = {
  list: 'receivers',
  word: 'air receiver',
  refers: [
    {
      field: 'compressor',
      to: ['compressor'],
      gone: 'goes',
      bound: 'a compressor',
      says: (own, named) => `Receiver "${own}" stands behind "${named}", which is no compressor.`,
    },
  ],
  burns: false,
  draws: false,
  ...SERVED,
} as const satisfies ThingKind;

export type Receiver = v.InferOutput<typeof receiver>;
export type ReceiverDocument = v.InferInput<typeof receiver>;
