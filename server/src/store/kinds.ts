import {
  blankWorkshop,
  type Documents,
  type KindName,
  KIND_NAMES,
  KINDS,
  MOST_DOCUMENT_BYTES,
  type Problem,
  readRig,
  readWorkshop,
  type RigDocument,
} from '@pozzo/core';
import { documentOf } from './document-of.js';

export type ReadRecord<D> = { readonly ok: true; readonly document: D } | { readonly ok: false; readonly problems: readonly Problem[] };

/** What stands beside the document of any record, to be listed and found by. */
export interface Shown {
  readonly name: string;
  /** Words that it is found by, in small letters. */
  readonly search: string;
}

/** How a kind of record is kept: its tables, what is shown of it, what reads it. */
export interface Kept<K extends KindName> {
  readonly name: K;
  /** What one is called in a sentence. */
  readonly word: string;
  readonly tables: { readonly records: string; readonly revisions: string; /** Column of the revisions that names their record. */ readonly of: string };
  /** Columns besides those of {@link Shown}. */
  readonly columns: Readonly<Record<string, 'text' | 'integer'>>;
  /** From a document's text; one that is no document shows as nothing. */
  readonly shownOf: (text: string) => Shown & Readonly<Record<string, string | number>>;
  /** Lifts, checks, and says what is wrong. Never throws. */
  readonly read: (document: unknown) => ReadRecord<Documents[K]>;
  /** Folder of those deleted in a backup. */
  readonly deletedPath: string;
  /** Largest document, bytes of its JSON. */
  readonly mostBytes: number;
  /** What stands for the one record that is always there until it is saved; with {@link KINDS}' `only`. */
  readonly blank?: () => Documents[K];
}

const word = (x: unknown): string => (typeof x === 'string' ? x.slice(0, 80) : '');
const count = (x: unknown): number => (Array.isArray(x) ? x.length : 0);

/** Every kind that is kept. A new one has its tables in a migration of its own. */
export const KEPT: { readonly [K in KindName]: Kept<K> } = {
  build: {
    name: 'build',
    word: 'build',
    tables: { records: 'build', revisions: 'revision', of: 'build_id' },
    columns: { customer: 'text', machines: 'integer', tanks: 'integer' },
    shownOf: (text) => {
      const d = documentOf(text);
      const [name, customer] = [word(d?.name), word(d?.customer)];
      return { name, customer, search: `${name} ${customer}`.toLowerCase(), machines: count(d?.machines), tanks: count(d?.tanks) };
    },
    read: (document): ReadRecord<RigDocument> => {
      const read = readRig(document);
      return read.ok ? { ok: true, document: read.document } : read;
    },
    deletedPath: 'deleted',
    mostBytes: MOST_DOCUMENT_BYTES,
  },
  workshop: {
    name: 'workshop',
    word: 'workshop',
    tables: { records: 'workshop', revisions: 'workshop_revision', of: 'record_id' },
    columns: {},
    shownOf: (text) => {
      const name = word(documentOf(text)?.name);
      return { name, search: name.toLowerCase() };
    },
    read: readWorkshop,
    deletedPath: `${KINDS.workshop.path}/deleted`,
    mostBytes: 400_000,
    blank: blankWorkshop,
  },
};
/** The same, to go through. */
export const ALL_KEPT: readonly Kept<KindName>[] = KIND_NAMES.map((name) => KEPT[name] as unknown as Kept<KindName>);
