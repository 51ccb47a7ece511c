import { type Locale, readerLocale } from '../locale/locale.js';
import { type Dimension, findUnit, FOOT, fromSi, INCH, SHOWN_UNIT, type UnitSystem } from './dimension.js';

/** No-break space between number and unit. The application's face sets it narrow. */
export const GAP = '\u00a0';
/** Units that stand close: 4.5%, 68°F. */
const CLOSE: ReadonlySet<string> = new Set(['%', '°F', '°', '']);
/** What stands between a number and its unit. */
export const gapBefore = (unit: string): string => (CLOSE.has(unit) ? '' : GAP);

/** Formatters by locale and decimals: making one takes far longer than using it. */
const FORMATS = new Map<string, Intl.NumberFormat>();
function digits(magnitude: number, decimals: number, locale: Locale): string {
  const key = `${locale} ${decimals}`;
  let format = FORMATS.get(key);
  if (!format) FORMATS.set(key, (format = new Intl.NumberFormat(locale, { maximumFractionDigits: decimals })));
  return format.format(magnitude);
}

export interface FormatOptions {
  /** Unit symbol to print in, instead of the system's usual one. */
  readonly unit?: string;
  /** Significant digits: 3 unless said, 2 of less than one percent. */
  readonly digits?: number;
  /** Print a plus sign before positive values. */
  readonly signed?: boolean;
}

/** Number without unit, as the locale writes it: `significant` digits, thousands grouped, true minus. */
export function formatNumber(value: number, significant = 3, signed = false, locale: Locale = readerLocale()): string {
  if (!Number.isFinite(value)) return value > 0 ? '∞' : value < 0 ? '−∞' : 'no figure';
  const magnitude = Math.abs(value);
  const exponent = magnitude > 0 ? Math.floor(Math.log10(magnitude)) : 0;
  const decimals = Math.min(Math.max(significant - 1 - exponent, 0), 5);
  let text = magnitude.toFixed(decimals);
  if (Number(text) >= 10 ** (exponent + 1) && decimals > 0) text = magnitude.toFixed(decimals - 1);
  const zero = Number(text) === 0;
  return `${zero ? '' : value < 0 ? '−' : signed ? '+' : ''}${digits(Number(text), decimals, locale)}`;
}

/** The unit in which heat is told: nobody thinks of a warm tank in horsepower. */
export const HEAT_UNIT: Readonly<Record<UnitSystem, string>> = { us: 'BTU/h', metric: 'kW' };

/** Small lengths read in inches or millimetres, long waits in hours: the unit a builder would say. */
export function naturalUnit(si: number, dimension: Dimension, system: UnitSystem): string {
  const magnitude = Math.abs(si);
  if (dimension === 'length') {
    if (system === 'us') return magnitude < 0.3048 ? 'in' : 'ft';
    return magnitude < 0.001 ? 'µm' : magnitude < 1 ? 'mm' : 'm';
  }
  if (dimension === 'time') return magnitude < 60 ? 's' : magnitude < 3 * 3600 ? 'min' : magnitude < 3 * 86400 ? 'h' : 'd';
  if (dimension === 'volume' && system === 'metric' && magnitude < 1e-3) return 'mL';
  if (dimension === 'area' && magnitude < 0.01) return system === 'us' ? 'in²' : 'mm²';
  return SHOWN_UNIT[dimension][system];
}

export interface Printed {
  readonly value: string;
  readonly unit: string;
}

/** Number and unit apart, for screens that set them in different type. */
export function printParts(si: number, dimension: Dimension, system: UnitSystem, options: FormatOptions = {}): Printed {
  const symbol = options.unit ?? naturalUnit(si, dimension, system);
  const unit = findUnit(dimension, symbol);
  if (!unit) throw new RangeError(`No unit "${symbol}" of ${dimension}.`);
  const number = fromSi(si, unit);
  // Hours as a clock counts them: 3:41 h.
  if (dimension === 'time' && unit.symbol === 'h' && options.unit === undefined && Number.isFinite(si)) {
    const minutes = Math.round(Math.abs(si) / 60);
    const sign = si < 0 ? '−' : options.signed ? '+' : '';
    return { value: `${sign}${Math.floor(minutes / 60)}${minutes % 60 ? `:${String(minutes % 60).padStart(2, '0')}` : ''}`, unit: 'h' };
  }
  // Small sums of money show their cents whole or not at all: $10.10, not $10.1; $64.
  if (dimension === 'money' && options.digits === undefined && Math.abs(number) < 99.995 && Number.isFinite(number))
    return { value: `${number < 0 ? '−' : options.signed ? '+' : ''}${Math.abs(number).toFixed(2).replace(/\.00$/, '')}`, unit: unit.symbol };
  // Two digits of less than one percent: no gauge and no cup shows a third.
  const usual = unit.symbol === '%' && Math.abs(number) < 1 ? 2 : 3;
  return { value: formatNumber(number, options.digits ?? usual, options.signed), unit: unit.symbol };
}

/** `8 gpm`, `3,380 psi`, `61%`: a figure in words for the person's unit system. */
export function formatQuantity(si: number, dimension: Dimension, system: UnitSystem, options: FormatOptions = {}): string {
  const { value, unit } = printParts(si, dimension, system, options);
  if (dimension === 'money') return `$${value}`;
  return `${value}${gapBefore(unit)}${unit}`;
}

/** A difference of two figures: temperature differences lose their offset. */
export function formatDifference(si: number, dimension: Dimension, system: UnitSystem, options: FormatOptions = {}): string {
  if (dimension === 'temperature') {
    const degrees = system === 'us' ? si * 1.8 : si;
    return `${formatNumber(degrees, options.digits ?? 3, options.signed)}${system === 'us' ? '°F' : `${GAP}°C`}`;
  }
  return formatQuantity(si, dimension, system, options);
}

/**
 * Inches as builders write them: `3/8 in`, `1 1/2 in`, to the nearest 1/32; decimals when no fraction is near.
 * @param lengthM length in metres
 */
export function formatInches(lengthM: number): string {
  const inches = lengthM / 0.0254;
  const parts = Math.round(inches * 32);
  if (Math.abs(inches * 32 - parts) > 0.05 || parts === 0) return `${formatNumber(inches)}${GAP}in`;
  const whole = Math.floor(parts / 32);
  let top = parts % 32;
  let bottom = 32;
  while (top > 0 && top % 2 === 0) {
    top /= 2;
    bottom /= 2;
  }
  const fraction = top ? `${top}/${bottom}` : '';
  return `${[whole || '', fraction].filter(Boolean).join(' ')}${GAP}in`;
}

/** A measure of a thing that is built, as a workshop reads it off its tape: inches, or centimetres. */
export function formatTape(lengthM: number, system: UnitSystem): string {
  if (system === 'metric') return formatQuantity(lengthM, 'length', 'metric', { unit: 'cm' });
  // Nobody reads thirty-seconds off a tape past a foot.
  const eighth = INCH / 8;
  return formatInches(Math.abs(lengthM) > FOOT ? Math.round(lengthM / eighth) * eighth : lengthM);
}

/** Plain text for the document: ASCII number and unit, parseable again (`12.5 gpm`). */
export function typeableQuantity(si: number, dimension: Dimension, unitSymbol: string, digits = 4): string {
  const unit = findUnit(dimension, unitSymbol);
  if (!unit) throw new RangeError(`No unit "${unitSymbol}" of ${dimension}.`);
  const value = Number(fromSi(si, unit).toPrecision(digits));
  return dimension === 'money' ? `$${value}` : `${value} ${unitSymbol}`.trim();
}
