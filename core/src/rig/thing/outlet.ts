import * as v from 'valibot';
import { id, name } from '../fields.js';
import { quantity } from '../quantity-field.js';
import { ALONE, NO_PLACE, type ThingKind } from './kind.js';

/** Kinds of surface with a limit of their own (assumptions `surface-…`). */
export const SURFACES = ['vehicle', 'wood', 'render', 'stone', 'concrete', 'glass'] as const;

export const outlet = v.strictObject({
  id,
  name,
  kind: v.picklist(['gun', 'surface-cleaner', 'hand-wash']),
  open: v.boolean(),
  height: quantity('length', '-100 ft', '200 ft'),
  nozzle: v.strictObject({
    size: quantity('number', '0.1', '200'),
    angle: quantity('number', '0', '120'),
    count: quantity('number', '1', '12'),
  }),
  wantedPressure: quantity('pressure', '1 psi', '10000 psi'),
  /** What it works on; sets the most pressure that may arrive. */
  surface: v.optional(v.picklist(SURFACES)),
  /** Of a surface cleaner: the path that it cleans. */
  width: v.optional(quantity('length', '4 in', '10 ft')),
});

export const OUTLET = {
  list: 'outlets',
  word: 'gun',
  starts: [],
  ends: ['pressure'],
  ...ALONE,
  ...NO_PLACE,
} as const satisfies ThingKind;

export type Outlet = v.InferOutput<typeof outlet>;
export type OutletDocument = v.InferInput<typeof outlet>;
