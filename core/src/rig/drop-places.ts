import { entriesOf, isOf, type Lists } from './refers.js';
import type { PlacementDocument, RigDocument } from './schema.js';
import { type DeckThing, THINGS } from './thing/index.js';

/** Kinds that stand somewhere, in the order in which they are gone through. */
export const DECK_THINGS = [
  'tank',
  'machine',
  'soft-pump',
  'booster',
  'manifold',
  'mix',
  'reel',
  'gear',
  'fuel-tank',
  'battery',
  'panel',
  'compressor',
  'receiver',
  'burner',
] as const satisfies readonly DeckThing[];
export type PlacedList = (typeof THINGS)[DeckThing]['list'];
type Forgotten = Exclude<DeckThing, (typeof DECK_THINGS)[number]>;
/** Their lists. Where a kind that stands is forgotten above, this does not compile. */
export const PLACED_LISTS: Forgotten extends never ? readonly PlacedList[] : never = DECK_THINGS.map((k) => THINGS[k].list);

/** Everything on a rig that stands somewhere, by id. */
export const placeable = (rig: object): readonly string[] =>
  DECK_THINGS.flatMap((k) =>
    entriesOf(rig as Lists, THINGS[k].list)
      .filter((x) => isOf(THINGS[k].stands, x))
      .map((x) => x.id),
  );

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
