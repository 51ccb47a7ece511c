/** Mixes two whole numbers into the 32-bit state words of a day's own stream: neighbouring days share nothing. */
function mixed(seed: number, day: number, word: number): number {
  let h = (seed ^ Math.imul(day + 1, 0x9e3779b1) ^ Math.imul(word + 1, 0x85ebca77)) >>> 0;
  h = Math.imul(h ^ (h >>> 16), 0x7feb352d);
  h = Math.imul(h ^ (h >>> 15), 0x846ca68b);
  return (h ^ (h >>> 16)) >>> 0;
}

/**
 * Random numbers of one day: sfc32 (Doty-Humphrey, PractRand; from memory), whole-number arithmetic, so the same on every
 * machine. A day's numbers hang on seed and day alone, never on which worker runs it or what ran before.
 */
export class DayRandom {
  private a = 0;
  private b = 0;
  private c = 0;
  private n = 1;

  start(seed: number, day: number): void {
    this.a = mixed(seed, day, 0);
    this.b = mixed(seed, day, 1);
    this.c = mixed(seed, day, 2);
    this.n = 1;
    for (let i = 0; i < 12; i++) this.next();
  }

  /** In [0, 1), 32 bits. */
  next(): number {
    const t = (this.a + this.b + this.n) | 0;
    this.n = (this.n + 1) | 0;
    this.a = this.b ^ (this.b >>> 9);
    this.b = (this.c + (this.c << 3)) | 0;
    this.c = (this.c << 21) | (this.c >>> 11);
    this.c = (this.c + t) | 0;
    return (t >>> 0) / 4294967296;
  }
}

/**
 * Quantile of the triangular distribution between two ends with a most likely value: only a square root, so exact everywhere.
 * @param u share of the distribution below, 0 to 1
 */
export function triangular(u: number, low: number, mode: number, high: number): number {
  const span = high - low;
  if (!(span > 0)) return mode;
  const left = (mode - low) / span;
  return u < left ? low + Math.sqrt(u * span * (mode - low)) : high - Math.sqrt((1 - u) * span * (high - mode));
}
