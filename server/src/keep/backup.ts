import { closeSync, existsSync, fsyncSync, mkdirSync, openSync, readSync, renameSync, rmSync, statfsSync, statSync, writeSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import Database from 'better-sqlite3';
import { Zip, ZipDeflate } from 'fflate';
import { YardError } from '../errors.js';
import { yardTroubles } from '../store/inspect.js';
import { documentOf, shownOf } from '../store/shown.js';
import { DATABASE_FILE } from '../store/yard-database.js';

/** What a backup says of itself, in `backup.json`. */
export interface BackupNote {
  readonly format: 'pozzo-backup';
  readonly version: 1;
  readonly madeAt: string;
  readonly builds: number;
  readonly deleted: number;
}

export interface Made extends BackupNote {
  readonly file: string;
  readonly bytes: number;
}

/** Room that a backup leaves for saves, bytes. */
const LEAVE_FREE = 200_000_000;
/** A zip without 64-bit sizes ends here. */
const LARGEST = 3_900_000_000;
const CHUNK = 1 << 20;

/** A part of a file name from a build's name. */
const slug = (name: string): string =>
  name
    .normalize('NFKD')
    .replace(/[^\w]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .toLowerCase()
    .slice(0, 40) || 'build';

/** @throws {YardError} where a backup of this size would take the room that saves need */
function demandRoom(folder: string, bytes: number): void {
  const s = statfsSync(folder);
  const free = s.bavail * s.bsize;
  const wanted = 2 * bytes + LEAVE_FREE;
  if (free < wanted)
    throw new YardError(
      `There is no room for a backup in ${folder}: ${Math.ceil(wanted / 1e6)} MB are wanted, with what saves need, and ${Math.floor(free / 1e6)} MB are free. Choose another folder, or make room.`,
    );
}

/**
 * Backs a data folder up into one zip file while it may be in use: the whole database by SQLite's online backup, opened
 * and checked before it counts, and every build as a rig file. The file stands under its name only when it is whole.
 * @throws {YardError} in words, with nothing left behind
 */
export async function backup(dataFolder: string, zipFile: string, now: Date = new Date()): Promise<Made> {
  const source = join(dataFolder, DATABASE_FILE);
  if (!existsSync(source)) throw new YardError(`There is no yard in ${dataFolder}.`);
  if (existsSync(zipFile)) throw new YardError(`"${zipFile}" is there already; a backup is never written over another.`);
  const folder = dirname(zipFile);
  const copy = join(folder, `.${basename(zipFile)}.sqlite.part`);
  const part = join(folder, `.${basename(zipFile)}.part`);
  try {
    mkdirSync(folder, { recursive: true });
    const bytes = statSync(source).size + (existsSync(`${source}-wal`) ? statSync(`${source}-wal`).size : 0);
    if (bytes > LARGEST)
      throw new YardError(`The yard is ${Math.round(bytes / 1e9)} GB: too large for one backup file. Stop Pozzo and copy the folder instead.`);
    demandRoom(folder, bytes);
    const db = new Database(source, { readonly: true, fileMustExist: true, timeout: 5000 });
    try {
      await db.backup(copy);
    } finally {
      db.close();
    }
    const [trouble] = yardTroubles(copy, true);
    if (trouble) throw new YardError(`The copy is not sound, so there is no backup. ${trouble}`);
    const note = writeZip(copy, part, now);
    renameSync(part, zipFile);
    syncFolder(folder);
    return { ...note, file: zipFile, bytes: statSync(zipFile).size };
  } catch (error) {
    if (error instanceof YardError) throw error;
    const code = (error as { code?: string }).code ?? '';
    throw new YardError(
      /ENOSPC|SQLITE_FULL/.test(code) ? `The disk of ${folder} is full: there is no backup.` : `There is no backup: ${(error as Error).message}.`,
    );
  } finally {
    for (const f of [part, copy, `${copy}-wal`, `${copy}-shm`]) rmSync(f, { force: true });
  }
}

function writeZip(copy: string, part: string, now: Date): BackupNote {
  const out = openSync(part, 'w');
  const db = new Database(copy, { readonly: true });
  try {
    let failed: Error | null = null;
    const zip = new Zip((error, data) => {
      if (error) failed = error;
      else for (let at = 0; at < data.length;) at += writeSync(out, data, at);
    });
    const entry = (name: string, write: (push: (data: Uint8Array, last: boolean) => void) => void): void => {
      const file = new ZipDeflate(name, { level: 6 });
      file.mtime = now;
      zip.add(file);
      write((data, last) => file.push(data, last));
      if (failed) throw failed;
    };
    const text = (name: string, content: string): void => entry(name, (push) => push(Buffer.from(content), true));

    const counts = { builds: 0, deleted: 0 };
    const rows = db.prepare(`SELECT id, document, deleted_at AS deletedAt FROM build ORDER BY created_at, id`).iterate() as IterableIterator<{
      id: string;
      document: string;
      deletedAt: string | null;
    }>;
    for (const row of rows) {
      counts[row.deletedAt === null ? 'builds' : 'deleted']++;
      const document = documentOf(row.document);
      const name = `${row.deletedAt === null ? 'builds' : 'deleted'}/${slug(shownOf(row.document).name)}--${row.id}.json`;
      text(name, document ? `${JSON.stringify(document, null, 2)}\n` : row.document);
    }
    const note: BackupNote = { format: 'pozzo-backup', version: 1, madeAt: now.toISOString(), ...counts };
    text('backup.json', `${JSON.stringify(note, null, 2)}\n`);
    entry(DATABASE_FILE, (push) => {
      const from = openSync(copy, 'r');
      try {
        const left = statSync(copy).size;
        for (let at = 0; at < left;) {
          const chunk = Buffer.alloc(Math.min(CHUNK, left - at));
          at += readWhole(from, chunk, at);
          push(chunk, at >= left);
        }
      } finally {
        closeSync(from);
      }
    });
    zip.end();
    if (failed) throw failed as Error;
    fsyncSync(out);
    return note;
  } finally {
    db.close();
    closeSync(out);
  }
}

function readWhole(from: number, into: Buffer, at: number): number {
  let got = 0;
  while (got < into.length) {
    const n = readSync(from, into, got, into.length - got, at + got);
    if (n === 0) throw new Error('The copy ended early.');
    got += n;
  }
  return got;
}

/** What a folder lists is on disk too. */
export function syncFolder(folder: string): void {
  const handle = openSync(folder, 'r');
  try {
    fsyncSync(handle);
  } finally {
    closeSync(handle);
  }
}
