import { CHEMICAL_SUMS } from './chemical-sums.js';
import { FEED_SUMS } from './feed-sums.js';
import { POWER_SUMS } from './power-sums.js';
import { PRESSURE_SUMS } from './pressure-sums.js';
import { type Sum } from './sum.js';
import { WATER_SUMS } from './water-sums.js';

export { doSum, type Amount, type Sum, type SumInput, type SumOutcome, type SumResult } from './sum.js';

/** Every quick sum, in the order they are listed. */
export const SUMS: readonly Sum[] = [...WATER_SUMS, ...PRESSURE_SUMS, ...FEED_SUMS, ...CHEMICAL_SUMS, ...POWER_SUMS];

const BY_NAME = new Map(SUMS.map((s) => [s.name, s]));
if (BY_NAME.size !== SUMS.length) throw new Error('Two sums share a name.');

/** The sum of a name, or undefined. */
export const findSum = (name: string): Sum | undefined => BY_NAME.get(name);
