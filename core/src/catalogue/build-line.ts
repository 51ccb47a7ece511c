import type { LineDocument, PartDocument } from '../rig/schema.js';
import { takePart } from './items.js';

type Changes = Record<string, string>;

/** Parts from the shelf in order: an id, or an id with changes (`['hose-helix-1', { length: '9 ft' }]`). */
export function parts(...wanted: (string | [string, Changes])[]): PartDocument[] {
  return wanted.map((w, i) => (typeof w === 'string' ? takePart(w, `p${i + 1}`) : takePart(w[0], `p${i + 1}`, w[1])));
}

export type EndText =
  `${'spigot' | 'tank' | 'manifold' | 'booster' | 'machine' | 'outlet' | 'mix' | 'soft-pump' | 'sprayer'}:${string}` | 'open' | `open@${string}`;

/** A line between two ends written `tank:water`; a height follows an @ (of a tank, above its bottom; of an open end, above the deck), a distance from the outlet a tilde: `tank:water@5 in~40 in`. */
export function line(id: string, role: LineDocument['role'], from: EndText, to: EndText, list: PartDocument[], closed = false): LineDocument {
  const end = (text: EndText): LineDocument['from'] => {
    const [where, place = ''] = text.split('@');
    const [height, apart] = place.split('~');
    const [at, target] = where.split(':');
    return { at: at as LineDocument['from']['at'], ...(target ? { id: target } : {}), ...(height ? { height } : {}), ...(apart ? { apart } : {}) };
  };
  return { id, role, from: end(from), to: end(to), ...(closed ? { closed } : {}), parts: list };
}
