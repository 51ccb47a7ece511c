export { burnerFuel, burnerHeat, fuelHeadLoss, type FuelKind, fuelRate, FUELS } from './fuel.js';
