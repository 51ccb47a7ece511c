import { WATER_KG_M3, WATER_SPECIFIC_HEAT } from '../fluid/water.js';
import { type Run, runHeadLoss } from '../hydraulics/friction.js';
import { POUND_HP_HOUR } from '../quantity/dimension.js';
import { si } from '../quantity/parse.js';

/** Fuels: density, kg/m³, and kinematic viscosity at 20 °C, m²/s, heat of a litre, J. From memory; a rig's own densities are assumptions, of which these are the usual values. */
export const FUELS = {
  petrol: { densityKgM3: si('6.1 lb/gal', 'density'), viscosityM2S: 0.6e-6, heatJM3: 32.2e9 },
  diesel: { densityKgM3: si('7.0 lb/gal', 'density'), viscosityM2S: 3.5e-6, heatJM3: 35.8e9 },
} as const;
export const FUEL_KINDS = ['petrol', 'diesel'] as const;
export type FuelKind = (typeof FUEL_KINDS)[number];

/** Volume of so much fuel, m³. @param densityKgM3 weight of the fuel, an assumption */
export const fuelVolume = (massKg: number, densityKgM3: number): number => massKg / densityKgM3;

/** Fuel of an engine, kg/s, by its shaft power, W. @param lbHpHour pounds for a horsepower and hour: 0.60 for small petrol engines (estimate) */
export const fuelRate = (shaftW: number, lbHpHour: number): number => shaftW * lbHpHour * POUND_HP_HOUR;

/** Head that fuel loses in its hose on the way to an engine, m. */
export const fuelHeadLoss = (hose: Run, flowM3s: number, kind: FuelKind): number => runHeadLoss(hose, flowM3s, FUELS[kind].viscosityM2S);

/** Heat that a burner puts into water, W: ρ Q c ΔT. */
export const burnerHeat = (flowM3s: number, riseK: number, densityKgM3 = WATER_KG_M3): number => densityKgM3 * flowM3s * WATER_SPECIFIC_HEAT * riseK;

/** Fuel of a burner, m³/s. */
export const burnerFuel = (heatW: number, efficiency: number, kind: FuelKind): number => heatW / (efficiency * FUELS[kind].heatJM3);
