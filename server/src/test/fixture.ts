import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Express } from 'express';
import { pino } from 'pino';
import type { Stored } from '@apple-cart/contracts';
import { newBuild, type BuildDocument } from '@apple-cart/core';
import { createApp } from '../app.ts';
import type { Database } from '../database/database.ts';
import { openStored, openStores, type Stores } from '../stores.ts';

export interface Fixture {
  readonly app: Express;
  readonly stores: Stores;
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
  const database = await openStored(file);
  let now = Date.parse('2026-04-12T08:00:00Z');
  const stores = openStores(database, () => new Date(now));
  const app = createApp({
    stores,
    log: pino({ level: 'silent' }),
    webFolder: undefined,
  });
  return {
    app,
    stores,
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

/** A new build of a name, stored: with its id and version. */
export async function storedBuild({ stores }: Fixture, name = 'Build'): Promise<Stored<BuildDocument>> {
  const { id } = await stores.builds.store.create(named(name));
  return stores.builds.store.get(id);
}

/** The build with another rider mass: a change that is easy to see. */
export const withRider = (build: BuildDocument, value: number): BuildDocument => ({
  ...build,
  brief: { ...build.brief, riderMassKg: { source: 'measured', value } },
});
