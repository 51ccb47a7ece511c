import { type Gear, type Line, type Part, type Platform, type Reel, type Rig, type Tank, type Thing, THINGS } from '../rig/schema.js';
import { shapeHeight, volumeAt } from '../rig/tank-shape.js';
import { type EquipmentKind, equipmentOf } from './equipment.js';
import { gearPrice } from './gear.js';
import { priceAndMass } from './items.js';
import { platformPrice } from './platform-price.js';
import { tapParts } from './tap-parts.js';

/** A piece of equipment: of which thing, and what it is sized by. */
export interface Carried {
  readonly what: 'equipment';
  /** Id of the thing; undefined for what hangs in the hand. */
  readonly thing: string | undefined;
  readonly kind: EquipmentKind;
  /** SI. */
  readonly size: number;
}
/** A part of a line, or of a hand tap on one. */
export interface LinePart {
  readonly what: 'part';
  readonly line: Pick<Line, 'id' | 'role'>;
  readonly part: Part;
}
/** One thing that somebody buys, carries and fits. */
export type Piece =
  | Carried
  | LinePart
  | { readonly what: 'gear'; readonly gear: Gear }
  | { readonly what: 'platform'; readonly platform: Pick<Platform, 'kind' | 'gvwr' | 'headroom'> };

type EntryOf<K extends Thing> = Rig[(typeof THINGS)[K]['list']][number];

const volumeOf = (t: Tank): number => volumeAt(t.shape, shapeHeight(t.shape));
/** Between the flanges, round the core. */
const drumOf = (r: Reel): number => (Math.PI / 4) * Math.max(r.flange ** 2 - r.core ** 2, 0) * r.width;
const of = (thing: string | undefined, kind: EquipmentKind, size: number): Carried => ({ what: 'equipment', thing, kind, size });
const none = (): readonly Piece[] => [];

/** What each kind of thing is, piece by piece; the parts of lines are told with their lines. */
const PIECES_OF: { readonly [K in Thing]: (x: EntryOf<K>, rig: Rig) => readonly Piece[] } = {
  tank: (t) => [of(t.id, 'tank', volumeOf(t)), ...(t.bund ? [of(t.id, 'bund', t.bund)] : [])],
  machine: (m) => [of(m.id, 'pump', m.flow), of(m.id, 'engine', m.enginePower)],
  booster: (b) => [of(b.id, 'booster', b.openFlow)],
  'soft-pump': (p) => [of(p.id, `soft-pump-${p.kind}`, p.openFlow)],
  reel: (r) => [of(r.id, 'reel', drumOf(r)), ...(r.motor === undefined ? [] : [of(r.id, 'reel-motor', r.motor)])],
  outlet: (o) => [o.kind === 'surface-cleaner' ? of(undefined, 'surface-cleaner', o.width ?? 0.508) : of(undefined, 'gun', o.wantedPressure)],
  sprayer: (s) => [of(undefined, 'soft-gun', s.nozzleBore)],
  'fuel-tank': (t) => (t.vehicle ? [] : [of(t.id, 'fuel-tank', t.volume)]),
  battery: (b) => (b.vehicle ? [] : Array.from({ length: b.parallel ?? 1 }, () => of(b.id, `battery-${b.chemistry}`, b.capacity))),
  panel: (p, rig) => [of(p.id, 'fuse-panel', rig.wires.filter((w) => w.from === p.id).length)],
  compressor: (c) => (c.freeAir > 0 ? [of(c.id, 'compressor', c.freeAir)] : []),
  receiver: (r) => [of(r.id, 'receiver', r.volume)],
  burner: (b) => [of(b.id, 'burner', b.heat)],
  // A charger hangs beside its battery.
  charger: (c) => (c.kind === 'shore' ? [of(c.battery, 'charger', c.current)] : []),
  gear: (gear) => [{ what: 'gear', gear }],
  // The yard's own tap, and what is said of water and chemicals.
  spigot: none,
  liquid: none,
  // Not on the list of equipment yet.
  manifold: none,
  mix: none,
  load: none,
  'fuel-line': none,
  'air-line': none,
  wire: none,
};

/** Kinds that are any: nobody looks at the lists of the others. */
const OF_PIECES = (Object.keys(THINGS) as Thing[]).filter((kind) => PIECES_OF[kind] !== none);

/** Everything on a rig that is bought, carried and fitted: bill, weight and lists are made of it. A rig as read never changes: it is listed once. */
export function pieces(rig: Rig): readonly Piece[] {
  let known = LISTED.get(rig);
  if (!known) LISTED.set(rig, (known = listed(rig)));
  return known;
}
const LISTED = new WeakMap<Rig, readonly Piece[]>();

function listed(rig: Rig): readonly Piece[] {
  const out: Piece[] = [];
  for (const kind of OF_PIECES) {
    const own = PIECES_OF[kind] as (x: unknown, rig: Rig) => readonly Piece[];
    for (const x of rig[THINGS[kind].list]) out.push(...own(x, rig));
  }
  for (const line of rig.lines) {
    for (const part of line.parts) out.push({ what: 'part', line, part });
    for (const tap of line.taps ?? []) for (const part of tapParts(tap)) out.push({ what: 'part', line, part });
  }
  if (rig.platform) out.push({ what: 'platform', platform: rig.platform });
  return out;
}

/** Every piece of equipment that a rig carries. */
export function equipmentOn(rig: Rig): readonly Carried[] {
  let known = EQUIPMENT_ON.get(rig);
  if (!known) EQUIPMENT_ON.set(rig, (known = pieces(rig).filter((p) => p.what === 'equipment')));
  return known;
}
const EQUIPMENT_ON = new WeakMap<Rig, readonly Carried[]>();

/** Dry mass of a piece, kg; what a platform weighs is its own sheet's. */
export function massOf(piece: Piece): number {
  switch (piece.what) {
    case 'equipment':
      return equipmentOf(piece.kind, piece.size).massKg;
    case 'part':
      return partOnShelf(piece).massKg;
    case 'gear':
      return piece.gear.mass;
    case 'platform':
      return 0;
  }
}

/** What pieces cost: a value that is handed in. */
export interface Prices {
  /** Dollars. */
  readonly of: (piece: Piece) => number;
}

/** Prices of the catalogue: workshop estimates of generic goods. */
export const CATALOGUE_PRICES: Prices = {
  of: (piece) => {
    switch (piece.what) {
      case 'equipment':
        return equipmentOf(piece.kind, piece.size).price;
      case 'part':
        return partOnShelf(piece).price;
      case 'gear':
        return gearPrice(piece.gear);
      case 'platform':
        return platformPrice(piece.platform);
    }
  },
};

const partOnShelf = ({ part, line }: LinePart) =>
  priceAndMass({
    item: part.item,
    kind: part.kind,
    is: part.is,
    bore: part.bore,
    role: line.role,
    lengthM: part.kind === 'hose' ? part.length : 0,
    count: part.kind === 'fitting' ? part.count : 1,
  });
