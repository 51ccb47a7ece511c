import { priceAndMass } from '../catalogue/items.js';
import type { Rig, Tank } from '../rig/schema.js';
import { shapeHeight, volumeAt } from '../rig/tank-shape.js';

/** Workshop estimates for what is not on the parts shelf: $ and kg. */
const TANK_PRICE_PER_M3 = 420;
const TANK_KG_PER_M3 = 24;
const TANK_PRICE_BASE = 60;
const BOOSTER_PRICE = 140;
const BOOSTER_KG = 4;

export interface Bill {
  readonly price: number;
  /** Dry. */
  readonly massKg: number;
}

const tankVolume = (t: Tank): number => volumeAt(t.shape, shapeHeight(t.shape));

/** What lines, tanks and boosters of a rig cost and weigh, dry, by the workshop's estimates. Machines are left out: no fix changes them. */
export function bill(rig: Rig): Bill {
  let price = 0;
  let massKg = 0;
  for (const line of rig.lines)
    for (const part of line.parts) {
      const own = priceAndMass({
        item: part.item,
        kind: part.kind,
        lengthM: part.kind === 'hose' ? part.length : 0,
        count: part.kind === 'fitting' ? part.count : 1,
      });
      price += own.price;
      massKg += own.massKg;
    }
  for (const t of rig.tanks) {
    price += TANK_PRICE_BASE + TANK_PRICE_PER_M3 * tankVolume(t);
    massKg += TANK_KG_PER_M3 * tankVolume(t);
  }
  price += rig.boosters.length * BOOSTER_PRICE;
  massKg += rig.boosters.length * BOOSTER_KG;
  return { price, massKg };
}
