import type { Dimension, UnitSystem } from '../quantity/dimension.js';
import { formatQuantity, naturalUnit } from '../quantity/format.js';

/** A number that stands in a formula: SI, told in the reader's units, or a constant with its words for each of them. */
export type Given = readonly [value: number, dimension: Dimension, unit?: string] | { readonly value: number; readonly us: string; readonly metric: string };

/** A line of a sum as a person would write it down: symbol, formula, numbers put in, result. */
export interface SumLine {
  readonly symbol: string;
  /** Of symbols, numbers, π, ln, √, + − · / ^ ² ³ and brackets: what it says is what the sum does; a test works it out. */
  readonly formula: string;
  readonly of: Readonly<Record<string, Given>>;
  readonly result: readonly [value: number, dimension: Dimension, unit?: string];
  /** What is not a formula: where a number comes from. */
  readonly note?: string;
}

export const line = (symbol: string, formula: string, of: SumLine['of'], result: SumLine['result'], note?: string): SumLine => ({
  symbol,
  formula,
  of,
  result,
  ...(note === undefined ? {} : { note }),
});

/** A number that no formula of one line gives: read from a table, or found by trying. */
export const found = (symbol: string, note: string, result: SumLine['result']): SumLine => ({ symbol, formula: '', of: {}, result, note });

/** Symbols of a formula: a letter, then letters and figures, which are shown low. */
export const SYMBOL = /[A-Za-zΑ-Ωα-ω][A-Za-zΑ-Ωα-ω0-9]*/gu;

const lowered = (text: string): string => text.replace(SYMBOL, (name) => name.replace(/\d/g, (d) => String.fromCharCode(0x2080 + Number(d))));
const DIGITS = 4;

/** The line in words: `Q = N · √(p / p₀) = 4 gpm · √(3 000 psi / 4 000 psi) = 3.464 gpm`. */
export function sayLine(l: SumLine, system: UnitSystem): string {
  const [value, dimension, own] = l.result;
  const alike = Object.values(l.of).flatMap((g) => ('us' in g || g[1] !== dimension ? [] : [g[0]]));
  // What is added up stands in one unit.
  const unit = /[+−]/.test(l.formula) && alike.length ? naturalUnit(Math.max(...[...alike, value].map(Math.abs)), dimension, system) : undefined;
  const say = (v: number, d: Dimension, of?: string): string => {
    const as = of ?? (d === dimension ? unit : undefined);
    return formatQuantity(v, d, system, { digits: DIGITS, ...(as ? { unit: as } : {}) });
  };
  const put = l.formula.replace(SYMBOL, (name, at: number) => {
    const given = Object.hasOwn(l.of, name) ? l.of[name] : undefined;
    if (!given) return lowered(name);
    const text = 'us' in given ? given[system] : say(...given);
    return text.startsWith('−') || /^[²³^]/.test(l.formula.slice(at + name.length)) ? `(${text})` : text;
  });
  const parts = [lowered(l.symbol), ...(l.formula ? [lowered(l.formula)] : []), ...(put === l.formula ? [] : [put]), say(value, dimension, own)];
  return `${parts.join(' = ')}${l.note ? `, ${lowered(l.note)}` : ''}`;
}
