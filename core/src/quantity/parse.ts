import { type Dimension, dimensionOf, findUnit, offeredUnits, toSi, type Unit } from './dimension.js';

/** A quantity as read: the SI value, the unit that was meant and the text exactly as typed. */
export interface Quantity {
  readonly si: number;
  readonly unit: string;
  readonly text: string;
}

/** Most characters that a quantity is read from: no quantity needs more, and reading stays short whatever is given. */
export const MOST_QUANTITY_TEXT = 60;

export type ParseErrorCode = 'empty' | 'too-long' | 'number' | 'unit-missing' | 'unit-unknown' | 'unit-wrong';

export interface ParseError {
  readonly code: ParseErrorCode;
  readonly message: string;
}

export type ParseResult = ({ readonly ok: true } & Quantity) | { readonly ok: false; readonly error: ParseError };

const VULGAR: Readonly<Record<string, string>> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
  '⅓': '1/3',
  '⅔': '2/3',
};

/** One number: `12`, `1.5`, `2,5`, `1,200`, `3/8`, `1 1/2`, `1-1/2`, `1e-3`. */
const NUMBER = String.raw`(?:\d+(?:\s+|-)\d+\/\d+|\d+\/\d+|(?:\d{1,3}(?:,\d{3})+(?:\.\d+)?|\d+(?:[.,]\d+)?|[.,]\d+)(?:[eE][+-]?\d+)?)`;
const TERM = new RegExp(String.raw`^\s*(${NUMBER})\s*([^\d\s.,+-][^\d]*?[23]?(?:\/[a-zA-Z]+)?)?\s*(?=$|\d|[.,]\d)`);

function readNumber(s: string): number {
  const mixed = /^(?:(\d+)(?:\s+|-))?(\d+)\/(\d+)$/.exec(s);
  if (mixed) return (mixed[1] ? Number(mixed[1]) : 0) + Number(mixed[2]) / Number(mixed[3]);
  if (/^\d{1,3}(,\d{3})+(\.\d+)?([eE][+-]?\d+)?$/.test(s)) return Number(s.replaceAll(',', ''));
  return Number(s.replace(',', '.'));
}

const fail = (code: ParseErrorCode, message: string): ParseResult => ({ ok: false, error: { code, message } });

/** What a person may type for this dimension, for error sentences. */
export function unitChoices(dimension: Dimension): string {
  return offeredUnits(dimension)
    .map((u) => u.symbol)
    .slice(0, 6)
    .join(', ');
}

const NAMES: Partial<Record<Dimension, string>> = {
  charge: 'battery charge',
  force: 'force',
  airFlow: 'flow of air',
  temperatureStep: 'temperature difference',
  flowCoefficient: 'valve coefficient',
  money: 'amount of money',
  number: 'plain number',
  rotation: 'speed of rotation',
};
/** "a flow", "an area": the dimension as a builder would name it. */
export function aDimension(d: Dimension): string {
  const name = NAMES[d] ?? d;
  return `${/^[aeiou]/.test(name) ? 'an' : 'a'} ${name}`;
}

interface Term {
  value: number;
  spelling: string;
}

function terms(body: string): Term[] | null {
  const out: Term[] = [];
  let rest = body;
  while (rest.trim() !== '') {
    const m = TERM.exec(rest);
    if (!m) return null;
    out.push({ value: readNumber(m[1]), spelling: (m[2] ?? '').trim() });
    rest = rest.slice(m[0].length);
    if (out.length > 4) return null;
  }
  return out.length ? out : null;
}

/**
 * Reads a quantity as a builder types it: `5 gpm`, `3/8 in`, `1 1/2"`, `6 ft 4 in`, `-2 °C`, `1 h 30 min`.
 * A comma before exactly three digits groups thousands ("1,200 psi"); any other comma is a decimal comma ("2,5 bar").
 *
 * @param bareUnit unit taken when the text holds only a number; without it a bare number is an error
 *   (plain numbers excepted).
 * @returns the SI value and the text as typed (trimmed), or an error sentence. Never throws.
 */
export function parseQuantity(text: string, dimension: Dimension, bareUnit?: string): ParseResult {
  if (text.length > MOST_QUANTITY_TEXT) return fail('too-long', `A quantity has at most ${MOST_QUANTITY_TEXT} characters; this has ${text.length}.`);
  const typed = text.trim();
  if (typed === '') return fail('empty', `Type ${aDimension(dimension)}, such as ${example(dimension)}.`);
  let body = typed
    .replace(/[½¼¾⅛⅜⅝⅞⅓⅔]/g, (c) => ` ${VULGAR[c]}`)
    .replace(/−/g, '-')
    .trim();
  let sign = 1;
  if (/^[+-]/.test(body)) {
    sign = body.startsWith('-') ? -1 : 1;
    body = body.slice(1);
  }
  // Hours and minutes as a clock counts them.
  if (dimension === 'time') body = body.replace(/^(\d+):([0-5]\d)(\s*(h|hr|hrs|hours?))?$/, '$1 h $2 min');
  if (dimension === 'money') body = body.replace(/^\$\s*/, '');
  const read = terms(body);
  if (!read || read.some((t) => !Number.isFinite(t.value))) return fail('number', `"${typed}" is not a number with a unit. Try ${example(dimension)}.`);

  // A third of something is a third, not a third of a percent.
  if (dimension === 'ratio' && read.length === 1 && read[0].spelling === '' && /^\s*\d+\s*\/\s*\d+\s*$/.test(body))
    return { ok: true, si: sign * read[0].value, unit: '%', text: typed };
  let magnitude = 0;
  let first: Unit | undefined;
  for (const [i, term] of read.entries()) {
    const spelling = term.spelling || (read.length === 1 ? defaultSpelling(dimension, bareUnit) : '');
    if (spelling === undefined) return fail('unit-missing', `"${typed}" has no unit. Use ${unitChoices(dimension)}.`);
    const found = findUnit(dimension, spelling);
    if (!found) return wrongUnit(typed, spelling, dimension);
    if (i > 0 && first && (first.offset || found.factor >= first.factor))
      return fail('number', `"${typed}" does not read as one quantity. Put the larger unit first, such as 6 ft 4 in.`);
    first ??= found;
    magnitude += i === 0 ? toSi(sign * term.value, found) : sign * term.value * found.factor;
  }
  if (!Number.isFinite(magnitude)) return fail('number', `"${typed}" is not a usable number.`);
  const bare = read.length === 1 && read[0].spelling === '';
  const withUnit = bare && first!.symbol !== '' ? (dimension === 'money' ? `${sign < 0 ? '-' : ''}$${body}` : `${typed} ${first!.symbol}`) : typed;
  return { ok: true, si: magnitude, unit: first!.symbol, text: withUnit };
}

function defaultSpelling(dimension: Dimension, bareUnit?: string): string | undefined {
  if (bareUnit !== undefined) return bareUnit;
  return dimension === 'number' ? '' : dimension === 'money' ? '$' : undefined;
}

function wrongUnit(typed: string, spelling: string, dimension: Dimension): ParseResult {
  const other = dimensionOf(spelling);
  if (other) return fail('unit-wrong', `"${typed}" is ${aDimension(other)}; ${aDimension(dimension)} is needed (${unitChoices(dimension)}).`);
  return fail('unit-unknown', `"${spelling}" is not a unit of ${dimension} known here. Use ${unitChoices(dimension)}.`);
}

const EXAMPLES: Readonly<Record<Dimension, string>> = {
  length: '3/8 in, 6 ft 4 in or 2.5 m',
  area: '200 ft² or 18 m²',
  volume: '210 gal or 800 L',
  flow: '5 gpm or 19 L/min',
  pressure: '3000 psi or 2.5 bar',
  temperature: '68 °F or 20 °C',
  temperatureStep: '100 °F or 60 °C',
  velocity: '3 ft/s',
  time: '45 min or 1 h 30 min',
  mass: '80 lb or 36 kg',
  power: '13 hp',
  ratio: '70 %',
  number: '4',
  rotation: '1450 rpm',
  density: '8.34 lb/gal',
  viscosity: '1 mPa·s',
  flowCoefficient: '12 Cv',
  money: '$64',
  coverage: '120 ft²/gal',
  current: '10 A',
  voltage: '12 V',
  charge: '100 Ah',
  force: '25 lbf',
  airFlow: '18 cfm',
};

/** An example of what can be typed for the dimension. */
export function example(dimension: Dimension): string {
  return EXAMPLES[dimension];
}

/** The SI value of a text, throwing a `RangeError` with the sentence of {@link parseQuantity} when it cannot be read. */
export function si(text: string, dimension: Dimension): number {
  const r = parseQuantity(text, dimension);
  if (!r.ok) throw new RangeError(r.error.message);
  return r.si;
}
