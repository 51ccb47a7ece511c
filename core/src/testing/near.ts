/** Asserts that a value lies within a relative tolerance of what a source prints. */
export function near(actual: number, expected: number, relative: number): void {
  const off = Math.abs(actual - expected) / Math.abs(expected);
  if (!(off <= relative)) throw new Error(`${actual} is ${(100 * off).toFixed(3)} % off ${expected}; ${100 * relative} % allowed.`);
}

/** Seeded random numbers in [0, 1): mulberry32. */
export function seeded(seed: number): () => number {
  let a = seed >>> 0;
  return () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = a;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}
