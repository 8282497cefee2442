import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Express } from 'express';
import { pino } from 'pino';
import type { Stored } from '@apple-cart/contracts';
import { newBuild, type BuildDocument } from '@apple-cart/core';
import { createApp, type AppParts } from '../app.ts';
import { DailyBackup } from '../backup/daily.ts';
import { Evaluator } from '../evaluate/evaluator.ts';
import type { Database } from '../database/database.ts';
import { Sharing } from '../sharing/sharing.ts';
import { openStored, openStores, type Stores } from '../stores.ts';

export interface Fixture {
  readonly app: Express;
  readonly parts: AppParts;
  readonly stores: Stores;
  readonly database: Database;
  readonly daily: DailyBackup;
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
  const evaluator = new Evaluator();
  const clock = () => new Date(now);
  const warn = (): void => undefined;
  const daily = new DailyBackup({ file, folder: join(folder, 'backups'), now: clock, warn });
  const parts: AppParts = {
    database,
    stores,
    daily,
    evaluator,
    sharing: new Sharing(true, { now: () => now, addresses: () => ['192.0.2.7'] }),
    log: pino({ level: 'silent' }),
    webFolder: undefined,
  };
  const app = createApp(parts);
  return {
    app,
    parts,
    stores,
    database,
    daily,
    file,
    passMinutes(minutes) {
      now += minutes * 60_000;
    },
    async end() {
      await evaluator.close();
      await stores.imports.close();
      await stores.jobReader.close();
      await daily.stop();
      await database.close();
      await rm(folder, { recursive: true, force: true });
    },
  };
}

export const named = (name: string): BuildDocument => newBuild(name);

/** A new build of a name, stored: with its id and version. */
export async function storedBuild({ stores }: Fixture, name = 'Build'): Promise<Stored<BuildDocument>> {
  const { id } = await stores.builds.create(named(name));
  return stores.builds.get(id);
}

/** The build with another rider mass: a change that is easy to see. */
export const withRider = (build: BuildDocument, value: number): BuildDocument => ({
  ...build,
  brief: { ...build.brief, riderMassKg: { source: 'measured', value } },
});
