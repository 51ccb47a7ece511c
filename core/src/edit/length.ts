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

/** The next size that is sold, as typed: `125 gal` for 123.4 gal in steps of 5. */
export const nextSize = (value: number, dimension: Dimension, unit: string, step: number): string =>
  `${Number((Math.ceil(fromSi(value, findUnit(dimension, unit)!) / step - 1e-9) * step).toPrecision(12))} ${unit}`;

/** A tank's very bottom, in the unit of another length. */
export const bottomLike = (text: string): string => like(text, 0);

export const inches = formatInches;

export const ascii = (metres: number): string => inches(metres).replace(/[\u202f\u00a0]/g, ' ');
