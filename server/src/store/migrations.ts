import type { MigrationInterface, QueryRunner } from 'typeorm';
import { KEPT } from './kinds.js';

/** A step of the tables. Numbered, never edited once released: a change to them is a new class. */
interface Step extends MigrationInterface {
  readonly name: string;
  /** Tables that are there from it on. */
  readonly brings: readonly string[];
}

export class Builds1700000000001 implements Step {
  name = 'Builds1700000000001';
  brings = ['build', 'revision'];

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `CREATE TABLE "build" ("id" text PRIMARY KEY NOT NULL, "version" integer NOT NULL, "document" text NOT NULL, "created_at" text NOT NULL, "updated_at" text NOT NULL, "deleted_at" text)`,
    );
    await runner.query(
      `CREATE TABLE "revision" ("build_id" text NOT NULL, "version" integer NOT NULL, "document" text NOT NULL, "saved_at" text NOT NULL, PRIMARY KEY ("build_id", "version"))`,
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`DROP TABLE "revision"`);
    await runner.query(`DROP TABLE "build"`);
  }
}

/** What the yard shows stands beside the document, saves carry the name of their request, and judgements are kept. */
export class Judgements1700000000002 implements Step {
  name = 'Judgements1700000000002';
  brings = ['judgement'];

  async up(runner: QueryRunner): Promise<void> {
    for (const column of ['name', 'customer', 'search']) await runner.query(`ALTER TABLE "build" ADD COLUMN "${column}" text NOT NULL DEFAULT ('')`);
    for (const column of ['machines', 'tanks']) await runner.query(`ALTER TABLE "build" ADD COLUMN "${column}" integer NOT NULL DEFAULT (0)`);
    await runner.query(`ALTER TABLE "revision" ADD COLUMN "request" text`);
    await runner.query(
      `CREATE TABLE "judgement" ("build_id" text PRIMARY KEY NOT NULL, "version" integer NOT NULL, "engine" text NOT NULL, "verdict" text NOT NULL, "scale" text NOT NULL, "headline" text NOT NULL, "sampled" integer NOT NULL, "chance" text)`,
    );
    await runner.query(`CREATE INDEX "build_in_order" ON "build" ("deleted_at", "created_at", "id")`);
    // A few rows at a time: the yard may be large.
    const ids = (await runner.query(`SELECT "id" FROM "build"`)) as { id: string }[];
    for (const { id } of ids) {
      const [row] = (await runner.query(`SELECT "document" FROM "build" WHERE "id" = ?`, [id])) as { document: string }[];
      const s = KEPT.build.shownOf(row.document);
      await runner.query(`UPDATE "build" SET "name" = ?, "customer" = ?, "search" = ?, "machines" = ?, "tanks" = ? WHERE "id" = ?`, [
        s.name,
        s.customer,
        s.search,
        s.machines,
        s.tanks,
        id,
      ]);
    }
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`DROP INDEX "build_in_order"`);
    await runner.query(`DROP TABLE "judgement"`);
    await runner.query(`ALTER TABLE "revision" DROP COLUMN "request"`);
    for (const column of ['name', 'customer', 'search', 'machines', 'tanks']) await runner.query(`ALTER TABLE "build" DROP COLUMN "${column}"`);
  }
}

/** What a build weighs on the road stands beside its verdict. */
export class Weights1700000000003 implements Step {
  name = 'Weights1700000000003';
  brings = [];

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "judgement" ADD COLUMN "weight" text`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "judgement" DROP COLUMN "weight"`);
  }
}

/** Records of further kinds, who saved what, and entries that are only ever added. */
export class Kinds1700000000004 implements Step {
  name = 'Kinds1700000000004';
  brings = ['workshop', 'workshop_revision', 'entry'];

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "revision" ADD COLUMN "by_whom" text`);
    await runner.query(
      `CREATE TABLE "workshop" ("id" text PRIMARY KEY NOT NULL, "version" integer NOT NULL, "document" text NOT NULL, "created_at" text NOT NULL, "updated_at" text NOT NULL, "deleted_at" text, "name" text NOT NULL DEFAULT (''), "search" text NOT NULL DEFAULT (''))`,
    );
    await runner.query(
      `CREATE TABLE "workshop_revision" ("record_id" text NOT NULL, "version" integer NOT NULL, "document" text NOT NULL, "saved_at" text NOT NULL, "request" text, "by_whom" text, PRIMARY KEY ("record_id", "version"))`,
    );
    await runner.query(`CREATE INDEX "workshop_in_order" ON "workshop" ("deleted_at", "created_at", "id")`);
    await runner.query(
      `CREATE TABLE "entry" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "kind" text NOT NULL, "record_kind" text NOT NULL, "record_id" text NOT NULL, "at" text NOT NULL, "by_whom" text, "document" text NOT NULL)`,
    );
    await runner.query(`CREATE INDEX "entry_of_record" ON "entry" ("record_kind", "record_id", "kind", "id")`);
    for (const what of ['UPDATE', 'DELETE'])
      await runner.query(
        `CREATE TRIGGER "entry_stays_${what.toLowerCase()}" BEFORE ${what} ON "entry" BEGIN SELECT RAISE(ABORT, 'an entry stays as it was written'); END`,
      );
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of ['entry', 'workshop_revision', 'workshop']) await runner.query(`DROP TABLE "${table}"`);
    await runner.query(`ALTER TABLE "revision" DROP COLUMN "by_whom"`);
  }
}

export const MIGRATIONS = [Builds1700000000001, Judgements1700000000002, Weights1700000000003, Kinds1700000000004];
const STEPS: readonly Step[] = MIGRATIONS.map((M) => new M());
/** Names as they are written into a database, oldest first. */
export const MIGRATION_NAMES: readonly string[] = STEPS.map((s) => s.name);
/** The tables of a database that has taken these steps: one of an earlier version is not damaged for want of what came later. */
export const tablesAfter = (names: readonly string[]): readonly string[] => STEPS.flatMap((s) => (names.includes(s.name) ? s.brings : []));
