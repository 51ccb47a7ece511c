/** Properties of water. Temperatures in kelvin; valid 0 to 100 °C at ordinary pressures unless said otherwise. */

const ZERO_C = 273.15;

/**
 * Density of air-free water at 1 atm, kg/m³.
 * Source: Tanaka et al. 2001, Metrologia 38, 301 (range 0 to 40 °C; used to 100 °C, where it is within 1 %).
 * @param temperatureK water temperature, K
 */
export function waterDensity(temperatureK: number): number {
  const t = temperatureK - ZERO_C;
  return 999.97495 * (1 - ((t - 3.983035) ** 2 * (t + 301.797)) / (522528.9 * (t + 69.34881)));
}

/**
 * Dynamic viscosity of water, Pa·s.
 * Source: Pátek et al. 2009 as adopted in IAPWS SR6-08 (253 to 383 K).
 * @param temperatureK water temperature, K
 */
export function waterViscosity(temperatureK: number): number {
  const r = temperatureK / 300;
  return 1e-6 * (280.68 * r ** -1.9 + 511.45 * r ** -7.7 + 61.131 * r ** -19.6 + 0.45903 * r ** -40);
}

/**
 * Saturation (vapour) pressure of water, Pa.
 * Source: IAPWS-IF97 region 4, equation 30 (273.15 to 647.096 K).
 * @param temperatureK water temperature, K
 */
export function vapourPressure(temperatureK: number): number {
  const theta = temperatureK - 0.23855557567849 / (temperatureK - 650.17534844798);
  const a = theta ** 2 + 1167.0521452767 * theta - 724213.16703206;
  const b = -17.073846940092 * theta ** 2 + 12020.82470247 * theta - 3232555.0322333;
  const c = 14.91510861353 * theta ** 2 - 4823.2657361591 * theta + 405113.40542057;
  return ((2 * c) / (-b + Math.sqrt(b * b - 4 * a * c))) ** 4 * 1e6;
}

/** Density of water at 20 °C, kg/m³ (Tanaka et al. 2001): what a rig's water is weighed at, and jets are reckoned with. */
export const WATER_KG_M3 = 998.2;

/** Specific heat of water, J/(kg·K), taken constant: within 1 % from 0 to 100 °C (IAPWS-IF97 gives 4178 to 4219). */
export const WATER_SPECIFIC_HEAT = 4184;

export interface Water {
  readonly temperatureK: number;
  readonly densityKgM3: number;
  /** Kinematic viscosity, m²/s. */
  readonly kinematicViscosityM2S: number;
  readonly vapourPressurePa: number;
}

/** Everything the network needs to know of water at a temperature (K). */
export function waterAt(temperatureK: number): Water {
  const densityKgM3 = waterDensity(temperatureK);
  return {
    temperatureK,
    densityKgM3,
    kinematicViscosityM2S: waterViscosity(temperatureK) / densityKgM3,
    vapourPressurePa: vapourPressure(temperatureK),
  };
}
