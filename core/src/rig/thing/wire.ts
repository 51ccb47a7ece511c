import * as v from 'valibot';
import { INSULATIONS } from '../../electrics/insulation.js';
import { id, name } from '../fields.js';
import { quantity } from '../quantity-field.js';
import { NO_PLACE, type ThingKind } from './kind.js';

/** Cables that are sold, by gauge (AWG) and by copper, thinnest first. */
export const GAUGES_BY = {
  awg: ['18', '16', '14', '12', '10', '8', '6', '4', '2', '1', '1/0', '2/0', '3/0', '4/0'],
  mm2: ['1.5 mm²', '2.5 mm²', '4 mm²', '6 mm²', '10 mm²', '16 mm²', '25 mm²', '35 mm²', '50 mm²', '70 mm²', '95 mm²'],
} as const;
export const GAUGES = [...GAUGES_BY.awg, ...GAUGES_BY.mm2] as const;
export type GaugeName = (typeof GAUGES)[number];

/** A cable there and back, from a battery or a panel to a panel or a load. A load without one hangs on a cable that is chosen for it. */
export const wire = v.strictObject({
  id,
  name: v.optional(name),
  from: id,
  to: id,
  /** Left out, the smallest that does. */
  gauge: v.optional(v.picklist(GAUGES)),
  /** One way; left out, as the deck lies. */
  length: v.optional(quantity('length', '1 in', '200 ft')),
  /** At its battery's end; left out, the smallest that holds its load. */
  fuse: v.optional(quantity('current', '0.5 A', '500 A')),
  /** What its insulation is made for: 60, 75 or 90 °C building wire, or vehicle cable; left out, as the assumption says. */
  insulation: v.optional(v.picklist(INSULATIONS)),
  /** It has no fuse, and that is meant. */
  unfused: v.optional(v.boolean()),
  /** Where its switch is, in words. */
  switch: v.optional(name),
  colour: v.optional(name),
});

export const WIRE = {
  list: 'wires',
  word: 'cable',
  refers: [
    {
      field: 'from',
      to: ['battery', 'panel'],
      gone: 'goes',
      bound: 'a battery or a panel',
      says: (own, named) => `Cable "${own}" starts at "${named}", which is no battery and no panel.`,
    },
    {
      field: 'to',
      to: ['panel', 'draws', 'burns'],
      gone: 'goes',
      bound: 'a panel or a load',
      says: (own, named) => `Cable "${own}" leads to "${named}", which draws nothing.`,
      single: { bound: 'one cable', says: (named) => `"${named}" hangs on two cables.` },
    },
  ],
  burns: false,
  draws: false,
  ...NO_PLACE,
} as const satisfies ThingKind;

export type Wire = v.InferOutput<typeof wire>;
export type WireDocument = v.InferInput<typeof wire>;
