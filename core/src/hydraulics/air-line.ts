import { boreArea, type FactorOut, frictionFactor, type Run } from './friction.js';

/** Gas constant of air, J/(kg K); its viscosity about 20 °C, Pa s. */
const R_AIR = 287.05;
const MU_AIR = 1.81e-5;
const scratch: FactorOut = new Float64Array(2);

/**
 * Absolute pressure that an air line needs at its start to bring a flow to its end, Pa: steady, isothermal (Shapiro 1953; from
 * memory), p₁² = p₂² + G² R T (f L/d + 2 ln(p₁/p₂)).
 * @param freeAirM3s flow as free air at `atmospherePa`
 * @param endPa absolute, at its end
 */
export function airLineStart(
  run: Pick<Run, 'boreM' | 'lengthM' | 'roughnessM'>,
  freeAirM3s: number,
  endPa: number,
  atmospherePa: number,
  temperatureK = 293.15,
): number {
  if (!(freeAirM3s > 0)) return endPa;
  const g = (freeAirM3s * atmospherePa) / (R_AIR * temperatureK * boreArea(run.boreM));
  frictionFactor((g * run.boreM) / MU_AIR, run.roughnessM / run.boreM, scratch);
  const line = (scratch[0] * run.lengthM) / run.boreM;
  let start = endPa;
  // The logarithm is a small term: it settles in a few rounds.
  for (let i = 0; i < 20; i++) start = Math.sqrt(endPa ** 2 + g ** 2 * R_AIR * temperatureK * (line + 2 * Math.log(start / endPa)));
  return start;
}
