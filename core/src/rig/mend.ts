import { dropPlaces } from './drop-places.js';
import { burnsFuel } from './energy-wiring.js';
import type { RigDocument } from './schema.js';

/**
 * Takes away what hung on things that are gone: their places, fuel and air lines, cables, chargers, receivers, burners. For
 * every change of a document. A list in which nothing is loose stays the very object.
 */
export function mend(d: RigDocument): void {
  keep(d, 'burners', (b) => d.machines.some((m) => m.id === b.machine));
  const engines = new Set(burnsFuel(d));
  const has = (list: readonly { readonly id: string }[] | undefined, id: string): boolean => (list ?? []).some((x) => x.id === id);
  keep(d, 'fuelLines', (l) => has(d.fuelTanks, l.from) && engines.has(l.to));
  keep(d, 'receivers', (r) => has(d.compressors, r.compressor));
  keep(d, 'airLines', (l) => has(d.compressors, l.from) && (d.softPumps ?? []).some((p) => p.id === l.to && p.kind === 'air'));
  keep(d, 'chargers', (c) => has(d.batteries, c.battery) && (c.engine === undefined || engines.has(c.engine)));
  for (const b of d.batteries ?? []) if (b.changeover !== undefined && !has(d.batteries, b.changeover)) delete b.changeover;
  keep(d, 'loads', (l) => l.engine === undefined || engines.has(l.engine));
  const drawn = [d.softPumps, d.boosters, d.mixes, d.reels, d.loads, d.burners, d.panels];
  keep(d, 'wires', (w) => (has(d.batteries, w.from) || has(d.panels, w.from)) && (engines.has(w.to) || drawn.some((list) => has(list, w.to))));
  dropPlaces(d);
}

type Lists = 'burners' | 'fuelLines' | 'receivers' | 'airLines' | 'chargers' | 'loads' | 'wires';

function keep<L extends Lists>(d: RigDocument, list: L, stays: (x: NonNullable<RigDocument[L]>[number]) => boolean): void {
  const before = d[list] as NonNullable<RigDocument[L]>[number][] | undefined;
  if (!before?.length) return;
  const after = before.filter(stays);
  if (after.length !== before.length) (d as Record<Lists, unknown>)[list] = after;
}
