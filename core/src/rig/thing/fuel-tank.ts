import * as v from 'valibot';
import { FUEL_KINDS } from '../../fuel/index.js';
import { height, id, name } from '../fields.js';
import { quantity } from '../quantity-field.js';
import { ALONE, type ThingKind } from './kind.js';
import { isAboard } from './vehicle.js';

const side = quantity('length', '1 in', '20 ft');

/** A fuel tank besides those on the engines. */
export const fuelTank = v.strictObject({
  id,
  name,
  fuel: v.picklist(FUEL_KINDS),
  volume: quantity('volume', '0.1 gal', '500 gal'),
  /** Over all; left out, the catalogue's of its volume. */
  size: v.optional(v.strictObject({ length: side, width: side, height: side })),
  /** Of its outlet above what it stands on. */
  base: height,
  vented: v.boolean(),
  /** The vehicle's own: it stands and weighs with the vehicle. */
  vehicle: v.optional(v.boolean()),
});

export const FUEL_TANK = {
  list: 'fuelTanks',
  word: 'fuel tank',
  ...ALONE,
  stands: isAboard,
  served: true,
  started: false,
  melts: true,
  holdsFuel: true,
} as const satisfies ThingKind;

export type FuelTank = v.InferOutput<typeof fuelTank>;
export type FuelTankDocument = v.InferInput<typeof fuelTank>;
