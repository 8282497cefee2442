import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Routes that builds are ridden on. */
export class Routes1764100000000 implements MigrationInterface {
  readonly name = 'Routes1764100000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `CREATE TABLE "routes" ("id" varchar PRIMARY KEY NOT NULL, "name" varchar NOT NULL, "version" integer NOT NULL, "summary" text NOT NULL, "document" text NOT NULL, "deletedAt" varchar)`,
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`DROP TABLE "routes"`);
  }
}
