import * as v from 'valibot';
import { WASH_SURFACES } from '../../assumption/wash-surfaces.js';
import { height, id, name } from '../fields.js';
import { quantity } from '../quantity-field.js';
import { SERVED, type ThingKind } from './kind.js';

export const MIX_WAYS = ['batch', 'draw-stick', 'proportioner', 'downstream', 'nozzle'] as const;
/** Soap of a mix: its share of the whole, poured into the stock or on a line of its own. */
const soap = v.strictObject({ liquid: id, dose: quantity('ratio', '0 %', '30 %'), by: v.picklist(['metered', 'poured']) });

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
  soap: v.optional(soap),
  /** Another soap beside it: what foams for walls, what clings for roofs. With its line shut it stays out of the mix. */
  second: v.optional(soap),
  /** Of a draw stick: it is kept for its own container and goes into no other. */
  ownStick: v.optional(v.boolean()),
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

export const MIX = {
  list: 'mixes',
  word: 'mix',
  starts: ['chemical'],
  ends: ['chemical'],
  refers: [
    {
      field: 'stock',
      to: ['liquid'],
      gone: 'seen to',
      bound: 'a liquid',
      says: (own, named) => `Mix "${own}" holds a liquid "${named}" that is not on the list.`,
    },
    {
      field: 'soap.liquid',
      to: ['liquid'],
      gone: 'seen to',
      bound: 'a liquid',
      says: (own, named) => `Mix "${own}" holds a liquid "${named}" that is not on the list.`,
    },
    {
      field: 'second.liquid',
      to: ['liquid'],
      gone: 'seen to',
      bound: 'a liquid',
      says: (own, named) => `Mix "${own}" holds a liquid "${named}" that is not on the list.`,
    },
    {
      field: 'injector.outlet',
      to: ['outlet', 'sprayer'],
      gone: 'seen to',
      bound: 'a gun',
      says: (own, named) => `Mix "${own}" draws at a gun "${named}" that is not there.`,
    },
  ],
  burns: false,
  draws: true,
  ...SERVED,
} as const satisfies ThingKind;

export type Mix = v.InferOutput<typeof mix>;
export type MixDocument = v.InferInput<typeof mix>;
export type MixWay = (typeof MIX_WAYS)[number];
