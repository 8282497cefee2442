import { dirname, join, resolve } from 'node:path';
import { Unusable } from './database/unusable.ts';

export const ROOT = resolve(import.meta.dirname, '../..');

/** Where the database is, by the environment. */
export const databaseFile = (environment: NodeJS.ProcessEnv): string =>
  resolve(environment['APPLE_CART_DATABASE'] ?? join(ROOT, 'data/apple-cart.sqlite'));

/** What the environment asks of a server. */
export interface Settings {
  readonly port: number;
  readonly file: string;
  /** Of the daily backups; undefined keeps none. */
  readonly backups: string | undefined;
}

const USUAL_PORT = '4312';

/** Reads the environment. @throws Unusable for what nobody can do */
export function settingsFrom(environment: NodeJS.ProcessEnv): Settings {
  const given = environment['PORT'] ?? USUAL_PORT;
  const port = /^\d{1,5}$/.test(given) ? Number(given) : NaN;
  if (!(port <= 65_535)) throw new Unusable(`PORT is "${given}": wanted a number from 0 to 65535.`);
  const file = databaseFile(environment);
  const backups = environment['APPLE_CART_BACKUPS'];
  return {
    port,
    file,
    backups: backups === 'off' ? undefined : resolve(backups ?? join(dirname(file), 'backups')),
  };
}
