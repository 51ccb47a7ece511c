import { POUND } from '../quantity/dimension.js';
import { WATER_KG_M3 } from '../fluid/water.js';
import type { AssumptionValues } from '../assumption/register.js';
import { fullDepth, volumeAt } from '../rig/tank-shape.js';
import type { Tank } from '../rig/schema.js';
import type { Stocks } from './stock.js';

/** Density of what a tank holds, kg/m³. */
export const stockOfTank = (stocks: Stocks, tank: Tank): number => WATER_KG_M3 * stocks.gravityIn(tank);

/** What is in a full tank, kg. */
export const fullMass = (stocks: Stocks, tank: Tank): number => volumeAt(tank.shape, fullDepth(tank)) * stockOfTank(stocks, tank);

/** What a weight more on the road counts for, $. */
export const weightPrice = (massKg: number, values: AssumptionValues): number => (values['price-weight'] * massKg) / POUND;
