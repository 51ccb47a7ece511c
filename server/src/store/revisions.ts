import { setImmediate as between } from 'node:timers/promises';
import type { Documents, KindName, Revised } from '@pozzo/core';
import { AppError } from '../errors.js';
import { documentOf } from './document-of.js';
import type { Kept } from './kinds.js';
import { NEWEST_KEPT, type Saved, versionsToDrop } from './thinning.js';
import type { YardDatabase } from './yard-database.js';

/** Records or versions looked at, and versions dropped, before others come between: some ten milliseconds. */
const LOOKED_AT_ONCE = 100;
const DROPPED_AT_ONCE = 20;

export interface Revision {
  readonly version: number;
  readonly savedAt: string;
  /** Who saved it, as typed. */
  readonly by: string | null;
  /** JSON text of the document. */
  readonly document: string;
}

/** The versions of records of one kind that are kept. */
export class RevisionStore<K extends KindName> {
  private readonly table: string;
  private readonly of: string;

  constructor(
    private readonly db: YardDatabase,
    private readonly kept: Kept<K>,
    private readonly now: () => Date = () => new Date(),
  ) {
    this.table = kept.tables.revisions;
    this.of = kept.tables.of;
  }

  /** Versions below `before`, newest first, one more than `count` where there are more (to tell what changed in the last). */
  list(id: string, before: number, count: number): Promise<{ revisions: Revision[]; total: number }> {
    return this.db.read((h) => {
      const { n } = h.prepare(`SELECT count(*) AS n FROM ${this.table} WHERE ${this.of} = ?`).get(id) as { n: number };
      if (!n) throw new AppError(404, 'unknown', 'id', `the id of a ${this.kept.word}`, `There is no ${this.kept.word} "${id.slice(0, 60)}".`);
      const revisions = h
        .prepare(
          `SELECT version, saved_at AS savedAt, by_whom AS by, document FROM ${this.table} WHERE ${this.of} = ? AND version < ? ORDER BY version DESC LIMIT ?`,
        )
        .all(id, before, count + 1) as Revision[];
      return { revisions, total: n };
    });
  }

  get(id: string, version: number): Promise<Revised<Documents[K]>> {
    return this.db.read((h) => {
      const row = h
        .prepare(`SELECT version, saved_at AS savedAt, by_whom AS by, document FROM ${this.table} WHERE ${this.of} = ? AND version = ?`)
        .get(id, version) as Revision | undefined;
      if (!row) throw new AppError(404, 'unknown', 'version', 'a version that is kept', `Version ${version} of this ${this.kept.word} is not kept.`);
      const document = documentOf(row.document);
      if (!document) throw new AppError(422, 'damaged', 'version', 'a readable version', `The record of version ${version} is damaged.`);
      return { id, version, savedAt: row.savedAt, document: document as unknown as Documents[K] };
    });
  }

  /**
   * Drops the versions of every record that age has thinned out, a few at a time, so that whoever else asks comes between.
   * @param seen days on which the yard was open: {@link versionsToDrop}
   */
  async thin(seen: readonly string[]): Promise<number> {
    let dropped = 0;
    for (let id: string | undefined = ''; (id = await this.nextOfMany(id)) !== undefined;) {
      const drop = versionsToDrop(await this.allOf(id), this.now(), seen);
      for (let at = 0; at < drop.length; at += DROPPED_AT_ONCE) {
        const some = drop.slice(at, at + DROPPED_AT_ONCE);
        await between();
        dropped += await this.db.write((w) =>
          w.run({
            getQueryAndParameters: () => [`DELETE FROM ${this.table} WHERE ${this.of} = ? AND version IN (${some.map(() => '?').join(',')})`, [id, ...some]],
          }),
        );
      }
    }
    return dropped;
  }

  /** The record after `id` with more versions than stay in any case; looked for over a stretch of them at a time. */
  private async nextOfMany(id: string): Promise<string | undefined> {
    for (let from = id; ;) {
      await between();
      const some = await this.db.read(
        (h) =>
          h
            .prepare(`SELECT ${this.of} AS id, count(*) AS n FROM ${this.table} WHERE ${this.of} > ? GROUP BY ${this.of} ORDER BY ${this.of} LIMIT ?`)
            .all(from, LOOKED_AT_ONCE) as {
            id: string;
            n: number;
          }[],
      );
      const found = some.find((b) => b.n > NEWEST_KEPT);
      if (found) return found.id;
      if (some.length < LOOKED_AT_ONCE) return undefined;
      from = some[some.length - 1].id;
    }
  }

  private async allOf(id: string): Promise<Saved[]> {
    const all: Saved[] = [];
    for (;;) {
      await between();
      const some = await this.db.read(
        (h) =>
          h
            .prepare(`SELECT version, saved_at AS savedAt FROM ${this.table} WHERE ${this.of} = ? AND version > ? ORDER BY version LIMIT ?`)
            .all(id, all.at(-1)?.version ?? 0, LOOKED_AT_ONCE) as Saved[],
      );
      all.push(...some);
      if (some.length < LOOKED_AT_ONCE) return all;
    }
  }
}
