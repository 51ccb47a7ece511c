import { current, isDraft } from 'immer';
import { dropPlaces, PLACED_LISTS } from './drop-places.js';
import { type Entry, entriesOf, type Lists, listsTo, named, nameIn } from './refers.js';
import type { RigDocument } from './schema.js';
import type { ThingKind } from './thing/kind.js';
import { THINGS } from './thing/index.js';

/** Kinds whose entries go, or let go, with what they name. */
const HANGING = (Object.values(THINGS) as readonly ThingKind[])
  .map(({ list, refers }) => ({ list, refers: refers.filter((r) => r.gone !== 'seen to') }))
  .filter((k) => k.refers.length > 0);
const LOOKED_AT = [...new Set([...PLACED_LISTS, 'placements', ...HANGING.flatMap((k) => [k.list, ...k.refers.flatMap(listsTo)])])];

/** The lists of a document as they stand. Of a draft in plain: whatever is looked at in a draft becomes one, which takes far longer. */
function lookedAt(d: Lists): Record<string, unknown> {
  const out: Record<string, unknown> = {};
  for (const list of LOOKED_AT) {
    const own = d[list];
    out[list] = isDraft(own) ? current(own) : own;
  }
  return out;
}

/**
 * Takes away what hung on things that are gone: their places, fuel and air lines, cables, chargers, receivers, burners. For
 * every change of a document. A list in which nothing is loose stays the very object.
 */
export function mend(d: RigDocument): void {
  const document = d as unknown as Record<string, unknown>;
  const now = lookedAt(document);
  // What goes may take with it what hung on that.
  while (HANGING.some((k) => takesAway(document, now, k)));
  dropPlaces(d, now as never);
}

/** Whether something went out of a list, in the document and in how it is looked at. */
function takesAway(d: Record<string, unknown>, now: Record<string, unknown>, { list, refers }: Pick<ThingKind, 'list' | 'refers'>): boolean {
  const before = entriesOf(now, list);
  if (!before.length) return false;
  let isLess = false;
  const gone = new Set<Entry>();
  for (const reference of refers) {
    if (!before.some((x) => nameIn(x, reference) !== undefined)) continue;
    const there = named(now, reference);
    before.forEach((x, i) => {
      const id = nameIn(x, reference);
      if (id === undefined || there.has(id)) return;
      if (reference.gone === 'goes') gone.add(x);
      else delete (d[list] as Record<string, unknown>[])[i][reference.field];
    });
  }
  if (gone.size) {
    isLess = true;
    const left = (_x: unknown, i: number): boolean => !gone.has(before[i]);
    d[list] = (d[list] as unknown[]).filter(left);
    now[list] = before.filter(left);
  }
  return isLess;
}
