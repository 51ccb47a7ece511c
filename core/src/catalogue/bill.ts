import type { Reel, Rig, Tank } from '../rig/schema.js';
import { shapeHeight, volumeAt } from '../rig/tank-shape.js';
import { type EquipmentKind, equipmentOf } from './equipment.js';
import { priceAndMass } from './items.js';

export interface Bill {
  readonly price: number;
  /** Dry. */
  readonly massKg: number;
}

const volumeOf = (t: Tank): number => volumeAt(t.shape, shapeHeight(t.shape));
/** Between the flanges, round the core. */
const drumOf = (r: Reel): number => (Math.PI / 4) * Math.max(r.flange ** 2 - r.core ** 2, 0) * r.width;

/** Pieces of equipment that a rig carries, with what each is sized by. */
function equipmentOn(rig: Rig): readonly (readonly [EquipmentKind, number])[] {
  const { power } = rig;
  return [
    ...rig.tanks.flatMap((t) => [['tank', volumeOf(t)] as const, ...(t.bund ? [['bund', t.bund] as const] : [])]),
    ...rig.machines.flatMap((m) => [['pump', m.flow] as const, ['engine', m.enginePower] as const]),
    ...rig.boosters.map((b) => ['booster', b.openFlow] as const),
    ...rig.softPumps.map((p) => [`soft-pump-${p.kind}`, p.openFlow] as const),
    ...rig.reels.map((r) => ['reel', drumOf(r)] as const),
    ...rig.outlets.map((o) => (o.kind === 'surface-cleaner' ? (['surface-cleaner', o.width ?? 0.508] as const) : (['gun', o.wantedPressure] as const))),
    ...rig.sprayers.map((s) => ['soft-gun', s.nozzleBore] as const),
    ...(power ? [[`battery-${power.chemistry}`, power.battery] as const] : []),
    ...(power && power.freeAir > 0 ? [['compressor', power.freeAir] as const] : []),
    ...(power?.receiver ? [['receiver', power.receiver] as const] : []),
  ];
}

/** What a rig's lines and equipment cost and weigh, dry, by the catalogue: workshop estimates of generic goods. */
export function bill(rig: Rig): Bill {
  let price = 0;
  let massKg = 0;
  const add = (own: Bill): void => {
    price += own.price;
    massKg += own.massKg;
  };
  for (const line of rig.lines)
    for (const part of line.parts)
      add(
        priceAndMass({
          item: part.item,
          kind: part.kind,
          lengthM: part.kind === 'hose' ? part.length : 0,
          count: part.kind === 'fitting' ? part.count : 1,
        }),
      );
  for (const [kind, size] of equipmentOn(rig)) add(equipmentOf(kind, size));
  return { price, massKg };
}
