import { type RigDocument, THING_LISTS } from '../rig/schema.js';

/** `stem`, or `stem-2`, `stem-3` … : the first that none of the entries has. */
export function unusedAmong(entries: readonly { readonly id: string }[], stem: string): string {
  const used = new Set(entries.map((x) => x.id));
  const base = stem.slice(0, 34);
  if (!used.has(base)) return base;
  for (let i = 2; ; i++) if (!used.has(`${base}-${i}`)) return `${base}-${i}`;
}

/** `stem1`, `stem2` … : the first that none of the entries has. */
export function nextAmong(entries: readonly { readonly id: string }[], stem: string): string {
  for (let i = 1; ; i++) if (!entries.some((x) => x.id === `${stem}${i}`)) return `${stem}${i}`;
}

/** An id not yet used in the document, made from a stem. */
export const unusedId = (d: RigDocument, stem: string): string =>
  unusedAmong(
    THING_LISTS.flatMap((list): readonly { readonly id: string }[] => d[list] ?? []),
    stem,
  );
