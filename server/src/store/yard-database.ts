import 'reflect-metadata';
import { existsSync, readdirSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import type Database from 'better-sqlite3';
import { DataSource, type EntitySchema, type ObjectLiteral } from 'typeorm';
import { AppError, YardError } from '../errors.js';
import { isFull, withTails, writeDown } from './disk.js';
import { ENTITIES } from './entities.js';
import { type FolderLock, lockFolder } from './folder-lock.js';
import { contentTroubles, demandNone, yardTroubles } from './inspect.js';
import { LogFile } from './log-file.js';
import { MIGRATIONS } from './migrations.js';

/** Code of a driver's error, such as SQLITE_FULL; empty for an error without. */
function codeOf(error: unknown): string {
  const { code } = error as { code?: unknown };
  return typeof code === 'string' ? code : '';
}

/** File name of the database inside the data folder. */
export const DATABASE_FILE = 'pozzo.sqlite';
/** Says that a yard has been here: without its database such a folder is a loss, not a beginning. */
export const YARD_MARK = 'pozzo.yard';
/** Stands while a restore exchanges the database's files: what is there then is neither the old yard nor the new one. */
export const RESTORING_MARK = 'pozzo.restoring';
/** What a restore unpacks to before it takes the place of the yard. */
export const RESTORE_PART = '.restore.sqlite.part';

/** Makes a folder known as a yard's, on disk when this comes back. */
export function markYard(folder: string): void {
  const mark = join(folder, YARD_MARK);
  if (!existsSync(mark)) writeDown(mark, 'A yard of Pozzo lives in this folder.\n');
}

/** How long one try waits for another program's lock, and how long a save tries in all, ms. */
const LOCK_WAIT_MS = 40;
const LOCK_TRIES_MS = 1500;

/** A statement as the query builder makes it. */
interface Statement {
  getQueryAndParameters(): [string, unknown[]];
}

/** What a piece of writing works with: synchronous, inside its own transaction. */
export interface Writing {
  /** Runs a statement; gives how many rows it changed. */
  run(statement: Statement): number;
  /** The first row of a query on an entity, by its property names. */
  first<T extends ObjectLiteral>(entity: EntitySchema<T>, where: Partial<T>): T | undefined;
  readonly source: DataSource;
}

export const diskFull = (): AppError =>
  new AppError(507, 'disk-full', '', 'free space', 'The disk is full: nothing was saved. Make room, and it will be saved.', 5);
const locked = (): AppError => new AppError(503, 'locked', '', '', 'The database is locked by another program: nothing was saved yet. It is tried again.', 2);
const gone = (): AppError =>
  new AppError(503, 'folder-gone', '', '', 'The folder of the yard is gone: nothing can be saved. Bring it back (a drive, a share?) or start Pozzo again.', 10);
const cut = (): AppError =>
  new AppError(
    503,
    'log-cut',
    '',
    '',
    'Another program cut the yard’s log (pozzo.sqlite-wal) short: the last saves may be lost, and nothing is saved now. Stop Pozzo, look with “npm run -s pozzo -- check”, then start it again.',
    60,
  );
const failing = (why: string): AppError => new AppError(503, 'storage', '', '', `Can’t write to disk (${why}). Not saved; retrying.`, 5);

/**
 * The yard's database: one connection of this process's own, one writer a folder. Writes are synchronous transactions that
 * stand or fall alone. After any failed one the connection is opened anew, and nothing is answered from it until what is
 * in the log has been brought to disk.
 */
export class YardDatabase {
  private inode = 0;
  private log: LogFile | undefined;
  private broken = false;
  private mending: Promise<void> | undefined;

  private constructor(
    readonly source: DataSource,
    readonly folder: string,
    private readonly lock: FolderLock,
  ) {}

  /**
   * Opens, and where needed makes and lifts, the database of a data folder.
   * @throws {YardError} when the folder is held, or its database is damaged, emptied, gone or newer
   */
  static async open(folder: string, what = 'a server'): Promise<YardDatabase> {
    const lock = lockFolder(folder, what);
    let source: DataSource | undefined;
    try {
      const file = join(folder, DATABASE_FILE);
      if (existsSync(join(folder, RESTORING_MARK)))
        throw new YardError(
          `A restore was cut short in ${folder}: the yard is not whole. Run “npm run -s pozzo -- restore <backup.zip>” again; what was there before is in a folder “before-restore-…” beside it.`,
        );
      forgetHalfRestore(folder);
      demandNone(yardTroubles(file, existsSync(join(folder, YARD_MARK))));
      source = new DataSource({
        type: 'better-sqlite3',
        database: file,
        entities: ENTITIES,
        migrations: MIGRATIONS,
        synchronize: false,
        prepareDatabase: (db: Database.Database) => {
          db.pragma('journal_mode = WAL');
          db.pragma('synchronous = FULL');
          db.pragma(`busy_timeout = ${LOCK_WAIT_MS}`);
        },
      });
      await source.initialize();
      await source.runMigrations();
      const opened = new YardDatabase(source, folder, lock);
      demandNone(contentTroubles(opened.handle));
      markYard(folder);
      opened.watch();
      return opened;
    } catch (error) {
      await source?.destroy().catch(() => undefined);
      lock.release();
      throw noRoomAtStart(error, folder);
    }
  }

  get file(): string {
    return join(this.folder, DATABASE_FILE);
  }

  /** The driver's own handle: for reads, and for what the tests do to it. */
  get handle(): Database.Database {
    return (this.source.driver as unknown as { databaseConnection: Database.Database }).databaseConnection;
  }

  /**
   * Does `work` as one transaction, whole or not at all, on disk when this comes back.
   * @throws {AppError} 507 for a full disk, 503 when the database is locked, gone or failing; whatever `work` throws
   */
  async write<T>(work: (w: Writing) => T): Promise<T> {
    const until = performance.now() + LOCK_TRIES_MS;
    for (;;) {
      if (this.mending) await this.mending;
      if (this.broken) await this.mend();
      this.demandThere();
      const state = this.log?.state() ?? 'there';
      if (state === 'cut') throw cut();
      if (state === 'taken') {
        await this.bringLogIn();
        continue;
      }
      try {
        const done = this.handle.transaction(() => work(this.writing)).immediate();
        // Deleted while it was written into: it is still open here, and is brought to disk before anything is answered.
        if (this.log?.state() === 'taken') await this.bringLogIn();
        return done;
      } catch (error) {
        const code = codeOf(error);
        if (code.startsWith('SQLITE_BUSY') || code.startsWith('SQLITE_LOCKED')) {
          if (performance.now() > until) throw locked();
        } else if (code.startsWith('SQLITE_') && !code.startsWith('SQLITE_CONSTRAINT') && code !== 'SQLITE_ERROR') {
          this.broken = true;
          const word = code === 'SQLITE_FULL' || this.noRoom() ? diskFull() : failing(code);
          // Opened anew at once where that works; otherwise the next write begins with it.
          await this.mend().catch(() => undefined);
          throw word;
        } else throw error;
      } finally {
        // SQLite rolls back by itself after some failures; a transaction left open would swallow all that follows.
        if (this.handle?.open && this.handle.inTransaction) this.broken = true;
      }
      await sleep(60);
    }
  }

  private readonly writing: Writing = (() => {
    const of = (): Database.Database => this.handle;
    const source = (): DataSource => this.source;
    return {
      run: (statement) => {
        const [sql, parameters] = statement.getQueryAndParameters();
        return of()
          .prepare(sql)
          .run(...parameters).changes;
      },
      first: (entity, where) => {
        const qb = source().createQueryBuilder(entity, 'x').where(where);
        const [sql, parameters] = qb.getQueryAndParameters() as [string, unknown[]];
        const raw = of()
          .prepare(sql)
          .get(...parameters) as Record<string, unknown> | undefined;
        if (!raw) return undefined;
        return Object.fromEntries(
          source()
            .getMetadata(entity)
            .columns.map((c) => [c.propertyName, raw[`x_${c.databaseName}`]]),
        ) as never;
      },
      get source() {
        return source();
      },
    };
  })();

  /** Reads through the driver's handle; a connection that was lost is opened anew first. */
  async read<T>(work: (handle: Database.Database) => T): Promise<T> {
    if (this.mending) await this.mending.catch(() => undefined);
    if (!this.source.isInitialized) await this.mend();
    try {
      return work(this.handle);
    } catch (error) {
      const code = codeOf(error);
      if (code.startsWith('SQLITE_BUSY') || code.startsWith('SQLITE_LOCKED')) throw locked();
      if (/^SQLITE_(IOERR|CORRUPT|NOTADB|CANTOPEN|FULL)/.test(code)) throw failing(code);
      throw error;
    }
  }

  /** @throws {AppError} when the file that was opened is no longer where it was */
  private demandThere(): void {
    try {
      if (statSync(this.file).ino === this.inode) return;
    } catch {
      // told below
    }
    throw gone();
  }

  /** Remembers what is open, to notice when another program takes it away. */
  private watch(): void {
    this.inode = statSync(this.file).ino;
    // The log is there once something was read.
    this.handle.prepare('SELECT count(*) FROM sqlite_master').get();
    this.log = new LogFile(this.file, this.handle);
  }

  /** Another program deleted the log: it is brought into the database from what is still open here, and a new one begun. */
  private async bringLogIn(): Promise<void> {
    const [{ log, checkpointed }] = this.handle.pragma('wal_checkpoint(TRUNCATE)') as { log: number; checkpointed: number }[];
    if (log !== checkpointed) throw locked();
    await this.mend();
  }

  private noRoom(): boolean {
    return isFull(this.folder);
  }

  /**
   * A new connection, and all that stands in the log brought to disk: a failed commit may or may not be there, and what is
   * read from now on is what is kept.
   */
  private mend(): Promise<void> {
    this.mending ??= this.openAnew().finally(() => (this.mending = undefined));
    return this.mending;
  }

  private async openAnew(): Promise<void> {
    this.demandThere();
    await this.source.destroy().catch(() => undefined);
    try {
      await this.source.initialize();
      const [done] = this.handle.pragma('wal_checkpoint(TRUNCATE)') as { busy: number }[];
      if (done.busy) throw locked();
      this.watch();
    } catch (error) {
      if (error instanceof AppError) throw error;
      throw codeOf(error) === 'SQLITE_FULL' || this.noRoom() ? diskFull() : failing(codeOf(error) || 'unknown');
    }
    this.broken = false;
  }

  async close(): Promise<void> {
    await this.mending?.catch(() => undefined);
    if (this.source.isInitialized) await this.source.destroy();
    this.lock.release();
  }
}

/** Clears what a restore left that was killed before it changed anything: its copy, and a second name of today's yard. */
function forgetHalfRestore(folder: string): void {
  for (const piece of withTails(join(folder, RESTORE_PART))) rmSync(piece, { force: true });
  const file = join(folder, DATABASE_FILE);
  if (!existsSync(file)) return;
  const { ino } = statSync(file);
  for (const name of readdirSync(folder).filter((n) => n.startsWith('before-restore-'))) {
    const second = join(folder, name, DATABASE_FILE);
    if (existsSync(second) && statSync(second).ino === ino) rmSync(join(folder, name), { recursive: true });
  }
}

/** A full disk at the start (the yard is lifted to a new version, or marked) in words; any other error as it is. */
function noRoomAtStart(error: unknown, folder: string): unknown {
  if (error instanceof YardError) return error;
  const code = codeOf((error as { driverError?: unknown }).driverError) || codeOf(error);
  return code === 'SQLITE_FULL' || code === 'ENOSPC' || (code.startsWith('SQLITE_IOERR') && isFull(folder))
    ? new YardError(`The disk of ${folder} is full: the yard cannot be opened. Make room and start again; nothing was changed.`)
    : error;
}
