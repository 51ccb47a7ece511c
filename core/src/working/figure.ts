import type { AssumptionId } from '../assumption/register.js';
import type { Dimension, UnitSystem } from '../quantity/dimension.js';
import { formatInches, formatQuantity } from '../quantity/format.js';
import type { EquationId } from './equations.js';

/** One number that went into a figure. */
export interface Input {
  readonly symbol: string;
  readonly label: string;
  readonly value: number;
  readonly dimension: Dimension;
}

/** How a figure came about: equation, the numbers in it and the assumptions it rests on. */
export interface Working {
  readonly equation: EquationId;
  readonly inputs: readonly Input[];
  readonly assumptions: readonly AssumptionId[];
}

/** A result: an SI number with its dimension and its working. */
export interface Figure {
  readonly value: number;
  readonly dimension: Dimension;
  readonly working: Working;
}

export const input = (symbol: string, label: string, value: number, dimension: Dimension): Input => ({ symbol, label, value, dimension });

export function figure(
  value: number,
  dimension: Dimension,
  equation: EquationId,
  inputs: readonly Input[] = [],
  assumptions: readonly AssumptionId[] = [],
): Figure {
  return { value, dimension, working: { equation, inputs, assumptions } };
}

/** A figure in a sentence. */
export interface MessageQuantity {
  readonly value: number;
  readonly dimension: Dimension;
  readonly unit?: string;
  /** A size off the shelf: inches with their fractions where lengths are in feet. */
  readonly shelf?: boolean;
  /** Significant digits, 3 unless said. */
  readonly digits?: number;
}

/** A sentence with places for figures: rendered in the reader's units. */
export interface Message {
  readonly template: string;
  readonly values: Readonly<Record<string, string | MessageQuantity>>;
}

export const message = (template: string, values: Message['values'] = {}): Message => ({ template, values });

/** The sentence in words: `{name}` places filled, quantities printed for the unit system. */
export function say(m: Message, system: UnitSystem): string {
  return m.template.replace(/\{(\w+)\}/g, (whole, key: string) => {
    const x = m.values[key];
    if (x === undefined) return whole;
    if (typeof x === 'string') return x;
    if (x.shelf && system === 'us') return formatInches(x.value);
    return formatQuantity(x.value, x.dimension, system, { ...(x.unit ? { unit: x.unit } : {}), ...(x.digits ? { digits: x.digits } : {}) });
  });
}
