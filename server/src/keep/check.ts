import { existsSync, statSync } from 'node:fs';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { readRig } from '@pozzo/core';
import { holderOf, type Holder, isHeld } from '../store/folder-lock.js';
import { yardTroubles } from '../store/inspect.js';
import { documentOf } from '../store/shown.js';
import { DATABASE_FILE, YARD_MARK } from '../store/yard-database.js';

export interface Checked {
  readonly folder: string;
  /** Nothing is wrong with the file, its tables or any build. */
  readonly ok: boolean;
  readonly builds: number;
  readonly deleted: number;
  readonly revisions: number;
  readonly bytes: number;
  /** What is wrong with the whole, in words. */
  readonly troubles: readonly string[];
  /** Builds that cannot be read, and why. */
  readonly damaged: readonly { readonly id: string; readonly why: string; readonly goodVersion: number | null }[];
  /** Who writes to the folder now. */
  readonly heldBy: Holder | null;
}

/** Looks a data folder through without changing it: the file, its tables, every build, and who holds it. */
export function check(dataFolder: string): Checked {
  const file = join(dataFolder, DATABASE_FILE);
  const heldBy = isHeld(dataFolder) ? (holderOf(dataFolder) ?? { pid: 0, since: '', what: 'another Pozzo' }) : null;
  const base = { folder: dataFolder, builds: 0, deleted: 0, revisions: 0, bytes: existsSync(file) ? statSync(file).size : 0, damaged: [], heldBy };
  if (!existsSync(file) && !existsSync(join(dataFolder, YARD_MARK))) return { ...base, ok: false, troubles: [`There is no yard in ${dataFolder}.`] };
  const troubles = yardTroubles(file, true);
  if (troubles.length) return { ...base, ok: false, troubles };
  const db = new Database(file, { readonly: true, fileMustExist: true, timeout: 5000 });
  try {
    const whole = (db.pragma('integrity_check(20)') as { integrity_check: string }[]).map((r) => r.integrity_check).filter((t) => t !== 'ok');
    const one = (sql: string): number => (db.prepare(sql).get() as { n: number }).n;
    const damaged: { id: string; why: string; goodVersion: number | null }[] = [];
    for (const { id, document } of db.prepare(`SELECT id, document FROM build`).iterate() as IterableIterator<{ id: string; document: string }>) {
      const d = documentOf(document);
      const read = d ? readRig(d) : undefined;
      if (read?.ok) continue;
      damaged.push({ id, why: read ? `${read.problems[0].path}: ${read.problems[0].message}` : 'Its record is no JSON.', goodVersion: lastGood(db, id) });
    }
    return {
      ...base,
      ok: whole.length === 0 && damaged.length === 0,
      builds: one(`SELECT count(*) AS n FROM build WHERE deleted_at IS NULL`),
      deleted: one(`SELECT count(*) AS n FROM build WHERE deleted_at IS NOT NULL`),
      revisions: one(`SELECT count(*) AS n FROM revision`),
      troubles: whole,
      damaged,
    };
  } finally {
    db.close();
  }
}

/** The newest kept version of a build that can be read. */
function lastGood(db: Database.Database, id: string): number | null {
  const rows = db.prepare(`SELECT version, document FROM revision WHERE build_id = ? ORDER BY version DESC`).all(id) as { version: number; document: string }[];
  return rows.find((r) => readRig(documentOf(r.document)).ok)?.version ?? null;
}
