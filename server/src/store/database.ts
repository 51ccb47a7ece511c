import 'reflect-metadata';
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { DataSource } from 'typeorm';
import { BuildEntity, RevisionEntity } from './entities.js';
import { Builds1700000000001 } from './migrations.js';

/** File name of the database inside the data folder. */
export const DATABASE_FILE = 'pozzo.sqlite';

/**
 * Opens (and where needed makes and migrates) the database of a data folder. Write-ahead log with full sync: what was
 * acknowledged is on disk.
 */
export async function openDatabase(folder: string): Promise<DataSource> {
  mkdirSync(folder, { recursive: true });
  const source = new DataSource({
    type: 'better-sqlite3',
    database: join(folder, DATABASE_FILE),
    entities: [BuildEntity, RevisionEntity],
    migrations: [Builds1700000000001],
    synchronize: false,
    prepareDatabase: (db: { pragma(text: string): unknown }) => {
      db.pragma('journal_mode = WAL');
      db.pragma('synchronous = FULL');
      db.pragma('busy_timeout = 5000');
    },
  });
  await source.initialize();
  await source.runMigrations();
  return source;
}
