import * as v from 'valibot';
import { id, name } from '../fields.js';
import { quantity } from '../quantity-field.js';
import { SYSTEM_VOLTS } from './battery.js';
import { NO_PLACE, type ThingKind } from './kind.js';

export const LOAD_KINDS = ['lights', 'ignition', 'fuel-solenoid', 'fuel-pump', 'other'] as const;
export type LoadKind = (typeof LOAD_KINDS)[number];

/** What draws on a battery besides pumps, boosters, reels, remote switches, starters and burners, which tell their own. */
export const electricLoad = v.strictObject({
  id,
  name,
  kind: v.picklist(LOAD_KINDS),
  current: quantity('current', '0.05 A', '200 A'),
  /** What its plate says; left out, its battery's. */
  volts: v.optional(v.picklist(SYSTEM_VOLTS)),
  /** In a day; of what serves an engine left out, as long as that runs. */
  hours: v.optional(quantity('time', '0 min', '24 h')),
  engine: v.optional(id),
});

export const ELECTRIC_LOAD = {
  list: 'loads',
  word: 'load',
  refers: [{ field: 'engine', to: ['burns'], gone: 'goes', bound: 'an engine', says: (own, named) => `"${own}" serves "${named}", which is no engine.` }],
  burns: false,
  draws: true,
  ...NO_PLACE,
} as const satisfies ThingKind;

export type ElectricLoad = v.InferOutput<typeof electricLoad>;
export type ElectricLoadDocument = v.InferInput<typeof electricLoad>;
