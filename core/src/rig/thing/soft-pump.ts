import * as v from 'valibot';
import { WETTED } from '../../chemistry/compatibility.js';
import { height, id, name } from '../fields.js';
import { quantity } from '../quantity-field.js';
import { SYSTEM_VOLTS } from './battery.js';
import { engine } from './engine.js';
import { SERVED, type ThingKind } from './kind.js';

/** A soft wash pump: electric, engine-driven or air-operated diaphragm. */
export const softPump = v.strictObject({
  id,
  name,
  kind: v.picklist(['electric', 'engine', 'air']),
  height,
  /** Against no pressure. */
  openFlow: quantity('flow', '0.1 gpm', '60 gpm'),
  /** Where the pressure switch opens, the relief valve opens, or the pressure of the air. */
  limit: quantity('pressure', '5 psi', '1000 psi'),
  /** Of the parts that the liquid wets. */
  body: v.picklist(WETTED),
  seals: v.picklist(WETTED),
  /** A second pump, or its wear parts, is on board. */
  spare: v.optional(v.boolean()),
  /** Of an electric one: what its plate says; left out, its battery's. */
  volts: v.optional(v.picklist(SYSTEM_VOLTS)),
  /** Of one that an engine drives. */
  engine: v.optional(engine),
});

export const SOFT_PUMP = {
  list: 'softPumps',
  word: 'soft wash pump',
  starts: ['chemical'],
  ends: ['chemical'],
  refers: [],
  burns: (p: { readonly kind: string }) => p.kind === 'engine',
  draws: true,
  ...SERVED,
} as const satisfies ThingKind;

export type SoftPump = v.InferOutput<typeof softPump>;
export type SoftPumpDocument = v.InferInput<typeof softPump>;
