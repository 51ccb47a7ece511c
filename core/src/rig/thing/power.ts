import * as v from 'valibot';
import { quantity } from '../quantity-field.js';

/** What drives the soft wash pumps and the engines. */
/** Where motors on the mains get it. */
export const MAINS = ['site', 'generator'] as const;

export const power = v.strictObject({
  battery: quantity('charge', '1 Ah', '2000 Ah'),
  chemistry: v.picklist(['lead-acid', 'agm', 'lithium']),
  /** Alternator or charger while working. */
  charging: quantity('current', '0 A', '400 A'),
  /** Free air that the compressor sweeps, at any altitude; 0 for none. */
  freeAir: quantity('airFlow', '0 cfm', '400 cfm'),
  compressorPower: quantity('power', '0 hp', '100 hp'),
  /** Of the compressor; left out, none that counts. */
  receiver: v.optional(quantity('volume', '0 gal', '500 gal')),
  /** Where the compressor rests, gauge; left out, the assumption stands in. */
  cutOut: v.optional(quantity('pressure', '20 psi', '300 psi')),
  /** Mains for electric washers; left out, none. */
  mains: v.optional(v.picklist(MAINS)),
  /** Fuel tanks of all engines together. */
  fuel: v.optional(quantity('volume', '0.1 gal', '500 gal')),
});

export type Power = v.InferOutput<typeof power>;
