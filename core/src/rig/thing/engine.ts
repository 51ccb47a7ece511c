import * as v from 'valibot';
import { FUEL_KINDS } from '../../fuel/index.js';
import { height } from '../fields.js';
import { quantity } from '../quantity-field.js';

/** How fuel gets to an engine: by its own weight, by the engine's own pump, by a pulse pump, by an electric one. */
export const FUEL_LIFTS = ['gravity', 'engine', 'pulse', 'electric'] as const;
export type FuelLift = (typeof FUEL_LIFTS)[number];

export const STARTERS = ['recoil', 'electric'] as const;

/** What an engine's sheet says of its fuel, its start and its coil; what is left out, assumptions decide by its power. */
export const engine = v.strictObject({
  fuel: v.optional(v.picklist(FUEL_KINDS)),
  /** Of the tank on the engine itself; 0 for none. */
  own: v.optional(quantity('volume', '0 gal', '500 gal')),
  /** Of the carburettor above what the engine stands on. */
  carburettor: v.optional(height),
  lift: v.optional(v.picklist(FUEL_LIFTS)),
  starter: v.optional(v.picklist(STARTERS)),
  /** It idles by itself while no trigger is pulled; left out, it runs at full speed. */
  idles: v.optional(v.boolean()),
});

export type Engine = v.InferOutput<typeof engine>;
export type EngineDocument = v.InferInput<typeof engine>;
