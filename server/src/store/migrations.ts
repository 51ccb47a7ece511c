import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Numbered, never edited once released: a change to the tables is a new class. */
export class Builds1700000000001 implements MigrationInterface {
  name = 'Builds1700000000001';

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
