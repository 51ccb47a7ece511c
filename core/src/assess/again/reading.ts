import type { Rig, Tank } from '../../rig/schema.js';
import type { Cases } from '../../solve/cases.js';
import type { ListName, ReadName } from '../../subject/subject.js';
import { LISTS } from './lists.js';
import { sameList } from '../../same-list.js';

export type Lists = ReadonlyMap<ListName, readonly unknown[]>;

/** How things are told apart: the same object for two that differ in nothing that matters. */
export interface Eyes {
  /** Without their names. */
  readonly bare: (things: readonly object[]) => readonly object[];
  /** Tanks as the water in them sees them: names apart, and how far walls stand up beyond what is filled. */
  readonly wet: (tanks: readonly Tank[]) => readonly object[];
}
const SHARP: Eyes = { bare: (things) => things, wet: (tanks) => tanks };

/** What the answers of a rig hang on, by name. */
export class Reading {
  readonly lists = new Map<ListName, readonly unknown[]>();
  readonly bare: Eyes['bare'];
  readonly wet: Eyes['wet'];

  /**
   * @param askCases what is solved of it; some lists hang on that
   * @param before lists of a rig before: one that holds the same is the same
   */
  constructor(
    readonly rig: Rig,
    private readonly askCases: () => Cases,
    private readonly before?: Lists,
    { bare, wet }: Eyes = SHARP,
  ) {
    this.bare = bare;
    this.wet = wet;
  }

  get cases(): Cases {
    return this.askCases();
  }

  /** A list by its name. */
  list(name: ListName): readonly unknown[] {
    let known = this.lists.get(name);
    if (known) return known;
    known = LISTS[name](this);
    const was = this.before?.get(name);
    if (was && sameList(was, known)) known = was;
    this.lists.set(name, known);
    return known;
  }

  /** What is read under each name: a list, or a part of the document as it is. */
  all(names: readonly ReadName[]): readonly unknown[] {
    return names.map((name) => (name in LISTS ? this.list(name as ListName) : this.rig[name as keyof Rig]));
  }
}
