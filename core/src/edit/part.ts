import { nextBore } from '../catalogue/hose-sizes.js';
import { resize } from '../catalogue/items.js';
import type { PartDocument } from '../rig/schema.js';
import { ascii, m } from './length.js';

/** The part in a bore at least as wide as wanted, or the widest there is. */
export function upTo(part: PartDocument, boreM: number): PartDocument | undefined {
  let now: PartDocument | undefined = part;
  let last: PartDocument | undefined;
  while (now && m(now.bore) < boreM * 0.98) {
    now = sizeUp(now);
    last = now ?? last;
  }
  return last;
}

/** The same kind of part one size up, off the shelf; undefined at the end of the shelf. */
export function sizeUp(part: PartDocument): PartDocument | undefined {
  const bore = nextBore(m(part.bore));
  if (!bore) return undefined;
  const resized = resize(part, ascii(bore));
  return part.kind === 'hose' || resized.item ? resized : undefined;
}
