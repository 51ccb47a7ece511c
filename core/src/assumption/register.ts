import { parseQuantity } from '../quantity/parse.js';
import { AIR_ASSUMPTIONS } from './air.js';
import { BUFFER_ASSUMPTIONS } from './buffer.js';
import { BYPASS_ASSUMPTIONS } from './bypass.js';
import { CHOICE_ASSUMPTIONS } from './choice.js';
import { CIRCUIT_ASSUMPTIONS } from './circuit.js';
import { DAY_ASSUMPTIONS } from './day.js';
import { DRAIN_ASSUMPTIONS } from './drain.js';
import { FEED_ASSUMPTIONS } from './feed.js';
import { FUEL_ASSUMPTIONS } from './fuel.js';
import { HEAT_ASSUMPTIONS } from './heat.js';
import { FILL_ASSUMPTIONS } from './fill.js';
import { HOSE_ASSUMPTIONS } from './hose.js';
import { LIQUID_ASSUMPTIONS } from './liquid.js';
import { MIX_ASSUMPTIONS } from './mix.js';
import { PLUMBING_ASSUMPTIONS } from './plumbing.js';
import { PRESSURE_ASSUMPTIONS } from './pressure.js';
import { REEL_ASSUMPTIONS } from './reel.js';
import { SLOPE_ASSUMPTIONS } from './slope.js';
import { SOFT_PUMP_ASSUMPTIONS } from './soft-pump.js';
import { PLAN_ASSUMPTIONS } from './plan.js';
import { WEIGHT_ASSUMPTIONS } from './weight.js';
import { WINTER_ASSUMPTIONS } from './winter.js';
import type { Assumption } from './entry.js';
import { washAssumptions } from './wash-surfaces.js';

export type { Assumption, AssumptionKind } from './entry.js';

/** Every default that a result may rest on, a file a subject. A rig may replace any of them; results name those they used. */
export const ASSUMPTIONS = [
  ...FEED_ASSUMPTIONS,
  ...HOSE_ASSUMPTIONS,
  ...FILL_ASSUMPTIONS,
  ...BUFFER_ASSUMPTIONS,
  ...BYPASS_ASSUMPTIONS,
  ...PLUMBING_ASSUMPTIONS,
  ...PRESSURE_ASSUMPTIONS,
  ...DRAIN_ASSUMPTIONS,
  ...REEL_ASSUMPTIONS,
  ...DAY_ASSUMPTIONS,
  ...MIX_ASSUMPTIONS,
  ...LIQUID_ASSUMPTIONS,
  ...SOFT_PUMP_ASSUMPTIONS,
  ...WINTER_ASSUMPTIONS,
  ...FUEL_ASSUMPTIONS,
  ...CIRCUIT_ASSUMPTIONS,
  ...AIR_ASSUMPTIONS,
  ...HEAT_ASSUMPTIONS,
  ...WEIGHT_ASSUMPTIONS,
  ...SLOPE_ASSUMPTIONS,
  ...PLAN_ASSUMPTIONS,
  ...CHOICE_ASSUMPTIONS,
  ...washAssumptions(),
] as const satisfies readonly Assumption[];

export type AssumptionId = (typeof ASSUMPTIONS)[number]['id'];

const BY_ID: ReadonlyMap<string, Assumption> = new Map(ASSUMPTIONS.map((a) => [a.id, a]));
if (BY_ID.size !== ASSUMPTIONS.length) throw new Error('Two assumptions share an id.');

/** The register entry of an id, or undefined. */
export const findAssumption = (id: string): Assumption | undefined => BY_ID.get(id);

/** Values in SI by id: the register's, with a rig's own in their place. */
export type AssumptionValues = Readonly<Record<AssumptionId, number>>;

const DEFAULTS = Object.fromEntries(
  ASSUMPTIONS.map((a) => {
    const read = parseQuantity(a.value, a.dimension);
    if (!read.ok) throw new Error(`${a.id}: ${read.error.message}`);
    return [a.id, read.si];
  }),
) as AssumptionValues;

const made = new WeakMap<object, AssumptionValues>();

/**
 * The same values for the same overrides: a rig's stay from edit to edit.
 * @param overrides SI values by assumption id
 */
export function assumptionValues(overrides?: Readonly<Record<string, number>>): AssumptionValues {
  if (!overrides) return DEFAULTS;
  let values = made.get(overrides);
  if (!values) made.set(overrides, (values = { ...DEFAULTS, ...overrides }));
  return values;
}
