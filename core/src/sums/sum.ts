import type { Dimension, UnitSystem } from '../quantity/dimension.js';
import { SI_UNIT } from '../quantity/dimension.js';
import { formatQuantity } from '../quantity/format.js';
import { quantityRuleOf, type QuantityRule, readField } from '../rig/quantity-field.js';
import { say } from '../working/figure.js';
import { type SumLine, sayLine } from './line.js';
import { soldAs } from './sold.js';
import { EQUATIONS, type EquationId } from '../subject/equations.js';

/** One input of a sum: what it is, what it may be, what stands in when it is left out. */
export interface SumInput {
  readonly name: string;
  readonly label: string;
  readonly rule: QuantityRule;
  /** As typed; an input without one must be given. */
  readonly fallback?: string;
  /** Unit of a bare number; left out, a number without one is refused. */
  readonly bare?: string;
  /** One of these words instead of a quantity; the sum is given its place in the list. */
  readonly choices?: readonly string[];
}

export interface SumOutput {
  readonly name: string;
  readonly label: string;
  readonly dimension: Dimension;
}

/** A single calculation, usable without a rig. */
export interface Sum {
  readonly name: string;
  readonly title: string;
  readonly equation: EquationId;
  readonly inputs: readonly SumInput[];
  readonly outputs: readonly SumOutput[];
  /** SI in, SI out, by name. */
  readonly run: (x: Readonly<Record<string, number>>) => Readonly<Record<string, number>>;
  /** The same as a person would write it down, line by line, of the inputs and what came out. */
  readonly written: (x: Readonly<Record<string, number>>, o: Readonly<Record<string, number>>) => readonly SumLine[];
}

/** An input; bounds and fallback as typed. */
export function sumInput(name: string, label: string, dimension: Dimension, min: string, max: string, fallback?: string): SumInput {
  return { name, label, rule: quantityRuleOf(dimension, min, max), ...(fallback === undefined ? {} : { fallback }) };
}

/** An input that is one of a few words. */
export function choiceInput(name: string, label: string, choices: readonly [string, ...string[]]): SumInput {
  return { name, label, rule: quantityRuleOf('number', '0', String(choices.length - 1)), fallback: choices[0], choices };
}

export interface Amount {
  readonly si: number;
  readonly unit: string;
  readonly text: string;
}

export interface SumResult {
  readonly sum: string;
  readonly inputs: Readonly<Record<string, Amount>>;
  readonly result: Readonly<Record<string, Amount>>;
  /** Of a sum that comes to a size: what is sold of it, and what that gives then, in the reader's units. */
  readonly sold?: string;
  readonly working: {
    readonly equation: string;
    readonly source: string;
    readonly steps: readonly string[];
    /** The equation with its numbers put in, to be done again by hand. */
    readonly lines: readonly string[];
  };
}

export interface SumProblem {
  readonly code: string;
  readonly path: string;
  readonly bound: string;
  readonly message: string;
}

export type SumOutcome = { readonly ok: true; readonly value: SumResult } | { readonly ok: false; readonly problems: readonly SumProblem[] };

/**
 * Does a sum on typed inputs. Unknown or missing inputs, wrong units and values out of bounds are problems, not exceptions.
 * @param typed text by input name
 */
export function doSum(sum: Sum, typed: Readonly<Record<string, unknown>>, system: UnitSystem = 'us'): SumOutcome {
  const problems: SumProblem[] = [];
  const names = sum.inputs.map((i) => i.name);
  for (const key of Object.keys(typed))
    if (!names.includes(key))
      problems.push({ code: 'unknown', path: key, bound: names.join(', '), message: `"${key}" is not an input of ${sum.name}. It takes ${names.join(', ')}.` });
  const values: Record<string, number> = {};
  const inputs: Record<string, Amount> = {};
  for (const field of sum.inputs) {
    const given = Object.hasOwn(typed, field.name) ? typed[field.name] : undefined;
    const text = given === undefined || given === '' ? field.fallback : given;
    if (text === undefined) {
      problems.push({
        code: 'missing',
        path: field.name,
        bound: `a ${field.rule.dimension}`,
        message: `${sum.name} needs ${field.name} (${field.label.toLowerCase()}).`,
      });
      continue;
    }
    if (typeof text !== 'string') {
      problems.push({ code: 'type', path: field.name, bound: 'text with a unit', message: `${field.name} must be a text with its unit, such as "8 gpm".` });
      continue;
    }
    if (field.choices) {
      const place = field.choices.indexOf(text.trim().toLowerCase());
      if (place < 0) {
        const bound = field.choices.join(', ');
        problems.push({ code: 'choice', path: field.name, bound, message: `${field.name}: "${text.slice(0, 40)}" is none of ${bound}.` });
      } else {
        values[field.name] = place;
        inputs[field.name] = { si: place, unit: '', text: field.choices[place] };
      }
      continue;
    }
    const read = readField(field.rule, text, field.bare);
    if (!read.ok) problems.push({ code: read.error.code, path: field.name, bound: read.error.bound, message: `${field.name}: ${read.error.message}` });
    else {
      values[field.name] = read.si;
      inputs[field.name] = { si: read.si, unit: SI_UNIT[field.rule.dimension], text: read.text };
    }
  }
  if (problems.length) return { ok: false, problems };
  const out = sum.run(values);
  const result: Record<string, Amount> = {};
  for (const o of sum.outputs) {
    const value = out[o.name];
    if (Number.isNaN(value))
      return { ok: false, problems: [{ code: 'range', path: o.name, bound: '', message: `These inputs give no ${o.label.toLowerCase()}.` }] };
    result[o.name] = { si: value, unit: SI_UNIT[o.dimension], text: formatQuantity(value, o.dimension, system) };
  }
  const equation = EQUATIONS[sum.equation];
  const sold = soldAs(sum.name, values, out, system);
  return {
    ok: true,
    value: {
      sum: sum.name,
      inputs,
      result,
      ...(sold ? { sold: say(sold, system) } : {}),
      working: {
        equation: equation.text,
        source: equation.source,
        lines: sum.written(values, out).map((l) => sayLine(l, system)),
        steps: [...sum.inputs.map((i) => `${i.label}: ${inputs[i.name].text}`), ...sum.outputs.map((o) => `${o.label}: ${result[o.name].text}`)],
      },
    },
  };
}
