import { current, isDraft } from 'immer';
import { dropPlaces, PLACED_LISTS } from './drop-places.js';
import { burnsFuel } from './energy-wiring.js';
import type { RigDocument } from './schema.js';

const LOOKED_AT = [...PLACED_LISTS, 'fuelLines', 'airLines', 'chargers', 'loads', 'wires', 'placements'] as const satisfies readonly (keyof RigDocument)[];
type Looked = Pick<RigDocument, (typeof LOOKED_AT)[number]>;

/** The lists of a document as they stand. Of a draft in plain: whatever is looked at in a draft becomes one, which takes far longer. */
function lookedAt(d: RigDocument): Looked {
  const out: Partial<Record<keyof Looked, unknown>> = {};
  for (const list of LOOKED_AT) {
    const own = d[list];
    out[list] = isDraft(own) ? current(own) : own;
  }
  return out as Looked;
}

/**
 * Takes away what hung on things that are gone: their places, fuel and air lines, cables, chargers, receivers, burners. For
 * every change of a document. A list in which nothing is loose stays the very object.
 */
export function mend(d: RigDocument): void {
  const now = lookedAt(d);
  keep(d, now, 'burners', (b) => now.machines.some((m) => m.id === b.machine));
  const engines = new Set(burnsFuel(now));
  const has = (list: readonly { readonly id: string }[] | undefined, id: string): boolean => (list ?? []).some((x) => x.id === id);
  keep(d, now, 'fuelLines', (l) => has(now.fuelTanks, l.from) && engines.has(l.to));
  keep(d, now, 'receivers', (r) => has(now.compressors, r.compressor));
  keep(d, now, 'airLines', (l) => has(now.compressors, l.from) && (now.softPumps ?? []).some((p) => p.id === l.to && p.kind === 'air'));
  keep(d, now, 'chargers', (c) => has(now.batteries, c.battery) && (c.engine === undefined || engines.has(c.engine)));
  now.batteries?.forEach((b, i) => {
    if (b.changeover !== undefined && !has(now.batteries, b.changeover)) delete d.batteries![i].changeover;
  });
  keep(d, now, 'loads', (l) => l.engine === undefined || engines.has(l.engine));
  const drawn = [now.softPumps, now.boosters, now.mixes, now.reels, now.loads, now.burners, now.panels];
  keep(d, now, 'wires', (w) => (has(now.batteries, w.from) || has(now.panels, w.from)) && (engines.has(w.to) || drawn.some((list) => has(list, w.to))));
  dropPlaces(d, now);
}

type Lists = 'burners' | 'fuelLines' | 'receivers' | 'airLines' | 'chargers' | 'loads' | 'wires';

/** Takes out of a list what hangs on nothing, in the document and in how it is looked at. */
function keep<L extends Lists>(d: RigDocument, now: Looked, list: L, stays: (x: NonNullable<RigDocument[L]>[number]) => boolean): void {
  const before = now[list] as NonNullable<RigDocument[L]>[number][] | undefined;
  if (!before?.length) return;
  const standing = before.map(stays);
  if (standing.every(Boolean)) return;
  const left = (_x: unknown, i: number): boolean => standing[i];
  (now as Record<Lists, unknown>)[list] = before.filter(left);
  (d as Record<Lists, unknown>)[list] = (d[list] as unknown[]).filter(left);
}
