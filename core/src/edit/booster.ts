import { typeableQuantity } from '../quantity/format.js';
import { si } from '../quantity/parse.js';
import type { RigDocument } from '../rig/schema.js';
import { lineAt } from './draft.js';
import { unusedId } from './id.js';
import { outletHeight } from './tank.js';

/** Puts a booster between the first valve and the rest of the first line of a feed (line ids from source to machine). */
export function addBooster(d: RigDocument, lines: readonly string[], machine: number): void {
  const first = lineAt(d, lines[0]);
  const cut = Math.max(
    first.parts.findIndex((p) => p.kind === 'strainer' || p.kind === 'hose'),
    1,
  );
  const id = unusedId(d, 'booster');
  d.boosters.push({
    id,
    name: 'Booster',
    height: outletHeight(d, first.from) ?? '3 in',
    running: true,
    shutoffPressure: '45 psi',
    openFlow: typeableQuantity(si(d.machines[machine].flow, 'flow') * 2.2, 'flow', 'gpm', 2),
  });
  const rest = first.parts.slice(cut);
  const old = first.to;
  first.parts = first.parts.slice(0, cut);
  first.to = { at: 'booster', id };
  d.lines.push({ id: unusedId(d, `${first.id}-boosted`), role: 'feed', from: { at: 'booster', id }, to: old, parts: rest });
}
