export { burnerFuel, burnerHeat, FUEL_KINDS, fuelHeadLoss, type FuelKind, fuelRate, FUELS, fuelVolume } from './fuel.js';
