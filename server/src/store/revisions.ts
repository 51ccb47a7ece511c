import { setImmediate as between } from 'node:timers/promises';
import type { RigDocument } from '@pozzo/core';
import { AppError } from '../errors.js';
import { documentOf } from './shown.js';
import { NEWEST_KEPT, type Saved, versionsToDrop } from './thinning.js';
import type { YardDatabase } from './yard-database.js';

/** Builds or versions looked at, and versions dropped, before others come between: some ten milliseconds. */
const LOOKED_AT_ONCE = 100;
const DROPPED_AT_ONCE = 20;

export interface Revision {
  readonly version: number;
  readonly savedAt: string;
  /** JSON text of the document. */
  readonly document: string;
}

/** The versions of builds that are kept. */
export class RevisionStore {
  constructor(
    private readonly db: YardDatabase,
    private readonly now: () => Date = () => new Date(),
  ) {}

  /** Versions below `before`, newest first, one more than `count` where there are more (to tell what changed in the last). */
  list(id: string, before: number, count: number): Promise<{ revisions: Revision[]; total: number }> {
    return this.db.read((h) => {
      const { n } = h.prepare(`SELECT count(*) AS n FROM revision WHERE build_id = ?`).get(id) as { n: number };
      if (!n) throw new AppError(404, 'unknown', 'id', 'an id in the yard', `There is no build "${id.slice(0, 60)}".`);
      const revisions = h
        .prepare(`SELECT version, saved_at AS savedAt, document FROM revision WHERE build_id = ? AND version < ? ORDER BY version DESC LIMIT ?`)
        .all(id, before, count + 1) as Revision[];
      return { revisions, total: n };
    });
  }

  get(id: string, version: number): Promise<{ id: string; version: number; savedAt: string; document: RigDocument }> {
    return this.db.read((h) => {
      const row = h.prepare(`SELECT version, saved_at AS savedAt, document FROM revision WHERE build_id = ? AND version = ?`).get(id, version) as
        Revision | undefined;
      if (!row) throw new AppError(404, 'unknown', 'version', 'a version that is kept', `Version ${version} of this build is not kept.`);
      const document = documentOf(row.document);
      if (!document) throw new AppError(422, 'damaged', 'version', 'a readable version', `The record of version ${version} is damaged.`);
      return { id, version, savedAt: row.savedAt, document };
    });
  }

  /**
   * Drops the versions of every build that age has thinned out, a few at a time, so that whoever else asks comes between.
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
          w.run({ getQueryAndParameters: () => [`DELETE FROM revision WHERE build_id = ? AND version IN (${some.map(() => '?').join(',')})`, [id, ...some]] }),
        );
      }
    }
    return dropped;
  }

  /** The build after `id` with more versions than stay in any case; looked for over a stretch of builds at a time. */
  private async nextOfMany(id: string): Promise<string | undefined> {
    for (let from = id; ;) {
      await between();
      const some = await this.db.read(
        (h) =>
          h
            .prepare(`SELECT build_id AS id, count(*) AS n FROM revision WHERE build_id > ? GROUP BY build_id ORDER BY build_id LIMIT ?`)
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
            .prepare(`SELECT version, saved_at AS savedAt FROM revision WHERE build_id = ? AND version > ? ORDER BY version LIMIT ?`)
            .all(id, all.at(-1)?.version ?? 0, LOOKED_AT_ONCE) as Saved[],
      );
      all.push(...some);
      if (some.length < LOOKED_AT_ONCE) return all;
    }
  }
}
