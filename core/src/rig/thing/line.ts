import * as v from 'valibot';
import { height, id, list, name } from '../fields.js';
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
});

export type Line = v.InferOutput<typeof line>;
export type LineDocument = v.InferInput<typeof line>;
export type End = v.InferOutput<typeof end>;
