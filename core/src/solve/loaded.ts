import { POUND } from '../quantity/dimension.js';
import { WATER_KG_M3 } from '../fluid/water.js';
import type { AssumptionValues } from '../assumption/register.js';
import { bill } from '../catalogue/bill.js';
import { fullDepth, startDepth, volumeAt } from '../rig/tank-shape.js';
import type { Rig, Tank } from '../rig/schema.js';
import { emptyPlatform } from './empty-platform.js';
import { Stocks } from './stock.js';

/** Density of what a tank holds, kg/m³. */
export const stockOfTank = (stocks: Stocks, tank: Tank): number => WATER_KG_M3 * stocks.gravityIn(tank);

/** What is in a full tank, kg. */
export const fullMass = (stocks: Stocks, tank: Tank): number => volumeAt(tank.shape, fullDepth(tank)) * stockOfTank(stocks, tank);

/** What a rig weighs on the road as its day starts, kg: its platform, the parts and equipment that it is known to carry, and all that is in its tanks. */
export function loadedMass(rig: Rig, values: AssumptionValues): number {
  const stocks = new Stocks(rig, values);
  return (
    bill(rig).massKg +
    (rig.platform ? emptyPlatform(rig.platform).massKg : 0) +
    rig.tanks.reduce((sum, t) => sum + volumeAt(t.shape, startDepth(t)) * stockOfTank(stocks, t), 0)
  );
}

/** What a weight more on the road counts for, $. */
export const weightPrice = (massKg: number, values: AssumptionValues): number => (values['price-weight'] * massKg) / POUND;
