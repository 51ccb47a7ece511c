import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { YardError } from '../errors.js';
import { isFull } from './disk.js';

const LOCK_FILE = 'pozzo.lock';
const HOLDER_FILE = 'pozzo.holder.json';

/** Who holds a data folder, as told by the holder. */
export interface Holder {
  readonly pid: number;
  /** ISO time. */
  readonly since: string;
  readonly what: string;
}

export interface FolderLock {
  release(): void;
}

/** What the holder wrote of itself; undefined where nothing readable stands. */
export function holderOf(folder: string): Holder | undefined {
  try {
    const h = JSON.parse(readFileSync(join(folder, HOLDER_FILE), 'utf8')) as Holder;
    return typeof h.pid === 'number' && typeof h.since === 'string' && typeof h.what === 'string' ? h : undefined;
  } catch {
    return undefined;
  }
}

/**
 * Takes a data folder for one writer. The lock is the operating system's (an exclusive transaction on a file of its own),
 * so that it ends with the process however that ends, and none is ever left behind.
 * @param what who asks, such as "the server on port 4080"
 * @throws {YardError} naming the holder where the folder is taken
 */
export function lockFolder(folder: string, what: string, now: () => Date = () => new Date()): FolderLock {
  let handle: Database.Database | undefined;
  try {
    mkdirSync(folder, { recursive: true });
    handle = new Database(join(folder, LOCK_FILE), { timeout: 0 });
    // Nothing is ever written into it: a journal beside it would only be left behind by a kill.
    handle.pragma('journal_mode = MEMORY');
    handle.exec('BEGIN EXCLUSIVE');
    writeFileSync(join(folder, HOLDER_FILE), JSON.stringify({ pid: process.pid, since: now().toISOString(), what } satisfies Holder));
  } catch (error) {
    handle?.close();
    const code = String((error as { code?: string }).code);
    if (code === 'ENOSPC' || code === 'SQLITE_FULL' || (code.startsWith('SQLITE_IOERR') && isFull(folder)))
      throw new YardError(`The disk of ${folder} is full: the yard cannot be opened. Make room and start again; nothing was changed.`);
    if (!code.startsWith('SQLITE_BUSY')) throw new YardError(`The folder ${folder} cannot be used: ${(error as Error).message}.`);
    const holder = holderOf(folder);
    const who = holder ? `${holder.what} (process ${holder.pid}, since ${holder.since})` : 'another Pozzo';
    throw new YardError(`The yard in ${folder} is held by ${who}. Only one may write to it: stop that one first, or set POZZO_DATA to another folder.`);
  }
  const held = handle;
  return {
    release: () => {
      rmSync(join(folder, HOLDER_FILE), { force: true });
      held.close();
    },
  };
}

/** Whether somebody holds the folder now. Only looks: nothing in the folder changes. */
export function isHeld(folder: string): boolean {
  let handle: Database.Database | undefined;
  try {
    handle = new Database(join(folder, LOCK_FILE), { timeout: 0, fileMustExist: true, readonly: true });
    handle.prepare('SELECT count(*) FROM sqlite_master').get();
    return false;
  } catch (error) {
    // Anything else (no such file, what a killed one left beside it) is nobody.
    return String((error as { code?: string }).code).startsWith('SQLITE_BUSY');
  } finally {
    handle?.close();
  }
}
