import { copyFileSync, existsSync, mkdtempSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import type { KindName } from '@pozzo/core';
import { holderOf, type Holder, isHeld } from '../store/folder-lock.js';
import { documentOf } from '../store/document-of.js';
import { contentTroubles, fileTroubles, tablesOf } from '../store/inspect.js';
import { ALL_KEPT, type Kept } from '../store/kinds.js';
import { DATABASE_FILE, RESTORING_MARK, YARD_MARK } from '../store/yard-database.js';

export interface Damaged {
  readonly kind: KindName;
  readonly id: string;
  readonly why: string;
  /** Newest kept version that can be read. */
  readonly goodVersion: number | null;
}

export interface Checked {
  readonly folder: string;
  /** Nothing is wrong with the file, its tables or any record. */
  readonly ok: boolean;
  readonly builds: number;
  readonly deleted: number;
  /** Versions of records of every kind. */
  readonly revisions: number;
  /** Entries of every kind. */
  readonly entries: number;
  readonly bytes: number;
  /** What is wrong with the whole, in words. */
  readonly troubles: readonly string[];
  /** Records that cannot be read, and why. */
  readonly damaged: readonly Damaged[];
  /** Who writes to the folder now. */
  readonly heldBy: Holder | null;
}

/**
 * Looks a data folder through without changing it: the file, its tables, every record, and who holds it. Not from a process
 * that has the yard open.
 */
export function check(dataFolder: string): Checked {
  const file = join(dataFolder, DATABASE_FILE);
  const held = isHeld(dataFolder);
  const heldBy = held ? (holderOf(dataFolder) ?? { pid: 0, since: '', what: 'another Pozzo' }) : null;
  const base = { folder: dataFolder, builds: 0, deleted: 0, revisions: 0, entries: 0, bytes: existsSync(file) ? statSync(file).size : 0, damaged: [], heldBy };
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

type Contents = Pick<Checked, 'ok' | 'builds' | 'deleted' | 'revisions' | 'entries' | 'troubles' | 'damaged'>;

/** What is in a database: counts, what is wrong with it, and which records cannot be read. Only reads. */
export function contents(file: string): Contents {
  const nothing = (troubles: readonly string[]): Contents => ({ ok: false, builds: 0, deleted: 0, revisions: 0, entries: 0, damaged: [], troubles });
  let db: Database.Database | undefined;
  try {
    db = new Database(file, { readonly: true, fileMustExist: true, timeout: 5000 });
    const troubles = contentTroubles(db);
    if (troubles.length) return nothing(troubles);
    const whole = (db.pragma('integrity_check(20)') as { integrity_check: string }[]).map((r) => r.integrity_check).filter((t) => t !== 'ok');
    const one = (sql: string): number => (db!.prepare(sql).get() as { n: number }).n;
    // A yard of an earlier version lacks what came later.
    const tables = tablesOf(db);
    const kinds = ALL_KEPT.filter((k) => tables.has(k.tables.records));
    const damaged = kinds.flatMap((k) => damagedOf(db!, k));
    return {
      ok: whole.length === 0 && damaged.length === 0,
      builds: one(`SELECT count(*) AS n FROM build WHERE deleted_at IS NULL`),
      deleted: one(`SELECT count(*) AS n FROM build WHERE deleted_at IS NOT NULL`),
      revisions: kinds.reduce((n, k) => n + one(`SELECT count(*) AS n FROM ${k.tables.revisions}`), 0),
      entries: tables.has('entry') ? one(`SELECT count(*) AS n FROM entry`) : 0,
      troubles: whole,
      damaged,
    };
  } catch (error) {
    return nothing([`The yard’s database cannot be read (${(error as Error).message}).`]);
  } finally {
    db?.close();
  }
}

interface Text {
  readonly document: string;
}
/** Records of a kind that cannot be read. */
function damagedOf(db: Database.Database, kept: Kept<KindName>): Damaged[] {
  const { records, revisions, of } = kept.tables;
  const why = (text: string): string => {
    const d = documentOf(text);
    if (!d) return 'Its record is no JSON.';
    const read = kept.read(d);
    return read.ok ? '' : `${read.problems[0].path}: ${read.problems[0].message}`;
  };
  const goodVersion = (id: string): number | null => {
    const rows = db.prepare(`SELECT version, document FROM ${revisions} WHERE ${of} = ? ORDER BY version DESC`).all(id) as (Text & { version: number })[];
    return rows.find((r) => why(r.document) === '')?.version ?? null;
  };
  const damaged: Damaged[] = [];
  for (const { id, document } of db.prepare(`SELECT id, document FROM ${records}`).iterate() as IterableIterator<Text & { id: string }>) {
    const wrong = why(document);
    if (wrong) damaged.push({ kind: kept.name, id, why: wrong, goodVersion: goodVersion(id) });
  }
  return damaged;
}
