/** A thing that is called otherwise, or spelled otherwise, on the two sides: singular and, where there is one, plural. */
interface Term {
  readonly us: readonly [singular: string, plural?: string];
  readonly gb: readonly [singular: string, plural?: string];
}
const term = (us: Term['us'] | string, gb: Term['gb'] | string): Term => ({ us: typeof us === 'string' ? [us] : us, gb: typeof gb === 'string' ? [gb] : gb });

/** Words of the trade and spellings, by what they are in en-US; a text names one as `‹spigot›`, `‹a spigot›` or `‹Spigots›`. */
export const TERMS: readonly Term[] = [
  term('gas', 'petrol'),
  term('gasoline', 'petrol'),
  term('off the gas', 'off the accelerator'),
  term('ER', 'A&E'),
  term('curb', 'kerb'),
  term(['tire', 'tires'], ['tyre', 'tyres']),
  term(['spigot', 'spigots'], ['outside tap', 'outside taps']),
  term(['hydrant', 'hydrants'], ['standpipe', 'standpipes']),
  term(['tote', 'totes'], ['IBC', 'IBCs']),
  term(['containment tray', 'containment trays'], ['bund', 'bunds']),
  term('tongue weight', 'nose weight'),
  term(['coupler', 'couplers'], ['coupling', 'couplings']),
  term(['truck scale', 'truck scales'], ['weighbridge', 'weighbridges']),
  term('scale ticket', 'weighbridge ticket'),
  term(['wheel well', 'wheel wells'], ['wheel arch', 'wheel arches']),
  term(['tie-down', 'tie-downs'], ['restraint', 'restraints']),
  term(['wand', 'wands'], ['lance', 'lances']),
  term('AC power', 'mains'),
  term(['GFCI', 'GFCIs'], ['RCD', 'RCDs']),
  term('ground', 'earth'),
  term('GAWR', 'axle limit'),
  term('GVWR', 'MAM'),
  term('GCWR', 'GTW'),
  term(['meter', 'meters'], ['metre', 'metres']),
  term(['liter', 'liters'], ['litre', 'litres']),
  term(['color', 'colors'], ['colour', 'colours']),
  term(['center', 'centers'], ['centre', 'centres']),
  term('aluminum', 'aluminium'),
  term('galvanized', 'galvanised'),
  term('catalog', 'catalogue'),
  term('vapor', 'vapour'),
  term(['carburetor', 'carburetors'], ['carburettor', 'carburettors']),
];
