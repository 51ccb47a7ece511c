import { type Carried, equipmentOn } from '../catalogue/bill.js';
import { equipmentOf, outsideOf } from '../catalogue/equipment.js';
import { floorOf, placesOf } from '../rig/stand.js';
import type { FuelTank, Placement, Rig, Tank } from '../rig/schema.js';

/** A box along the axes of the deck, m: x from its front edge, y from the kerb side, z above it. */
export interface Box {
  readonly x0: number;
  readonly x1: number;
  readonly y0: number;
  readonly y1: number;
  readonly z0: number;
  readonly z1: number;
}

export type StandingKind =
  | 'tank'
  | 'machine'
  | 'soft-pump'
  | 'booster'
  | 'manifold'
  | 'mix'
  | 'reel'
  | 'gear'
  | 'fuel-tank'
  | 'battery'
  | 'panel'
  | 'compressor'
  | 'receiver'
  | 'burner';

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

/** What is the vehicle's own stands with the vehicle. */
const onDeck = (x: { readonly vehicle?: boolean | undefined }): boolean => !x.vehicle;

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

function standing(rig: Rig): readonly Standing[] {
  const places = placesOf(rig);
  const carried = new Map<string, Carried[]>();
  for (const c of equipmentOn(rig)) if (c.thing !== undefined) carried.set(c.thing, [...(carried.get(c.thing) ?? []), c]);
  const dry = (id: string): number => (carried.get(id) ?? []).reduce((s, c) => s + equipmentOf(c.kind, c.size).massKg, 0);
  const outside = (id: string): readonly [number, number, number] => {
    const own = carried.get(id)![0];
    return outsideOf(own.kind, own.size);
  };
  const of = (kind: StandingKind, id: string, name: string, usual: readonly [number, number, number], dryKg: number, bottomM?: number): Standing => {
    const place = places.get(id);
    const size = place?.size ? ([place.size.length, place.size.width, place.size.height] as const) : usual;
    const bottom = bottomM ?? floorOf(rig, places, id);
    return { id, kind, name, size, dryKg: place?.mass ?? dryKg, place, bottomM: bottom, box: place && boxOf(size, place, bottom) };
  };
  return [
    ...rig.tanks.map((t) => of('tank', t.id, t.name, tankSize(t), dry(t.id), Math.max(t.base, 0))),
    ...rig.machines.map((m) => of('machine', m.id, m.name, machineSize(m.flow, m.enginePower), dry(m.id))),
    ...rig.softPumps.map((p) => of('soft-pump', p.id, p.name, outside(p.id), dry(p.id))),
    ...rig.boosters.map((b) => of('booster', b.id, b.name, outside(b.id), dry(b.id))),
    ...rig.manifolds.map((m) => of('manifold', m.id, m.name, BAR, 0, m.height - BAR[2] / 2)),
    ...rig.mixes.flatMap((m) => (m.way === 'proportioner' ? [of('mix', m.id, `${m.name}, panel`, PANEL, 0)] : [])),
    ...rig.reels.map((r) => of('reel', r.id, r.name, [r.width + SIDE_BY_SIDE, r.flange, r.flange], dry(r.id))),
    ...rig.gear.map((g) => of('gear', g.id, g.name, [g.length, g.width, g.height], g.mass)),
    ...rig.fuelTanks.filter(onDeck).map((t) => of('fuel-tank', t.id, t.name, fuelTankSize(t), dry(t.id))),
    ...rig.batteries.filter(onDeck).map((b) => of('battery', b.id, b.name, sideBySide(outside(b.id), b.parallel ?? 1), dry(b.id))),
    ...rig.panels.map((p) => of('panel', p.id, p.name, outside(p.id), dry(p.id))),
    ...rig.compressors.filter((c) => c.freeAir > 0).map((c) => of('compressor', c.id, c.name, outside(c.id), dry(c.id))),
    ...rig.receivers.map((r) => of('receiver', r.id, r.name, outside(r.id), dry(r.id))),
    ...rig.burners.map((b) => of('burner', b.id, b.name, outside(b.id), dry(b.id))),
  ];
}
