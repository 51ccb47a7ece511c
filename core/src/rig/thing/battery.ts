import * as v from 'valibot';
import { id, name } from '../fields.js';
import { quantity } from '../quantity-field.js';
import type { ThingKind } from './kind.js';
import { isAboard } from './vehicle.js';

export const CHEMISTRIES = ['lead-acid', 'agm', 'lithium'] as const;
export const SYSTEM_VOLTS = ['12', '24'] as const;
/** What a battery is for where that decides what hangs on it: one for starting also turns the electric reels; pumps have one of their own. */
export const BATTERY_USES = ['start'] as const;

/** A battery, or several alike side by side. */
export const battery = v.strictObject({
  id,
  name,
  /** At the 20-hour rate, of one. */
  capacity: quantity('charge', '1 Ah', '2000 Ah'),
  chemistry: v.picklist(CHEMISTRIES),
  /** Of its system; left out, 12. */
  volts: v.optional(v.picklist(SYSTEM_VOLTS)),
  /** Joined plus to plus; left out, one. */
  parallel: v.optional(quantity('number', '1', '8')),
  use: v.optional(v.picklist(BATTERY_USES)),
  /** The vehicle's own: it stands and weighs with the vehicle. */
  vehicle: v.optional(v.boolean()),
  /** A battery that a change-over puts in its place for starting. */
  changeover: v.optional(id),
});

export const BATTERY = {
  list: 'batteries',
  word: 'battery',
  refers: [
    {
      field: 'changeover',
      to: ['battery'],
      gone: 'lets go',
      bound: 'a battery',
      says: (own, named) => `The change-over of "${own}" leads to "${named}", which is no battery.`,
    },
  ],
  burns: false,
  draws: false,
  stands: isAboard,
  served: true,
  started: true,
  melts: true,
  holdsFuel: false,
} as const satisfies ThingKind;

export type Battery = v.InferOutput<typeof battery>;
export type BatteryDocument = v.InferInput<typeof battery>;
