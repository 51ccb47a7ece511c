import * as v from 'valibot';
import { LIQUID_KINDS } from '../../chemistry/compatibility.js';
import { id, name } from '../fields.js';
import { quantity } from '../quantity-field.js';
import { ALONE, NO_PLACE, type ThingKind } from './kind.js';

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
      /** Trade percent; percent by weight of available chlorine; percent by weight of the hypochlorite itself. */
      as: v.picklist(['trade', 'weight', 'weight-hypochlorite']),
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

export const LIQUID = {
  list: 'liquids',
  word: 'liquid',
  ...ALONE,
  ...NO_PLACE,
} as const satisfies ThingKind;

export type Liquid = v.InferOutput<typeof liquid>;
export type LiquidDocument = v.InferInput<typeof liquid>;
