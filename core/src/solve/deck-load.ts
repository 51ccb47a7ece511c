import { WATER_KG_M3 } from '../fluid/water.js';
import { equipmentOn, massOf } from '../catalogue/pieces.js';
import type { AssumptionValues } from '../assumption/register.js';
import { densityOf, enginesOn } from '../energy/index.js';
import { type Box, middleOf, standingOn, type Standing } from '../deck/index.js';
import { shapeHeight, startDepth, surfaceAt, volumeAt } from '../rig/tank-shape.js';
import { stockOfTank } from './loaded.js';
import type { Line, Rig, Tank, TankShape } from '../rig/schema.js';
import { centreOf, type PointMass } from '../structure/statics.js';
import { emptyPlatform } from './empty-platform.js';
import type { Stocks } from './stock.js';

/** What weighs on a platform, and where. Places in m from the front edge of the deck, from its kerb side, above the ground. */
export interface DeckLoad {
  /** The platform, what stands on it dry and without fuel, its lines and what rides along. */
  readonly fixed: readonly PointMass[];
  /** All of that as one mass. */
  readonly together: PointMass;
  /** Liquids, tank by tank: where they are and how heavy at a level. Undefined for a tank that has no place. */
  readonly tanks: readonly (TankLoad | undefined)[];
  /** Fuel of each tank and engine that carries some, by its id, as it weighs when full. */
  readonly fuel: readonly (PointMass & { readonly id: string })[];
  /** Things with a mass that have no place yet, by id, and what they weigh dry together, kg. */
  readonly unplaced: readonly string[];
  readonly unplacedKg: number;
}

export interface TankLoad {
  readonly tank: Tank;
  readonly densityKgM3: number;
  readonly x: number;
  readonly y: number;
  /** Of its bottom. */
  readonly z: number;
  /** How far it reaches across the deck, and along it. */
  readonly across: number;
  readonly along: number;
  /** Its length lies across the deck. */
  readonly turned: boolean;
}

/** Height of the centre of what is in a tank over its bottom, m, at a level inside it: exact for straight walls, else by 40 slices. */
export function liquidCentre(shape: TankShape, levelM: number): number {
  if (shape.kind === 'box' || shape.kind === 'upright-cylinder') return levelM / 2;
  let [volume, moment] = [0, 0];
  for (let i = 0; i < 40; i++) {
    const z = (levelM * (i + 0.5)) / 40;
    const slice = surfaceAt(shape, z);
    volume += slice;
    moment += slice * z;
  }
  return volume > 0 ? moment / volume : levelM / 2;
}

/** What a line weighs on the deck with what is in its hoses: what is wound up at its reel, the rest. kg. */
function lineMass(line: Line): { readonly woundKg: number; readonly laidKg: number } {
  let [woundKg, laidKg] = [0, 0];
  for (const part of line.parts) {
    const hose = part.kind === 'hose';
    const mass = massOf({ what: 'part', line, part }) + (hose ? (Math.PI / 4) * part.bore ** 2 * part.length * WATER_KG_M3 : 0);
    if (hose && part.use !== 'whip') woundKg += mass;
    else laidKg += mass;
  }
  return { woundKg, laidKg };
}

/**
 * What hangs on each thing besides its own mass, kg, by its id: hoses with what is in them at their reel, or where their line
 * begins; guns at their rack. Under `undefined` what has nowhere to hang.
 * @param placed whether a thing has a place
 */
export function hungOn(rig: Rig, placed: (id: string) => boolean): Map<string | undefined, number> {
  const out = new Map<string | undefined, number>();
  const hang = (id: string | undefined, kg: number): void => void out.set(id, (out.get(id) ?? 0) + kg);
  for (const l of rig.lines) {
    const reel = rig.reels.find((r) => r.line === l.id && placed(r.id));
    const { woundKg, laidKg } = lineMass(l);
    const end = [l.from.id, l.to.id].find((id) => id !== undefined && placed(id)) ?? reel?.id;
    hang(end, laidKg);
    hang(reel?.id ?? end, woundKg);
  }
  hang(rig.gear.find((g) => g.kind === 'gun-rack' && placed(g.id))?.id, handMass(rig));
  return out;
}

/** Full tanks of fuel on the deck, and what engines carry, kg; the vehicle's own weighs with the vehicle. */
export const fuelOn = (rig: Rig, values: AssumptionValues): readonly { readonly id: string; readonly kg: number }[] => [
  ...rig.fuelTanks.flatMap((t) => (t.vehicle ? [] : [{ id: t.id, kg: t.volume * densityOf(t.fuel, values) }])),
  ...enginesOn(rig, values).flatMap((e) => (e.own === undefined ? [] : [{ id: e.id, kg: e.own * densityOf(e.fuel, values) }])),
];

/** What a rig weighs on the road as its day starts, kg, whether its things have a place yet or not: what its scale shows once they have. */
export function loadedMass(rig: Rig, stocks: Stocks, things: readonly Standing[] = standingOn(rig)): number {
  const sum = (list: readonly number[]): number => list.reduce((a, b) => a + b, 0);
  return sum([
    rig.platform ? emptyPlatform(rig.platform).massKg : 0,
    ...(rig.platform?.riding ?? []).map((r) => r.mass),
    ...things.map((t) => t.dryKg),
    ...hungOn(rig, () => false).values(),
    ...fuelOn(rig, stocks.values).map((f) => f.kg),
    ...rig.tanks.map((t) => volumeAt(t.shape, startDepth(t)) * stockOfTank(stocks, t)),
  ]);
}

/** Everything that weighs on a rig's platform; undefined for a rig without one. */
export function deckLoad(rig: Rig, stocks: Stocks, things: readonly Standing[] = standingOn(rig)): DeckLoad | undefined {
  const { platform } = rig;
  if (!platform) return undefined;
  const ground = platform.height;
  const boxes = new Map<string, Box>();
  for (const t of things) if (t.box) boxes.set(t.id, t.box);
  const turned = new Set(things.flatMap((t) => (t.place?.turned === '90' || t.place?.turned === '270' ? [t.id] : [])));
  const hung = hungOn(rig, (id) => boxes.has(id));
  const aboutTheMiddle = { x: platform.length / 2, y: platform.width / 2, z: ground + 0.3 };
  const fixed: PointMass[] = [emptyPlatform(platform)];
  for (const t of things) {
    if (!t.box) continue;
    const p = middleOf(t.box);
    fixed.push({ massKg: t.dryKg + (hung.get(t.id) ?? 0), x: p.x, y: p.y, z: p.z + ground });
  }
  // What has nowhere to hang lies about the middle of the deck.
  fixed.push({ massKg: hung.get(undefined) ?? 0, ...aboutTheMiddle });
  for (const r of platform.riding ?? []) fixed.push({ massKg: r.mass, x: r.at, y: platform.width / 2, z: ground + 0.3 });
  const unplaced = things.filter((t) => !t.box && (t.dryKg > 0 || t.kind === 'tank'));
  return {
    fixed,
    together: centreOf(fixed),
    tanks: rig.tanks.map((tank): TankLoad | undefined => {
      const box = boxes.get(tank.id);
      if (!box) return undefined;
      const p = middleOf(box);
      return {
        tank,
        densityKgM3: stockOfTank(stocks, tank),
        x: p.x,
        y: p.y,
        z: box.z0 + ground,
        across: box.y1 - box.y0,
        along: box.x1 - box.x0,
        turned: turned.has(tank.id),
      };
    }),
    fuel: fuelOn(rig, stocks.values).map(({ id, kg }) => {
      const box = boxes.get(id);
      const p = box && middleOf(box);
      return { id, massKg: kg, ...(p ? { x: p.x, y: p.y, z: p.z + ground } : aboutTheMiddle) };
    }),
    unplaced: unplaced.map((t) => t.id),
    unplacedKg: unplaced.reduce((s, t) => s + t.dryKg, 0),
  };
}

/** Guns, lances and cleaners, kg. */
const handMass = (rig: Rig): number => equipmentOn(rig).reduce((s, c) => s + (c.thing === undefined ? massOf(c) : 0), 0);

/** Point mass of what is in a tank at a level inside it, m. */
export function liquidAt(load: TankLoad, levelM: number): PointMass {
  const massKg = volumeAt(load.tank.shape, levelM) * load.densityKgM3;
  return { massKg, x: load.x, y: load.y, z: load.z + liquidCentre(load.tank.shape, levelM) };
}

/**
 * Second moment of a liquid's surface about its axis along the deck, m⁴: l·w³/12 of a box, π·d⁴/64 of an upright round tank, of a
 * lying one its length × (width of the surface at that level)³/12; with its length across the deck the other way round.
 */
export function surfaceMoment(shape: TankShape, levelM: number, turned: boolean): number {
  if (shape.kind === 'upright-cylinder') return (Math.PI * shape.diameter ** 4) / 64;
  const wide = shape.kind === 'box' ? shape.width : surfaceAt(shape, levelM) / shape.length;
  return turned ? (wide * shape.length ** 3) / 12 : (shape.length * wide ** 3) / 12;
}

/** A liquid's surface that can tilt, for the rollover: none in a tank that is empty or full to the brim. */
export function freeSurface(load: TankLoad, levelM: number): { readonly densityKgM3: number; readonly secondMomentM4: number } | undefined {
  const height = shapeHeight(load.tank.shape);
  if (!(levelM > 0.02 * height) || levelM > 0.98 * height) return undefined;
  return { densityKgM3: load.densityKgM3, secondMomentM4: surfaceMoment(load.tank.shape, levelM, load.turned) };
}
