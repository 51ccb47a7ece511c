/** A mass at a point: kg; x, y, z in m. */
export interface PointMass {
  readonly massKg: number;
  readonly x: number;
  readonly y: number;
  readonly z: number;
}

/** Mass and centre of many; the centre of nothing is the origin. */
export function centreOf(masses: readonly PointMass[]): PointMass {
  let [m, x, y, z] = [0, 0, 0, 0];
  for (const p of masses) {
    m += p.massKg;
    x += p.massKg * p.x;
    y += p.massKg * p.y;
    z += p.massKg * p.z;
  }
  return m > 0 ? { massKg: m, x: x / m, y: y / m, z: z / m } : { massKg: 0, x: 0, y: 0, z: 0 };
}

/**
 * What two supports carry of a mass between or beyond them, kg: each by the other's lever.
 * A support that is pulled up carries less than nothing.
 * @param a place of the one, m
 * @param b of the other; apart from `a`
 */
export function twoSupports(massKg: number, x: number, a: number, b: number): readonly [a: number, b: number] {
  const onB = (massKg * (x - a)) / (b - a);
  return [massKg - onB, onB];
}

/**
 * Left wheels' share of a load whose centre lies so far to the left of the middle, m, on a track. ½ is even; beyond 1 the
 * right wheels lift.
 */
export const leftShare = (leftOfMiddleM: number, trackM: number): number => 0.5 + leftOfMiddleM / trackM;

/**
 * Static rollover threshold, share of g: t / 2h for what is solid. Liquid surfaces tilt with the pull, which moves the common
 * centre by s for each g: t / 2(h + s). Infinity where nothing stands above the ground.
 * @param shiftM see {@link freeShift}
 */
export const rolloverThreshold = (trackM: number, heightM: number, shiftM = 0): number => trackM / 2 / (heightM + shiftM);

/**
 * Sideways shift of the common centre for a lateral acceleration of 1 g, m, by the free surfaces of liquids: Σ ρ·I / M, I the
 * second moment of each surface about its lengthwise axis (as in naval architecture's free-surface effect). For a box L × w:
 * I = L·w³/12.
 */
export const freeShift = (surfaces: readonly { readonly densityKgM3: number; readonly secondMomentM4: number }[], massKg: number): number =>
  massKg > 0 ? surfaces.reduce((s, f) => s + f.densityKgM3 * f.secondMomentM4, 0) / massKg : 0;
