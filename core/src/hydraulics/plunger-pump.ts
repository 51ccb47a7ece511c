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

/** Swings of the flow in a turn: as many as plungers or their sides; twice that for an odd number. From memory. */
export const PULSES_A_TURN: Readonly<Record<PumpArrangement, number>> = { 'duplex-single': 2, 'duplex-double': 4, triplex: 6, quintuplex: 10 };

/** Engine power at an altitude, W: a share is lost per 1000 ft. */
export function deratedPower(powerW: number, altitudeM: number, sharePer1000Ft: number): number {
  return powerW * Math.max(0, 1 - sharePer1000Ft * Math.max(altitudeM / 304.8, 0));
}
