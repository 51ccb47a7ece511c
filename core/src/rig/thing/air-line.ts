import * as v from 'valibot';
import { bore, id, name } from '../fields.js';
import { quantity } from '../quantity-field.js';
import { NO_PLACE, type ThingKind } from './kind.js';

/** An air hose from a compressor to an air-operated pump. */
export const airLine = v.strictObject({
  id,
  name: v.optional(name),
  from: id,
  to: id,
  bore,
  /** As cut; left out, as the deck lies. */
  length: v.optional(quantity('length', '1 in', '300 ft')),
});

export const AIR_LINE = {
  list: 'airLines',
  word: 'air line',
  refers: [
    {
      field: 'from',
      to: ['compressor'],
      gone: 'goes',
      bound: 'a compressor',
      says: (own, named) => `Air line "${own}" starts at "${named}", which is no compressor.`,
    },
    {
      field: 'to',
      to: ['soft-pump'],
      only: (p: { readonly kind: string }) => p.kind === 'air',
      gone: 'goes',
      bound: 'an air-operated pump',
      says: (own, named) => `Air line "${own}" leads to "${named}", which is no air-operated pump.`,
      single: { bound: 'one air line', says: (named) => `"${named}" has two air lines.` },
    },
  ],
  burns: false,
  draws: false,
  ...NO_PLACE,
} as const satisfies ThingKind;

export type AirLine = v.InferOutput<typeof airLine>;
export type AirLineDocument = v.InferInput<typeof airLine>;
