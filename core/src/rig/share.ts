type Tree = Readonly<Record<string, unknown>>;

const isTree = (x: unknown): x is Tree => typeof x === 'object' && x !== null;
const idOf = (x: unknown): unknown => (isTree(x) ? x['id'] : undefined);

/**
 * A tree with every branch that equals one of an earlier tree replaced by that very branch, so that what has not changed is
 * the same object. Entries of lists are matched by their id, or by place where they have none.
 */
export function shareTree<T>(before: unknown, after: T): T {
  return share(before, after) as T;
}

function share(before: unknown, after: unknown): unknown {
  if (Object.is(before, after) || !isTree(before) || !isTree(after)) return after;
  if (Array.isArray(before) !== Array.isArray(after)) return after;
  if (Array.isArray(before) && Array.isArray(after)) return shareList(before, after);
  let same = true;
  let keys = 0;
  let out: Record<string, unknown> | undefined;
  // Trees are plain data: nothing is inherited.
  for (const key in after) {
    keys++;
    const [old, value] = [before[key], after[key]];
    if (old === value) {
      if (value === undefined && !(key in before)) same = false;
      continue;
    }
    const shared = share(old, value);
    if (!Object.is(shared, old)) same = false;
    if (!Object.is(shared, value)) (out ??= { ...after })[key] = shared;
  }
  if (same) for (const _key in before) keys--;
  return same && keys === 0 ? before : (out ?? after);
}

function shareList(before: readonly unknown[], after: readonly unknown[]): readonly unknown[] {
  let same = before.length === after.length;
  let out: unknown[] | undefined;
  let byId: Map<unknown, unknown> | undefined;
  for (let i = 0; i < after.length; i++) {
    const id = idOf(after[i]);
    let old = before[i];
    if (id !== undefined && idOf(old) !== id) old = (byId ??= new Map(before.map((x) => [idOf(x), x]))).get(id);
    const shared = share(old, after[i]);
    if (!Object.is(shared, before[i])) same = false;
    if (!Object.is(shared, after[i])) (out ??= [...after])[i] = shared;
  }
  return same ? before : (out ?? after);
}
