import * as v from 'valibot';
import { id, name } from '../fields.js';
import { quantity } from '../quantity-field.js';
import type { ThingKind } from './kind.js';

const side = quantity('length', '2 in', '40 ft');
export const SHAPE_KINDS = ['box', 'upright-cylinder', 'lying-cylinder', 'elliptical'] as const;
const shape = v.variant('kind', [
  v.strictObject({ kind: v.literal('box'), length: side, width: side, height: side }),
  v.strictObject({ kind: v.literal('upright-cylinder'), diameter: side, height: side }),
  v.strictObject({ kind: v.literal('lying-cylinder'), diameter: side, length: side }),
  v.strictObject({ kind: v.literal('elliptical'), width: side, height: side, length: side }),
]);

/** What a tank carries. */
export const LIQUIDS = ['water', 'antifreeze', 'rinse', 'chemical'] as const;

/** What a tank of chemicals is for, where that decides something: `mixed` holds finished mix, the rest hold stock. */
export const TANK_USES = ['mixed'] as const;

export const tank = v.strictObject({
  id,
  name,
  liquid: v.picklist(LIQUIDS),
  shape,
  /** Bottom of the tank above the deck. */
  base: quantity('length', '0 in', '20 ft'),
  /** Inside height at which the float valve shuts, or the tank is called full. */
  fullLevel: quantity('length', '1 in', '40 ft'),
  /** Inside height when the job starts. */
  startLevel: quantity('length', '0 in', '40 ft'),
  lid: v.picklist(['open', 'closed']),
  /** Clear diameter of the vent; 0 for none. */
  ventBore: quantity('length', '0 in', '12 in'),
  /** The liquid in it; left out for water. */
  holds: v.optional(id),
  use: v.optional(v.picklist(TANK_USES)),
  /** Where its vent breathes. */
  ventTo: v.optional(v.picklist(['deck', 'outside'])),
  /** Filled through a tube that ends near the bottom. */
  dropTube: v.optional(v.boolean()),
  /** Catch basin under it, drained overboard. */
  bund: v.optional(quantity('volume', '0 gal', '2000 gal')),
});

/** What only a tank of chemicals says of itself. */
export const OF_CHEMICALS = ['holds', 'use', 'ventTo', 'dropTube', 'bund'] as const satisfies readonly (keyof TankDocument)[];

export const TANK = {
  list: 'tanks',
  word: 'tank',
  starts: ['tie', 'feed', 'boost', 'dump', 'chemical'],
  ends: ['fill', 'tie', 'bypass', 'chemical'],
  refers: [
    {
      field: 'holds',
      to: ['liquid'],
      gone: 'seen to',
      bound: 'a liquid',
      says: (own, named) => `Tank "${own}" holds a liquid "${named}" that is not on the list.`,
    },
  ],
  burns: false,
  draws: false,
  stands: true,
  served: false,
  started: false,
  melts: true,
  holdsFuel: false,
} as const satisfies ThingKind;

export type Tank = v.InferOutput<typeof tank>;
export type TankDocument = v.InferInput<typeof tank>;
export type TankShape = v.InferOutput<typeof shape>;
