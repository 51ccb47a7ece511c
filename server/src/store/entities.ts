import type { KindName } from '@pozzo/core';
import { EntitySchema } from 'typeorm';
import { ALL_KEPT, type Kept } from './kinds.js';

/** A record as stored: the document as its JSON text, with the number of its latest version and what is shown of it. */
export interface RecordRow {
  id: string;
  version: number;
  document: string;
  createdAt: string;
  updatedAt: string;
  /** ISO time of deletion; null while it stands. */
  deletedAt: string | null;
  name: string;
  /** What it is found by, in small letters. */
  search: string;
}

/** A version that was acknowledged. */
export interface RevisionRow {
  recordId: string;
  version: number;
  document: string;
  savedAt: string;
  /** Name that the sender gave the save, so that the same one sent again is known. */
  request: string | null;
  /** Who saved it, as typed. */
  by: string | null;
}

/** Something that happened to a record; only ever added. */
export interface EntryRow {
  id: number;
  /** What kind of entry. */
  kind: string;
  recordKind: string;
  recordId: string;
  at: string;
  by: string | null;
  /** What it says, JSON. */
  document: string;
}

/** What was said of a version of a build, and by which engine. */
export interface JudgementRow {
  buildId: string;
  version: number;
  engine: string;
  verdict: string;
  scale: string;
  /** Sentence as JSON. */
  headline: string;
  /** Whether days were sampled too. */
  sampled: number;
  /** Chance of a short day as JSON; null where none could be worked. */
  chance: string | null;
  weight: string | null;
}

const recordEntity = ({ tables, columns }: Kept<KindName>): EntitySchema<RecordRow> =>
  new EntitySchema<RecordRow>({
    name: tables.records,
    tableName: tables.records,
    columns: {
      id: { type: 'text', primary: true },
      version: { type: 'integer' },
      document: { type: 'text' },
      createdAt: { type: 'text', name: 'created_at' },
      updatedAt: { type: 'text', name: 'updated_at' },
      deletedAt: { type: 'text', name: 'deleted_at', nullable: true },
      name: { type: 'text', default: '' },
      search: { type: 'text', default: '' },
      ...Object.fromEntries(Object.entries(columns).map(([name, type]) => [name, { type, default: type === 'text' ? '' : 0 }])),
    },
    indices: [{ name: `${tables.records}_in_order`, columns: ['deletedAt', 'createdAt', 'id'] }],
  });

const revisionEntity = ({ tables }: Kept<KindName>): EntitySchema<RevisionRow> =>
  new EntitySchema<RevisionRow>({
    name: tables.revisions,
    tableName: tables.revisions,
    columns: {
      recordId: { type: 'text', primary: true, name: tables.of },
      version: { type: 'integer', primary: true },
      document: { type: 'text' },
      savedAt: { type: 'text', name: 'saved_at' },
      request: { type: 'text', nullable: true },
      by: { type: 'text', name: 'by_whom', nullable: true },
    },
  });

export const EntryEntity = new EntitySchema<EntryRow>({
  name: 'entry',
  tableName: 'entry',
  columns: {
    id: { type: 'integer', primary: true, generated: 'increment' },
    kind: { type: 'text' },
    recordKind: { type: 'text', name: 'record_kind' },
    recordId: { type: 'text', name: 'record_id' },
    at: { type: 'text' },
    by: { type: 'text', name: 'by_whom', nullable: true },
    document: { type: 'text' },
  },
  indices: [{ name: 'entry_of_record', columns: ['recordKind', 'recordId', 'kind', 'id'] }],
});

export const JudgementEntity = new EntitySchema<JudgementRow>({
  name: 'judgement',
  tableName: 'judgement',
  columns: {
    buildId: { type: 'text', primary: true, name: 'build_id' },
    version: { type: 'integer' },
    engine: { type: 'text' },
    verdict: { type: 'text' },
    scale: { type: 'text' },
    headline: { type: 'text' },
    sampled: { type: 'integer' },
    chance: { type: 'text', nullable: true },
    weight: { type: 'text', nullable: true },
  },
});

/** The two entities of each kind. */
export const ENTITIES_OF = Object.fromEntries(ALL_KEPT.map((k) => [k.name, { record: recordEntity(k), revision: revisionEntity(k) }])) as {
  readonly [K in KindName]: { readonly record: EntitySchema<RecordRow>; readonly revision: EntitySchema<RevisionRow> };
};
export const ENTITIES = [...Object.values(ENTITIES_OF).flatMap((e) => [e.record, e.revision]), EntryEntity, JudgementEntity];
