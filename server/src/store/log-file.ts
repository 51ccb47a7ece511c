import { statSync } from 'node:fs';
import type Database from 'better-sqlite3';

/** Bytes before the first frame of a write-ahead log, and before each of its pages (SQLite's file format, section 4). */
const LOG_HEAD = 32;
const FRAME_HEAD = 24;

/** What another program did to a log: nothing, took it away (we still have it open), or cut it short. */
export type LogState = 'there' | 'taken' | 'cut';

/**
 * Watches the files that a connection writes ahead into. A log that another program deletes stays open here, and whatever
 * is written into it is gone with this process; one that is cut has lost what was acknowledged.
 */
export class LogFile {
  private readonly inodes: readonly number[];
  private readonly frameBytes: number;

  /** @param db open, with its log in use (something was read or written) */
  constructor(
    private readonly file: string,
    private readonly db: Database.Database,
  ) {
    this.inodes = this.paths.map((p) => statSync(p).ino);
    this.frameBytes = FRAME_HEAD + (db.pragma('page_size', { simple: true }) as number);
  }

  private get paths(): string[] {
    return [`${this.file}-wal`, `${this.file}-shm`];
  }

  /** Looks by name and size, and asks the connection how much its log must hold. Costs some microseconds. */
  state(): LogState {
    let bytes: number;
    try {
      const [log, index] = this.paths.map((p) => statSync(p));
      if (log.ino !== this.inodes[0] || index.ino !== this.inodes[1]) return 'taken';
      bytes = log.size;
    } catch {
      return 'taken';
    }
    let asked: { log: number; checkpointed: number };
    try {
      [asked] = this.db.pragma('wal_checkpoint(NOOP)') as [typeof asked];
    } catch {
      // Locked, or failing: what is written next tells.
      return 'there';
    }
    const { log, checkpointed } = asked;
    // What has been brought into the database needs no log.
    return log > checkpointed && bytes < LOG_HEAD + log * this.frameBytes ? 'cut' : 'there';
  }
}
