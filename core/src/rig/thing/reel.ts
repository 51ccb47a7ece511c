import * as v from 'valibot';
import { id, name } from '../fields.js';
import { quantity } from '../quantity-field.js';
import type { ThingKind } from './kind.js';

export const REEL_PLACES = ['kerb', 'rear', 'street'] as const;
export const SWIVELS = ['brass', 'steel', 'stainless', 'plastic', 'none'] as const;
export const PARKINGS = ['hook', 'nothing'] as const;
/** A reel and the line whose hoses it carries. */
export const reel = v.strictObject({
  id,
  name,
  /** The line whose hoses it carries. */
  line: id,
  flange: quantity('length', '4 in', '6 ft'),
  core: quantity('length', '1 in', '5 ft'),
  width: quantity('length', '2 in', '6 ft'),
  place: v.picklist(REEL_PLACES),
  /** 1 is the lowest of its stack. */
  row: quantity('number', '1', '6'),
  swivel: v.picklist(SWIVELS),
  /** What holds the free end of its hose on the road; left out, not said. */
  parked: v.optional(v.picklist(PARKINGS)),
  /** Of one that a motor winds: what that draws. */
  motor: v.optional(quantity('current', '1 A', '200 A')),
});

export const REEL = {
  list: 'reels',
  word: 'reel',
  refers: [
    { field: 'line', to: ['line'], gone: 'seen to', bound: 'a line', says: (own, named) => `Reel "${own}" carries a line "${named}" that is not there.` },
  ],
  burns: false,
  draws: true,
  stands: true,
  served: true,
  started: false,
  melts: true,
  holdsFuel: false,
} as const satisfies ThingKind;

export type Reel = v.InferOutput<typeof reel>;
export type ReelDocument = v.InferInput<typeof reel>;
