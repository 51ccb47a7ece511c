import 'reflect-metadata';
import { existsSync, statfsSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import type Database from 'better-sqlite3';
import { DataSource, type EntitySchema, type ObjectLiteral } from 'typeorm';
import { AppError } from '../errors.js';
import { ENTITIES } from './entities.js';
import { type FolderLock, lockFolder } from './folder-lock.js';
import { demandSound } from './inspect.js';
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
const failing = (why: string): AppError =>
  new AppError(503, 'storage', '', '', `The disk does not take what is saved (${why}): nothing was saved. It is tried again.`, 5);

/**
 * The yard's database: one connection of this process's own, one writer a folder. Writes are synchronous transactions that
 * stand or fall alone. After any failed one the connection is opened anew, and nothing is answered from it until what is
 * in the log has been brought to disk.
 */
export class YardDatabase {
  private inode = 0;
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
    try {
      const file = join(folder, DATABASE_FILE);
      demandSound(file, existsSync(join(folder, YARD_MARK)));
      const source = new DataSource({
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
      demandSound(file, true);
      writeFileSync(join(folder, YARD_MARK), 'A yard of Pozzo lives in this folder.\n');
      const opened = new YardDatabase(source, folder, lock);
      opened.inode = statSync(file).ino;
      return opened;
    } catch (error) {
      lock.release();
      throw error;
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
      try {
        return this.handle.transaction(() => work(this.writing)).immediate();
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

  private noRoom(): boolean {
    try {
      const s = statfsSync(this.folder);
      return s.bavail * s.bsize < 65536;
    } catch {
      return false;
    }
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
