/** Hours that a capacity is rated for, s. */
export const RATED_S = 20 * 3600;

/**
 * Seconds that a battery gives a steady current: t = H · (C / (I·H))^k (Peukert 1897; from memory).
 * @param capacityAs rated, A·s
 * @param hours that the rating is for, s; 20 h for most
 * @param exponent 1.1 to 1.25 for lead-acid, 1.05 for lithium
 */
export const peukertSeconds = (capacityAs: number, currentA: number, exponent: number, hours = RATED_S): number =>
  currentA > 0 ? hours * (capacityAs / (currentA * hours)) ** exponent : Infinity;

/** Charge that a steady current really takes out of a battery each second, A: more than itself when it is hard drawn on. */
export const peukertCurrent = (capacityAs: number, currentA: number, exponent: number, hours = RATED_S): number =>
  currentA > 0 ? capacityAs / peukertSeconds(capacityAs, currentA, exponent, hours) : 0;

/**
 * The battery that gives a current for a time out of what may be used of it, A s: hard draws take more than themselves (Peukert),
 * gentle ones no less. I t (I H / C)^(k − 1) = u C, solved for C.
 */
export const batteryFor = (currentA: number, timeS: number, usable: number, exponent: number): number =>
  timeS / usable >= RATED_S ? (currentA * timeS) / usable : currentA * ((RATED_S ** (exponent - 1) * timeS) / usable) ** (1 / exponent);
