import * as v from 'valibot';
import { type Assumption, ASSUMPTIONS, findAssumption } from '../assumption/register.js';
import type { Dimension } from '../quantity/dimension.js';
import { quantityRuleOf, type QuantityRule, readField } from './quantity-field.js';

/** An assumption may be given once each, so there are never more than the register has. */
export const assumptions = v.pipe(
  v.custom<Record<string, string>>(
    (x) => typeof x === 'object' && x !== null && !Array.isArray(x) && Object.keys(x).length <= ASSUMPTIONS.length,
    `Assumptions are an object of at most ${ASSUMPTIONS.length} texts.`,
  ),
  v.record(v.string(), v.string()),
  v.rawTransform<Record<string, string>, Record<string, number>>(({ dataset, addIssue }) => {
    const out: Record<string, number> = {};
    for (const [key, text] of Object.entries(dataset.value)) {
      const path = [{ type: 'object' as const, origin: 'value' as const, input: dataset.value, key, value: text }];
      const known = findAssumption(key);
      if (!known) {
        addIssue({ message: `There is no assumption called "${key.slice(0, 60)}".`, expected: 'an assumption of the register', path: path as never });
        continue;
      }
      const read = readField(assumptionRule(known), text);
      if (read.ok) out[key] = read.si;
      else addIssue({ message: read.error.message, expected: read.error.bound, path: path as never });
    }
    return out;
  }),
);

/** Widest values an assumption of a dimension may take. */
const ASSUMPTION_BOUNDS: Partial<Record<Dimension, readonly [string, string]>> = {
  length: ['0 mm', '100 m'],
  velocity: ['0 m/s', '5000 m/s'],
  ratio: ['0 %', '1000 %'],
  temperature: ['0 °C', '100 °C'],
  pressure: ['0 psi', '10000 psi'],
  volume: ['0.1 L', '10000 L'],
  number: ['0.001', '1000'],
  time: ['0 s', '730 d'],
  area: ['0.01 m²', '1000000 m²'],
  coverage: ['0.001 m²/L', '1000 m²/L'],
  voltage: ['1 V', '1000 V'],
  current: ['0 A', '1000 A'],
  money: ['$0', '$100000'],
  flow: ['0 gpm', '2000 gpm'],
  density: ['0.1 g/L', '3000 g/L'],
  mass: ['0 kg', '100000 kg'],
  force: ['0 N', '1000000 N'],
  power: ['0.1 hp', '500 hp'],
  airFlow: ['0 cfm', '400 cfm'],
};

/** The rule that a rig's own value of an assumption has to meet. */
export function assumptionRule({ dimension, within }: Pick<Assumption, 'dimension' | 'within'>): QuantityRule {
  const bounds = within ?? ASSUMPTION_BOUNDS[dimension];
  if (!bounds) throw new RangeError(`No bounds are set for assumptions of ${dimension}.`);
  return quantityRuleOf(dimension, bounds[0], bounds[1]);
}
