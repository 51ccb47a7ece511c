import * as v from 'valibot';
import { BOLT_SIZES, RESTRAINTS, STRAP_RUNS } from '../../structure/index.js';
import { id } from '../fields.js';
import { quantity } from '../quantity-field.js';

/** Sides of a deck: towards the front, the rear, the kerb, the street. */
export const SIDES = ['front', 'rear', 'kerb', 'street'] as const;
export type Side = (typeof SIDES)[number];

/** Quarter turns, clockwise from above. */
export const TURNS = ['0', '90', '180', '270'] as const;

const side = quantity('length', '1 in', '40 ft');

/**
 * Where a thing stands. Its height is not told here: it is that of what it stands on, and the thing's own heights are above
 * that.
 */
export const placement = v.strictObject({
  /** Id of the thing. */
  thing: id,
  /** Of its nearest corner: from the front edge of the deck, and from the kerb side's edge. Less than nothing is beyond. */
  x: quantity('length', '-20 ft', '60 ft'),
  y: quantity('length', '-5 ft', '20 ft'),
  /** The shelf or the reel that it stands on; left out, the deck. */
  on: v.optional(id),
  /** How it is turned; left out, its length lies along the deck. */
  turned: v.optional(v.picklist(TURNS)),
  /** Sides at which it is served (start, fuel cap, lid, handle, pay-out), blows its exhaust, is filled. */
  service: v.optional(v.picklist(SIDES)),
  exhaust: v.optional(v.picklist(SIDES)),
  filler: v.optional(v.picklist(SIDES)),
  /** A gas-tight pipe leads the exhaust outside; false: none does. Left out, nobody said. */
  exhaustPipe: v.optional(v.boolean()),
  /** Of an engine: the side at which its oil is let out; left out, the one it is served from. */
  drain: v.optional(v.picklist(SIDES)),
  /** What stands in for the catalogue's size and dry mass. */
  size: v.optional(v.strictObject({ length: side, width: side, height: side })),
  mass: v.optional(quantity('mass', '0 lb', '20000 lb')),
  held: v.optional(
    v.strictObject({
      by: v.picklist(RESTRAINTS),
      count: quantity('number', '1', '40'),
      /** Of bolts, hoops and U-bolts: what goes through the deck. */
      bolt: v.optional(v.picklist(BOLT_SIZES)),
      /** Of a strap: its working load, as its label says. */
      working: v.optional(quantity('force', '50 lbf', '20000 lbf')),
      /** Of a strap: in the weather since. */
      age: v.optional(quantity('time', '0 d', '7300 d')),
      /** Of a strap: over the thing to the other side, back to its own side, or to the thing itself; left out, over it. */
      runs: v.optional(v.picklist(STRAP_RUNS)),
    }),
  ),
  /** Nothing holds it, and that is meant; left out with no `held`, nobody said. */
  loose: v.optional(v.boolean()),
  /** It stays where it is when the deck is arranged. */
  pinned: v.optional(v.boolean()),
});

export type Placement = v.InferOutput<typeof placement>;
export type PlacementDocument = v.InferInput<typeof placement>;
