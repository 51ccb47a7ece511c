import * as v from 'valibot';
import { bore, height, id, list, name } from '../fields.js';
import { quantity } from '../quantity-field.js';
import { END_KINDS } from './index.js';
import { LINE_ROLES } from './kind.js';
import { PartSchema } from './part.js';

/** Where a line begins or ends. */
const end = v.strictObject({
  at: v.picklist(END_KINDS),
  id: v.optional(id),
  /** Height above the deck of a tank's bulkhead, or of an open end. */
  height: v.optional(height),
  /** Of a return into a tank: how far from the tank's outlet it comes down. */
  apart: v.optional(quantity('length', '0 in', '40 ft')),
});

/**
 * A tap just before the float valve of a fill line: a hand hose to rinse with, or, without a hose, a bucket tap. Open by
 * hand, shut all day but for that.
 */
const handTap = v.strictObject({
  id,
  name,
  bore,
  /** Of its hose; 0 for a bucket tap. */
  length: quantity('length', '0 ft', '300 ft'),
  /** Of its open end above the deck. */
  height,
});

/** Ordered parts between two ends. */
export const line = v.strictObject({
  id,
  name: v.optional(name),
  role: v.picklist(LINE_ROLES),
  from: end,
  to: end,
  /** A shut isolating valve: the line stays on the drawing, no water passes. */
  closed: v.optional(v.boolean()),
  parts: list(PartSchema, 60),
  /** Hand hoses and bucket taps off a fill line. */
  taps: v.optional(list(handTap, 4)),
});

export type Line = v.InferOutput<typeof line>;
export type LineDocument = v.InferInput<typeof line>;
export type HandTap = v.InferOutput<typeof handTap>;
export type End = v.InferOutput<typeof end>;
