import { setImmediate as between } from 'node:timers/promises';
import { type Documents, type KindName, KINDS, type Saved, type Stored } from '@pozzo/core';
import { AppError, type RefusalBody } from '../errors.js';
import { documentOf } from './document-of.js';
import { ENTITIES_OF, type RecordRow } from './entities.js';
import { EntryStore } from './entries.js';
import type { Kept } from './kinds.js';
import { RevisionStore } from './revisions.js';
import type { Writing, YardDatabase } from './yard-database.js';

/** Two people saved the same version: nothing is merged, both documents go back. */
export class StaleWriteError<D> extends AppError {
  constructor(
    readonly current: Stored<D>,
    readonly yours: D,
    readonly yourVersion: number,
    word: string,
  ) {
    super(
      409,
      'stale',
      'version',
      `= ${current.version}`,
      `This ${word} was saved elsewhere: it is at version ${current.version}, yours was made from version ${yourVersion}.`,
    );
  }

  override body(): RefusalBody {
    return { ...super.body(), current: this.current, yours: { version: this.yourVersion, document: this.yours } };
  }
}

/** Who does it, as typed. */
interface Whose {
  readonly by?: string;
}
/** What may stand with a save besides its document. */
export interface SaveOptions extends Whose {
  /** Names this save, so that the same one sent again is known. */
  readonly request?: string;
  /** Saves of the same sender whose answers never reached it. */
  readonly unanswered?: readonly string[];
}

export interface PageAsked {
  readonly from: number;
  readonly count: number;
  /** Words that must stand in what it is found by. */
  readonly find?: string;
  /** Deleted ones instead of those that stand. */
  readonly deleted?: boolean;
}

/** A record's line in a list, as stored. */
export interface Line {
  readonly id: string;
  readonly version: number;
  readonly updatedAt: string;
  readonly deletedAt: string | null;
  readonly name: string;
  readonly damaged: boolean;
}
type Raw = Readonly<Record<string, unknown>>;

/** What another table says beside each line. */
export interface Beside {
  readonly columns: string;
  /** Joined to the record `r`. */
  readonly join: string;
  readonly parameters: readonly unknown[];
}
const NOTHING: Beside = { columns: '', join: '', parameters: [] };

/** Letters of documents that are looked at before others come between: some milliseconds. */
const LOOKED_AT_ONCE = 500_000;

const escaped = (word: string): string => `%${word.replace(/[\\%_]/g, (c) => `\\${c}`)}%`;
const short = (id: string): string => id.slice(0, 60);

/** Records of one kind with their versions. Documents given here are valid already. */
export class RecordStore<K extends KindName, L extends Line = Line> {
  readonly revisions: RevisionStore<K>;
  private readonly deeds: EntryStore<'deed'>;
  private readonly entities: (typeof ENTITIES_OF)[K];

  constructor(
    protected readonly db: YardDatabase,
    readonly kept: Kept<K>,
    private readonly now: () => Date = () => new Date(),
  ) {
    this.revisions = new RevisionStore(db, kept, now);
    this.deeds = new EntryStore(db, 'deed');
    this.entities = ENTITIES_OF[kept.name];
  }

  private notFound(id: string): AppError {
    const { word } = this.kept;
    return new AppError(404, 'unknown', 'id', `the id of a ${word}`, `There is no ${word} "${short(id)}".`);
  }

  private stored(row: Pick<RecordRow, 'id' | 'version' | 'document' | 'updatedAt'>): Stored<Documents[K]> {
    const document = documentOf(row.document);
    if (!document)
      throw new AppError(
        422,
        'damaged',
        'id',
        `a readable ${this.kept.word}`,
        `The record of ${this.kept.word} "${short(row.id)}" is damaged. An earlier version of it can be taken back from its history.`,
      );
    return { id: row.id, version: row.version, document: document as unknown as Documents[K], updatedAt: row.updatedAt };
  }

  /** How many stand, or are deleted. */
  count(deleted = false): Promise<number> {
    return this.db.read(
      (h) => (h.prepare(`SELECT count(*) AS n FROM ${this.kept.tables.records} WHERE deleted_at IS ${deleted ? 'NOT' : ''} NULL`).get() as { n: number }).n,
    );
  }

  /** What another table says beside each line, and how a line is made of it. */
  protected beside(): Beside {
    return NOTHING;
  }
  protected line(row: Raw): Raw {
    return row;
  }

  /** A page in the order of adding (deleted ones: the last deleted first), without the documents. */
  async page({ from, count, find = '', deleted = false }: PageAsked): Promise<{ lines: L[]; total: number; all: number }> {
    const { tables, columns } = this.kept;
    const words = find.toLowerCase().split(/\s+/).filter(Boolean).slice(0, 8);
    const where = `r.deleted_at IS ${deleted ? 'NOT' : ''} NULL${words.map(() => ` AND r.search LIKE ? ESCAPE '\\'`).join('')}`;
    const order = `${deleted ? 'r.deleted_at DESC' : 'r.created_at'}, r.id`;
    const like = words.map(escaped);
    const beside = this.beside();
    const shown = ['name', ...Object.keys(columns)].map((c) => `r.${c}`).join(', ');
    const { rows, all, total } = await this.db.read((h) => {
      const rows = h
        .prepare(
          `SELECT r.id, r.version, r.updated_at AS updatedAt, r.deleted_at AS deletedAt, ${shown} ${beside.columns}
           FROM (SELECT id FROM ${tables.records} r WHERE ${where} ORDER BY ${order} LIMIT ? OFFSET ?) AS p
           JOIN ${tables.records} r ON r.id = p.id ${beside.join} ORDER BY ${order}`,
        )
        .all(...like, count, from, ...beside.parameters) as Raw[];
      const n = (sql: string, ...p: unknown[]): number => (h.prepare(sql).get(...p) as { n: number }).n;
      const all = n(`SELECT count(*) AS n FROM ${tables.records} WHERE deleted_at IS ${deleted ? 'NOT' : ''} NULL`);
      const total = words.length ? n(`SELECT count(*) AS n FROM ${tables.records} r WHERE ${where}`, ...like) : all;
      return { rows, total, all };
    });
    const lines: L[] = [];
    let letters = 0;
    for (const row of rows) {
      const looked = await this.look(row['id'] as string);
      lines.push({ ...this.line(row), damaged: !looked.sound } as unknown as L);
      if ((letters += looked.letters) < LOOKED_AT_ONCE) continue;
      letters = 0;
      await between();
    }
    return { lines, total, all };
  }

  /** Whether the text of a record is a document's, as far as it can be read; one taken away meanwhile is. */
  private look(id: string): Promise<{ readonly sound: boolean; readonly letters: number }> {
    return this.db.read((h) => {
      const row = h.prepare(`SELECT json_valid(document) AS sound, length(document) AS letters FROM ${this.kept.tables.records} WHERE id = ?`).get(id);
      const { sound, letters } = (row ?? { sound: 1, letters: 0 }) as { sound: number; letters: number };
      return { sound: sound === 1, letters };
    });
  }

  /** The record as it stands; of a kind that always has one, a blank at version 0 before its first save. Throws 404 where there is none, 422 where it is damaged. */
  get(id: string): Promise<Stored<Documents[K]>> {
    return this.db.read((h) => {
      const row = h
        .prepare(`SELECT id, version, document, updated_at AS updatedAt FROM ${this.kept.tables.records} WHERE id = ? AND deleted_at IS NULL`)
        .get(id) as Parameters<typeof this.stored>[0] | undefined;
      if (row) return this.stored(row);
      const blank = this.blank(id);
      if (!blank) throw this.notFound(id);
      return { id, version: 0, document: blank, updatedAt: '' };
    });
  }

  /** What a record that is always there holds before it is saved; undefined for any other. */
  private blank(id: string): Documents[K] | undefined {
    return id === KINDS[this.kept.name].only ? this.kept.blank?.() : undefined;
  }

  /** Adds a record at version 1. The same id with the same document or request again is the same record (a repeated request). */
  add(id: string, document: Documents[K], { request, by }: SaveOptions = {}): Promise<Stored<Documents[K]>> {
    const text = JSON.stringify(document);
    const at = this.now().toISOString();
    return this.db.write((w) => {
      const before = w.first(this.entities.record, { id });
      if (before) {
        const same = before.document === text || (request !== undefined && w.first(this.entities.revision, { recordId: id, version: 1 })?.request === request);
        if (same && !before.deletedAt) return this.stored(before);
        throw new AppError(409, 'twice', 'id', 'unused', `There is a ${this.kept.word} "${id}" already.`);
      }
      this.begin(w, { id, text, at, request, by });
      return { id, version: 1, document, updatedAt: at };
    });
  }

  private begin(w: Writing, { id, text, at, ...save }: Written): void {
    const row: RecordRow = { id, version: 1, document: text, createdAt: at, updatedAt: at, deletedAt: null, ...this.kept.shownOf(text) };
    w.run(w.source.createQueryBuilder().insert().into(this.entities.record).values(row));
    this.revise(w, 1, { id, text, at, ...save });
  }

  private revise(w: Writing, version: number, { id, text, at, request, by }: Written): void {
    w.run(
      w.source
        .createQueryBuilder()
        .insert()
        .into(this.entities.revision)
        .values({ recordId: id, version, document: text, savedAt: at, request: request ?? null, by: by || null }),
    );
  }

  /**
   * Saves over version `version`, and only over that one. A repeat of a save that was done already is answered as done,
   * and a save that follows one whose answer was lost goes over that one. Throws {@link StaleWriteError}.
   */
  save(id: string, version: number, document: Documents[K], { request, unanswered = [], by }: SaveOptions = {}): Promise<Saved> {
    const written = { id, text: JSON.stringify(document), at: this.now().toISOString(), request, by };
    return this.db.write((w) => {
      const row = w.first(this.entities.record, { id });
      if (!row && version === 0 && this.blank(id)) {
        this.begin(w, written);
        return { id, version: 1, updatedAt: written.at };
      }
      if (!row || row.deletedAt) throw this.notFound(id);
      if (row.version !== version) {
        const last = w.first(this.entities.revision, { recordId: id, version: row.version });
        if (request !== undefined && row.version > version) {
          const done = w.first(this.entities.revision, { recordId: id, request });
          if (done) return { id, version: done.version, updatedAt: done.savedAt };
        }
        if (row.version === version + 1 && row.document === written.text) return { id, version: row.version, updatedAt: row.updatedAt };
        // What stands there now is the sender's own, though it never heard so.
        if (!(row.version > version && last?.request && unanswered.includes(last.request)))
          throw new StaleWriteError(this.stored(row), document, version, this.kept.word);
      }
      const next = row.version + 1;
      w.run(
        w.source
          .createQueryBuilder()
          .update(this.entities.record)
          .set({ version: next, document: written.text, updatedAt: written.at, ...this.kept.shownOf(written.text) })
          .where('id = :id', { id }),
      );
      this.revise(w, next, written);
      return { id, version: next, updatedAt: written.at };
    });
  }

  /** Takes a record away; it can be brought back with {@link restore}. */
  remove(id: string, { by }: Whose = {}): Promise<void> {
    const at = this.now().toISOString();
    return this.db.write((w) => {
      const done = w.run(w.source.createQueryBuilder().update(this.entities.record).set({ deletedAt: at }).where('id = :id AND deleted_at IS NULL', { id }));
      if (!done) throw this.notFound(id);
      this.deeds.add(w, { kind: this.kept.name, id }, { at, by: by || null, says: { what: 'deleted' } });
    });
  }

  /** Brings a deleted record back; one that stands is left as it is. */
  restore(id: string, { by }: Whose = {}): Promise<Stored<Documents[K]>> {
    return this.db.write((w) => {
      const row = w.first(this.entities.record, { id });
      if (!row) throw this.notFound(id);
      if (row.deletedAt) {
        w.run(w.source.createQueryBuilder().update(this.entities.record).set({ deletedAt: null }).where('id = :id', { id }));
        this.deeds.add(w, { kind: this.kept.name, id }, { at: this.now().toISOString(), by: by || null, says: { what: 'restored' } });
      }
      return this.stored(row);
    });
  }

  /** What was done with a record besides saving it, newest first. */
  async done(id: string, count: number) {
    return (await this.deeds.list({ kind: this.kept.name, id }, count)).map(({ at, by, says }) => ({ what: says.what, at, by }));
  }
}

/** A document on its way into the tables. */
interface Written {
  readonly id: string;
  readonly text: string;
  readonly at: string;
  readonly request: string | undefined;
  readonly by: string | undefined;
}
