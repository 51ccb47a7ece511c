import type { RigDocument } from './schema.js';

/** Lists of a rig whose things stand somewhere. */
export const PLACED_LISTS = ['tanks', 'machines', 'softPumps', 'boosters', 'manifolds', 'mixes', 'reels', 'gear'] as const;
export type PlacedList = (typeof PLACED_LISTS)[number];

/** Takes away the places of things that are gone, and lets down to the deck what stood on them. For every change of a document. */
export function dropPlaces(d: RigDocument): void {
  if (!d.placements?.length) return;
  const there = new Set(PLACED_LISTS.flatMap((list) => (d[list] ?? []).map((x) => x.id)));
  const gone = (id: string): boolean => !id.startsWith('power/') && !there.has(id);
  const stays = d.placements.filter((p) => !gone(p.thing));
  if (stays.length !== d.placements.length) d.placements = stays;
  const placed = new Set(stays.map((p) => p.thing));
  for (const p of d.placements) if (p.on !== undefined && !placed.has(p.on)) delete p.on;
}
