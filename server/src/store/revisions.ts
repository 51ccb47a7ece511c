import type { RigDocument } from '@pozzo/core';
import { AppError } from '../errors.js';
import { documentOf } from './shown.js';
import { versionsToDrop } from './thinning.js';
import type { YardDatabase } from './yard-database.js';

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

  /** Drops the versions of every build that age has thinned out; a build at a time, so that saves come between. */
  async thin(): Promise<number> {
    const builds = await this.db.read((h) => h.prepare(`SELECT build_id AS id FROM revision GROUP BY build_id HAVING count(*) > 1`).all() as { id: string }[]);
    let dropped = 0;
    for (const { id } of builds) {
      const all = await this.db.read(
        (h) => h.prepare(`SELECT version, saved_at AS savedAt FROM revision WHERE build_id = ?`).all(id) as { version: number; savedAt: string }[],
      );
      const drop = versionsToDrop(all, this.now());
      if (!drop.length) continue;
      dropped += await this.db.write((w) =>
        w.run({ getQueryAndParameters: () => [`DELETE FROM revision WHERE build_id = ? AND version IN (${drop.map(() => '?').join(',')})`, [id, ...drop]] }),
      );
    }
    return dropped;
  }
}
