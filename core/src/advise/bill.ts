import { priceAndMass } from '../catalogue/items.js';
import type { Rig, Tank } from '../rig/schema.js';
import { shapeHeight, volumeAt } from '../rig/tank-shape.js';

/** Workshop estimates for what is not on the parts shelf: $ and kg. */
const TANK_PRICE_PER_M3 = 420;
const TANK_KG_PER_M3 = 24;
const TANK_PRICE_BASE = 60;
const BOOSTER_PRICE = 140;
const BOOSTER_KG = 4;
const SOFT_PUMP: Readonly<Record<Rig['softPumps'][number]['kind'], readonly [price: number, kg: number]>> = {
  electric: [190, 4],
  engine: [1400, 34],
  air: [640, 11],
};
const BATTERY_PRICE_PER_AH: Readonly<Record<NonNullable<Rig['power']>['chemistry'], number>> = { 'lead-acid': 1.6, agm: 2.4, lithium: 5.5 };
const BATTERY_KG_PER_AH: typeof BATTERY_PRICE_PER_AH = { 'lead-acid': 0.28, agm: 0.28, lithium: 0.12 };
const COMPRESSOR_PRICE_PER_CFM = 85;
const COMPRESSOR_KG_PER_CFM = 5;
/** A steel receiver of 20 gal costs about $150 and weighs about 45 lb (estimate). */
const RECEIVER_PRICE_PER_M3 = 2000;
const RECEIVER_KG_PER_M3 = 270;
/** A plastic bund of 100 gal costs about $350 and weighs about 50 lb (estimate). */
const BUND_PRICE_PER_M3 = 900;
const BUND_KG_PER_M3 = 60;
const CFM = 4.719474432e-4;

export interface Bill {
  readonly price: number;
  /** Dry. */
  readonly massKg: number;
}

const tankVolume = (t: Tank): number => volumeAt(t.shape, shapeHeight(t.shape));

/** What lines, tanks and their bunds, boosters, soft wash pumps, battery and compressor of a rig cost and weigh, dry, by the workshop's estimates. Machines are left out: no fix changes them. */
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
    price += TANK_PRICE_BASE + TANK_PRICE_PER_M3 * tankVolume(t) + BUND_PRICE_PER_M3 * (t.bund ?? 0);
    massKg += TANK_KG_PER_M3 * tankVolume(t) + BUND_KG_PER_M3 * (t.bund ?? 0);
  }
  price += rig.boosters.length * BOOSTER_PRICE;
  massKg += rig.boosters.length * BOOSTER_KG;
  for (const p of rig.softPumps) {
    price += SOFT_PUMP[p.kind][0];
    massKg += SOFT_PUMP[p.kind][1];
  }
  if (rig.power) {
    const ah = rig.power.battery / 3600;
    const cfm = rig.power.freeAir / CFM;
    price += ah * BATTERY_PRICE_PER_AH[rig.power.chemistry] + cfm * COMPRESSOR_PRICE_PER_CFM;
    massKg += ah * BATTERY_KG_PER_AH[rig.power.chemistry] + cfm * COMPRESSOR_KG_PER_CFM;
    price += (rig.power.receiver ?? 0) * RECEIVER_PRICE_PER_M3;
    massKg += (rig.power.receiver ?? 0) * RECEIVER_KG_PER_M3;
  }
  return { price, massKg };
}
