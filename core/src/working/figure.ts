import { spell } from '../locale/spell.js';
import type { AssumptionId } from '../assumption/register.js';
import type { Dimension, UnitSystem } from '../quantity/dimension.js';
import { formatInches, formatQuantity } from '../quantity/format.js';
import { shelfName, type ShelfPart } from '../quantity/nominal.js';

/** Names of the equations that a figure may name: the subjects put theirs in (`subject/equations`). */
// eslint-disable-next-line @typescript-eslint/no-empty-object-type -- filled from above, where the equations are
export interface EquationNames {}
export type EquationId = keyof EquationNames;

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

/** A figure's number by itself, SI: its working is asked for where somebody looks at it. */
export interface Told {
  readonly value: number;
  readonly dimension: Dimension;
}

/** A result: an SI number with its dimension and its working. */
export interface Figure extends Told {
  readonly working: Working;
}

/** Answers with their figures told without their workings. */
export type AsTold<T> = T extends Figure ? Told : T extends object ? { readonly [K in keyof T]: AsTold<T[K]> } : T;

/** Leaves the workings of figures out of answers; what holds none is given back itself. */
export function asTold<T>(answers: T): AsTold<T> {
  return leaveOut(answers) as AsTold<T>;
}

function leaveOut(x: unknown): unknown {
  if (typeof x !== 'object' || x === null) return x;
  // Series are long, and hold numbers only.
  if (Array.isArray(x)) return typeof x[0] === 'object' ? x.map(leaveOut) : x;
  if ('working' in x) {
    const { value, dimension } = x as Figure;
    return { value, dimension };
  }
  const out: Record<string, unknown> = {};
  for (const key in x) out[key] = leaveOut((x as Record<string, unknown>)[key]);
  return out;
}

/** The figure at a dotted path of answers, such as `tanks.0.usable`; undefined where there is none. */
export function figureAt(answers: unknown, at: string): Told | undefined {
  const found = at.split('.').reduce<unknown>((x, key) => (x === null || typeof x !== 'object' ? undefined : (x as Record<string, unknown>)[key]), answers);
  return found && typeof found === 'object' && 'dimension' in found && 'value' in found ? (found as Told) : undefined;
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

/** A sentence with places for figures, rendered in the reader's units, for other sentences and for parts off the shelf; a string is a name as somebody typed it. */
export interface Message {
  readonly template: string;
  readonly values: Readonly<Record<string, string | MessageQuantity | ShelfPart | Message>>;
}

export const message = (template: string, values: Message['values'] = {}): Message => ({ template, values });

/** The sentence in words: terms spelled for the reader, `{name}` places filled, quantities printed for the unit system. */
export function say(m: Message, system: UnitSystem): string {
  return spell(m.template).replace(/\{(\w+)\}/g, (whole, key: string) => {
    const x = m.values[key];
    if (x === undefined) return whole;
    if (typeof x === 'string') return x;
    if ('template' in x) return say(x, system);
    if ('kind' in x) return shelfName(x, system);
    if (x.shelf && system === 'us') return formatInches(x.value);
    return formatQuantity(x.value, x.dimension, system, { ...(x.unit ? { unit: x.unit } : {}), ...(x.digits ? { digits: x.digits } : {}) });
  });
}
