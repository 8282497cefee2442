import { DataSource, type EntityManager, type EntitySchema, type QueryRunner } from 'typeorm';
import { MIGRATIONS } from './migrations.ts';
import { isCode, sqliteCode } from './sqlite-code.ts';
import { asUnusable, refuseUnusable } from './unusable.ts';

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
  // Short, since SQLite's waiting stops the whole process: longer waits are made by `begin`.
  connection.pragma('busy_timeout = 5');
}

/** One writing connection behind a queue, and one that only reads. */
export interface Database {
  readonly reader: DataSource;
  readonly writer: DataSource;
  /**
   * Runs `work` alone in a transaction. The driver has a single shared connection, on which parallel
   * transactions fail or swallow each other's writes, so they are queued. Another process that is writing is waited
   * for.
   */
  write<T>(work: (manager: EntityManager) => Promise<T>): Promise<T>;
  /** Holds back other writes while `work` writes by a connection of its own, so that none waits inside SQLite. */
  aside<T>(work: () => Promise<T>): Promise<T>;
  close(): Promise<void>;
}

/** How often the file is opened, or a write begun, again while another process holds the file, and the pause between, ms. */
const MOST_TRIES = 400;
const PAUSE_MS = 25;

const isBusy = (problem: unknown): boolean => isCode(sqliteCode(problem), 'SQLITE_BUSY');
const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

/** Takes the write lock, from the first statement on; waits for another process that has it. */
async function begin(runner: QueryRunner): Promise<void> {
  for (let tries = MOST_TRIES; ; tries -= 1) {
    try {
      await runner.query('BEGIN IMMEDIATE');
      return;
    } catch (problem) {
      if (tries <= 1 || !isBusy(problem)) throw problem;
    }
    // By a timer: waiting inside SQLite would hold up every other answer.
    await pause(PAUSE_MS);
  }
}

/**
 * A transaction that holds the write lock from its beginning: a deferred one that has read fails at once where another
 * process wrote meanwhile. `work` inserts and updates; `save` would begin one of its own. Written out, since TypeORM's own is lost where SQLite takes back by itself (a full disk).
 */
async function immediately<T>(writer: DataSource, work: (manager: EntityManager) => Promise<T>): Promise<T> {
  const runner = writer.createQueryRunner();
  await begin(runner);
  try {
    const done = await work(runner.manager);
    await runner.query('COMMIT');
    return done;
  } catch (problem) {
    // Where SQLite has taken it back already there is nothing left to take back.
    await runner.query('ROLLBACK').catch(() => undefined);
    throw problem;
  }
}

/**
 * Opens (and where needed creates and migrates) the database at a file path, for the kinds of row that are in it.
 * @throws Unusable in words where the file is none that can be used; it is left as it is
 */
export async function openDatabase(file: string, entities: EntitySchema[]): Promise<Database> {
  refuseUnusable(file);
  // Two servers that begin on one new file at once: the second waits for the tables of the first.
  for (let tries = MOST_TRIES; ; tries -= 1) {
    try {
      return await opened(file, entities);
    } catch (problem) {
      if (tries <= 1 || !isBusy(problem)) throw asUnusable(file, problem);
    }
    await pause(PAUSE_MS);
  }
}

/**
 * Which changes are still to be made is read under the lock under which they are made, so that of two servers that
 * begin on one file at once the second finds the work of the first; killed in the middle, nothing of it is there.
 */
async function migrate(writer: DataSource): Promise<void> {
  const runner = writer.createQueryRunner();
  await runner.beforeMigration();
  await immediately(writer, () => writer.runMigrations({ transaction: 'none' }));
  await runner.afterMigration();
}

async function opened(file: string, entities: EntitySchema[]): Promise<Database> {
  const writer = new DataSource({
    type: 'better-sqlite3',
    database: file,
    entities,
    migrations: MIGRATIONS,
    synchronize: false,
    prepareDatabase: (db: unknown) => {
      prepare(db as Pragmas);
    },
  });
  try {
    await writer.initialize();
    await migrate(writer);
  } catch (problem) {
    // The connection is open already when its migrations fail.
    await writer.destroy().catch(() => undefined);
    throw problem;
  }
  const reader = new DataSource({
    type: 'better-sqlite3',
    database: file,
    entities,
    readonly: true,
  });
  await reader.initialize();

  let last: Promise<unknown> = Promise.resolve();
  const inTurn = <T>(work: () => Promise<T>): Promise<T> => {
    const next = last.then(work);
    // A failed write must not stop the ones behind it; its own caller still sees the failure.
    last = next.catch(() => undefined);
    return next;
  };
  return {
    reader,
    writer,
    write: (work) => inTurn(() => immediately(writer, work)),
    aside: inTurn,
    async close() {
      await last;
      await reader.destroy();
      await writer.destroy();
    },
  };
}
