/** What goes into a batch, m³ each. */
export interface Batch {
  readonly stockM3: number;
  readonly soapM3: number;
  readonly waterM3: number;
}

/**
 * Recipe of a batch by available chlorine: C₁V₁ = C₂V₂, trade strengths. Soap displaces water.
 * @param soapShare of the finished volume
 * @returns undefined when the stock is weaker than wanted, or stock and soap leave no room
 */
export function batch(volumeM3: number, wanted: number, stock: number, soapShare = 0): Batch | undefined {
  if (!(stock > 0) || !(wanted >= 0) || wanted > stock) return undefined;
  const stockM3 = (volumeM3 * wanted) / stock;
  const soapM3 = volumeM3 * soapShare;
  const waterM3 = volumeM3 - stockM3 - soapM3;
  return waterM3 >= -1e-12 * volumeM3 ? { stockM3, soapM3, waterM3: Math.max(waterM3, 0) } : undefined;
}

/**
 * What to add to a part-used batch to fill the tank to a volume at the wanted strength.
 * @param left what is in the tank, m³; @param leftStrength its strength today
 * @returns undefined when it cannot be reached: too strong already for the room left, or the stock too weak
 */
export function topUp(
  volumeM3: number,
  wanted: number,
  stock: number,
  left: number,
  leftStrength: number,
  soapShare = 0,
  leftSoapShare = soapShare,
): Batch | undefined {
  const room = volumeM3 - left;
  if (room < 0 || !(stock > 0)) return undefined;
  const stockM3 = (volumeM3 * wanted - left * leftStrength) / stock;
  const soapM3 = Math.max(volumeM3 * soapShare - left * leftSoapShare, 0);
  const waterM3 = room - stockM3 - soapM3;
  const slack = -1e-12 * volumeM3;
  return stockM3 >= slack && waterM3 >= slack ? { stockM3: Math.max(stockM3, 0), soapM3, waterM3: Math.max(waterM3, 0) } : undefined;
}

/** One stream of a blend. */
export interface Stream {
  readonly flowM3s: number;
  /** Trade strength, a share. */
  readonly strength: number;
}

/** Strength of streams that meet: volumes and available chlorine add up. 0 when nothing flows. */
export function blendStrength(streams: readonly Stream[]): number {
  const total = streams.reduce((s, x) => s + x.flowM3s, 0);
  return total > 0 ? streams.reduce((s, x) => s + x.flowM3s * x.strength, 0) / total : 0;
}

/** Strength at the wall when `drawRatio` parts are drawn into one part of water: c·r/(1 + r). */
export const drawnStrength = (stock: number, drawRatio: number): number => (stock * drawRatio) / (1 + drawRatio);
