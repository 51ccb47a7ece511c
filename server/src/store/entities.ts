import { EntitySchema } from 'typeorm';

/** A build as stored: the document as its JSON text, with the number of its latest version and what the yard shows of it. */
export interface BuildRow {
  id: string;
  version: number;
  document: string;
  createdAt: string;
  updatedAt: string;
  /** ISO time of deletion; null while it stands in the yard. */
  deletedAt: string | null;
  name: string;
  customer: string;
  /** Name and customer in small letters, for finding. */
  search: string;
  machines: number;
  tanks: number;
}

/** A version that was acknowledged. */
export interface RevisionRow {
  buildId: string;
  version: number;
  document: string;
  savedAt: string;
  /** Name that the sender gave the save, so that the same one sent again is known. */
  request: string | null;
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
    name: { type: 'text', default: '' },
    customer: { type: 'text', default: '' },
    search: { type: 'text', default: '' },
    machines: { type: 'integer', default: 0 },
    tanks: { type: 'integer', default: 0 },
  },
  indices: [{ name: 'build_in_order', columns: ['deletedAt', 'createdAt', 'id'] }],
});

export const RevisionEntity = new EntitySchema<RevisionRow>({
  name: 'revision',
  tableName: 'revision',
  columns: {
    buildId: { type: 'text', primary: true, name: 'build_id' },
    version: { type: 'integer', primary: true },
    document: { type: 'text' },
    savedAt: { type: 'text', name: 'saved_at' },
    request: { type: 'text', nullable: true },
  },
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

export const ENTITIES = [BuildEntity, RevisionEntity, JudgementEntity];
