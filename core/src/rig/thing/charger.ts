import * as v from 'valibot';
import { id, name } from '../fields.js';
import { quantity } from '../quantity-field.js';
import { NO_PLACE, type ThingKind } from './kind.js';

/**
 * What charges a battery, and when: an engine's coil and an alternator while their engine runs (all the working day where no
 * engine is named), the vehicle through a relay while it drives, a shore charger at night, the sun by day.
 */
export const CHARGER_KINDS = ['coil', 'alternator', 'vehicle', 'shore', 'solar'] as const;
export type ChargerKind = (typeof CHARGER_KINDS)[number];

export const charger = v.strictObject({
  id,
  name,
  kind: v.picklist(CHARGER_KINDS),
  battery: id,
  /** At its best. */
  current: quantity('current', '0 A', '400 A'),
  engine: v.optional(id),
});

export const CHARGER = {
  list: 'chargers',
  word: 'charger',
  refers: [
    { field: 'battery', to: ['battery'], gone: 'goes', bound: 'a battery', says: (own, named) => `Charger "${own}" charges "${named}", which is no battery.` },
    { field: 'engine', to: ['burns'], gone: 'goes', bound: 'an engine', says: (own, named) => `Charger "${own}" is driven by "${named}", which is no engine.` },
  ],
  burns: false,
  draws: false,
  ...NO_PLACE,
} as const satisfies ThingKind;

export type Charger = v.InferOutput<typeof charger>;
export type ChargerDocument = v.InferInput<typeof charger>;
