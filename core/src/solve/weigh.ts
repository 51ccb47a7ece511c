import type { Platform } from '../rig/schema.js';
import { centreOf, freeShift, leftShare, type PointMass, rolloverThreshold, twoSupports } from '../structure/statics.js';
import { type DeckLoad, freeSurface, liquidAt } from './deck-load.js';

/** Loads of one state of filling, kg; shares as fractions. */
export interface Weighed {
  readonly massKg: number;
  readonly axles: readonly number[];
  /** On the coupling; undefined for what drives by itself. */
  readonly tongueKg: number | undefined;
  /** From the front edge of the deck, from its kerb side, above the ground, m. */
  readonly centre: { readonly x: number; readonly y: number; readonly z: number };
  /** Of the wheels on the street side, of all that is on the axles. */
  readonly streetShare: number;
  readonly rolloverG: number;
  /** Of the tow vehicle with the tongue on it. */
  readonly tow: { readonly frontKg: number; readonly rearKg: number; readonly combinedKg: number } | undefined;
}

/** Where the supports of a platform are: the coupling or the front axle, and the middle of the axles that share the rest, m. */
export function supportsOf(platform: Platform): { readonly front: number; readonly rear: number; readonly group: number } {
  const { axles, coupling } = platform;
  // A trailer's axles share on an equaliser; of a vehicle all but the first do.
  const group = platform.kind === 'trailer' && coupling ? axles : axles.slice(1);
  const rear = group.reduce((s, a) => s + a.at, 0) / group.length;
  return { front: platform.kind === 'trailer' && coupling ? -coupling.ahead : axles[0].at, rear, group: group.length };
}

/**
 * Loads of masses on a platform's axles and coupling: statics of two supports, the group of axles as one of them.
 * @param masses places as in {@link DeckLoad}
 * @param surfaces liquid surfaces that can tilt
 */
export function weigh(platform: Platform, masses: readonly PointMass[], surfaces: Parameters<typeof freeShift>[0] = []): Weighed {
  const all = centreOf(masses);
  const { front, rear, group } = supportsOf(platform);
  const [onFront, onRear] = twoSupports(all.massKg, all.x, front, rear);
  const trailer = platform.kind === 'trailer' && platform.coupling !== undefined;
  const axles = trailer ? [] : [onFront];
  for (let i = 0; i < group; i++) axles.push(onRear / group);
  const track = platform.axles.reduce((s, a) => s + a.track, 0) / platform.axles.length;
  const onWheels = trailer ? onRear : all.massKg;
  const { tow } = platform;
  const towFront = tow && trailer ? tow.front - (onFront * tow.overhang) / tow.wheelbase : 0;
  return {
    massKg: all.massKg,
    axles,
    tongueKg: trailer ? onFront : undefined,
    centre: { x: all.x, y: all.y, z: all.z },
    // What lies on the coupling in the middle steadies neither side: all that leans, leans on the wheels.
    streetShare: leftShare(((all.y - platform.width / 2) * all.massKg) / Math.max(onWheels, 1e-9), track),
    rolloverG: rolloverThreshold(track, all.z, freeShift(surfaces, all.massKg)),
    tow: tow && trailer ? { frontKg: towFront, rearKg: tow.front + tow.rear + onFront - towFront, combinedKg: tow.front + tow.rear + all.massKg } : undefined,
  };
}

/** How full each store of fuel is, a share by its id. */
export type FuelShare = (id: string) => number;

/** Loads with each tank at a level inside it, m, in the document's order, and fuel by its share of full. */
export function weighAt(platform: Platform, load: DeckLoad, levels: ArrayLike<number>, fuel: FuelShare): Weighed {
  const masses = [load.together, ...load.fuel.map((f) => ({ ...f, massKg: f.massKg * fuel(f.id) }))];
  const surfaces = [];
  for (let i = 0; i < load.tanks.length; i++) {
    const tank = load.tanks[i];
    if (!tank) continue;
    masses.push(liquidAt(tank, levels[i]));
    const surface = freeSurface(tank, levels[i]);
    if (surface) surfaces.push(surface);
  }
  return weigh(platform, masses, surfaces);
}
