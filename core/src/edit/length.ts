import { type Dimension, findUnit, fromSi } from '../quantity/dimension.js';
import { formatInches, typeableQuantity } from '../quantity/format.js';
import { parseQuantity, si } from '../quantity/parse.js';

export const m = (text: string): number => si(text, 'length');

/** Keeps the unit that the builder used for a length. */
export const like = (text: string, metres: number): string => {
  const read = parseQuantity(text, 'length');
  const unit = read.ok ? (/ft.*in|'.*"/.test(text) ? 'in' : read.unit) : 'in';
  return typeableQuantity(metres, 'length', unit, 3);
};

/** Larger than any size of anything, in any unit: no rig with it can be read, so that it is never offered. */
const BEYOND = 1e15;

/** The next size that is sold, as typed: `125 gal` for 123.4 gal in steps of 5. What no size is enough for gives one beyond all bounds. */
export const nextSize = (value: number, dimension: Dimension, unit: string, step: number): string => {
  const size = Math.ceil(fromSi(value, findUnit(dimension, unit)!) / step - 1e-9) * step;
  return `${Number((size < BEYOND ? size : BEYOND).toPrecision(12))} ${unit}`;
};

/** A tank's very bottom, in the unit of another length. */
export const bottomLike = (text: string): string => like(text, 0);

export const inches = formatInches;

export const ascii = (metres: number): string => inches(metres).replace(/[\u202f\u00a0]/g, ' ');
