import { outsideOf } from '../catalogue/equipment.js';
import { type Carried, equipmentOn, massOf } from '../catalogue/pieces.js';
import { DECK_THINGS } from '../rig/drop-places.js';
import { isOf } from '../rig/refers.js';
import { floorOf, placesOf } from '../rig/stand.js';
import { type FuelTank, type DeckThing, type Placement, type Rig, type Tank, THINGS } from '../rig/schema.js';

/** A box along the axes of the deck, m: x from its front edge, y from the kerb side, z above it. */
export interface Box {
  readonly x0: number;
  readonly x1: number;
  readonly y0: number;
  readonly y1: number;
  readonly z0: number;
  readonly z1: number;
}

export type StandingKind = DeckThing;

/** Something that stands on a deck, or that waits for a place. */
export interface Standing {
  readonly id: string;
  readonly kind: StandingKind;
  readonly name: string;
  /** Its own measures, m, before it is turned. */
  readonly size: readonly [length: number, width: number, height: number];
  /** Without what is in it. */
  readonly dryKg: number;
  readonly place: Placement | undefined;
  /** Its bottom above the deck, m, where it stands or would stand. */
  readonly bottomM: number;
  /** Undefined while it has no place. */
  readonly box: Box | undefined;
}

const INCH = 0.0254;

/** Of a tank over all, m. */
export function tankSize({ shape }: Pick<Tank, 'shape'>): readonly [number, number, number] {
  switch (shape.kind) {
    case 'box':
    case 'elliptical':
      return [shape.length, shape.width, shape.height];
    case 'upright-cylinder':
      return [shape.diameter, shape.diameter, shape.height];
    case 'lying-cylinder':
      return [shape.length, shape.diameter, shape.diameter];
  }
}

/** Measures of a fuel tank over all, m: as typed, else the catalogue's of its volume. */
export const fuelTankSize = (t: Pick<FuelTank, 'size' | 'volume'>): readonly [number, number, number] =>
  t.size ? [t.size.length, t.size.width, t.size.height] : outsideOf('fuel-tank', t.volume);

/** Several of a kind in a row. */
const sideBySide = ([length, width, height]: readonly [number, number, number], count: number): readonly [number, number, number] => [
  length * count,
  width,
  height,
];

const SIDE_BY_SIDE = 4 * INCH;

/** Pump and engine on one frame: behind one another, the frame a hand's width over. */
function machineSize(flow: number, power: number): readonly [number, number, number] {
  const [pump, engine] = [outsideOf('pump', flow), outsideOf('engine', power)];
  return [pump[0] + engine[0], Math.max(pump[1], engine[1]) + SIDE_BY_SIDE, Math.max(pump[2], engine[2]) + SIDE_BY_SIDE];
}

const BAR: readonly [number, number, number] = [12 * INCH, 4 * INCH, 4 * INCH];
const PANEL: readonly [number, number, number] = [16 * INCH, 6 * INCH, 14 * INCH];

/** Where the box of a thing lies: turned in quarters about its nearest corner, its bottom so high above the deck, m. */
export function boxOf(size: readonly [number, number, number], place: Pick<Placement, 'x' | 'y' | 'turned'>, bottomM: number): Box {
  const across = place.turned === '90' || place.turned === '270';
  const [length, width] = across ? [size[1], size[0]] : [size[0], size[1]];
  return { x0: place.x, x1: place.x + length, y0: place.y, y1: place.y + width, z0: bottomM, z1: bottomM + size[2] };
}

/**
 * Everything that stands somewhere, in the order of the rig's lists, with its measures and its dry mass: as typed, else by
 * the catalogue (estimates).
 * @param rig with every height above the deck, as read
 */
export function standingOn(rig: Rig): readonly Standing[] {
  let known = KNOWN.get(rig);
  if (!known) KNOWN.set(rig, (known = standing(rig)));
  return known;
}

/** What may have a place: nothing is worked out for a rig on which nothing was placed. */
export const placedOn = (rig: Rig): readonly Standing[] => (rig.placements.length ? standingOn(rig) : []);

/** A rig as read never changes: what stands on it is worked out once. */
const KNOWN = new WeakMap<Rig, readonly Standing[]>();

type Size = readonly [length: number, width: number, height: number];
/** What a thing is on the deck before it has a place: measures over all, m, and its bottom where it says that itself, m above the deck. */
interface Outline {
  readonly name?: string;
  readonly size: Size;
  readonly bottomM?: number;
  /** Dry mass, kg; left out, of its pieces. */
  readonly dryKg?: number;
}
type EntryOf<K extends DeckThing> = Rig[(typeof THINGS)[K]['list']][number];
/** Measures of the first piece of a thing, m. */
type Outside = (id: string) => Size;

const byPiece = (x: { readonly id: string }, outside: Outside): Outline => ({ size: outside(x.id) });
/** Each kind's outline; undefined for an entry that takes no room. */
const OUTLINES: { readonly [K in DeckThing]: (x: EntryOf<K>, outside: Outside) => Outline | undefined } = {
  tank: (t) => ({ size: tankSize(t), bottomM: Math.max(t.base, 0) }),
  machine: (m) => ({ size: machineSize(m.flow, m.enginePower) }),
  'soft-pump': byPiece,
  booster: byPiece,
  manifold: (m) => ({ size: BAR, bottomM: m.height - BAR[2] / 2 }),
  mix: (m) => (m.way === 'proportioner' ? { name: `${m.name}, panel`, size: PANEL } : undefined),
  reel: (r) => ({ size: [r.width + SIDE_BY_SIDE, r.flange, r.flange] }),
  gear: (g) => ({ size: [g.length, g.width, g.height], dryKg: g.mass }),
  'fuel-tank': (t) => ({ size: fuelTankSize(t) }),
  battery: (b, outside) => ({ size: sideBySide(outside(b.id), b.parallel ?? 1) }),
  panel: byPiece,
  compressor: (c, outside) => (c.freeAir > 0 ? byPiece(c, outside) : undefined),
  receiver: byPiece,
  burner: byPiece,
};

function standing(rig: Rig): readonly Standing[] {
  const places = placesOf(rig);
  const carried = new Map<string, Carried[]>();
  for (const c of equipmentOn(rig)) if (c.thing !== undefined) carried.set(c.thing, [...(carried.get(c.thing) ?? []), c]);
  const dry = (id: string): number => (carried.get(id) ?? []).reduce((s, c) => s + massOf(c), 0);
  const outside: Outside = (id) => {
    const own = carried.get(id)![0];
    return outsideOf(own.kind, own.size);
  };
  return DECK_THINGS.flatMap((kind) => {
    const { list, stands } = THINGS[kind];
    const outline = OUTLINES[kind] as (x: unknown, outside: Outside) => Outline | undefined;
    return rig[list].flatMap((x): Standing[] => {
      const own = isOf(stands, x) ? outline(x, outside) : undefined;
      if (!own) return [];
      const place = places.get(x.id);
      const size = place?.size ? ([place.size.length, place.size.width, place.size.height] as const) : own.size;
      const bottomM = own.bottomM ?? floorOf(rig, places, x.id);
      const dryKg = place?.mass ?? own.dryKg ?? dry(x.id);
      return [{ id: x.id, kind, name: own.name ?? x.name, size, dryKg, place, bottomM, box: place && boxOf(size, place, bottomM) }];
    });
  });
}
