import { mend } from '../rig/mend.js';
import type { LineDocument, PartDocument, RigDocument } from '../rig/schema.js';

export const lineAt = (doc: RigDocument, id: string): LineDocument => doc.lines.find((l) => l.id === id)!;

export function eachPart(draft: RigDocument, lineIds: readonly string[], change: (part: PartDocument) => PartDocument | undefined): void {
  for (const id of lineIds) {
    const line = lineAt(draft, id);
    line.parts = line.parts.map((p) => change(p) ?? p);
  }
}

export const structuredCopy = <T>(x: T): T => JSON.parse(JSON.stringify(x)) as T;

/** A document changed in a copy of its own; the one given stays as it is. */
export function changed(doc: RigDocument, change: (draft: RigDocument) => void): RigDocument {
  const copy = structuredCopy(doc);
  change(copy);
  mend(copy);
  return copy;
}
