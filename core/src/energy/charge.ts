import type { AssumptionValues } from '../assumption/register.js';
import { RATED_S } from '../electrics/index.js';
import type { Battery } from '../rig/schema.js';

/** A bank as one battery: what it holds, may give, and how hard draws take more out of it. A s. */
export interface Bank {
  readonly capacityAs: number;
  readonly usableAs: number;
  /** Current that empties it in the hours of its rating. */
  readonly ratedA: number;
  readonly peukert: number;
  /** Of what is charged, what it gives again. */
  readonly charges: number;
}

export function bankOf(b: Pick<Battery, 'capacity' | 'parallel' | 'chemistry'>, values: AssumptionValues): Bank {
  const capacityAs = b.capacity * (b.parallel ?? 1);
  return {
    capacityAs,
    usableAs: capacityAs * values[`battery-usable-${b.chemistry}`],
    ratedA: capacityAs / RATED_S,
    peukert: values[`peukert-${b.chemistry}`],
    charges: values[`charge-${b.chemistry}`],
  };
}

/**
 * How much more than itself a current takes out of a bank (Peukert): (I / I₂₀)^(k − 1) above the current of its rating, 1 below
 * it: a battery that is drawn on gently is not believed to hold more than its label.
 */
export const hardDraw = (bank: Bank, currentA: number): number => (currentA > bank.ratedA ? (currentA / bank.ratedA) ** (bank.peukert - 1) : 1);

/** What loads that start together take out of a bank, A s: with all that are still on the draw is so much harder (Peukert, on their sum). */
export function drawTogether(bank: Bank, loads: readonly { readonly amps: number; readonly seconds: number }[]): number {
  const longest = [...loads].sort((a, b) => b.seconds - a.seconds);
  let [amps, taken] = [0, 0];
  longest.forEach((l, i) => {
    amps += l.amps;
    const seconds = l.seconds - (longest[i + 1]?.seconds ?? 0);
    if (seconds > 0) taken += amps * hardDraw(bank, amps) * seconds;
  });
  return taken;
}
