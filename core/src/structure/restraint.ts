import { GRAVITY } from '../fluid/air.js';

/** What holds a thing down. */
export const RESTRAINTS = ['hoops', 'straps', 'u-bolts', 'welded', 'bolts'] as const;
export type Restraint = (typeof RESTRAINTS)[number];

/** How a strap runs: over the thing to the other side of the deck, back to the side it came from, to the thing itself. */
export const STRAP_RUNS = ['across', 'same-side', 'to-thing'] as const;
export type StrapRun = (typeof STRAP_RUNS)[number];

/**
 * Bolts by size: stress area, m², and tensile strength of the usual grade, Pa.
 * Sources, from memory: ASME B1.1 (inch), ISO 898-1 (metric); grade 5 120 ksi, stainless A2-70 700 MPa.
 */
export const BOLTS = {
  '5/16-18': { areaM2: 33.8e-6, tensilePa: 827e6 },
  '3/8-16': { areaM2: 0.0775 * 0.0254 ** 2, tensilePa: 827e6 },
  '1/2-13': { areaM2: 0.1419 * 0.0254 ** 2, tensilePa: 827e6 },
  M8: { areaM2: 36.6e-6, tensilePa: 700e6 },
  M10: { areaM2: 58.0e-6, tensilePa: 700e6 },
  M12: { areaM2: 84.3e-6, tensilePa: 700e6 },
} as const;
export type BoltSize = keyof typeof BOLTS;
export const BOLT_SIZES = Object.keys(BOLTS) as readonly BoltSize[] as readonly [BoltSize, ...BoltSize[]];

/** Shear strength of a bolt, of its tensile strength. */
export const SHEAR_SHARE = 0.6;

/** What one bolt stands in pull and in shear before it breaks, N. */
export function boltStrength(size: BoltSize): { readonly tensionN: number; readonly shearN: number } {
  const { areaM2, tensilePa } = BOLTS[size];
  return { tensionN: areaM2 * tensilePa, shearN: SHEAR_SHARE * areaM2 * tensilePa };
}

/** Share of g that a load has to be held against, by direction. 49 CFR 393.102, EN 12195-1; from memory. */
export const WANTED_G = { forward: 0.8, rearward: 0.5, sideways: 0.5, up: 0.2 } as const;

/** Force that a mass has to be held against forwards, N. */
export const forwardForce = (massKg: number): number => WANTED_G.forward * massKg * GRAVITY;

/** Working load of tie-downs that 49 CFR 393.106 asks for, N: half of the weight. From memory. */
export const tieDownWanted = (massKg: number): number => 0.5 * massKg * GRAVITY;
