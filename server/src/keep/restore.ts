import { closeSync, existsSync, fsyncSync, mkdirSync, openSync, readSync, renameSync, rmSync, statfsSync, writeFileSync, writeSync } from 'node:fs';
import { join } from 'node:path';
import { Unzip, UnzipInflate } from 'fflate';
import { YardError } from '../errors.js';
import { lockFolder } from '../store/folder-lock.js';
import { yardTroubles } from '../store/inspect.js';
import { DATABASE_FILE, YARD_MARK } from '../store/yard-database.js';
import { syncFolder } from './backup.js';
import { check } from './check.js';

export interface Restored {
  readonly folder: string;
  readonly builds: number;
  readonly deleted: number;
  /** Where the yard that was there before stands now; null where there was none. */
  readonly keptBeside: string | null;
}

const CHUNK = 1 << 20;

/**
 * Puts the yard of a backup into a data folder. The present one is moved beside it, whole. Nothing is touched before what
 * is brought back has been opened and checked.
 * @throws {YardError} where a server holds the folder, or the file is no sound backup
 */
export function restore(zipFile: string, dataFolder: string, now: Date = new Date()): Restored {
  if (!existsSync(zipFile)) throw new YardError(`There is no file "${zipFile}".`);
  const lock = lockFolder(dataFolder, 'a restore');
  const part = join(dataFolder, '.restore.sqlite.part');
  try {
    unpack(zipFile, part, dataFolder);
    const [trouble] = yardTroubles(part, true);
    if (trouble) throw new YardError(`What is in "${zipFile}" is not sound, so nothing was changed. ${trouble}`);
    for (const tail of ['-wal', '-shm']) rmSync(`${part}${tail}`, { force: true });
    const file = join(dataFolder, DATABASE_FILE);
    const there = ['', '-wal', '-shm'].filter((tail) => existsSync(`${file}${tail}`));
    let beside: string | null = null;
    if (there.length) {
      beside = join(dataFolder, `before-restore-${now.toISOString().slice(0, 19).replace(/[-:]/g, '').replace('T', '-')}`);
      while (existsSync(beside)) beside = `${beside}x`;
      mkdirSync(beside);
      // The log goes first: a database without its log is old, a log without its database is nothing.
      for (const tail of [...there].reverse()) renameSync(`${file}${tail}`, join(beside, `${DATABASE_FILE}${tail}`));
    }
    renameSync(part, file);
    writeFileSync(join(dataFolder, YARD_MARK), 'A yard of Pozzo lives in this folder.\n');
    syncFolder(dataFolder);
    const now_ = check(dataFolder);
    return { folder: dataFolder, builds: now_.builds, deleted: now_.deleted, keptBeside: beside };
  } catch (error) {
    if (error instanceof YardError) throw error;
    throw new YardError(`The backup could not be brought back: ${(error as Error).message}.`);
  } finally {
    for (const tail of ['', '-wal', '-shm']) rmSync(`${part}${tail}`, { force: true });
    lock.release();
  }
}

/** Takes the database out of the zip, and nothing else: no name in it is ever used as a path. */
function unpack(zipFile: string, to: string, folder: string): void {
  const s = statfsSync(folder);
  const room = s.bavail * s.bsize;
  const out = openSync(to, 'w');
  const from = openSync(zipFile, 'r');
  let found = false;
  let whole = false;
  let failed: Error | undefined;
  let written = 0;
  try {
    const unzip = new Unzip((file) => {
      if (file.name !== DATABASE_FILE || found) return;
      found = true;
      file.ondata = (error, data, last) => {
        if (error) failed = error;
        if (failed) return;
        written += data.length;
        if (written > room) failed = new YardError(`The disk of ${folder} has no room for what is in "${zipFile}".`);
        else for (let at = 0; at < data.length;) at += writeSync(out, data, at);
        whole ||= last;
      };
      file.start();
    });
    unzip.register(UnzipInflate);
    const chunk = Buffer.alloc(CHUNK);
    for (;;) {
      const n = readSync(from, chunk, 0, CHUNK, null);
      unzip.push(Uint8Array.from(chunk.subarray(0, n)), n === 0);
      if (failed || n === 0) break;
    }
    fsyncSync(out);
  } catch (error) {
    failed ??= error as Error;
  } finally {
    closeSync(from);
    closeSync(out);
  }
  if (failed instanceof YardError) throw failed;
  if (failed || !found || !whole)
    throw new YardError(`"${zipFile}" is no backup of Pozzo${failed ? ` (${failed.message})` : found ? ': it ends early' : ''}. Nothing was changed.`);
}
