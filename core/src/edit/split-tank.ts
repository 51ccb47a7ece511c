import type { RigDocument } from '../rig/schema.js';
import { tie } from './feed.js';
import { unusedId } from './id.js';
import { like, m } from './length.js';
import { finely, placeOf } from './place.js';

/**
 * A box tank made into two narrow ones of half its width across the deck, side by side where it stood and tied at the bottom:
 * what stands in them together is the same, what moves from side to side a quarter. Lines stay with the first. Gives the id of
 * the second; undefined for a tank that is no box, or has no place.
 */
export function splitTank(d: RigDocument, id: string): string | undefined {
  const own = d.tanks.find((t) => t.id === id);
  const place = placeOf(d, id);
  if (own?.shape.kind !== 'box' || !place) return undefined;
  const across = place.turned === '90' || place.turned === '270' ? 'length' : 'width';
  const half = like(own.shape[across], m(own.shape[across]) / 2);
  own.shape = { ...own.shape, [across]: half };
  const second = unusedId(d, `${id}-2`);
  d.tanks.push({ ...own, id: second, name: `${own.name} 2`, shape: { ...own.shape } });
  d.placements!.push({ ...place, thing: second, y: finely(place.y, m(place.y) + m(half)), ...(place.held ? { held: { ...place.held } } : {}) });
  tie(d, id, second);
  return second;
}
