import type { Tank, TankShape } from '../../rig/schema.js';

/**
 * Things that are taken for what they were, where two of them differ in nothing that matters. Looked at from one version of a
 * document to the next.
 */
export class Alike {
  private readonly first = new WeakMap<object, object>();

  /** @param alike whether two things that are not the same differ in nothing that matters: an equivalence */
  constructor(private readonly alike: (a: object, b: object) => boolean) {}

  /** The same object for a thing and for what it was before it changed in what does not matter. */
  of(thing: object): object {
    return this.first.get(thing) ?? thing;
  }

  /** Looks at the things of two lists, matched by id: what differs in nothing that matters stands for what it was. */
  learn(before: readonly object[], after: readonly object[]): void {
    if (before === after) return;
    const old = new Map(before.map((x) => [(x as { id?: string }).id, x]));
    for (const thing of after) {
      const was = old.get((thing as { id?: string }).id);
      if (was && was !== thing && !this.first.has(thing) && this.alike(was, thing)) this.first.set(thing, this.of(was));
    }
  }
}

/** Branches that have not changed are the same object, see `shareTree`. */
const same = (a: object, b: object, key: string): boolean => Object.is((a as Record<string, unknown>)[key], (b as Record<string, unknown>)[key]);

/** Whether things differ in nothing but some fields. */
function sameBut(a: object, b: object, ...but: readonly string[]): boolean {
  const keys = Object.keys(b);
  return keys.length === Object.keys(a).length && keys.every((k) => but.includes(k) || (k in a && same(a, b, k)));
}

/** Whether things differ in nothing but their names. */
export const onlyRenamed = (a: object, b: object): boolean => sameBut(a, b, 'name');

/** Up to where a tank's walls stand straight, m. */
const straightUpTo = (shape: TankShape): number => (shape.kind === 'box' || shape.kind === 'upright-cylinder' ? shape.height : 0);

/** Whether two tanks hold the same water at every level: names apart, they differ in how far walls stand up beyond what is filled. */
export function sameWater(a: object, b: object): boolean {
  const [was, is] = [a as Tank, b as Tank];
  const most = Math.max(is.fullLevel, is.startLevel);
  return (
    sameBut(was, is, 'name', 'shape') &&
    (was.shape === is.shape || (sameBut(was.shape, is.shape, 'height') && straightUpTo(was.shape) >= most && straightUpTo(is.shape) >= most))
  );
}
