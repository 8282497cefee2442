import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Recordings of rides: column by column, in chunks, with coarser levels. */
export class Logs1764600000000 implements MigrationInterface {
  readonly name = 'Logs1764600000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `CREATE TABLE "ride_logs" ("key" varchar PRIMARY KEY NOT NULL, "buildId" varchar NOT NULL, "rows" integer NOT NULL, "levels" integer NOT NULL, "columns" text NOT NULL, "analysis" text NOT NULL, "source" text NOT NULL, "at" varchar NOT NULL)`,
    );
    await runner.query(`CREATE INDEX "IDX_ride_logs_build" ON "ride_logs" ("buildId")`);
    await runner.query(
      `CREATE TABLE "ride_chunks" ("log" varchar NOT NULL, "column" varchar NOT NULL, "level" integer NOT NULL, "part" integer NOT NULL, "data" blob NOT NULL, PRIMARY KEY ("log", "column", "level", "part"))`,
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`DROP TABLE "ride_chunks"`);
    await runner.query(`DROP TABLE "ride_logs"`);
  }
}
