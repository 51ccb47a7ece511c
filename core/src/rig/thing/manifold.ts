import * as v from 'valibot';
import { height, id, name } from '../fields.js';
import { ALONE, ON_DECK, type ThingKind } from './kind.js';

/** Where lines join: a header, a tee to two guns. */
export const manifold = v.strictObject({ id, name, height });

export const MANIFOLD = {
  list: 'manifolds',
  word: 'header',
  starts: ['fill', 'feed', 'boost', 'pressure'],
  ends: ['fill', 'feed', 'boost', 'pressure'],
  ...ALONE,
  ...ON_DECK,
} as const satisfies ThingKind;

export type Manifold = v.InferOutput<typeof manifold>;
