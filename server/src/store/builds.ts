import type { RigDocument } from '@pozzo/core';
import type { DataSource, Repository } from 'typeorm';
import { AppError } from '../http/errors.js';
import { BuildEntity, type BuildRow, RevisionEntity } from './entities.js';

export interface Build {
  readonly id: string;
  readonly version: number;
  readonly document: RigDocument;
  readonly updatedAt: string;
}

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

const build = (row: BuildRow): Build => ({ id: row.id, version: row.version, document: JSON.parse(row.document) as RigDocument, updatedAt: row.updatedAt });

/** The yard: builds with their versions. Documents given here are valid already. */
export class BuildStore {
  private readonly rows: Repository<BuildRow>;

  constructor(
    private readonly source: DataSource,
    private readonly now: () => Date = () => new Date(),
  ) {
    this.rows = source.getRepository(BuildEntity);
  }

  async list(): Promise<Build[]> {
    const rows = await this.rows.createQueryBuilder('b').where('b.deletedAt IS NULL').orderBy('b.createdAt', 'ASC').addOrderBy('b.id', 'ASC').getMany();
    return rows.map(build);
  }

  async get(id: string): Promise<Build> {
    const row = await this.rows.findOneBy({ id });
    if (!row || row.deletedAt) throw notFound(id);
    return build(row);
  }

  /** Adds a build at version 1. The same id with the same document again is the same build (a repeated request). */
  async add(id: string, document: RigDocument): Promise<Build> {
    const text = JSON.stringify(document);
    const at = this.now().toISOString();
    const before = await this.rows.findOneBy({ id });
    if (before) {
      if (before.document === text && !before.deletedAt) return build(before);
      throw new AppError(409, 'twice', 'id', 'unused', `There is a build "${id}" already.`);
    }
    const row: BuildRow = { id, version: 1, document: text, createdAt: at, updatedAt: at, deletedAt: null };
    await this.source.transaction(async (m) => {
      await m.insert(BuildEntity, row);
      await m.insert(RevisionEntity, { buildId: id, version: 1, document: text, savedAt: at });
    });
    return build(row);
  }

  /**
   * Saves over version `version`, and only over that one.
   * A repeat of the very save that made the current version is answered as done. Throws {@link StaleWriteError}.
   */
  async save(id: string, version: number, document: RigDocument): Promise<Build> {
    const text = JSON.stringify(document);
    const at = this.now().toISOString();
    return this.source.transaction(async (m) => {
      const done = await m
        .createQueryBuilder()
        .update(BuildEntity)
        .set({ version: version + 1, document: text, updatedAt: at })
        .where('id = :id AND version = :version AND deleted_at IS NULL', { id, version })
        .execute();
      const row = await m.findOneBy(BuildEntity, { id });
      if (!row || row.deletedAt) throw notFound(id);
      if (!done.affected) {
        if (row.version === version + 1 && row.document === text) return build(row);
        throw new StaleWriteError(build(row), document, version);
      }
      await m.insert(RevisionEntity, { buildId: id, version: version + 1, document: text, savedAt: at });
      return build(row);
    });
  }

  /** Takes a build out of the yard; it can be brought back with {@link restore}. */
  async remove(id: string): Promise<void> {
    const done = await this.rows
      .createQueryBuilder()
      .update()
      .set({ deletedAt: this.now().toISOString() })
      .where('id = :id AND deleted_at IS NULL', { id })
      .execute();
    if (!done.affected) throw notFound(id);
  }

  async restore(id: string): Promise<Build> {
    const row = await this.rows.findOneBy({ id });
    if (!row) throw notFound(id);
    await this.rows.update({ id }, { deletedAt: null });
    return build({ ...row, deletedAt: null });
  }
}
