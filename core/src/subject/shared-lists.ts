import { sameList } from './same-list.js';

/** Lists that several readers share: each made once for a rig, and the very list of the rig before where it holds the same. */
export class SharedLists {
  private readonly now = new Map<unknown, readonly unknown[]>();

  /** @param before those of the rig before */
  constructor(private before?: SharedLists) {}

  /** @param key what the list is, the same for both rigs */
  of(key: unknown, make: () => readonly unknown[]): readonly unknown[] {
    let known = this.now.get(key);
    if (known) return known;
    known = make();
    const was = this.before?.now.get(key);
    if (was && sameList(was, known)) known = was;
    this.now.set(key, known);
    return known;
  }

  /** From here on nothing of the rig before is wanted. */
  settle(): void {
    this.before = undefined;
  }
}
