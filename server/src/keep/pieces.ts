import { existsSync, readdirSync, rmSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';

/** Pieces of a backup that is being made, named after the process that makes it; and as they were named before. */
const PIECE = /^\..+\.zip(?:\.(\d+))?\.(?:sqlite\.)?part(?:-wal|-shm|-journal)?$/;

export const pieceOf = (zipFile: string, ending: 'part' | 'sqlite.part'): string => join(dirname(zipFile), `.${basename(zipFile)}.${process.pid}.${ending}`);

function isRunning(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return (error as { code?: string }).code === 'EPERM';
  }
}

/**
 * Clears away what backups left that were killed before their end: they are no backup.
 * @param own clears this process's pieces too, where it is known to make none now
 */
export function clearPieces(folder: string, own = false): void {
  if (!existsSync(folder)) return;
  for (const name of readdirSync(folder)) {
    const m = PIECE.exec(name);
    if (!m) continue;
    const pid = m[1] === undefined ? undefined : Number(m[1]);
    const goes = pid === undefined || (pid === process.pid ? own : !isRunning(pid));
    if (goes) rmSync(join(folder, name), { force: true });
  }
}
