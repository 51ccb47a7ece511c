import { hypochlorite } from '../catalogue/chemical-pieces.js';
import { unusedId } from './id.js';
import { type LiquidDocument, type RigDocument } from '../rig/schema.js';

export function addLiquid(d: RigDocument): string {
  const liquids = (d.liquids ??= []);
  const id = unusedId(d, liquids.length ? 'liquid' : 'sh');
  liquids.push(liquids.some((l) => l.kind === 'hypochlorite') ? { id, name: `Liquid ${liquids.length + 1}`, kind: 'soap', price: '$20' } : hypochlorite(id));
  return id;
}

/** Another kind: what only the old one had goes, what the new one needs comes. */
export function changeKind(d: RigDocument, i: number, kind: LiquidDocument['kind']): void {
  const l = d.liquids![i];
  l.kind = kind;
  delete l.strength;
  delete l.dose;
  delete l.useBy;
  if (kind === 'hypochlorite') l.strength = hypochlorite().strength;
  if (kind === 'oxygen-bleach') {
    l.dose = '60 g/L';
    l.useBy = '8 h';
  }
}

/** Whether a tank, a mix or a refill place names a liquid. */
export const inUse = (d: RigDocument, id: string): boolean =>
  d.tanks.some((t) => t.holds === id) ||
  (d.mixes ?? []).some((m) => m.stock === id || m.soap?.liquid === id || m.second?.liquid === id) ||
  (d.brief.day?.refills ?? []).some((r) => r.gives === id);

/** Takes a liquid off the list unless it is {@link inUse}. */
export function removeLiquid(d: RigDocument, id: string): boolean {
  if (inUse(d, id)) return false;
  d.liquids = d.liquids?.filter((l) => l.id !== id);
  return true;
}
