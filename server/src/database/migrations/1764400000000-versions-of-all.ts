import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Versions are kept of every kind of document, not of builds alone. */
export class VersionsOfAll1764400000000 implements MigrationInterface {
  readonly name = 'VersionsOfAll1764400000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`DROP INDEX "IDX_revisions_build"`);
    await runner.query(`ALTER TABLE "revisions" RENAME TO "revisions_before"`);
    await runner.query(
      `CREATE TABLE "revisions" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "kind" varchar NOT NULL, "documentId" varchar NOT NULL, "version" integer NOT NULL, "name" varchar, "reason" varchar NOT NULL, "document" text NOT NULL, "createdAt" varchar NOT NULL)`,
    );
    await runner.query(
      `INSERT INTO "revisions" ("id", "kind", "documentId", "version", "name", "reason", "document", "createdAt") SELECT "id", 'builds', "buildId", "version", "name", "reason", "document", "createdAt" FROM "revisions_before"`,
    );
    await runner.query(`DROP TABLE "revisions_before"`);
    await runner.query(`CREATE INDEX "IDX_revisions_document" ON "revisions" ("kind", "documentId")`);
  }

  /** What an older version of the product wants has been dropped: a backup is the way back. */
  down(): Promise<void> {
    return Promise.reject(new Error('This step has no way back: restore a backup.'));
  }
}
