import { copyFileSync, existsSync, linkSync, mkdirSync, renameSync, rmSync, statfsSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import Database from 'better-sqlite3';
import { YardError } from '../errors.js';
import { syncFile, syncFolder, withTails, writeDown } from '../store/disk.js';
import { lockFolder } from '../store/folder-lock.js';
import { yardTroubles } from '../store/inspect.js';
import { DATABASE_FILE, markYard, RESTORE_PART, RESTORING_MARK } from '../store/yard-database.js';
import { contents } from './check.js';
import { unpackDatabase } from './unpack.js';

export interface Restored {
  readonly folder: string;
  readonly builds: number;
  readonly deleted: number;
  /** Where the yard that was there before stands now; null where there was none. */
  readonly keptBeside: string | null;
}

/**
 * Puts the yard of a backup into a data folder. The present one is kept beside it, whole. Nothing is touched before what is
 * brought back has been opened and checked. Killed at any step it leaves the old yard or the new one; where the present one
 * is too damaged to be put aside in one step, a mark that says so, until it is done again.
 * @throws {YardError} where a server holds the folder, or the file is no sound backup
 */
export async function restore(zipFile: string, dataFolder: string, now: Date = new Date()): Promise<Restored> {
  if (!existsSync(zipFile)) throw new YardError(`There is no file "${zipFile}".`);
  const lock = lockFolder(dataFolder, 'a restore');
  const part = join(dataFolder, RESTORE_PART);
  const clear = (): void => {
    for (const piece of withTails(part)) rmSync(piece, { force: true });
  };
  try {
    clear();
    const s = statfsSync(dataFolder);
    await unpackDatabase(zipFile, part, s.bavail * s.bsize);
    const [trouble] = yardTroubles(part, true);
    if (trouble) throw new YardError(`What is in "${zipFile}" is not sound, so nothing was changed. ${trouble}`);
    const { builds, deleted } = contents(part);
    for (const tail of withTails(part).slice(1)) rmSync(tail, { force: true });
    syncFile(part);
    // From here on this is a yard's folder: what is missing in it is a loss, and no beginning.
    markYard(dataFolder);
    const keptBeside = exchange(part, dataFolder, now);
    return { folder: dataFolder, builds, deleted, keptBeside };
  } catch (error) {
    if (error instanceof YardError) throw error;
    const full = (error as { code?: string }).code === 'ENOSPC';
    throw new YardError(
      full ? `The disk of ${dataFolder} is full: the backup could not be brought back.` : `The backup could not be brought back: ${(error as Error).message}.`,
    );
  } finally {
    clear();
    lock.release();
  }
}

/** @returns the folder that the present yard stands in afterwards; null where there was none */
function exchange(part: string, folder: string, now: Date): string | null {
  const file = join(folder, DATABASE_FILE);
  const mark = join(folder, RESTORING_MARK);
  const there = (): string[] => withTails(file).filter((f) => existsSync(f));
  if (!there().length) {
    renameSync(part, file);
    syncFolder(folder);
    rmSync(mark, { force: true });
    return null;
  }
  const beside = newFolderBeside(folder, now);
  // With its log brought in, the present yard is one file: a single rename puts the new one into its place.
  const whole = bringLogIn(file) && there().length === 1;
  if (whole) {
    alsoAs(file, join(beside, DATABASE_FILE));
    syncFolder(beside);
  } else {
    writeDown(mark, `${beside}\n`);
    for (const f of there().reverse()) renameSync(f, join(beside, basename(f)));
    syncFolder(beside);
  }
  renameSync(part, file);
  syncFolder(folder);
  rmSync(mark, { force: true });
  return beside;
}

function newFolderBeside(folder: string, now: Date): string {
  let beside = join(folder, `before-restore-${now.toISOString().slice(0, 19).replace(/[-:]/g, '').replace('T', '-')}`);
  while (existsSync(beside)) beside = `${beside}x`;
  mkdirSync(beside);
  return beside;
}

/** Whether the log of a database could be brought into it, so that nothing stands beside it. */
function bringLogIn(file: string): boolean {
  let db: Database.Database | undefined;
  try {
    db = new Database(file, { fileMustExist: true, timeout: 2000 });
    const [{ busy }] = db.pragma('wal_checkpoint(TRUNCATE)') as { busy: number }[];
    return busy === 0;
  } catch {
    return false;
  } finally {
    try {
      db?.close();
    } catch {
      // It was damaged: its files are put aside as they are.
    }
  }
}

/** The same file under a second name; a copy where the disk knows no such thing. */
function alsoAs(file: string, as: string): void {
  try {
    linkSync(file, as);
  } catch {
    try {
      copyFileSync(file, as);
      syncFile(as);
    } catch (error) {
      // Half a yard beside the whole one helps nobody.
      rmSync(dirname(as), { recursive: true, force: true });
      throw error;
    }
  }
}
