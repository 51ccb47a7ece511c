import { closeSync, fsyncSync, openSync, statfsSync, writeSync } from 'node:fs';
import { dirname } from 'node:path';

/** What a file holds, or what a folder lists, is on disk too. */
export function syncFile(path: string): void {
  const handle = openSync(path, 'r');
  try {
    fsyncSync(handle);
  } finally {
    closeSync(handle);
  }
}

export const syncFolder = syncFile;

/** Writes a small file; it and its name are on disk when this comes back. */
export function writeDown(path: string, text: string): void {
  const handle = openSync(path, 'w');
  try {
    writeSync(handle, text);
    fsyncSync(handle);
  } finally {
    closeSync(handle);
  }
  syncFolder(dirname(path));
}

/** A database's file and all that SQLite may put beside it. */
export const withTails = (file: string): string[] => ['', '-wal', '-shm', '-journal'].map((tail) => `${file}${tail}`);

/** Whether a folder's disk has next to nothing left: what fails there fails for that. */
export function isFull(folder: string): boolean {
  try {
    const s = statfsSync(folder);
    return s.bavail * s.bsize < 65536;
  } catch {
    return false;
  }
}
