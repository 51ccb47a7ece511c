import { type Dimension, findUnit, type UnitSystem } from './dimension.js';
import { formatInches, formatQuantity, naturalUnit } from './format.js';
import { parseQuantity } from './parse.js';

/** How a typed quantity is shown. */
export interface Shown {
  readonly text: string;
  /** The text as typed, where what is shown is converted from it. */
  readonly typed: string;
}

/** A figure in a system's own unit, a length as its rule reads it: one that can be typed again. */
const formatOwn = (si: number, dimension: Dimension, system: UnitSystem): string =>
  dimension === 'length' && naturalUnit(si, dimension, system) === 'in' ? formatInches(si) : formatQuantity(si, dimension, system, { digits: 3 });

/**
 * A typed quantity as a person of a unit system reads it: as typed where its unit is of that system or of both, else
 * converted. A text that cannot be read stays as it is.
 */
export function shownIn(text: string, dimension: Dimension, system: UnitSystem): Shown {
  const read = parseQuantity(text, dimension);
  const of = read.ok ? findUnit(dimension, read.unit)?.of : undefined;
  return read.ok && of !== undefined && of !== system ? { text: formatOwn(read.si, dimension, system), typed: text } : { text, typed: '' };
}
