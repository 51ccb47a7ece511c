import * as v from 'valibot';
import { id, name } from '../fields.js';
import { quantity } from '../quantity-field.js';
import { engine } from './engine.js';
import { type Drive, DRIVES, isEngine } from './machine.js';
import { STARTED, type ThingKind } from './kind.js';

/** A piston compressor for air-operated pumps. */
export const compressor = v.strictObject({
  id,
  name,
  /** Free air that it sweeps, at any altitude. */
  freeAir: quantity('airFlow', '0 cfm', '400 cfm'),
  /** Of its engine or motor. */
  power: quantity('power', '0 hp', '100 hp'),
  /** Left out, a petrol engine. */
  drive: v.optional(v.picklist(DRIVES)),
  engine: v.optional(engine),
  /** Where it rests and where it starts again, gauge; left out, assumptions stand in. */
  cutOut: v.optional(quantity('pressure', '20 psi', '300 psi')),
  cutIn: v.optional(quantity('pressure', '10 psi', '290 psi')),
});

export const COMPRESSOR = {
  list: 'compressors',
  word: 'compressor',
  refers: [],
  burns: (c: { readonly drive?: Drive | undefined }) => isEngine(c.drive),
  draws: false,
  ...STARTED,
} as const satisfies ThingKind;

export type Compressor = v.InferOutput<typeof compressor>;
export type CompressorDocument = v.InferInput<typeof compressor>;
