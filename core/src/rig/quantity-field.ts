import * as v from 'valibot';
import { type Dimension, type UnitSystem } from '../quantity/dimension.js';
import { aDimension, example, MOST_QUANTITY_TEXT, parseQuantity, type ParseErrorCode, si } from '../quantity/parse.js';
import { shownIn } from '../quantity/shown.js';

/** What a quantity in the rig document may be: kept in the schema as metadata so that a field on screen can ask. */
export interface QuantityRule {
  readonly dimension: Dimension;
  /** Bounds as a builder reads them, with unit; inclusive. */
  readonly min: string;
  readonly max: string;
  /** The same in SI. */
  readonly minSi: number;
  readonly maxSi: number;
}

export type FieldErrorCode = ParseErrorCode | 'below' | 'above';

export interface FieldError {
  readonly code: FieldErrorCode;
  /** The bound that was broken, such as `≥ 1 mm`. */
  readonly bound: string;
  readonly message: string;
}

/** A rule from bounds as typed. */
export function quantityRuleOf(dimension: Dimension, min: string, max: string): QuantityRule {
  return { dimension, min, max, minSi: si(min, dimension), maxSi: si(max, dimension) };
}

/**
 * Reads a typed text under a rule.
 * @param bareUnit unit for a bare number (see {@link parseQuantity})
 * @param system in whose units a bound that is broken is told; as the rule writes it unless said
 */
export function readField(
  rule: QuantityRule,
  text: string,
  bareUnit?: string,
  system?: UnitSystem,
): { ok: true; si: number; text: string } | { ok: false; error: FieldError } {
  const read = parseQuantity(text, rule.dimension, bareUnit);
  if (!read.ok) return { ok: false, error: { code: read.error.code, bound: aDimension(rule.dimension), message: read.error.message } };
  const { minSi: min, maxSi: max } = rule;
  const slack = 1e-9 * Math.max(Math.abs(min), Math.abs(max));
  const bound = (text: string): string => (system ? shownIn(text, rule.dimension, system).text : text);
  if (!(read.si >= min - slack))
    return { ok: false, error: { code: 'below', bound: `≥ ${rule.min}`, message: `${read.text} is too small: at least ${bound(rule.min)}.` } };
  if (!(read.si <= max + slack))
    return { ok: false, error: { code: 'above', bound: `≤ ${rule.max}`, message: `${read.text} is too large: at most ${bound(rule.max)}.` } };
  return { ok: true, si: read.si, text: read.text };
}

/**
 * A schema for what a person types under a rule, a bare number in its unit: gives the value in SI and the text as it is kept.
 * @param bareUnit and `system` as for {@link readField}
 */
export const typedSchema = (rule: QuantityRule, bareUnit: string, system?: UnitSystem) =>
  v.pipe(
    v.string(),
    v.rawTransform<string, { readonly si: number; readonly text: string }>(({ dataset, addIssue, NEVER }) => {
      const read = readField(rule, dataset.value, bareUnit, system);
      if (read.ok) return { si: read.si, text: read.text };
      addIssue({ message: read.error.message, expected: read.error.bound });
      return NEVER;
    }),
  );

/** Texts of one field whose value is remembered: a document is read again at every keystroke. */
const MOST_REMEMBERED = 400;

/**
 * A quantity in the document: a text with a unit, such as "8 gpm"; its output is the SI number.
 * The text as typed is the document, so a file reads as the builder wrote it.
 */
export function quantity(dimension: Dimension, min: string, max: string) {
  const rule = quantityRuleOf(dimension, min, max);
  const remembered = new Map<string, number>();
  return v.pipe(
    v.string(({ received }) => `${aDimension(dimension).replace(/^a/, 'A')} is a text with its unit, such as "${example(dimension)}"; found ${received}.`),
    v.metadata({ quantity: rule }),
    v.maxLength(MOST_QUANTITY_TEXT, `A quantity has at most ${MOST_QUANTITY_TEXT} characters.`),
    v.rawTransform<string, number>(({ dataset, addIssue, NEVER }) => {
      const known = remembered.get(dataset.value);
      if (known !== undefined) return known;
      const read = readField(rule, dataset.value);
      if (read.ok) {
        if (remembered.size >= MOST_REMEMBERED) remembered.clear();
        remembered.set(dataset.value, read.si);
        return read.si;
      }
      addIssue({ message: read.error.message, expected: read.error.bound });
      return NEVER;
    }),
  );
}
