import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Parts are edited: a version against lost edits, and a mark for those put away. */
export class PartsVersions1764050000000 implements MigrationInterface {
  readonly name = 'PartsVersions1764050000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "parts" ADD COLUMN "version" integer NOT NULL DEFAULT (1)`);
    await runner.query(`ALTER TABLE "parts" ADD COLUMN "deletedAt" varchar`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "parts" DROP COLUMN "deletedAt"`);
    await runner.query(`ALTER TABLE "parts" DROP COLUMN "version"`);
  }
}
