import type { PlacementDocument, RigDocument } from './schema.js';

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
): readonly string[] => PLACED_LISTS.flatMap((list) => (rig[list] ?? []).filter(standsHere).map((x) => x.id));

/**
 * Takes away the places of things that are gone, and lets down to the deck what stood on them. For every change of a document.
 * @param now the document as it is to be looked at, where that is a draft
 */
export function dropPlaces(d: RigDocument, now: Pick<RigDocument, PlacedList | 'placements'> = d): void {
  if (!now.placements?.length) return;
  const there = new Set(placeable(now));
  const stays = now.placements.filter((p) => there.has(p.thing));
  const placed = new Set(stays.map((p) => p.thing));
  const hangs = (p: PlacementDocument): boolean => p.on !== undefined && !placed.has(p.on);
  if (stays.length === now.placements.length && !stays.some(hangs)) return;
  if (stays.length !== now.placements.length) d.placements = d.placements!.filter((p) => there.has(p.thing));
  for (const p of d.placements!) if (hangs(p)) delete p.on;
}
