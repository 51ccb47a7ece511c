import { copyFileSync, existsSync, mkdtempSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { readRig } from '@pozzo/core';
import { holderOf, type Holder, isHeld } from '../store/folder-lock.js';
import { contentTroubles, fileTroubles } from '../store/inspect.js';
import { documentOf } from '../store/shown.js';
import { DATABASE_FILE, RESTORING_MARK, YARD_MARK } from '../store/yard-database.js';

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

/**
 * Looks a data folder through without changing it: the file, its tables, every build, and who holds it. Not from a process
 * that has the yard open.
 */
export function check(dataFolder: string): Checked {
  const file = join(dataFolder, DATABASE_FILE);
  const held = isHeld(dataFolder);
  const heldBy = held ? (holderOf(dataFolder) ?? { pid: 0, since: '', what: 'another Pozzo' }) : null;
  const base = { folder: dataFolder, builds: 0, deleted: 0, revisions: 0, bytes: existsSync(file) ? statSync(file).size : 0, damaged: [], heldBy };
  const unsound = (troubles: readonly string[]): Checked => ({ ...base, ok: false, troubles });
  if (existsSync(join(dataFolder, RESTORING_MARK)) && !held) return unsound([`A restore was cut short in ${dataFolder}: run it again.`]);
  if (!existsSync(file) && !existsSync(join(dataFolder, YARD_MARK))) return unsound([`There is no yard in ${dataFolder}.`]);
  // An open yard's file is looked at through a connection alone.
  if (held) return { ...base, ...contents(file) };
  const seen = fileTroubles(file, true);
  return seen.length ? unsound(seen) : lookedAtAside(file, (copy) => ({ ...base, ...contents(copy) }), unsound);
}

/**
 * A closed yard is looked at in a copy: SQLite brings a log in, or makes one, wherever it opens. Copied again where it
 * changed meanwhile.
 */
function lookedAtAside(file: string, look: (copy: string) => Checked, unsound: (troubles: readonly string[]) => Checked): Checked {
  const place = mkdtempSync(join(tmpdir(), 'pozzo-check-'));
  const parts = ['', '-wal'];
  const state = (): string =>
    parts
      .map((t) => `${file}${t}`)
      .map((p) => (existsSync(p) ? `${statSync(p).mtimeMs} ${statSync(p).size}` : '-'))
      .join();
  try {
    for (let tries = 0; tries < 3; tries++) {
      const before = state();
      for (const t of parts) {
        rmSync(join(place, `c${t}`), { force: true });
        if (existsSync(`${file}${t}`)) copyFileSync(`${file}${t}`, join(place, `c${t}`));
      }
      if (state() === before) return look(join(place, 'c'));
    }
    return unsound([`The yard in ${file} is in use by another program. Close that and look again.`]);
  } catch (error) {
    const full = (error as { code?: string }).code === 'ENOSPC';
    return unsound([full ? `There is no room in ${tmpdir()} to look at a copy of the yard.` : `The yard cannot be looked at: ${(error as Error).message}.`]);
  } finally {
    rmSync(place, { recursive: true, force: true });
  }
}

type Contents = Pick<Checked, 'ok' | 'builds' | 'deleted' | 'revisions' | 'troubles' | 'damaged'>;

/** What is in a database: counts, what is wrong with it, and which builds cannot be read. Only reads. */
export function contents(file: string): Contents {
  let db: Database.Database | undefined;
  try {
    db = new Database(file, { readonly: true, fileMustExist: true, timeout: 5000 });
    const troubles = contentTroubles(db);
    if (troubles.length) return { ok: false, builds: 0, deleted: 0, revisions: 0, damaged: [], troubles };
    const whole = (db.pragma('integrity_check(20)') as { integrity_check: string }[]).map((r) => r.integrity_check).filter((t) => t !== 'ok');
    const one = (sql: string): number => (db!.prepare(sql).get() as { n: number }).n;
    const damaged: { id: string; why: string; goodVersion: number | null }[] = [];
    for (const { id, document } of db.prepare(`SELECT id, document FROM build`).iterate() as IterableIterator<{ id: string; document: string }>) {
      const d = documentOf(document);
      const read = d ? readRig(d) : undefined;
      if (read?.ok) continue;
      damaged.push({ id, why: read ? `${read.problems[0].path}: ${read.problems[0].message}` : 'Its record is no JSON.', goodVersion: lastGood(db, id) });
    }
    return {
      ok: whole.length === 0 && damaged.length === 0,
      builds: one(`SELECT count(*) AS n FROM build WHERE deleted_at IS NULL`),
      deleted: one(`SELECT count(*) AS n FROM build WHERE deleted_at IS NOT NULL`),
      revisions: one(`SELECT count(*) AS n FROM revision`),
      troubles: whole,
      damaged,
    };
  } catch (error) {
    return { ok: false, builds: 0, deleted: 0, revisions: 0, damaged: [], troubles: [`The yard’s database cannot be read (${(error as Error).message}).`] };
  } finally {
    db?.close();
  }
}

/** The newest kept version of a build that can be read. */
function lastGood(db: Database.Database, id: string): number | null {
  const rows = db.prepare(`SELECT version, document FROM revision WHERE build_id = ? ORDER BY version DESC`).all(id) as { version: number; document: string }[];
  return rows.find((r) => readRig(documentOf(r.document)).ok)?.version ?? null;
}
