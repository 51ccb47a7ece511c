import type { UnitSystem } from '../quantity/dimension.js';
import type { TankDocument } from '../rig/schema.js';

/** A tank as it stands on the shelf. */
export interface StockTank {
  readonly id: string;
  /** "100 gal upright". */
  readonly name: string;
  readonly system: UnitSystem;
  readonly shape: TankDocument['shape'];
}

const box = (length: string, width: string, height: string): TankDocument['shape'] => ({ kind: 'box', length, width, height });
const upright = (diameter: string, height: string): TankDocument['shape'] => ({ kind: 'upright-cylinder', diameter, height });
const lying = (diameter: string, length: string): TankDocument['shape'] => ({ kind: 'lying-cylinder', diameter, length });
const row = (system: UnitSystem, name: string, shape: TankDocument['shape']): StockTank => ({
  id: name.replace(/[‹›]/g, '').replaceAll(' ', '-'),
  name,
  system,
  shape,
});

/**
 * Sizes in which tanks are commonly sold, by rising volume. Common practice: makers differ by an inch or two, so a tank that
 * stands in the workshop is measured. Inside measures; each holds what its name says within 1 %.
 */
export const TANK_SIZES: readonly StockTank[] = [
  row('us', '35 gal box', box('36 in', '18 in', '12.5 in')),
  row('us', '65 gal box', box('38 in', '24 in', '16.5 in')),
  row('us', '100 gal upright', upright('30 in', '32.7 in')),
  row('us', '125 gal lying', lying('32 in', '36 in')),
  row('us', '150 gal upright', upright('34 in', '38.2 in')),
  row('us', '210 gal lying', lying('38 in', '42.8 in')),
  row('us', '225 gal narrow box', box('72 in', '24 in', '30.1 in')),
  row('us', '275 gal ‹tote›', box('45 in', '38 in', '37.1 in')),
  row('us', '325 gal lying', lying('42 in', '54.2 in')),
  row('us', '425 gal upright', upright('48 in', '54.3 in')),
  row('us', '525 gal lying', lying('48 in', '67 in')),
  row('metric', '100 L box', box('600 mm', '400 mm', '417 mm')),
  row('metric', '200 L box', box('800 mm', '500 mm', '500 mm')),
  row('metric', '300 L narrow box', box('1200 mm', '400 mm', '625 mm')),
  row('metric', '500 L upright', upright('800 mm', '995 mm')),
  row('metric', '600 L lying', lying('800 mm', '1194 mm')),
  row('metric', '1000 L ‹tote›', box('1200 mm', '1000 mm', '834 mm')),
  row('metric', '1500 L lying', lying('1100 mm', '1578 mm')),
  row('metric', '2000 L lying', lying('1200 mm', '1768 mm')),
];
