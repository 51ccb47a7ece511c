import type { Part, Reel, Rig, Tank } from '../rig/schema.js';
import { shapeHeight, volumeAt } from '../rig/tank-shape.js';
import { type EquipmentKind, equipmentOf } from './equipment.js';
import { gearPrice } from './gear.js';
import { platformPrice } from './platform-price.js';
import { priceAndMass } from './items.js';
import { tapParts } from './tap-parts.js';

export interface Bill {
  readonly price: number;
  /** Dry. */
  readonly massKg: number;
}

const volumeOf = (t: Tank): number => volumeAt(t.shape, shapeHeight(t.shape));
/** Between the flanges, round the core. */
const drumOf = (r: Reel): number => (Math.PI / 4) * Math.max(r.flange ** 2 - r.core ** 2, 0) * r.width;

/** A piece of equipment that a rig carries: of which thing, and what it is sized by. */
export interface Carried {
  /** Id of the thing; undefined for what hangs in the hand. */
  readonly thing: string | undefined;
  readonly kind: EquipmentKind;
  /** SI. */
  readonly size: number;
}

/** Every piece of equipment that a rig carries. A rig as read never changes: it is listed once. */
export function equipmentOn(rig: Rig): readonly Carried[] {
  let known = LISTED.get(rig);
  if (!known) LISTED.set(rig, (known = listed(rig)));
  return known;
}
const LISTED = new WeakMap<Rig, readonly Carried[]>();

function listed(rig: Rig): readonly Carried[] {
  const of = (thing: string | undefined, kind: EquipmentKind, size: number): Carried => ({ thing, kind, size });
  return [
    ...rig.tanks.flatMap((t) => [of(t.id, 'tank', volumeOf(t)), ...(t.bund ? [of(t.id, 'bund', t.bund)] : [])]),
    ...rig.machines.flatMap((m) => [of(m.id, 'pump', m.flow), of(m.id, 'engine', m.enginePower)]),
    ...rig.boosters.map((b) => of(b.id, 'booster', b.openFlow)),
    ...rig.softPumps.map((p) => of(p.id, `soft-pump-${p.kind}`, p.openFlow)),
    ...rig.reels.flatMap((r) => [of(r.id, 'reel', drumOf(r)), ...(r.motor === undefined ? [] : [of(r.id, 'reel-motor', r.motor)])]),
    ...rig.outlets.map((o) => (o.kind === 'surface-cleaner' ? of(undefined, 'surface-cleaner', o.width ?? 0.508) : of(undefined, 'gun', o.wantedPressure))),
    ...rig.sprayers.map((s) => of(undefined, 'soft-gun', s.nozzleBore)),
    ...rig.fuelTanks.filter((t) => !t.vehicle).map((t) => of(t.id, 'fuel-tank', t.volume)),
    ...rig.batteries.filter((b) => !b.vehicle).flatMap((b) => Array.from({ length: b.parallel ?? 1 }, () => of(b.id, `battery-${b.chemistry}`, b.capacity))),
    ...rig.panels.map((p) => of(p.id, 'fuse-panel', rig.wires.filter((w) => w.from === p.id).length)),
    ...rig.compressors.filter((c) => c.freeAir > 0).map((c) => of(c.id, 'compressor', c.freeAir)),
    ...rig.receivers.map((r) => of(r.id, 'receiver', r.volume)),
    ...rig.burners.map((b) => of(b.id, 'burner', b.heat)),
    // A charger hangs beside its battery.
    ...rig.chargers.filter((c) => c.kind === 'shore').map((c) => of(c.battery, 'charger', c.current)),
  ];
}

/** Of one part of a line. */
export const partBill = (part: Part): Bill =>
  priceAndMass({
    item: part.item,
    kind: part.kind,
    is: part.is,
    bore: part.bore,
    lengthM: part.kind === 'hose' ? part.length : 0,
    count: part.kind === 'fitting' ? part.count : 1,
  });

/** What a rig's lines and equipment cost and weigh, dry, by the catalogue: workshop estimates of generic goods. */
export function bill(rig: Rig): Bill {
  let price = 0;
  let massKg = 0;
  const add = (own: Bill): void => {
    price += own.price;
    massKg += own.massKg;
  };
  for (const line of rig.lines) for (const part of [...line.parts, ...(line.taps ?? []).flatMap(tapParts)]) add(partBill(part));
  for (const { kind, size } of equipmentOn(rig)) add(equipmentOf(kind, size));
  if (rig.platform) price += platformPrice(rig.platform);
  for (const g of rig.gear) add({ price: gearPrice(g), massKg: g.mass });
  return { price, massKg };
}
