import { createWriteStream } from 'node:fs';
import { Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { type Entry, openPromise } from 'yauzl';
import { YardError } from '../errors.js';
import { SQLITE_HEAD } from '../store/inspect.js';
import { DATABASE_FILE } from '../store/yard-database.js';
import { LARGEST } from './backup.js';

/** Where a SQLite database says how large its pages are and how many it has: bytes 16 and 28 (file format, section 1.3). */
const PAGE_SIZE_AT = 16;
const PAGES_AT = 28;
const HEAD_BYTES = 100;

/**
 * Takes the database out of a backup's zip, and nothing else: no name in it is ever used as a path. It is refused by the
 * size that it declares before a byte is written, and ends where more comes than was declared; never in memory as a whole.
 * @param room free bytes of the disk that `to` is on
 * @throws {YardError} where the zip is no backup, or larger than there is room for
 */
export async function unpackDatabase(zipFile: string, to: string, room: number): Promise<void> {
  try {
    const zip = await openPromise(zipFile, { autoClose: false });
    try {
      const entry = await databaseIn(zip.eachEntry());
      if (!entry) throw new YardError(`"${zipFile}" is no backup of Pozzo. Nothing was changed.`);
      if (entry.uncompressedSize > LARGEST) throw new YardError(`What is in "${zipFile}" is larger than any backup of Pozzo. Nothing was changed.`);
      if (entry.uncompressedSize > room) throw new YardError(`The disk has no room for what is in "${zipFile}". Nothing was changed.`);
      await pipeline(await zip.openReadStreamPromise(entry), onlyDatabase(entry.uncompressedSize), createWriteStream(to));
    } finally {
      zip.close();
    }
  } catch (error) {
    if (error instanceof YardError || (error as { code?: string }).code === 'ENOSPC') throw error;
    throw new YardError(`"${zipFile}" is no backup of Pozzo (${(error as Error).message}). Nothing was changed.`);
  }
}

async function databaseIn(entries: AsyncIterable<Entry>): Promise<Entry | undefined> {
  for await (const entry of entries) if (entry.fileName === DATABASE_FILE) return entry;
  return undefined;
}

/** Lets through what begins as a database of just this size: anything else ends at its first bytes. */
function onlyDatabase(bytes: number): Transform {
  let head: Buffer | undefined = Buffer.alloc(0);
  const judge = (h: Buffer): Error | null => {
    if (h.length < HEAD_BYTES || h.subarray(0, 16).toString('latin1') !== SQLITE_HEAD) return new Error('what is in it is no database');
    const pageSize = h.readUInt16BE(PAGE_SIZE_AT);
    return h.readUInt32BE(PAGES_AT) * (pageSize === 1 ? 65_536 : pageSize) === bytes ? null : new Error('its database is not of the size it says');
  };
  return new Transform({
    transform(chunk: Buffer, _encoding, done) {
      if (!head) return done(null, chunk);
      head = Buffer.concat([head, chunk]);
      if (head.length < HEAD_BYTES) return done();
      const whole = head;
      head = undefined;
      const bad = judge(whole);
      if (bad) done(bad);
      else done(null, whole);
    },
    flush(done) {
      done(head ? judge(head) : null);
    },
  });
}
