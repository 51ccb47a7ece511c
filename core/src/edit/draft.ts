import { current, isDraft, original } from 'immer';
import { mend } from '../rig/mend.js';
import type { LineDocument, PartDocument, RigDocument } from '../rig/schema.js';

/** A line of a document, or of a draft of it: looked for in what the draft was made of, as each line looked at becomes a draft. */
export function lineAt(doc: RigDocument, id: string): LineDocument {
  const before = isDraft(doc) ? (original(doc) ?? doc) : doc;
  const line = doc.lines[before.lines.findIndex((l) => l.id === id)] as LineDocument | undefined;
  return line?.id === id ? line : doc.lines.find((l) => l.id === id)!;
}

/** Changes parts of some lines. @param change gives the part in its place, undefined for one that stays; what it is given is not to be changed */
export function eachPart(draft: RigDocument, lineIds: readonly string[], change: (part: PartDocument) => PartDocument | undefined): void {
  for (const id of lineIds) {
    const line = lineAt(draft, id);
    const before = isDraft(line.parts) ? current(line.parts) : line.parts;
    const after = before.map((p) => change(p) ?? p);
    if (after.some((p, i) => p !== before[i])) line.parts = after;
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
