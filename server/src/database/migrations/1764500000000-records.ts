import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Facts of a build, and photographs: written once, never changed. */
export class Records1764500000000 implements MigrationInterface {
  readonly name = 'Records1764500000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `CREATE TABLE "records" ("seq" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "key" varchar NOT NULL, "buildId" varchar NOT NULL, "kind" varchar NOT NULL, "parent" varchar, "data" text NOT NULL, "at" varchar NOT NULL)`,
    );
    await runner.query(`CREATE UNIQUE INDEX "IDX_records_key" ON "records" ("key")`);
    await runner.query(`CREATE INDEX "IDX_records_build" ON "records" ("buildId", "kind")`);
    await runner.query(
      `CREATE TABLE "photos" ("key" varchar PRIMARY KEY NOT NULL, "buildId" varchar NOT NULL, "parent" varchar NOT NULL, "step" varchar NOT NULL, "sha256" varchar NOT NULL, "size" integer NOT NULL, "width" integer NOT NULL, "height" integer NOT NULL, "at" varchar NOT NULL, "data" blob NOT NULL)`,
    );
    await runner.query(`CREATE INDEX "IDX_photos_build" ON "photos" ("buildId", "parent")`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`DROP TABLE "photos"`);
    await runner.query(`DROP TABLE "records"`);
  }
}
