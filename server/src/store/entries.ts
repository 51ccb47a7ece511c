import type { Deed, KindName } from '@pozzo/core';
import { EntryEntity, type EntryRow } from './entities.js';
import type { Writing, YardDatabase } from './yard-database.js';

/** A record that entries belong to. */
export interface Of {
  readonly kind: KindName;
  readonly id: string;
}
/** An entry as it was written. */
export interface Entry<E> {
  readonly at: string;
  readonly by: string | null;
  readonly says: E;
}

/** What entries of each kind say. */
export interface Entries {
  /** What was done with a record besides saving it. */
  readonly deed: { readonly what: Deed };
}
export type EntryKind = keyof Entries;

/** Entries of one kind, only ever added: the database itself refuses to change or drop one. */
export class EntryStore<K extends EntryKind> {
  constructor(
    private readonly db: YardDatabase,
    private readonly kind: K,
  ) {}

  /** Within a writing, so that it stands or falls with what it tells of. */
  add(w: Writing, of: Of, { at, by, says }: Entry<Entries[K]>): void {
    w.run(
      w.source
        .createQueryBuilder()
        .insert()
        .into(EntryEntity)
        .values({ kind: this.kind, recordKind: of.kind, recordId: of.id, at, by, document: JSON.stringify(says) } satisfies Omit<EntryRow, 'id'>),
    );
  }

  /** The last `count` of a record, newest first. */
  list(of: Of, count: number): Promise<Entry<Entries[K]>[]> {
    return this.db.read((h) =>
      (
        h
          .prepare(`SELECT at, by_whom AS by, document FROM entry WHERE record_kind = ? AND record_id = ? AND kind = ? ORDER BY id DESC LIMIT ?`)
          .all(of.kind, of.id, this.kind, count) as { at: string; by: string | null; document: string }[]
      ).map(({ at, by, document }) => ({ at, by, says: JSON.parse(document) as Entries[K] })),
    );
  }
}
