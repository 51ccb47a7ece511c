import { G } from '../quantity/dimension.js';

/** Standard gravity, m/s² (CGPM 1901). */
export const GRAVITY = G;

/** Sea-level pressure of the standard atmosphere, Pa. */
export const STANDARD_ATMOSPHERE = 101325;

/**
 * Air pressure at an altitude, Pa: ICAO standard atmosphere, troposphere (below 11 000 m).
 * @param altitudeM geopotential altitude, m; places below the sea are allowed
 */
export function airPressure(altitudeM: number): number {
  return STANDARD_ATMOSPHERE * (1 - (0.0065 * altitudeM) / 288.15) ** 5.255876;
}

/**
 * Altitude at which the air has this pressure, m: {@link airPressure} the other way.
 * @param pressurePa Pa, above nothing
 */
export function altitudeOf(pressurePa: number): number {
  return (288.15 / 0.0065) * (1 - (pressurePa / STANDARD_ATMOSPHERE) ** (1 / 5.255876));
}
