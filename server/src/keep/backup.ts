import { closeSync, existsSync, fsyncSync, mkdirSync, openSync, readSync, renameSync, rmSync, statfsSync, statSync, writeSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { setImmediate as between } from 'node:timers/promises';
import Database from 'better-sqlite3';
import { Zip, ZipDeflate } from 'fflate';
import { YardError } from '../errors.js';
import { syncFolder, withTails } from '../store/disk.js';
import { tablesOf, yardTroubles } from '../store/inspect.js';
import { pathOf } from '@pozzo/core';
import { documentOf } from '../store/document-of.js';
import { ALL_KEPT } from '../store/kinds.js';
import { DATABASE_FILE, RESTORING_MARK } from '../store/yard-database.js';
import { clearPieces, pieceOf } from './pieces.js';

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
export const LARGEST = 3_900_000_000;
const CHUNK = 1 << 20;
/** Pages copied before the thread looks up: some 16 MB, a tenth of a second. */
const PAGES_A_STEP = 4000;
/** Longest that a zip is written before the thread looks up, ms. */
const LOOK_UP_MS = 50;

/** A part of a file name from a record's name; `otherwise` for one without. */
const slug = (name: string, otherwise: string): string =>
  name
    .normalize('NFKD')
    .replace(/[^\w]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .toLowerCase()
    .slice(0, 40) || otherwise;

/** @throws {YardError} where a backup of this size would take the room that saves need */
function demandRoom(folder: string, bytes: number): void {
  const s = statfsSync(folder);
  const free = s.bavail * s.bsize;
  const wanted = 2 * bytes + LEAVE_FREE;
  if (free < wanted)
    throw new YardError(
      `There is no room for a backup in ${folder}: ${Math.ceil(wanted / 1e6)} MB are needed, room for saves included, and ${Math.floor(free / 1e6)} MB are free. Choose another folder, or make room.`,
    );
}

/**
 * Backs a data folder up into one zip file while it may be in use: the whole database as it stood at one moment, opened and
 * checked before it counts, every record as a file (a build's is a rig file), and all entries as lines of JSON. It ends however much is saved meanwhile. The file stands under
 * its name only when it is whole.
 * @throws {YardError} in words, with nothing left behind
 */
export async function backup(dataFolder: string, zipFile: string, now: Date = new Date()): Promise<Made> {
  const source = join(dataFolder, DATABASE_FILE);
  if (!existsSync(source)) throw new YardError(`There is no yard in ${dataFolder}.`);
  if (existsSync(join(dataFolder, RESTORING_MARK))) throw new YardError(`A restore was cut short in ${dataFolder}: run it again before backing up.`);
  if (existsSync(zipFile)) throw new YardError(`"${zipFile}" is there already; a backup is never written over another.`);
  const folder = dirname(zipFile);
  const copy = pieceOf(zipFile, 'sqlite.part');
  const part = pieceOf(zipFile, 'part');
  try {
    mkdirSync(folder, { recursive: true });
    clearPieces(folder);
    const bytes = statSync(source).size + (existsSync(`${source}-wal`) ? statSync(`${source}-wal`).size : 0);
    if (bytes > LARGEST)
      throw new YardError(`The yard is ${Math.round(bytes / 1e9)} GB: too large for one backup file. Stop Pozzo and copy the folder instead.`);
    demandRoom(folder, bytes);
    await copyWhole(source, copy);
    const [trouble] = yardTroubles(copy, true);
    if (trouble) throw new YardError(`The copy is not sound, so there is no backup. ${trouble}`);
    const note = await writeZip(copy, part, now);
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
    for (const f of [part, ...withTails(copy)]) rmSync(f, { force: true });
  }
}

/**
 * Copies a database that may be written to. A copy made page by page begins again at every write; this one reads within one
 * transaction, so that it sees one moment and writers go on beside it.
 */
async function copyWhole(source: string, copy: string): Promise<void> {
  const db = new Database(source, { readonly: true, fileMustExist: true, timeout: 5000 });
  try {
    db.exec('BEGIN');
    db.prepare('SELECT count(*) FROM sqlite_master').get();
    await db.backup(copy, { progress: () => PAGES_A_STEP });
    db.exec('COMMIT');
  } finally {
    db.close();
  }
}

/** Looks up now and then, so that whoever runs it can stop it. */
async function writeZip(copy: string, part: string, now: Date): Promise<BackupNote> {
  const out = openSync(part, 'w');
  const db = new Database(copy, { readonly: true });
  try {
    let failed: Error | null = null;
    const zip = new Zip((error, data) => {
      if (error) failed = error;
      else for (let at = 0; at < data.length;) at += writeSync(out, data, at);
    });
    let since = performance.now();
    const entry = async (name: string, parts: Iterable<Uint8Array>): Promise<void> => {
      const file = new ZipDeflate(name, { level: 6 });
      file.mtime = now;
      zip.add(file);
      for (const part of parts) {
        file.push(part);
        if (failed) throw failed;
        if (performance.now() - since < LOOK_UP_MS) continue;
        await between();
        since = performance.now();
      }
      file.push(new Uint8Array(0), true);
    };
    const text = (name: string, content: string): Promise<void> => entry(name, [Buffer.from(content)]);

    const tables = tablesOf(db);
    const counts = { builds: 0, deleted: 0 };
    // A yard that was not opened since may lack what came later.
    for (const kept of ALL_KEPT.filter((k) => tables.has(k.tables.records))) {
      const rows = db
        .prepare(`SELECT id, document, deleted_at AS deletedAt FROM ${kept.tables.records} ORDER BY created_at, id`)
        .iterate() as IterableIterator<{ id: string; document: string; deletedAt: string | null }>;
      for (const row of rows) {
        if (kept.name === 'build') counts[row.deletedAt === null ? 'builds' : 'deleted']++;
        const document = documentOf(row.document);
        const folder = row.deletedAt === null ? pathOf(kept.name) : kept.deletedPath;
        const name = `${folder}/${slug(kept.shownOf(row.document).name, kept.word)}--${row.id}.json`;
        await text(name, document ? `${JSON.stringify(document, null, 2)}\n` : row.document);
      }
    }
    if (tables.has('entry')) await entry('entries.jsonl', entryLines(db));
    // What follows opens and closes the file as any other: no connection of ours stands then.
    db.close();
    const note: BackupNote = { format: 'pozzo-backup', version: 1, madeAt: now.toISOString(), ...counts };
    await text('backup.json', `${JSON.stringify(note, null, 2)}\n`);
    await entry(DATABASE_FILE, chunksOf(copy));
    zip.end();
    if (failed) throw failed as Error;
    fsyncSync(out);
    return note;
  } finally {
    db.close();
    closeSync(out);
  }
}

/** One line of JSON an entry, in the order of adding. */
function* entryLines(db: Database.Database): Iterable<Uint8Array> {
  const rows = db
    .prepare(`SELECT kind, record_kind AS recordKind, record_id AS recordId, at, by_whom AS by, document FROM entry ORDER BY id`)
    .iterate() as IterableIterator<Record<string, string | null> & { document: string }>;
  for (const { document, ...of } of rows) yield Buffer.from(`${JSON.stringify({ ...of, says: documentOf(document) ?? document })}\n`);
}

function* chunksOf(file: string): Iterable<Uint8Array> {
  const from = openSync(file, 'r');
  try {
    const bytes = statSync(file).size;
    for (let at = 0; at < bytes;) {
      const chunk = Buffer.alloc(Math.min(CHUNK, bytes - at));
      at += readWhole(from, chunk, at);
      yield chunk;
    }
  } finally {
    closeSync(from);
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
