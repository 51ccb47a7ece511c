/** Units of the EPANET text format by flow unit: US customary for GPM, SI for the others. */
export interface InpUnits {
  readonly flow: number;
  readonly length: number;
  readonly diameter: number;
  /** Darcy–Weisbach roughness. */
  readonly roughness: number;
  /** Head for one unit of pressure. */
  readonly pressureHead: number;
}

const FOOT = 0.3048;
const PSI_HEAD = FOOT / 0.4333;

const us = (flow: number): InpUnits => ({ flow, length: FOOT, diameter: 0.0254, roughness: FOOT / 1000, pressureHead: PSI_HEAD });
const si = (flow: number): InpUnits => ({ flow, length: 1, diameter: 1e-3, roughness: 1e-3, pressureHead: 1 });

export const INP_UNITS: Readonly<Record<string, InpUnits>> = {
  GPM: us((231 * 0.0254 ** 3) / 60),
  LPM: si(1e-3 / 60),
  LPS: si(1e-3),
  CMH: si(1 / 3600),
};

/** Viscosity that the format's relative viscosity of 1 stands for: 1.1e-5 ft²/s, in m²/s. */
export const INP_VISCOSITY = 1.1e-5 * FOOT * FOOT;
/** Weight of water that the format turns pressures into heads with: 62.4 lb/ft³, in N/m³. */
export const INP_WEIGHT = 9802;
