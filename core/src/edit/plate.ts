import { CATALOGUE, takePart } from '../catalogue/items.js';
import type { LineDocument, RigDocument } from '../rig/schema.js';
import { nextAmong } from './id.js';

const hasPlate = (l: LineDocument): boolean => l.parts.some((p) => p.kind === 'fitting' && p.is === 'anti-vortex');

/** Outlets of tanks towards the machines that have no anti-vortex plate yet. */
export const withoutPlate = (d: RigDocument, tankIds: readonly string[]): readonly LineDocument[] =>
  d.lines.filter((l) => (l.role === 'feed' || l.role === 'boost') && l.from.at === 'tank' && tankIds.includes(l.from.id ?? '') && !hasPlate(l));

/** Puts an anti-vortex plate over each of those outlets: it draws lower. */
export function addPlates(d: RigDocument, tankIds: readonly string[]): void {
  for (const l of withoutPlate(d, tankIds)) {
    const size = l.parts[0]?.bore.replace(' in', '').replace(' ', '-').replaceAll('/', '');
    const id = [`anti-vortex-${size}`, 'anti-vortex-1'].find((x) => CATALOGUE.some((c) => c.id === x))!;
    // The bore of the outlet is its first part's: the plate comes after it.
    l.parts.splice(1, 0, takePart(id, nextAmong(l.parts, 'part-')));
  }
}
