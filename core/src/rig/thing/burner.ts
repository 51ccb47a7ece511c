import * as v from 'valibot';
import { FUEL_KINDS } from '../../fuel/index.js';
import { id, name } from '../fields.js';
import { quantity } from '../quantity-field.js';
import { SERVED, type ThingKind } from './kind.js';

/** A burner and its coil behind a washer. */
export const burner = v.strictObject({
  id,
  name,
  machine: id,
  /** Most that it gives the water. */
  heat: quantity('power', '1 kW', '500 kW'),
  /** What its thermostat holds. */
  set: quantity('temperature', '70 °F', '310 °F'),
  fuel: v.picklist(FUEL_KINDS),
  /** Of the tank on the burner itself. */
  own: v.optional(quantity('volume', '0.05 gal', '500 gal')),
  /** Of its blower, fuel pump and spark; left out, the assumption. */
  current: v.optional(quantity('current', '0.5 A', '100 A')),
});

export const BURNER = {
  list: 'burners',
  word: 'burner',
  refers: [
    {
      field: 'machine',
      to: ['machine'],
      gone: 'goes',
      bound: 'a machine',
      says: (own, named) => `Burner "${own}" heats "${named}", which is no machine.`,
      single: { bound: 'one burner', says: (named) => `"${named}" has two burners.` },
    },
  ],
  burns: true,
  draws: true,
  ...SERVED,
} as const satisfies ThingKind;

export type Burner = v.InferOutput<typeof burner>;
export type BurnerDocument = v.InferInput<typeof burner>;
