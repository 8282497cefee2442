import { DataSource, type EntityManager, type EntitySchema } from 'typeorm';
import { FirstSlice1764000000000 } from './migrations/1764000000000-first-slice.ts';
import { PartsVersions1764050000000 } from './migrations/1764050000000-parts-versions.ts';
import { Routes1764100000000 } from './migrations/1764100000000-routes.ts';
import { Rules1764200000000 } from './migrations/1764200000000-rules.ts';
import { OnePattern1764300000000 } from './migrations/1764300000000-one-pattern.ts';

interface Pragmas {
  pragma(text: string): unknown;
}

/**
 * WAL, so that readers never wait. FULL sync: a change is on the disk before it is acknowledged, through a
 * power cut too; a save costs about a millisecond, which nobody at a bench notices.
 */
function prepare(connection: Pragmas): void {
  connection.pragma('journal_mode = WAL');
  connection.pragma('synchronous = FULL');
  connection.pragma('foreign_keys = ON');
  connection.pragma('busy_timeout = 5000');
}

/** One writing connection behind a queue, and one that only reads. */
export interface Database {
  readonly reader: DataSource;
  readonly writer: DataSource;
  /**
   * Runs `work` alone in a transaction. The driver has a single shared connection, on which parallel
   * transactions fail or swallow each other's writes, so they are queued.
   */
  write<T>(work: (manager: EntityManager) => Promise<T>): Promise<T>;
  close(): Promise<void>;
}

/** Opens (and where needed creates and migrates) the database at a file path, for the kinds of row that are in it. */
export async function openDatabase(file: string, entities: EntitySchema[]): Promise<Database> {
  const writer = new DataSource({
    type: 'better-sqlite3',
    database: file,
    entities,
    migrations: [
      FirstSlice1764000000000,
      PartsVersions1764050000000,
      Routes1764100000000,
      Rules1764200000000,
      OnePattern1764300000000,
    ],
    migrationsRun: true,
    synchronize: false,
    prepareDatabase: (db: unknown) => {
      prepare(db as Pragmas);
    },
  });
  await writer.initialize();
  const reader = new DataSource({
    type: 'better-sqlite3',
    database: file,
    entities,
    readonly: true,
  });
  await reader.initialize();

  let last: Promise<unknown> = Promise.resolve();
  return {
    reader,
    writer,
    write<T>(work: (manager: EntityManager) => Promise<T>): Promise<T> {
      const next = last.then(() => writer.transaction(work));
      // A failed write must not stop the ones behind it; its own caller still sees the failure.
      last = next.catch(() => undefined);
      return next;
    },
    async close() {
      await last;
      await reader.destroy();
      await writer.destroy();
    },
  };
}
