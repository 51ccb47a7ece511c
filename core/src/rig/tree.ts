import type { Problem } from './read.js';

/** Deepest nesting that is looked into; a rig document goes to 9. */
const DEEPEST = 24;

/**
 * The first thing about a tree that no document may have, whatever its fields: a key that every object answers to anyway
 * (`constructor`, `__proto__`), or nesting without end. Linear in the size of the tree.
 */
export function strayKey(tree: unknown): Problem | undefined {
  /** Keys from the stray one back to the root; undefined where there is none. The path is made only when it is wanted. */
  const walk = (node: unknown, depth: number): string[] | undefined => {
    if (typeof node !== 'object' || node === null) return undefined;
    if (depth > DEEPEST) return [];
    if (Array.isArray(node)) {
      for (let i = 0; i < node.length; i++) {
        const found = walk(node[i], depth + 1);
        if (found) return [...found, String(i)];
      }
      return undefined;
    }
    for (const key of Object.keys(node)) {
      if (key in Object.prototype) return [key];
      const found = walk((node as Record<string, unknown>)[key], depth + 1);
      if (found) return [...found, key];
    }
    return undefined;
  };
  const found = walk(tree, 0)?.reverse();
  if (!found) return undefined;
  if (found.length > DEEPEST)
    return { code: 'deep', path: found.slice(0, 6).join('.'), bound: `≤ ${DEEPEST} levels`, message: 'It is nested deeper than any rig file.' };
  return { code: 'key', path: found.join('.'), bound: 'a field of the rig file', message: `"${found.at(-1)!}" is not a field known here.` };
}

/**
 * A document as it was read: texts as they were taken (names trimmed), quantities as typed. A branch in which nothing
 * differs is given back itself.
 * @param typed what came in, checked
 * @param read what the schema made of it: the same tree with numbers for quantities
 */
export function asParsed(typed: unknown, read: unknown): unknown {
  if (typeof typed === 'string') return typeof read === 'string' ? read : typed;
  if (typeof typed !== 'object' || typed === null || typeof read !== 'object' || read === null) return typed;
  let changed: Record<string, unknown> | unknown[] | undefined;
  for (const key of Object.keys(typed)) {
    const before = (typed as Record<string, unknown>)[key];
    const after = asParsed(before, (read as Record<string, unknown>)[key]);
    if (Object.is(after, before)) continue;
    changed ??= Array.isArray(typed) ? [...(typed as unknown[])] : { ...typed };
    (changed as Record<string, unknown>)[key] = after;
  }
  return changed ?? typed;
}
