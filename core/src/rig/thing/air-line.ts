import * as v from 'valibot';
import { bore, id, name } from '../fields.js';
import { quantity } from '../quantity-field.js';
import type { ThingKind } from './kind.js';

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

export const AIR_LINE = { list: 'airLines', word: 'air line' } as const satisfies ThingKind;

export type AirLine = v.InferOutput<typeof airLine>;
export type AirLineDocument = v.InferInput<typeof airLine>;
