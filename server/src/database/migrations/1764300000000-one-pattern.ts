import type { MigrationInterface, QueryRunner } from 'typeorm';

const DROP_PINS = `UPDATE "revisions" SET "reason" = 'was-pin' WHERE "reason" = 'pin' AND "id" NOT IN (SELECT "pinnedRevision" FROM "builds" WHERE "pinnedRevision" IS NOT NULL)`;
const COLUMNS = `"id" varchar PRIMARY KEY NOT NULL, "version" integer NOT NULL, "document" text NOT NULL, "summary" text NOT NULL DEFAULT (''), "createdAt" varchar NOT NULL, "updatedAt" varchar NOT NULL, "deletedAt" varchar`;
/** What each table had of today's columns. */
const KEPT = {
  parts: `"id", "version", "document", "deletedAt"`,
  routes: `"id", "version", "document", "summary", "deletedAt"`,
  rules: `"id", "version", "document", "deletedAt"`,
} as const;

/** Builds, parts, routes and rules are stored alike. The pin is the version that is kept as such. */
export class OnePattern1764300000000 implements MigrationInterface {
  readonly name = 'OnePattern1764300000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(DROP_PINS);
    // Revisions refer to builds, so that its table is changed in place.
    await runner.query(`ALTER TABLE "builds" ADD COLUMN "summary" text NOT NULL DEFAULT ('')`);
    await runner.query(`ALTER TABLE "builds" DROP COLUMN "name"`);
    await runner.query(`ALTER TABLE "builds" DROP COLUMN "pinnedRevision"`);
    for (const [table, columns] of Object.entries(KEPT)) {
      await runner.query(`ALTER TABLE "${table}" RENAME TO "${table}_before"`);
      await runner.query(`CREATE TABLE "${table}" (${COLUMNS})`);
      await runner.query(
        `INSERT INTO "${table}" (${columns}, "createdAt", "updatedAt") SELECT ${columns}, '', '' FROM "${table}_before"`,
      );
      await runner.query(`DROP TABLE "${table}_before"`);
    }
  }

  /** What an older version of the product wants has been dropped: a backup is the way back. */
  down(): Promise<void> {
    return Promise.reject(new Error('This step has no way back: restore a backup.'));
  }
}
