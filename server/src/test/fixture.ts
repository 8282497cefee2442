import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Express } from 'express';
import { pino } from 'pino';
import { newBuild, type BuildDocument } from '@apple-cart/core';
import { createApp } from '../app.ts';
import { BuildsService } from '../builds/builds-service.ts';
import { openDatabase, type Database } from '../database/database.ts';
import { PartsService } from '../parts/parts-service.ts';
import { RoutesService } from '../routes/routes-service.ts';
import { RulesService } from '../rules/rules-service.ts';

export interface Fixture {
  readonly app: Express;
  readonly builds: BuildsService;
  readonly parts: PartsService;
  readonly routes: RoutesService;
  readonly rules: RulesService;
  readonly database: Database;
  readonly file: string;
  /** Moves the service's clock on. */
  passMinutes(minutes: number): void;
  end(): Promise<void>;
}

/** The real application on a real SQLite file in a folder of its own, with a clock that tests set. */
export async function fixture(): Promise<Fixture> {
  const folder = await mkdtemp(join(tmpdir(), 'apple-cart-server-'));
  const file = join(folder, 'test.sqlite');
  const database = await openDatabase(file);
  let now = Date.parse('2026-04-12T08:00:00Z');
  const builds = new BuildsService(database, () => new Date(now));
  const parts = new PartsService(database);
  const routes = new RoutesService(database);
  const rules = new RulesService(database);
  const app = createApp({
    builds,
    parts,
    routes,
    rules,
    log: pino({ level: 'silent' }),
    webFolder: undefined,
  });
  return {
    app,
    builds,
    parts,
    routes,
    rules,
    database,
    file,
    passMinutes(minutes) {
      now += minutes * 60_000;
    },
    async end() {
      await database.close();
      await rm(folder, { recursive: true, force: true });
    },
  };
}

export const named = (name: string): BuildDocument => newBuild(name);

/** The build with another rider mass: a change that is easy to see. */
export const withRider = (build: BuildDocument, value: number): BuildDocument => ({
  ...build,
  brief: { ...build.brief, riderMassKg: { source: 'measured', value } },
});
