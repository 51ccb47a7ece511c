import { typeableQuantity } from '../quantity/format.js';
import type { RigDocument } from '../rig/schema.js';

export const percent = (share: number): string => typeableQuantity(share, 'ratio', '%', 3);

export const unused = (d: RigDocument, lineId: string): string => {
  const parts = d.lines.find((l) => l.id === lineId)!.parts;
  for (let i = 1; ; i++) if (!parts.some((p) => p.id === `p${i}`)) return `p${i}`;
};
