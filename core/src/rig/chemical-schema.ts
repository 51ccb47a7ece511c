import * as v from 'valibot';
import { WASH_SURFACES } from '../assumption/wash-surfaces.js';
import { LIQUID_KINDS, WETTED } from '../chemistry/compatibility.js';
import { height, id, name } from './fields.js';
import { quantity } from './quantity-field.js';

/** Something carried in a tank, a drum or a bucket. */
export const liquid = v.strictObject({
  id,
  name,
  kind: v.picklist(LIQUID_KINDS),
  /** Of a US gallon. */
  price: quantity('money', '$0', '$1000'),
  /** Of SH: what the label says, and what has become of it. */
  strength: v.optional(
    v.strictObject({
      bought: quantity('ratio', '0.1 %', '20 %'),
      as: v.picklist(['trade', 'weight']),
      age: quantity('time', '0 d', '730 d'),
      kept: quantity('temperature', '32 °F', '130 °F'),
      /** Trade strength measured today; it overrules the reckoning. */
      titrated: v.optional(quantity('ratio', '0.01 %', '20 %')),
    }),
  ),
  /** Of a powder mixed on site: grams for each litre, and how long the mix is good. */
  dose: v.optional(quantity('density', '0.1 g/L', '300 g/L')),
  useBy: v.optional(quantity('time', '10 min', '365 d')),
});

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
});

export const sprayer = v.strictObject({
  id,
  name,
  kind: v.picklist(['jet', 'fan', 'brush']),
  /** At work, above the deck. */
  height: quantity('length', '-20 ft', '120 ft'),
  nozzleBore: quantity('length', '0.5 mm', '30 mm'),
  /** A resin bed before a brush. */
  resin: v.optional(v.strictObject({ volume: quantity('volume', '0.1 L', '200 L'), capacity: quantity('density', '1000 gr/ft³', '40000 gr/ft³') })),
});

export const MIX_WAYS = ['batch', 'draw-stick', 'proportioner', 'downstream', 'nozzle'] as const;
/** Where streams of liquid meet, and what is wanted of the blend. */
export const mix = v.strictObject({
  id,
  name,
  way: v.picklist(MIX_WAYS),
  /** Of the point where the streams meet. */
  height,
  surface: v.picklist(WASH_SURFACES),
  /** The liquid that does the work. */
  stock: id,
  /** Trade strength wanted at the wall; left out, the surface's. */
  wanted: v.optional(quantity('ratio', '0 %', '15 %')),
  soap: v.optional(v.strictObject({ liquid: id, dose: quantity('ratio', '0 %', '30 %'), by: v.picklist(['metered', 'poured']) })),
  /** What a flush with water rinses. */
  flush: v.picklist(['pump', 'through']),
  /** Of a downstream or nozzle injector; the gun it serves and the soap nozzle put on. */
  injector: v.optional(
    v.strictObject({
      outlet: id,
      drawRatio: quantity('ratio', '0.5 %', '100 %'),
      vacuum: quantity('pressure', '0.2 psi', '14 psi'),
      stopsAt: quantity('pressure', '5 psi', '2000 psi'),
      soapNozzle: quantity('number', '1', '200'),
      remote: v.boolean(),
    }),
  ),
  /** Of a batch: what is left of the last one, and its strength today. */
  left: v.optional(v.strictObject({ volume: quantity('volume', '0 gal', '2000 gal'), strength: quantity('ratio', '0 %', '15 %') })),
});

export const power = v.strictObject({
  battery: quantity('charge', '1 Ah', '2000 Ah'),
  chemistry: v.picklist(['lead-acid', 'agm', 'lithium']),
  /** Alternator or charger while working. */
  charging: quantity('current', '0 A', '400 A'),
  /** Free air of the compressor at sea level; 0 for none. */
  freeAir: quantity('airFlow', '0 cfm', '400 cfm'),
  compressorPower: quantity('power', '0 hp', '100 hp'),
  /** Of the compressor; left out, none that counts. */
  receiver: v.optional(quantity('volume', '0 gal', '500 gal')),
  /** Where the compressor rests, gauge; left out, the assumption stands in. */
  cutOut: v.optional(quantity('pressure', '20 psi', '300 psi')),
  /** Fuel tanks of all engines together. */
  fuel: v.optional(quantity('volume', '0.1 gal', '500 gal')),
});

export type Liquid = v.InferOutput<typeof liquid>;
export type LiquidDocument = v.InferInput<typeof liquid>;
export type SoftPump = v.InferOutput<typeof softPump>;
export type SoftPumpDocument = v.InferInput<typeof softPump>;
export type Sprayer = v.InferOutput<typeof sprayer>;
export type Mix = v.InferOutput<typeof mix>;
export type MixDocument = v.InferInput<typeof mix>;
export type MixWay = (typeof MIX_WAYS)[number];
export type Power = v.InferOutput<typeof power>;
