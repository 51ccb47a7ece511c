import type { RigDocument } from '@pozzo/core';

/**
 * What of a document is not the very object that was sent before. Documents are never changed in place, so that an edit
 * leaves all else the same objects: they need not cross to the worker once more, and stay the same objects there.
 */
export interface DocumentPart {
  readonly keys: string[];
  readonly values: Record<string, unknown>;
  /** Of a list that changed, each entry: anew, or by its place in the list that was sent. */
  readonly lists: Record<string, (number | { entry: unknown })[]>;
}
type Tree = Readonly<Record<string, unknown>>;

/** @param sent what the worker has; left out, everything goes */
export function partOfDocument(now: RigDocument, sent: RigDocument | undefined): DocumentPart {
  const [after, before] = [now, sent ?? {}] as unknown as [Tree, Tree];
  const keys = Object.keys(after);
  const values: Record<string, unknown> = {};
  const lists: Record<string, (number | { entry: unknown })[]> = {};
  for (const key of keys) {
    const [value, was] = [after[key], before[key]];
    if (Array.isArray(value) && Array.isArray(was)) {
      if (value === was) continue;
      const places = new Map(was.map((entry: unknown, i) => [entry, i]));
      lists[key] = value.map((entry: unknown) => places.get(entry) ?? { entry });
    } else if (!(key in before) || !Object.is(value, was)) values[key] = value;
  }
  return { keys, values, lists };
}

/** The whole again: what came, over what was there. Throws where a part comes before any whole. */
export function wholeDocument({ keys, values, lists }: DocumentPart, had: unknown): unknown {
  const before = (had ?? {}) as Tree;
  const out: Record<string, unknown> = {};
  for (const key of keys) {
    if (Object.hasOwn(values, key)) out[key] = values[key];
    else if (!Object.hasOwn(before, key)) throw new Error('A part of a document came before the whole.');
    else if (!Object.hasOwn(lists, key)) out[key] = before[key];
    else {
      const was = before[key] as readonly unknown[];
      out[key] = lists[key].map((x) => (typeof x === 'number' ? was[x] : x.entry));
    }
  }
  return out;
}
