import { setImmediate as between } from 'node:timers/promises';
import type { Judgement, RigDocument, StoredBuild } from '@pozzo/core';
import { AppError } from '../errors.js';
import { BuildEntity, type BuildRow, RevisionEntity } from './entities.js';
import { documentOf, shownOf } from './shown.js';
import type { Writing, YardDatabase } from './yard-database.js';

export type Build = StoredBuild;

/** Two people saved the same version: nothing is merged, both documents go back. */
export class StaleWriteError extends AppError {
  constructor(
    readonly current: Build,
    readonly yours: RigDocument,
    readonly yourVersion: number,
  ) {
    super(
      409,
      'stale',
      'version',
      `= ${current.version}`,
      `This build was saved elsewhere: it is at version ${current.version}, yours was made from version ${yourVersion}.`,
    );
  }

  override body(): object {
    return { ...super.body(), current: this.current, yours: { version: this.yourVersion, document: this.yours } };
  }
}

const notFound = (id: string): AppError => new AppError(404, 'unknown', 'id', 'an id in the yard', `There is no build "${id.slice(0, 60)}".`);
const damaged = (id: string): AppError =>
  new AppError(
    422,
    'damaged',
    'id',
    'a readable build',
    `The record of build "${id.slice(0, 60)}" is damaged. An earlier version of it can be taken back from its history.`,
  );

type BuildFields = Pick<BuildRow, 'id' | 'version' | 'document' | 'updatedAt'>;

function build(row: BuildFields): Build {
  const document = documentOf(row.document);
  if (!document) throw damaged(row.id);
  return { id: row.id, version: row.version, document, updatedAt: row.updatedAt };
}

/** What may stand with a save besides its document. */
export interface SaveOptions {
  /** Names this save, so that the same one sent again is known. */
  readonly request?: string;
  /** Saves of the same sender whose answers never reached it. */
  readonly unanswered?: readonly string[];
}

/** A line of the yard as stored. */
export interface Line {
  readonly id: string;
  readonly version: number;
  readonly updatedAt: string;
  readonly deletedAt: string | null;
  readonly name: string;
  readonly customer: string;
  readonly machines: number;
  readonly tanks: number;
  readonly damaged: boolean;
  readonly judged: Judgement | null;
}

export interface PageAsked {
  readonly from: number;
  readonly count: number;
  /** Words that must stand in name or customer. */
  readonly find?: string;
  /** Deleted builds instead of those in the yard. */
  readonly deleted?: boolean;
}

interface LineRow extends Omit<Line, 'judged' | 'damaged'> {
  readonly verdict: string | null;
  readonly scale: string | null;
  readonly headline: string | null;
  readonly sampled: number | null;
  readonly chance: string | null;
  readonly weight: string | null;
}

/** Letters of documents that are looked at before others come between: some milliseconds. */
const LOOKED_AT_ONCE = 500_000;

const escaped = (word: string): string => `%${word.replace(/[\\%_]/g, (c) => `\\${c}`)}%`;

/** The yard: builds with their versions. Documents given here are valid already. */
export class BuildStore {
  constructor(
    private readonly db: YardDatabase,
    private readonly engine: string,
    private readonly now: () => Date = () => new Date(),
  ) {}

  /** How many builds stand in the yard, or are deleted. */
  count(deleted = false): Promise<number> {
    return this.db.read((h) => (h.prepare(`SELECT count(*) AS n FROM build WHERE deleted_at IS ${deleted ? 'NOT' : ''} NULL`).get() as { n: number }).n);
  }

  /** A page of the yard in the order of adding (deleted ones: the last deleted first), without the documents. */
  async page({ from, count, find = '', deleted = false }: PageAsked): Promise<{ lines: Line[]; total: number; all: number }> {
    const words = find.toLowerCase().split(/\s+/).filter(Boolean).slice(0, 8);
    const where = `b.deleted_at IS ${deleted ? 'NOT' : ''} NULL${words.map(() => ` AND b.search LIKE ? ESCAPE '\\'`).join('')}`;
    const like = words.map(escaped);
    const { rows, all, total } = await this.db.read((h) => {
      const rows = h
        .prepare(
          `SELECT b.id, b.version, b.updated_at AS updatedAt, b.deleted_at AS deletedAt, b.name, b.customer, b.machines, b.tanks,
             j.verdict, j.scale, j.headline, j.sampled, j.chance, j.weight
           FROM (SELECT id FROM build b WHERE ${where} ORDER BY ${deleted ? 'b.deleted_at DESC' : 'b.created_at'}, b.id LIMIT ? OFFSET ?) AS p
           JOIN build b ON b.id = p.id
           LEFT JOIN judgement j ON j.build_id = b.id AND j.version = b.version AND j.engine = ?
           ORDER BY ${deleted ? 'b.deleted_at DESC' : 'b.created_at'}, b.id`,
        )
        .all(...like, count, from, this.engine) as LineRow[];
      const n = (sql: string, ...p: unknown[]): number => (h.prepare(sql).get(...p) as { n: number }).n;
      const all = n(`SELECT count(*) AS n FROM build WHERE deleted_at IS ${deleted ? 'NOT' : ''} NULL`);
      const total = words.length ? n(`SELECT count(*) AS n FROM build b WHERE ${where}`, ...like) : all;
      return { rows, total, all };
    });
    const lines: Line[] = [];
    let letters = 0;
    for (const row of rows) {
      const looked = await this.look(row.id);
      lines.push(line(row, looked.sound));
      if ((letters += looked.letters) < LOOKED_AT_ONCE) continue;
      letters = 0;
      await between();
    }
    return { lines, total, all };
  }

  /** Whether the text of a build is a document's, as far as it can be read; one taken away meanwhile is. */
  private look(id: string): Promise<{ readonly sound: boolean; readonly letters: number }> {
    return this.db.read((h) => {
      const row = h.prepare(`SELECT json_valid(document) AS sound, length(document) AS letters FROM build WHERE id = ?`).get(id);
      const { sound, letters } = (row ?? { sound: 1, letters: 0 }) as { sound: number; letters: number };
      return { sound: sound === 1, letters };
    });
  }

  /** The build as it stands. Throws 404 where there is none, 422 where its record is damaged. */
  get(id: string): Promise<Build> {
    return this.db.read((h) => {
      const row = h.prepare(`SELECT id, version, document, updated_at AS updatedAt FROM build WHERE id = ? AND deleted_at IS NULL`).get(id) as
        BuildFields | undefined;
      if (!row) throw notFound(id);
      return build(row);
    });
  }

  /** Adds a build at version 1. The same id with the same document or request again is the same build (a repeated request). */
  add(id: string, document: RigDocument, { request }: SaveOptions = {}): Promise<Build> {
    const text = JSON.stringify(document);
    const at = this.now().toISOString();
    return this.db.write((w) => {
      const before = w.first(BuildEntity, { id });
      if (before) {
        const same = before.document === text || (request !== undefined && w.first(RevisionEntity, { buildId: id, version: 1 })?.request === request);
        if (same && !before.deletedAt) return build(before);
        throw new AppError(409, 'twice', 'id', 'unused', `There is a build "${id}" already.`);
      }
      const row: BuildRow = { id, version: 1, document: text, createdAt: at, updatedAt: at, deletedAt: null, ...shownOf(text) };
      w.run(w.source.createQueryBuilder().insert().into(BuildEntity).values(row));
      this.revise(w, id, 1, text, at, request);
      return { id, version: 1, document, updatedAt: at };
    });
  }

  /**
   * Saves over version `version`, and only over that one. A repeat of a save that was done already is answered as done,
   * and a save that follows one whose answer was lost goes over that one. Throws {@link StaleWriteError}.
   */
  save(id: string, version: number, document: RigDocument, { request, unanswered = [] }: SaveOptions = {}): Promise<Omit<Build, 'document'>> {
    const text = JSON.stringify(document);
    const at = this.now().toISOString();
    return this.db.write((w) => {
      const row = w.first(BuildEntity, { id });
      if (!row || row.deletedAt) throw notFound(id);
      if (row.version !== version) {
        const last = w.first(RevisionEntity, { buildId: id, version: row.version });
        if (request !== undefined && row.version > version) {
          const done = w.first(RevisionEntity, { buildId: id, request });
          if (done) return { id, version: done.version, updatedAt: done.savedAt };
        }
        if (row.version === version + 1 && row.document === text) return { id, version: row.version, updatedAt: row.updatedAt };
        // What stands there now is the sender's own, though it never heard so.
        if (!(row.version > version && last?.request && unanswered.includes(last.request))) throw new StaleWriteError(build(row), document, version);
      }
      const next = row.version + 1;
      w.run(
        w.source
          .createQueryBuilder()
          .update(BuildEntity)
          .set({ version: next, document: text, updatedAt: at, ...shownOf(text) })
          .where('id = :id', { id }),
      );
      this.revise(w, id, next, text, at, request);
      return { id, version: next, updatedAt: at };
    });
  }

  private revise(w: Writing, buildId: string, version: number, document: string, savedAt: string, request: string | undefined): void {
    w.run(
      w.source
        .createQueryBuilder()
        .insert()
        .into(RevisionEntity)
        .values({ buildId, version, document, savedAt, request: request ?? null }),
    );
  }

  /** Takes a build out of the yard; it can be brought back with {@link restore}. */
  remove(id: string): Promise<void> {
    return this.db.write((w) => {
      const done = w.run(
        w.source.createQueryBuilder().update(BuildEntity).set({ deletedAt: this.now().toISOString() }).where('id = :id AND deleted_at IS NULL', { id }),
      );
      if (!done) throw notFound(id);
    });
  }

  restore(id: string): Promise<Build> {
    return this.db.write((w) => {
      const row = w.first(BuildEntity, { id });
      if (!row) throw notFound(id);
      w.run(w.source.createQueryBuilder().update(BuildEntity).set({ deletedAt: null }).where('id = :id', { id }));
      return build(row);
    });
  }
}

function line(row: LineRow, sound: boolean): Line {
  const { verdict, scale, headline, sampled, chance, weight, ...rest } = row;
  const judged =
    verdict === null || headline === null
      ? null
      : ({
          verdict,
          scale,
          headline: JSON.parse(headline) as unknown,
          sampled: sampled === 1,
          chance: chance === null ? null : (JSON.parse(chance) as unknown),
          weight: weight === null ? null : (JSON.parse(weight) as unknown),
        } as Judgement);
  return { ...rest, damaged: !sound, judged };
}
