import type { Outlet } from '../rig/schema.js';
import type { Cases, CaseSettings } from './cases.js';
import type { Solved } from './solved.js';

/**
 * Ways of holding the triggers of these guns. Guns that stand apart are solved by themselves: what a group of them does tells
 * the case in which those of it are held that are, and every gun outside of it.
 */
export class Triggers {
  /** Groups of guns, by their places; guns of two groups bear on no flow of one another. */
  readonly groups: readonly (readonly number[])[];
  private readonly ids: readonly string[];
  private readonly groupOf = new Map<string, number>();

  /** @param settings of every case besides */
  constructor(
    private readonly cases: Cases,
    guns: readonly Outlet[],
    private readonly settings: Omit<CaseSettings, 'open'> = {},
  ) {
    this.ids = guns.map((o) => o.id);
    const apart = guns.length ? cases.apart(guns) : [];
    this.groups = apart;
    for (let g = 0; g < apart.length; g++) for (const i of apart[g]) this.groupOf.set(this.ids[i], g);
  }

  /** Ids of the guns of a group. */
  gunsOf(group: number): readonly string[] {
    return this.groups[group].map((i) => this.ids[i]);
  }

  /** The group of the first of these guns that is in one; −1 where none is. */
  groupWith(guns: readonly Outlet[]): number {
    for (const o of guns) {
      const group = this.groupOf.get(o.id);
      if (group !== undefined) return group;
    }
    return -1;
  }

  /** The case that tells of a group, by the guns held. */
  held(group: number, open: readonly string[]): Solved {
    return this.cases.given({ ...this.settings, open: this.ids.filter((id) => this.groupOf.get(id) !== group || open.includes(id)) });
  }
}
