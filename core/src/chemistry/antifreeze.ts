/** Freezing point of propylene glycol in water, by volume share (data-sheet table, from memory): share, °C. */
const GLYCOL: readonly (readonly [number, number])[] = [
  [0, 0],
  [0.1, -3],
  [0.2, -7.2],
  [0.3, -13],
  [0.4, -21.3],
  [0.5, -34],
  [0.6, -48],
];

/**
 * Share of propylene glycol by volume that keeps a mixture from freezing at a temperature, K.
 * NaN below −48 °C, where the table ends; 0 above freezing.
 */
export function glycolShare(temperatureK: number): number {
  const c = temperatureK - 273.15;
  if (c >= 0) return 0;
  for (let i = 1; i < GLYCOL.length; i++) {
    const [share, point] = GLYCOL[i];
    const [before, above] = GLYCOL[i - 1];
    if (c >= point) return before + ((share - before) * (above - c)) / (above - point);
  }
  return NaN;
}

/**
 * Product that protects a wetted volume, m³: what is poured in is strong enough to protect the water left behind too, and
 * that water is so much less to pour. Together that is the volume's share of glycol, by the product's.
 * @param waterLeftShare of the volume that does not drain; @param product glycol share of the product as sold
 * @returns 0 without frost; NaN when the product itself is too weak for it
 */
export function antifreezeNeeded(wettedM3: number, waterLeftShare: number, product: number, temperatureK: number): number {
  const share = glycolShare(temperatureK);
  if (share === 0) return 0;
  return share / (1 - waterLeftShare) <= product ? (wettedM3 * share) / product : NaN;
}
