import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Rules that a user added or corrected. */
export class Rules1764200000000 implements MigrationInterface {
  readonly name = 'Rules1764200000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `CREATE TABLE "rules" ("id" varchar PRIMARY KEY NOT NULL, "version" integer NOT NULL, "document" text NOT NULL, "deletedAt" varchar)`,
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`DROP TABLE "rules"`);
  }
}
