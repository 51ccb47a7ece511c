import type { UnitSystem } from '../quantity/dimension.js';
import { formatInches, formatQuantity } from '../quantity/format.js';
import { si } from '../quantity/parse.js';

/**
 * Trade sizes in inches, and what metric countries call a hose of that bore (ISO 1307) and a fitting of that pipe size (ISO
 * 6708); both from memory. A label, never a figure: the bore that is calculated with stays the part's own.
 */
const SIZES: readonly { readonly inches: string; readonly hose: string; readonly fitting: string }[] = [
  { inches: '1/4', hose: '6.3 mm', fitting: 'DN 8' },
  { inches: '5/16', hose: '8 mm', fitting: 'DN 8' },
  { inches: '3/8', hose: '10 mm', fitting: 'DN 10' },
  { inches: '1/2', hose: '12.5 mm', fitting: 'DN 15' },
  { inches: '5/8', hose: '16 mm', fitting: 'DN 16' },
  { inches: '3/4', hose: '19 mm', fitting: 'DN 20' },
  { inches: '1', hose: '25 mm', fitting: 'DN 25' },
  { inches: '1 1/4', hose: '31.5 mm', fitting: 'DN 32' },
  { inches: '1 1/2', hose: '38 mm', fitting: 'DN 40' },
  { inches: '2', hose: '51 mm', fitting: 'DN 50' },
];
const BY_INCHES = new Map(SIZES.map((s) => [s.inches, s]));

/** A bore of hose as a reader's shop sells it: its trade size, or the bore itself where none is near. */
export function hoseSize(boreM: number, system: UnitSystem): string {
  if (system === 'us') return formatInches(boreM);
  const near = SIZES.find((s) => Math.abs(si(`${s.inches} in`, 'length') / boreM - 1) < 0.02);
  return near?.hose ?? formatQuantity(boreM, 'length', system, { unit: 'mm' });
}

/** The name of a part off the shelf with its size as a reader's shop says it. */
export function shelfName(name: string, kind: string, system: UnitSystem): string {
  if (system === 'us') return name;
  return name.replace(/((?:\d+ )?\d+(?:\/\d+)?) in\b/, (whole, inches: string) => {
    const size = BY_INCHES.get(inches);
    return size ? (kind === 'hose' ? size.hose : size.fitting) : whole;
  });
}
