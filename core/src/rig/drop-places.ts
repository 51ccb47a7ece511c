import { flatMap } from '../lists.js';
import type { RigDocument } from './schema.js';

/** Lists of a rig whose things stand somewhere. */
export const PLACED_LISTS = [
  'tanks',
  'machines',
  'softPumps',
  'boosters',
  'manifolds',
  'mixes',
  'reels',
  'gear',
  'fuelTanks',
  'batteries',
  'panels',
  'compressors',
  'receivers',
  'burners',
] as const;
export type PlacedList = (typeof PLACED_LISTS)[number];

/** What is the vehicle's own stands with the vehicle. */
const standsHere = (x: { readonly vehicle?: boolean | undefined }): boolean => !x.vehicle;

/** Everything on a rig that stands somewhere, by id, in the order of its lists. */
export const placeable = (
  rig: Readonly<Partial<Record<PlacedList, readonly { readonly id: string; readonly vehicle?: boolean | undefined }[]>>>,
): readonly string[] => flatMap(PLACED_LISTS, (list) => (rig[list] ?? []).filter(standsHere).map((x) => x.id));

/** Takes away the places of things that are gone, and lets down to the deck what stood on them. For every change of a document. */
export function dropPlaces(d: RigDocument): void {
  if (!d.placements?.length) return;
  const there = new Set(placeable(d));
  const stays = d.placements.filter((p) => there.has(p.thing));
  if (stays.length !== d.placements.length) d.placements = stays;
  const placed = new Set(stays.map((p) => p.thing));
  for (const p of d.placements) if (p.on !== undefined && !placed.has(p.on)) delete p.on;
}
