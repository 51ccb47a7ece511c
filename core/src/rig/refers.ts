import type { Reference, ThingKind } from './thing/kind.js';
import { type Thing, THINGS } from './thing/index.js';

export type Entry = Readonly<Record<string, unknown>> & { readonly id: string };
/** A rig or its document, by the keys of its lists. */
export type Lists = Readonly<Record<string, unknown>>;

const KINDS = Object.values(THINGS) as readonly ThingKind[];
export const entriesOf = (rig: Lists, list: string): readonly Entry[] => (rig[list] as readonly Entry[] | undefined) ?? [];

/** What a kind says of all its entries, of none, or of each. */
export function isOf(own: ThingKind['burns'], entry: object): boolean {
  return typeof own === 'function' ? own(entry as never) : own;
}
/** Entries of every kind of which something holds, by id, in the order of the kinds. */
const idsWith = (rig: Lists, what: 'burns' | 'draws'): readonly string[] =>
  KINDS.filter((k) => k[what] !== false).flatMap((k) =>
    entriesOf(rig, k.list)
      .filter((x) => isOf(k[what], x))
      .map((x) => x.id),
  );

/** Things that burn fuel, by id: engines of their own, generators, burners. A fuel line may end there. */
export const burnsFuel = (rig: object): readonly string[] => idsWith(rig as Lists, 'burns');

/** Lists that a reference may lead into. */
export const listsTo = ({ to }: Reference): readonly string[] =>
  to.flatMap((t) =>
    t === 'line' ? ['lines'] : t === 'burns' || t === 'draws' ? KINDS.filter((k) => k[t] !== false).map((k) => k.list) : [THINGS[t as Thing].list],
  );

/** Ids that a reference may name on a rig. */
export const named = (rig: Lists, { to, only }: Reference): ReadonlySet<string> =>
  new Set(
    to.flatMap((t) =>
      t === 'burns' || t === 'draws'
        ? idsWith(rig, t)
        : entriesOf(rig, t === 'line' ? 'lines' : THINGS[t as Thing].list)
            .filter((x) => !only || only(x as never))
            .map((x) => x.id),
    ),
  );

/** The id that an entry names; undefined where it names none. */
export function nameIn(entry: Entry, { field }: Reference): string | undefined {
  let at: unknown = entry;
  for (const key of field.split('.')) at = (at as Lists | undefined)?.[key];
  return at as string | undefined;
}
