import * as v from 'valibot';
import { bore, id, name } from '../fields.js';
import { quantity } from '../quantity-field.js';
import { NO_PLACE, type ThingKind } from './kind.js';

/** A fuel hose from a tank to an engine or a burner. */
export const fuelLine = v.strictObject({
  id,
  name: v.optional(name),
  from: id,
  to: id,
  bore,
  /** As cut; left out, as the deck lies. */
  length: v.optional(quantity('length', '1 in', '100 ft')),
});

export const FUEL_LINE = {
  list: 'fuelLines',
  word: 'fuel line',
  refers: [
    {
      field: 'from',
      to: ['fuel-tank'],
      gone: 'goes',
      bound: 'a fuel tank',
      says: (own, named) => `Fuel line "${own}" starts at "${named}", which is no fuel tank.`,
    },
    {
      field: 'to',
      to: ['burns'],
      gone: 'goes',
      bound: 'an engine or a burner',
      says: (own, named) => `Fuel line "${own}" leads to "${named}", which burns no fuel.`,
      single: { bound: 'one fuel line', says: (named) => `"${named}" has two fuel lines.` },
    },
  ],
  burns: false,
  draws: false,
  ...NO_PLACE,
} as const satisfies ThingKind;

export type FuelLine = v.InferOutput<typeof fuelLine>;
export type FuelLineDocument = v.InferInput<typeof fuelLine>;
