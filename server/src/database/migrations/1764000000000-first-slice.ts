import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Builds, their revisions, and the parts shelf. */
export class FirstSlice1764000000000 implements MigrationInterface {
  readonly name = 'FirstSlice1764000000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `CREATE TABLE "builds" ("id" varchar PRIMARY KEY NOT NULL, "name" varchar NOT NULL, "version" integer NOT NULL, "document" text NOT NULL, "pinnedRevision" integer, "createdAt" varchar NOT NULL, "updatedAt" varchar NOT NULL, "deletedAt" varchar)`,
    );
    await runner.query(
      `CREATE TABLE "revisions" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "buildId" varchar NOT NULL, "version" integer NOT NULL, "name" varchar, "reason" varchar NOT NULL, "document" text NOT NULL, "createdAt" varchar NOT NULL, CONSTRAINT "FK_revisions_build" FOREIGN KEY ("buildId") REFERENCES "builds" ("id") ON DELETE CASCADE ON UPDATE NO ACTION)`,
    );
    await runner.query(`CREATE INDEX "IDX_revisions_build" ON "revisions" ("buildId")`);
    await runner.query(
      `CREATE TABLE "parts" ("id" varchar PRIMARY KEY NOT NULL, "type" varchar NOT NULL, "document" text NOT NULL)`,
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`DROP TABLE "parts"`);
    await runner.query(`DROP INDEX "IDX_revisions_build"`);
    await runner.query(`DROP TABLE "revisions"`);
    await runner.query(`DROP TABLE "builds"`);
  }
}
