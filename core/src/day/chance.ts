/** A share of days with what could be chance: Wilson's 95 % interval. */
export interface Chance {
  readonly days: number;
  readonly chance: number;
  readonly low: number;
  readonly high: number;
}

const Z = 1.959963984540054;

/** Chance seen as `hits` of `days`, with Wilson's score interval (Wilson 1927; from memory), 95 %. No days: 0 to 1. */
export function chanceOf(hits: number, days: number): Chance {
  if (!(days > 0)) return { days, chance: NaN, low: 0, high: 1 };
  const p = hits / days;
  const zz = Z * Z;
  const middle = (p + zz / (2 * days)) / (1 + zz / days);
  const half = (Z / (1 + zz / days)) * Math.sqrt((p * (1 - p)) / days + zz / (4 * days * days));
  return { days, chance: p, low: Math.max(hits === 0 ? 0 : middle - half, 0), high: Math.min(hits === days ? 1 : middle + half, 1) };
}

/** Fewest days before a sample may call itself enough, and how closely the chance is known then. */
const FEWEST = 400;
const CLOSE = 0.005;

/** True once the chance lies clearly on one side of the tolerance, or is known within half a percent. */
export function isEnough(short: Chance, tolerance: number): boolean {
  if (short.days < FEWEST) return false;
  const beside = short.high < tolerance || short.low > tolerance;
  return (beside && short.high - short.low < 0.04) || short.high - short.low < 2 * CLOSE;
}
