import type { KindName } from '@pozzo/core';
import { BuildStore } from './builds.js';
import { KEPT } from './kinds.js';
import { RecordStore } from './records.js';
import type { YardDatabase } from './yard-database.js';

/** The store of each kind of record. */
export type Yard = { readonly [K in KindName]: RecordStore<K> } & { readonly build: BuildStore };

export const yardOf = (db: YardDatabase, engine: string, now?: () => Date): Yard => ({
  build: new BuildStore(db, engine, now),
  workshop: new RecordStore(db, KEPT.workshop, now),
});
export const storesOf = (yard: Yard): readonly RecordStore<KindName>[] => Object.values(yard);
