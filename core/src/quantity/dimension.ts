/**
 * The dimensions a builder types and reads, each with its units.
 * SI is what the core computes in; a unit is a factor (and, for temperature, an offset) to SI.
 * Factors are exact by definition: inch 0.0254 m, US gallon 231 in³, pound 0.45359237 kg,
 * pound-force from g = 9.80665 m/s² (NIST SP 811).
 */

export type UnitSystem = 'us' | 'metric';

export type Dimension =
  | 'length'
  | 'area'
  | 'volume'
  | 'flow'
  | 'pressure'
  | 'temperature'
  | 'temperatureStep'
  | 'velocity'
  | 'time'
  | 'mass'
  | 'power'
  | 'ratio'
  | 'number'
  | 'rotation'
  | 'density'
  | 'viscosity'
  | 'flowCoefficient'
  | 'money'
  | 'coverage'
  | 'current'
  | 'voltage'
  | 'charge'
  | 'force'
  | 'airFlow';

export interface Unit {
  /** As printed. */
  readonly symbol: string;
  /** Other spellings understood, lower case. */
  readonly also: readonly string[];
  /** SI = value × factor + offset. */
  readonly factor: number;
  readonly offset?: number;
  /** Read aloud by a screen reader. */
  readonly spoken: string;
  /** The system whose people read it off a gauge or a shelf; none for a unit of both. */
  readonly of: UnitSystem | undefined;
}

/** Units as SI values. */
export const INCH = 0.0254;
export const FOOT = 0.3048;
export const GALLON = 231 * INCH ** 3;
export const POUND = 0.45359237;
/** Standard gravity, m/s². */
export const G = 9.80665;
/** A cubic foot a minute. */
export const CFM = FOOT ** 3 / 60;
/** 550 foot-pounds a second. */
export const HORSEPOWER = 550 * FOOT * POUND * G;
/** A pound for a horsepower and hour, kg/J. */
export const POUND_HP_HOUR = POUND / (HORSEPOWER * 3600);
const PSI = (POUND * G) / INCH ** 2;

/** Units of one system alone; all others are of both, as watts, amperes and percents are. */
const OF: Readonly<Record<UnitSystem, ReadonlySet<string>>> = {
  us: new Set('ft|in|mi|yd|ft²|in²|gal|qt|gpm|gph|psi|inHg|°F|ft/s|ft/min|mph|lb|oz|gr|hp|BTU/h|oz/gal|lb/gal|gr/ft³|Cv|ft²/gal|lbf|cfm|fl oz'.split('|')),
  metric: new Set('m|mm|cm|km|µm|m²|mm²|m³|L|mL|m³/s|L/min|L/h|L/s|m³/h|Pa|kPa|MPa|bar|mbar|K|°C|m/s|km/h|kg|g|t|mL/L|kg/m³|g/L|Kv|m²/L|N|kN'.split('|')),
};
const unit = (symbol: string, factor: number, spoken: string, also: string[] = [], offset = 0): Unit => ({
  symbol,
  factor,
  spoken,
  also,
  offset,
  of: OF.us.has(symbol) ? 'us' : OF.metric.has(symbol) ? 'metric' : undefined,
});

/** Kv in SI: m³/s at 1 Pa, of a valve that passes 1 m³/h at 1 bar. */
const KV = 1 / 3600 / Math.sqrt(1e5);
/** Cv in SI: a valve that passes 1 US gpm at 1 psi of water at SG 1. */
const CV = GALLON / 60 / Math.sqrt(PSI);

export const UNITS: Readonly<Record<Dimension, readonly Unit[]>> = {
  length: [
    unit('m', 1, 'metres', ['metre', 'metres', 'meter', 'meters']),
    unit('mm', 1e-3, 'millimetres', ['millimetre', 'millimetres']),
    unit('cm', 1e-2, 'centimetres', ['centimetre', 'centimetres']),
    unit('ft', FOOT, 'feet', ["'", '′', '’', 'feet', 'foot']),
    unit('in', INCH, 'inches', ['"', '″', '”', "''", 'inch', 'inches']),
    unit('km', 1000, 'kilometres', ['kilometre', 'kilometres']),
    unit('mi', 1609.344, 'miles', ['mile', 'miles']),
    unit('yd', 0.9144, 'yards', ['yard', 'yards']),
    unit('µm', 1e-6, 'micrometres', ['um', 'micron', 'microns']),
  ],
  area: [
    unit('m²', 1, 'square metres', ['m2', 'sqm', 'sq m']),
    unit('ft²', FOOT ** 2, 'square feet', ['ft2', 'sqft', 'sq ft']),
    unit('in²', INCH ** 2, 'square inches', ['in2', 'sqin', 'sq in']),
    unit('mm²', 1e-6, 'square millimetres', ['mm2']),
  ],
  volume: [
    unit('m³', 1, 'cubic metres', ['m3']),
    unit('L', 1e-3, 'litres', ['l', 'litre', 'litres', 'liter', 'liters']),
    unit('mL', 1e-6, 'millilitres', ['ml']),
    unit('gal', GALLON, 'US gallons', ['gallon', 'gallons', 'us gal', 'usgal']),
    unit('qt', GALLON / 4, 'quarts', ['quart', 'quarts']),
    unit('fl oz', GALLON / 128, 'fluid ounces', ['floz', 'oz']),
  ],
  flow: [
    unit('m³/s', 1, 'cubic metres per second', ['m3/s']),
    unit('L/min', 1e-3 / 60, 'litres per minute', ['l/min', 'lpm', 'litres per minute', 'liters per minute']),
    unit('L/h', 1e-3 / 3600, 'litres per hour', ['l/h', 'lph']),
    unit('L/s', 1e-3, 'litres per second', ['l/s', 'lps']),
    unit('m³/h', 1 / 3600, 'cubic metres per hour', ['m3/h', 'cmh']),
    unit('gpm', GALLON / 60, 'gallons per minute', ['gal/min', 'usgpm']),
    unit('gph', GALLON / 3600, 'gallons per hour', ['gal/h', 'gal/hr']),
  ],
  pressure: [
    unit('Pa', 1, 'pascals', ['pascal']),
    unit('kPa', 1e3, 'kilopascals', []),
    unit('MPa', 1e6, 'megapascals', []),
    unit('bar', 1e5, 'bar', ['bars']),
    unit('mbar', 100, 'millibar', []),
    unit('psi', PSI, 'pounds per square inch', ['psig']),
    unit('inHg', 3386.389, 'inches of mercury', []),
  ],
  temperature: [
    unit('K', 1, 'kelvin', ['kelvin']),
    unit('°C', 1, 'degrees Celsius', ['c', 'degc', 'deg c', 'celsius', 'ºc'], 273.15),
    unit('°F', 5 / 9, 'degrees Fahrenheit', ['f', 'degf', 'deg f', 'fahrenheit', 'ºf'], 459.67 * (5 / 9)),
  ],
  temperatureStep: [
    unit('K', 1, 'kelvin', ['kelvin']),
    unit('°C', 1, 'degrees Celsius', ['c', 'degc', 'deg c', 'celsius', 'ºc']),
    unit('°F', 5 / 9, 'degrees Fahrenheit', ['f', 'degf', 'deg f', 'fahrenheit', 'ºf']),
  ],
  velocity: [
    unit('m/s', 1, 'metres per second', []),
    unit('ft/s', FOOT, 'feet per second', ['fps']),
    unit('ft/min', FOOT / 60, 'feet per minute', ['fpm']),
    unit('km/h', 1 / 3.6, 'kilometres per hour', ['kph']),
    unit('mph', 0.44704, 'miles per hour', []),
  ],
  time: [
    unit('s', 1, 'seconds', ['sec', 'secs', 'second', 'seconds']),
    unit('min', 60, 'minutes', ['mins', 'minute', 'minutes']),
    unit('h', 3600, 'hours', ['hr', 'hrs', 'hour', 'hours']),
    unit('d', 86400, 'days', ['day', 'days']),
    unit('wk', 7 * 86400, 'weeks', ['week', 'weeks']),
  ],
  mass: [
    unit('kg', 1, 'kilograms', ['kilogram', 'kilograms']),
    unit('g', 1e-3, 'grams', ['gram', 'grams']),
    unit('lb', POUND, 'pounds', ['lbs', 'pound', 'pounds']),
    unit('oz', POUND / 16, 'ounces', ['ounce', 'ounces']),
    unit('gr', POUND / 7000, 'grains', ['grain', 'grains']),
    unit('t', 1000, 'tonnes', ['tonne', 'tonnes']),
  ],
  power: [
    unit('W', 1, 'watts', ['watt', 'watts']),
    unit('kW', 1000, 'kilowatts', []),
    unit('hp', 550 * FOOT * POUND * G, 'horsepower', ['bhp']),
    unit('BTU/h', 1055.05585262 / 3600, 'British thermal units an hour', ['btu/hr', 'btuh']),
  ],
  ratio: [
    unit('%', 0.01, 'percent', ['percent', 'pct']),
    unit('oz/gal', 1 / 128, 'fluid ounces per gallon', ['fl oz/gal']),
    unit('mL/L', 1e-3, 'millilitres per litre', ['ml/l']),
    unit('ppm', 1e-6, 'parts per million', ['mg/l']),
  ],
  number: [unit('', 1, '')],
  rotation: [unit('rpm', 1 / 60, 'revolutions per minute', ['r/min', '1/min']), unit('Hz', 1, 'hertz', ['rev/s'])],
  density: [
    unit('kg/m³', 1, 'kilograms per cubic metre', ['kg/m3']),
    unit('g/L', 1, 'grams per litre', ['g/l']),
    unit('lb/gal', POUND / GALLON, 'pounds per gallon', []),
    unit('oz/gal', POUND / 16 / GALLON, 'ounces per gallon', []),
    unit('gr/ft³', POUND / 7000 / FOOT ** 3, 'grains per cubic foot', ['gr/ft3']),
  ],
  viscosity: [unit('Pa·s', 1, 'pascal seconds', ['pa s']), unit('mPa·s', 1e-3, 'millipascal seconds', ['cp', 'mpa s'])],
  flowCoefficient: [unit('Kv', KV, 'K v', []), unit('Cv', CV, 'C v', [])],
  money: [unit('$', 1, 'dollars', ['usd', 'dollar', 'dollars'])],
  coverage: [unit('m²/L', 1000, 'square metres per litre', ['m2/l']), unit('ft²/gal', FOOT ** 2 / GALLON, 'square feet per gallon', ['ft2/gal', 'sqft/gal'])],
  current: [unit('A', 1, 'amperes', ['amp', 'amps'])],
  voltage: [unit('V', 1, 'volts', ['volt', 'volts'])],
  force: [unit('N', 1, 'newtons', ['newton']), unit('kN', 1000, 'kilonewtons', []), unit('lbf', POUND * G, 'pounds of force', ['lb force', 'pound-force'])],
  charge: [unit('Ah', 3600, 'ampere hours', ['amp hours', 'amp-hours'])],
  airFlow: [
    unit('cfm', FOOT ** 3 / 60, 'cubic feet per minute', ['scfm', 'ft³/min', 'ft3/min']),
    unit('L/min', 1e-3 / 60, 'litres per minute', ['l/min', 'lpm']),
  ],
};

/** The unit a figure of this dimension is shown in, by system, when nothing better is known. */
export const SHOWN_UNIT: Readonly<Record<Dimension, Readonly<Record<UnitSystem, string>>>> = {
  length: { us: 'ft', metric: 'm' },
  area: { us: 'ft²', metric: 'm²' },
  volume: { us: 'gal', metric: 'L' },
  flow: { us: 'gpm', metric: 'L/min' },
  pressure: { us: 'psi', metric: 'bar' },
  temperature: { us: '°F', metric: '°C' },
  temperatureStep: { us: '°F', metric: '°C' },
  velocity: { us: 'ft/s', metric: 'm/s' },
  time: { us: 'min', metric: 'min' },
  mass: { us: 'lb', metric: 'kg' },
  power: { us: 'hp', metric: 'kW' },
  ratio: { us: '%', metric: '%' },
  number: { us: '', metric: '' },
  rotation: { us: 'rpm', metric: 'rpm' },
  density: { us: 'lb/gal', metric: 'kg/m³' },
  viscosity: { us: 'mPa·s', metric: 'mPa·s' },
  flowCoefficient: { us: 'Cv', metric: 'Kv' },
  money: { us: '$', metric: '$' },
  coverage: { us: 'ft²/gal', metric: 'm²/L' },
  current: { us: 'A', metric: 'A' },
  voltage: { us: 'V', metric: 'V' },
  charge: { us: 'Ah', metric: 'Ah' },
  force: { us: 'lbf', metric: 'N' },
  airFlow: { us: 'cfm', metric: 'L/min' },
};

/**
 * The unit that a number typed without one takes, by the system that is shown: what a builder would have meant in the
 * workshop. A bore or a roughness is in inches or millimetres, a run in feet or metres.
 * @param mostSi the most that may be typed: a length of at most half a metre is that of a part
 */
export function workshopUnit(dimension: Dimension, system: UnitSystem, mostSi = Infinity): string {
  if (dimension === 'length' && mostSi <= 0.5) return system === 'us' ? 'in' : 'mm';
  return SHOWN_UNIT[dimension][system];
}

/** Read where they are typed, and offered nowhere: no gauge shows them. */
const UNOFFERED: ReadonlySet<string> = new Set(['m³/s', 'Pa·s']);
/** Units of a dimension that a person may be offered: those of the system first. */
export function offeredUnits(dimension: Dimension, system: UnitSystem = 'us'): readonly Unit[] {
  const rank = (u: Unit): number => (u.of === system ? 0 : u.of === undefined ? 1 : 2);
  return UNITS[dimension].filter((u) => u.symbol !== '' && !UNOFFERED.has(u.symbol)).sort((a, b) => rank(a) - rank(b));
}

/** SI unit symbol of a dimension, as printed in machine-readable output. */
export const SI_UNIT: Readonly<Record<Dimension, string>> = {
  length: 'm',
  area: 'm2',
  volume: 'm3',
  flow: 'm3/s',
  pressure: 'Pa',
  temperature: 'K',
  temperatureStep: 'K',
  velocity: 'm/s',
  time: 's',
  mass: 'kg',
  power: 'W',
  ratio: '1',
  number: '1',
  rotation: '1/s',
  density: 'kg/m3',
  viscosity: 'Pa s',
  flowCoefficient: 'm3/s/Pa^0.5',
  money: '$',
  coverage: '1/m',
  current: 'A',
  voltage: 'V',
  charge: 'A s',
  force: 'N',
  airFlow: 'm3/s',
};

const squash = (s: string): string => s.trim().replace(/\s+/g, ' ');

/** Finds a unit of the dimension by its symbol (case first, then without case) or a known spelling. */
export function findUnit(dimension: Dimension, spelling: string): Unit | undefined {
  const s = squash(spelling);
  const lower = s.toLowerCase();
  const units = UNITS[dimension];
  return units.find((u) => u.symbol === s) ?? units.find((u) => u.symbol.toLowerCase() === lower) ?? units.find((u) => u.also.includes(lower));
}

/** The dimension that a unit spelling belongs to, if any: used to say "that is a pressure, not a flow". */
export function dimensionOf(spelling: string): Dimension | undefined {
  return (Object.keys(UNITS) as Dimension[]).find((d) => spelling.trim() !== '' && findUnit(d, spelling));
}

/** A value in SI from a value in `u`. */
export const toSi = (value: number, u: Unit): number => value * u.factor + (u.offset ?? 0);

/** A value in `u` from a value in SI. */
export const fromSi = (si: number, u: Unit): number => (si - (u.offset ?? 0)) / u.factor;
