import type { Rig } from '../rig/schema.js';
import { CATALOGUE_PRICES, massOf, pieces, type Prices } from './pieces.js';

export interface Bill {
  readonly price: number;
  /** Dry. */
  readonly massKg: number;
}

/** What all that is on a rig costs and weighs, dry. */
export function bill(rig: Rig, prices: Prices = CATALOGUE_PRICES): Bill {
  let price = 0;
  let massKg = 0;
  for (const piece of pieces(rig)) {
    price += prices.of(piece);
    massKg += massOf(piece);
  }
  return { price, massKg };
}
