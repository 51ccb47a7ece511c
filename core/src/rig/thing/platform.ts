import * as v from 'valibot';
import { id, list, name } from '../fields.js';
import { quantity } from '../quantity-field.js';

export const PLATFORM_KINDS = ['trailer', 'truck', 'skid', 'van', 'box-body'] as const;
export type PlatformKind = (typeof PLATFORM_KINDS)[number];
export const COUPLINGS = ['ball', 'pintle', 'fifth-wheel'] as const;
export const BRAKES = ['none', 'electric', 'surge', 'air', 'vehicle'] as const;
export const DECK_MATERIALS = ['wood', 'steel', 'aluminium'] as const;
export const DECK_COATS = ['bare', 'painted', 'textured'] as const;
export const DOORS = ['rear', 'kerb', 'street'] as const;

const mass = quantity('mass', '1 lb', '100000 lb');
const along = quantity('length', '-40 ft', '80 ft');

/** An axle of the platform. */
const axle = v.strictObject({
  /** From the front edge of the deck, rearwards. */
  at: along,
  /** Between the middles of the left and right tyres. */
  track: quantity('length', '2 ft', '10 ft'),
  rating: mass,
  /** Of its tyres together. */
  tyres: v.optional(mass),
});

/** The vehicle that tows a trailer. */
const tow = v.strictObject({
  name,
  wheelbase: quantity('length', '4 ft', '30 ft'),
  /** From its rear axle back to the coupling. */
  overhang: quantity('length', '0 ft', '15 ft'),
  /** Its axles as a scale shows them with crew and fuel, without the trailer. */
  front: mass,
  rear: mass,
  rearRating: mass,
  gvwr: mass,
  /** Most weight on its hitch. */
  hitch: mass,
  /** Most that vehicle and trailer may weigh together. */
  combined: mass,
});

/** What the rig stands on, and what carries that. */
export const platform = v.strictObject({
  kind: v.picklist(PLATFORM_KINDS),
  name,
  length: quantity('length', '2 ft', '60 ft'),
  width: quantity('length', '2 ft', '10 ft'),
  /** Of the deck above the ground. */
  height: quantity('length', '4 in', '6 ft'),
  /** Of the rail along its sides; left out, none. */
  rail: v.optional(quantity('length', '0 in', '6 ft')),
  /** Of a closed body: inside height above the deck, and where its doors are. */
  headroom: v.optional(quantity('length', '2 ft', '15 ft')),
  doors: v.optional(list(v.picklist(DOORS), 3)),
  /** Side at which a gate or ramp opens: what stands before it has to be lifted over. */
  gate: v.optional(v.picklist(DOORS)),
  /** Wheel boxes that stand up into the deck, one at each side. */
  wheelBoxes: v.optional(
    v.strictObject({
      from: along,
      length: quantity('length', '1 in', '20 ft'),
      width: quantity('length', '1 in', '4 ft'),
      height: quantity('length', '1 in', '4 ft'),
    }),
  ),
  /** Floor that is to stay free. */
  free: v.optional(
    list(
      v.strictObject({
        id,
        name,
        x: along,
        y: quantity('length', '-5 ft', '20 ft'),
        length: quantity('length', '1 in', '60 ft'),
        width: quantity('length', '1 in', '20 ft'),
      }),
      6,
    ),
  ),
  /** Empty, as its plate and a balance say, or as a scale shows each axle (and the tongue) with nothing on the deck. */
  empty: v.variant('by', [
    v.strictObject({ by: v.literal('centre'), mass, at: along, height: quantity('length', '0 ft', '15 ft') }),
    v.strictObject({
      by: v.literal('scale'),
      axles: v.pipe(list(quantity('mass', '0 lb', '100000 lb'), 4), v.minLength(1, 'A scale shows one axle at least.')),
      tongue: v.optional(quantity('mass', '0 lb', '20000 lb')),
      height: quantity('length', '0 ft', '15 ft'),
    }),
  ]),
  axles: v.pipe(list(axle, 4), v.minLength(1, 'A platform has one axle at least.')),
  /** Of a trailer: how far ahead of the deck its coupling is, most weight on it, and the heaviest trailer that it is stamped for. */
  coupling: v.optional(v.strictObject({ kind: v.picklist(COUPLINGS), ahead: quantity('length', '-10 ft', '20 ft'), rating: mass, gross: v.optional(mass) })),
  /** Most that the whole may weigh. */
  gvwr: mass,
  brakes: v.picklist(BRAKES),
  deck: v.picklist(DECK_MATERIALS),
  coat: v.optional(v.picklist(DECK_COATS)),
  /** Only what the day puts on the road is judged; left out, every filling is, as if it went on the road. */
  road: v.optional(v.picklist(['day'])),
  tow: v.optional(tow),
  /** What else rides along, with no place of its own: crew in the cab, tools behind the seats. */
  riding: v.optional(list(v.strictObject({ id, name, mass, at: along }), 8)),
  /** Slope of the steepest site: nose down, and kerb side down. Left out, level. */
  slope: v.optional(v.strictObject({ nose: quantity('ratio', '-30 %', '30 %'), kerb: quantity('ratio', '-30 %', '30 %') })),
  /** What a weighbridge showed, beside the reckoning. */
  ticket: v.optional(
    v.strictObject({
      filled: v.picklist(['full', 'half', 'empty', 'start']),
      axles: v.pipe(list(quantity('mass', '0 lb', '100000 lb'), 4), v.minLength(1, 'A ticket shows one axle at least.')),
      tongue: v.optional(quantity('mass', '0 lb', '20000 lb')),
    }),
  ),
});

export type Platform = v.InferOutput<typeof platform>;
export type PlatformDocument = v.InferInput<typeof platform>;
