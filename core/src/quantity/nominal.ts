import type { UnitSystem } from './dimension.js';
import { formatInches, formatQuantity } from './format.js';
import { si } from './parse.js';

/**
 * Trade sizes in inches, and what metric countries call a hose of that bore (ISO 1307) and, where pipe is made in it, a fitting
 * (ISO 6708); both from memory. A label, never a figure: the bore that is calculated with stays the part's own.
 */
const SIZES = (
  [
    ['1/4', '6.3 mm', 'DN 8'],
    ['5/16', '8 mm', undefined],
    ['3/8', '10 mm', 'DN 10'],
    ['1/2', '12.5 mm', 'DN 15'],
    ['5/8', '16 mm', undefined],
    ['3/4', '19 mm', 'DN 20'],
    ['1', '25 mm', 'DN 25'],
    ['1 1/4', '31.5 mm', 'DN 32'],
    ['1 1/2', '38 mm', 'DN 40'],
    ['2', '51 mm', 'DN 50'],
  ] as const
).map(([inches, hose, pipe]) => ({ inches, boreM: si(`${inches} in`, 'length'), hose, fitting: pipe ?? hose }));
/** Bores of hose that are sold, m, narrowest first. */
export const TRADE_BORES: readonly number[] = SIZES.map((s) => s.boreM);
const BY_INCHES: ReadonlyMap<string, (typeof SIZES)[number]> = new Map(SIZES.map((s) => [s.inches, s]));

/** A bore of hose as a reader's shop sells it: its trade size, or the bore itself where none is near. */
export function hoseSize(boreM: number, system: UnitSystem): string {
  if (system === 'us') return formatInches(boreM);
  return SIZES.find((s) => Math.abs(s.boreM / boreM - 1) < 0.02)?.hose ?? formatQuantity(boreM, 'length', system, { unit: 'mm' });
}

/** A part by the name it has on the shelf. */
export interface ShelfPart {
  readonly name: string;
  /** The part's kind: a hose's size has another name than a fitting's. */
  readonly kind: string;
}

/** The name of a part off the shelf with its size as a reader's shop says it. */
export function shelfName({ name, kind }: ShelfPart, system: UnitSystem): string {
  if (system === 'us') return name;
  return name.replace(/((?:\d+ )?\d+(?:\/\d+)?) in\b/, (whole, inches: string) => {
    const size = BY_INCHES.get(inches);
    return size ? (kind === 'hose' ? size.hose : size.fitting) : whole;
  });
}
