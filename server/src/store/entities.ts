import { EntitySchema } from 'typeorm';

/** A build as stored: the document as its JSON text, with the number of its latest version. */
export interface BuildRow {
  id: string;
  version: number;
  document: string;
  createdAt: string;
  updatedAt: string;
  /** ISO time of deletion; null while it stands in the yard. */
  deletedAt: string | null;
}

/** Every version ever acknowledged. */
export interface RevisionRow {
  buildId: string;
  version: number;
  document: string;
  savedAt: string;
}

export const BuildEntity = new EntitySchema<BuildRow>({
  name: 'build',
  tableName: 'build',
  columns: {
    id: { type: 'text', primary: true },
    version: { type: 'integer' },
    document: { type: 'text' },
    createdAt: { type: 'text', name: 'created_at' },
    updatedAt: { type: 'text', name: 'updated_at' },
    deletedAt: { type: 'text', name: 'deleted_at', nullable: true },
  },
});

export const RevisionEntity = new EntitySchema<RevisionRow>({
  name: 'revision',
  tableName: 'revision',
  columns: {
    buildId: { type: 'text', primary: true, name: 'build_id' },
    version: { type: 'integer', primary: true },
    document: { type: 'text' },
    savedAt: { type: 'text', name: 'saved_at' },
  },
});
