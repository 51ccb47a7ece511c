import { GRAVITY } from '../fluid/air.js';
import { velocity } from '../hydraulics/friction.js';

/**
 * Least depth of water over an outlet before a vortex draws air, m: S = D(1.0 + 2.3 Fr), Fr = V/√(gD).
 * Source: ANSI/HI 9.8 (from memory); written for pump intakes, conservative for a tank's outlet.
 * No flow needs no more than one bore.
 * @param boreM bore of the outlet, m (> 0)
 */
export function submergence(boreM: number, flowM3s: number): number {
  const froude = velocity(Math.abs(flowM3s), boreM) / Math.sqrt(GRAVITY * boreM);
  return boreM * (1 + 2.3 * froude);
}
