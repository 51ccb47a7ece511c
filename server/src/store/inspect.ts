import { closeSync, existsSync, openSync, readSync, statSync } from 'node:fs';
import Database from 'better-sqlite3';
import { YardError } from '../errors.js';
import { TABLES } from './entities.js';
import { MIGRATION_NAMES } from './migrations.js';

const MEND =
  'Look at it with “npm run -s pozzo -- check”, and bring back a backup with “npm run -s pozzo -- restore <backup.zip>”: what is there now is kept beside it.';

/** The first sixteen bytes of every SQLite file. */
function isSqlite(file: string): boolean {
  const head = Buffer.alloc(16);
  const handle = openSync(file, 'r');
  try {
    return readSync(handle, head, 0, 16, 0) === 16 && head.toString('latin1') === 'SQLite format 3\0';
  } finally {
    closeSync(handle);
  }
}

/**
 * Whether the database file of a yard may be opened and lifted: whole, of a known version, with its tables.
 * @param wasYard a yard has been in this folder before, so that a missing file is a loss and no beginning
 * @returns what is wrong, as sentences with what can be done; empty for a sound file and for a new yard
 */
export function yardTroubles(file: string, wasYard: boolean): string[] {
  if (!existsSync(file)) return wasYard ? [`The yard’s database is gone from where it was (${file}). ${MEND} To begin a new yard, choose another folder.`] : [];
  if (statSync(file).size === 0) return [`The yard’s database is empty: something emptied the file ${file}. ${MEND}`];
  if (!isSqlite(file)) return [`The yard’s database is damaged: ${file} does not begin as one. ${MEND}`];
  let db: Database.Database | undefined;
  try {
    db = new Database(file, { fileMustExist: true, timeout: 2000 });
    const found = db.pragma('quick_check(5)') as { quick_check: string }[];
    if (found.length !== 1 || found[0].quick_check !== 'ok')
      return [
        `The yard’s database is damaged: ${found
          .map((f) => f.quick_check.split('\n')[0])
          .join('; ')
          .slice(0, 300)}. ${MEND}`,
      ];
    const tables = new Set((db.prepare(`SELECT name FROM sqlite_master WHERE type = 'table'`).all() as { name: string }[]).map((t) => t.name));
    if (!tables.has('migrations')) return [`The yard’s database is damaged: it does not say of which version it is. ${MEND}`];
    const steps = (db.prepare(`SELECT name FROM migrations`).all() as { name: string }[]).map((m) => m.name);
    const unknown = steps.filter((s) => !MIGRATION_NAMES.includes(s));
    if (unknown.length) return [`The yard was written by a newer Pozzo (${unknown.join(', ')}). Update Pozzo to open it; nothing was changed.`];
    const wanted = steps.length === MIGRATION_NAMES.length ? TABLES : TABLES.filter((t) => t !== 'judgement');
    const missing = wanted.filter((t) => !tables.has(t));
    return missing.length ? [`The yard’s database is damaged: the table of ${missing.join(' and of ')} is missing. ${MEND}`] : [];
  } catch (error) {
    const code = String((error as { code?: string }).code);
    if (code.startsWith('SQLITE_BUSY')) return [`The yard’s database is in use by another program. Close that and start again.`];
    return [`The yard’s database cannot be read (${(error as Error).message}). ${MEND}`];
  } finally {
    db?.close();
  }
}

/** @throws {YardError} with the first trouble of {@link yardTroubles} */
export function demandSound(file: string, wasYard: boolean): void {
  const [trouble] = yardTroubles(file, wasYard);
  if (trouble) throw new YardError(trouble);
}
