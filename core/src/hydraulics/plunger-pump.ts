import { GRAVITY } from '../fluid/air.js';

export type PumpArrangement = 'duplex-single' | 'duplex-double' | 'triplex' | 'quintuplex';

/** Acceleration-head constant C by arrangement: GPSA Engineering Data Book / Hydraulic Institute. From memory. */
export const ACCELERATION_C: Readonly<Record<PumpArrangement, number>> = {
  'duplex-single': 0.2,
  'duplex-double': 0.115,
  triplex: 0.066,
  quintuplex: 0.04,
};

/**
 * Half the peak-to-peak flow ripple over mean flow. Triplex 23 % and quintuplex 7 % peak to peak are the usual
 * handbook values (from memory); the duplex figures are estimates scaled with C.
 */
export const RIPPLE_AMPLITUDE: Readonly<Record<PumpArrangement, number>> = {
  'duplex-single': 0.8,
  'duplex-double': 0.23,
  triplex: 0.115,
  quintuplex: 0.035,
};

/** Sum over the suction runs of length × velocity, m²/s, at a flow. */
export function lengthTimesVelocity(runs: readonly { lengthM: number; boreM: number }[], flowM3s: number): number {
  return runs.reduce((sum, r) => sum + (r.lengthM * flowM3s) / ((Math.PI * r.boreM * r.boreM) / 4), 0);
}

export interface AccelerationHead {
  /** Uncapped, rigid-line value, m. */
  readonly rigidM: number;
  /** Water-hammer cap, m. */
  readonly capM: number;
  /** The smaller of both, m: the value used. */
  readonly usedM: number;
}

/**
 * Head that the pump spends on speeding the suction column up at every stroke.
 * h = L·V·n·C/(K·g) with n in revolutions per minute in the customary form (ft, s); L·V in m²/s here gives metres,
 * since both sides carry one length. Capped by the water-hammer (Joukowsky) head c·ΔV/g of the hose next to the pump.
 * Source: GPSA / Hydraulic Institute; Joukowsky in Wylie & Streeter. From memory.
 *
 * @param lv Σ L·V of the suction line, m²/s
 * @param crankHz crank speed, 1/s
 * @param k liquid factor: 1.4 to 1.5 for water
 * @param pulseVelocityMs mean velocity in the hose next to the pump, m/s
 * @param waveSpeedMs pressure wave speed in that hose, m/s
 */
export function accelerationHead(
  lv: number,
  crankHz: number,
  arrangement: PumpArrangement,
  k: number,
  pulseVelocityMs: number,
  waveSpeedMs: number,
): AccelerationHead {
  const rigidM = (lv * crankHz * 60 * ACCELERATION_C[arrangement]) / (k * GRAVITY);
  const capM = (waveSpeedMs * RIPPLE_AMPLITUDE[arrangement] * pulseVelocityMs) / GRAVITY;
  return { rigidM, capM, usedM: Math.min(rigidM, capM) };
}

/** Engine power at an altitude, W: a share is lost per 1000 ft. */
export function deratedPower(powerW: number, altitudeM: number, sharePer1000Ft: number): number {
  return powerW * Math.max(0, 1 - sharePer1000Ft * Math.max(altitudeM / 304.8, 0));
}
