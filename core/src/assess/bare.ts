/**
 * Things without their names. Two things are the same but for their names where they were found to be so, from one version
 * of a document to the next.
 */
export class Bare {
  private readonly first = new WeakMap<object, object>();

  /** The same object for a thing and for what it was before it was only renamed. */
  of(thing: object): object {
    return this.first.get(thing) ?? thing;
  }

  /** Looks at the things of two lists, matched by id: what differs in nothing but its name stands for what it was. */
  learn(before: readonly object[], after: readonly object[]): void {
    if (before === after) return;
    const old = new Map(before.map((x) => [(x as { id?: string }).id, x]));
    for (const thing of after) {
      const was = old.get((thing as { id?: string }).id);
      if (was && was !== thing && !this.first.has(thing) && onlyRenamed(was, thing)) this.first.set(thing, this.of(was));
    }
  }
}

/** Branches that have not changed are the same object, see `shareTree`. */
function onlyRenamed(a: object, b: object): boolean {
  const keys = Object.keys(b);
  if (keys.length !== Object.keys(a).length) return false;
  return keys.every((k) => k === 'name' || Object.is((a as Record<string, unknown>)[k], (b as Record<string, unknown>)[k]));
}
