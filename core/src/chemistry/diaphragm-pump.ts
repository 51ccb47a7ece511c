import { GRAVITY } from '../fluid/air.js';
import type { LinkSpec } from '../hydraulics/network/spec.js';

/**
 * What an electric pump runs on: volts at the battery, Ω there and back in its cable, cold and how much more for each A² that warms
 * its copper, efficiency, and what it draws running free, A.
 */
export interface Supplied {
  readonly volts: number;
  readonly ohms: number;
  readonly ohmsPerA2?: number;
  readonly efficiency: number;
  readonly freeA: number;
}

/** Volts that the cable leaves at a current. */
export const voltsLeft = ({ volts, ohms, ohmsPerA2 = 0 }: Pick<Supplied, 'volts' | 'ohms' | 'ohmsPerA2'>, currentA: number): number =>
  volts - currentA * (ohms + ohmsPerA2 * currentA ** 2);

/** A soft wash pump as flow against pressure. Flows m³/s, pressures Pa. */
export type DiaphragmPump =
  | ({ readonly kind: 'electric'; readonly openFlow: number; readonly switchPressure: number } & Supplied)
  | { readonly kind: 'engine'; readonly openFlow: number; readonly reliefPressure: number }
  | { readonly kind: 'air'; readonly openFlow: number; readonly airPressure: number };

/** Share of the open flow that a 12 V pump still gives at its switch pressure; data sheets show 45 to 60 %. Estimate. */
const ELECTRIC_AT_SWITCH = 0.5;
/** Share of an engine-driven diaphragm pump's flow lost at its relief pressure. Estimate. */
const ENGINE_SLIP = 0.05;

/**
 * Head gain by flow for the network, rising flow and falling head, as metres of the given density.
 * Electric: a straight line from open flow down to half of it at the switch. Engine: nearly constant, the relief turns the
 * rest back. Air: p = p_air·(1 − (Q/Q_open)²), the air pressure less what the valves and passages lose.
 */
export function pumpCurve(pump: DiaphragmPump, densityKgM3: number): NonNullable<LinkSpec['curve']> {
  const head = (pa: number): number => pa / (densityKgM3 * GRAVITY);
  const q = pump.openFlow;
  switch (pump.kind) {
    case 'electric': {
      const p = head(pump.switchPressure);
      // Its speed goes with the volts that its cable leaves, and so does its flow; the current does not hang on that speed.
      const slowed = (share: number, pressure: number): number =>
        pump.ohms > 0 ? Math.max(voltsLeft(pump, pump.freeA + (share * q * pressure) / (pump.efficiency * pump.volts)) / pump.volts, 0.05) : 1;
      const at = (share: number, pressureShare: number): number => share * q * slowed(share, pressureShare * pump.switchPressure);
      return [
        // Above the switch pressure the pump pulses on its switch: the mean flow falls away steeply.
        { flowM3s: 0, headM: p * 1.02 },
        { flowM3s: at(ELECTRIC_AT_SWITCH, 1) / 2, headM: p * 1.01 },
        { flowM3s: at(ELECTRIC_AT_SWITCH, 1), headM: p },
        { flowM3s: at((1 + ELECTRIC_AT_SWITCH) / 2, 0.5), headM: p / 2 },
        { flowM3s: at(1, 0), headM: 0 },
        { flowM3s: at(1, 0) * 2, headM: -p * 20 },
      ];
    }
    case 'engine': {
      const p = head(pump.reliefPressure);
      return [
        { flowM3s: 0, headM: p * 1.02 },
        { flowM3s: (q * (1 - ENGINE_SLIP)) / 2, headM: p * 1.01 },
        { flowM3s: q * (1 - ENGINE_SLIP), headM: p },
        { flowM3s: q * (1 - ENGINE_SLIP / 2), headM: p / 2 },
        { flowM3s: q, headM: 0 },
        { flowM3s: q * 2, headM: -p * 20 },
      ];
    }
    case 'air': {
      const p = head(pump.airPressure);
      return Array.from({ length: 13 }, (_, i) => ({ flowM3s: (q * i) / 10, headM: p * (1 - (i / 10) ** 2) }));
    }
  }
}

/**
 * Current of an electric pump, A: what it draws running free, and hydraulic power over efficiency and the voltage that its cable
 * leaves; half the battery's at least.
 */
export function pumpCurrent(flowM3s: number, risePa: number, supplied: Supplied): number {
  const { volts, ohms, efficiency, freeA } = supplied;
  const work = (flowM3s * Math.max(risePa, 0)) / efficiency;
  let current = freeA + work / volts;
  if (ohms > 0) for (let i = 0; i < 30; i++) current = freeA + work / Math.max(voltsLeft(supplied, current), volts / 2);
  return current;
}

/**
 * Air that an air-operated pump uses, m³/s of free air: a stroke of air at pressure for each stroke of liquid.
 * @param surcharge for leakage and dead space (1.3: estimate)
 */
export const airUse = (flowM3s: number, airPressurePa: number, atmospherePa: number, surcharge: number): number =>
  (flowM3s * (airPressurePa + atmospherePa) * surcharge) / atmospherePa;

/**
 * Free air that a receiver can give before it is down to the pump's pressure, m³ at the air about it (Boyle: the temperature
 * settles). 0 where the compressor rests below that pressure.
 * @param volumeM3 of the receiver; @param fullPa where the compressor rests, gauge; @param pumpPa the pump's air, gauge
 */
export const receiverAir = (volumeM3: number, fullPa: number, pumpPa: number, atmospherePa: number): number =>
  (volumeM3 * Math.max(fullPa - pumpPa, 0)) / atmospherePa;

/**
 * Shaft power of a single-stage piston compressor, W: adiabatic work on the free air, over the efficiency.
 * @param freeAirM3s intake flow; @param airPressurePa gauge
 */
export function compressorPower(freeAirM3s: number, airPressurePa: number, atmospherePa: number, efficiency: number): number {
  const ratio = (airPressurePa + atmospherePa) / atmospherePa;
  return (3.5 * atmospherePa * freeAirM3s * (ratio ** (1 / 3.5) - 1)) / efficiency;
}
