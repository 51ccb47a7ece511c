import { closeSync, existsSync, openSync, readSync, statSync } from 'node:fs';
import { dirname } from 'node:path';
import Database from 'better-sqlite3';
import { YardError } from '../errors.js';
import { isFull } from './disk.js';
import { MIGRATION_NAMES, tablesAfter } from './migrations.js';

const MEND =
  'Look at it with “npm run -s pozzo -- check”, and bring back a backup with “npm run -s pozzo -- restore <backup.zip>”: what is there now is kept beside it.';

/** The first sixteen bytes of every SQLite file. */
export const SQLITE_HEAD = 'SQLite format 3\0';

/**
 * What can be seen of a database's file without opening it as one.
 *
 * It is opened and closed here as any file, and that takes every lock from this process that a connection of ours holds on
 * it (POSIX): another program could then delete the log under us. So never where a connection is open: there
 * {@link contentTroubles} looks through it.
 * @param wasYard a yard has been in this folder before, so that a missing file is a loss and no beginning
 */
export function fileTroubles(file: string, wasYard: boolean): string[] {
  if (!existsSync(file)) return wasYard ? [`The yard’s database is gone from where it was (${file}). ${MEND} To begin a new yard, choose another folder.`] : [];
  if (statSync(file).size === 0) return [`The yard’s database is empty: something emptied the file ${file}. ${MEND}`];
  const head = Buffer.alloc(16);
  const handle = openSync(file, 'r');
  try {
    if (readSync(handle, head, 0, 16, 0) === 16 && head.toString('latin1') === SQLITE_HEAD) return [];
  } finally {
    closeSync(handle);
  }
  return [`The yard’s database is damaged: ${file} does not begin as one. ${MEND}`];
}

/** The tables that a database has. */
export const tablesOf = (db: Database.Database): ReadonlySet<string> =>
  new Set((db.prepare(`SELECT name FROM sqlite_master WHERE type = 'table'`).all() as { name: string }[]).map((t) => t.name));

/** What can be seen through an open connection: pages, tables, and of which version they are. */
export function contentTroubles(db: Database.Database): string[] {
  try {
    const found = db.pragma('quick_check(5)') as { quick_check: string }[];
    if (found.length !== 1 || found[0].quick_check !== 'ok')
      return [
        `The yard’s database is damaged: ${found
          .map((f) => f.quick_check.split('\n')[0])
          .join('; ')
          .slice(0, 300)}. ${MEND}`,
      ];
    const tables = tablesOf(db);
    if (!tables.has('migrations')) return [`The yard’s database is damaged: it does not say of which version it is. ${MEND}`];
    const steps = (db.prepare(`SELECT name FROM migrations`).all() as { name: string }[]).map((m) => m.name);
    const unknown = steps.filter((s) => !MIGRATION_NAMES.includes(s));
    if (unknown.length) return [`The yard was written by a newer Pozzo (${unknown.join(', ')}). Update Pozzo to open it; nothing was changed.`];
    const missing = tablesAfter(steps).filter((t) => !tables.has(t));
    return missing.length ? [`The yard’s database is damaged: the table of ${missing.join(' and of ')} is missing. ${MEND}`] : [];
  } catch (error) {
    return [unreadable(error, db.name)];
  }
}

function unreadable(error: unknown, file: string): string {
  const code = String((error as { code?: string }).code);
  if (code.startsWith('SQLITE_BUSY')) return `The yard’s database is in use by another program. Close that and start again.`;
  if (code === 'SQLITE_FULL' || (code.startsWith('SQLITE_IOERR') && isFull(dirname(file))))
    return `The disk is full: the yard cannot be looked through. Make room and start again; nothing was changed.`;
  return `The yard’s database cannot be read (${(error as Error).message}). ${MEND}`;
}

/**
 * Whether the database file of a yard may be opened and lifted: whole, of a known version, with its tables. Only where
 * this process has it not open.
 * @param how read only, where nothing may change: not even a log is brought in
 * @returns what is wrong, as sentences with what can be done; empty for a sound file and for a new yard
 */
export function yardTroubles(file: string, wasYard: boolean, how: { readonly?: boolean } = {}): string[] {
  const seen = fileTroubles(file, wasYard);
  if (seen.length || !existsSync(file)) return seen;
  let db: Database.Database | undefined;
  try {
    db = new Database(file, { fileMustExist: true, timeout: 2000, readonly: how.readonly ?? false });
    return contentTroubles(db);
  } catch (error) {
    return [unreadable(error, file)];
  } finally {
    db?.close();
  }
}

/** @throws {YardError} with the first of the troubles */
export function demandNone([trouble]: readonly string[]): void {
  if (trouble) throw new YardError(trouble);
}
