import { GALLON } from '../quantity/dimension.js';

/** One grain per US gallon in ppm: 17.118 mg/L as CaCO₃ (definition: a grain is 64.79891 mg). */
export const PPM_PER_GRAIN_GALLON = 64.79891e-3 / GALLON;

/**
 * Water that a mixed-bed resin makes pure before it is spent, m³: grains in the bed over grains in the water.
 * @param resinM3 of resin; @param capacityKgM3 its capacity as CaCO₃, kg/m³ (grains per cubic foot × 2.288e-3)
 * @param hardness dissolved solids of the tap, a share by mass (200 ppm is 2e-4); Infinity for none
 */
export const resinLife = (resinM3: number, capacityKgM3: number, hardness: number): number =>
  hardness > 0 ? (resinM3 * capacityKgM3) / (hardness * 1000) : Infinity;
