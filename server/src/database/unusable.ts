import { statSync, type Stats } from 'node:fs';
import { dirname } from 'node:path';
import Sqlite from 'better-sqlite3';
import { MIGRATIONS } from './migrations.ts';
import { isCode, sqliteCode } from './sqlite-code.ts';

/** Why a database cannot be used, in words for whoever starts the server: never a stack. */
export class Unusable extends Error {}

/** How long another program that holds the file is waited for before it is said, ms. */
const WAIT_MS = 5000;

const KEEP = 'It was left as it is.';

/** Words for what the file system and SQLite say, by their codes. */
const WORDS: Readonly<Record<string, (file: string) => string>> = {
  ENOENT: (file) => `The folder ${dirname(file)} does not exist and cannot be made.`,
  ENOTDIR: (file) => `${dirname(file)} is a file, not a folder.`,
  EEXIST: (file) => `${dirname(file)} is a file, not a folder.`,
  EACCES: (file) => `${file} may not be opened by this user. Give the user the right, or name another file.`,
  EPERM: (file) => `${file} may not be opened by this user. Give the user the right, or name another file.`,
  EROFS: (file) => `${dirname(file)} can only be read. Name a file in a folder that can be written to.`,
  ENOSPC: (file) => `The disk of ${dirname(file)} is full. Make room and start again.`,
  SQLITE_NOTADB: (file) => `${file} is not a database. ${KEEP} Name another file.`,
  SQLITE_CORRUPT: (file) =>
    `The database ${file} is damaged or cut off. ${KEEP} Bring a backup back: npm run restore -- BACKUP.`,
  SQLITE_READONLY: (file) =>
    `The database ${file} can only be read. Give the user the right to write to it and to its folder.`,
  SQLITE_CANTOPEN: (file) =>
    `The database ${file} cannot be opened. Has the user the right to write to it and to its folder?`,
  SQLITE_BUSY: (file) => `Another program holds the database ${file}. Close it and start again.`,
  SQLITE_FULL: (file) => `The disk of ${dirname(file)} is full. Make room and start again.`,
  SQLITE_IOERR: (file) => `The disk does not let the database ${file} be read or written.`,
};

/** The failure in words where it is one of the file's, as it came where it is a fault of the program. */
export function asUnusable(file: string, problem: unknown): unknown {
  if (problem instanceof Unusable) return problem;
  const code = sqliteCode(problem);
  const plain = Object.keys(WORDS).find((known) => isCode(code, known));
  const words = plain === undefined ? undefined : WORDS[plain];
  return words === undefined ? problem : new Unusable(words(file), { cause: problem });
}

function statOf(file: string): Stats | undefined {
  try {
    return statSync(file);
  } catch (problem) {
    if (sqliteCode(problem) === 'ENOENT') return undefined;
    throw problem;
  }
}

/** The migrations that a database has had; undefined for one without any table of ours. */
function migrationsIn(db: Sqlite.Database): readonly string[] | undefined {
  const there = db.prepare("SELECT 1 FROM sqlite_master WHERE type = 'table' AND name = 'migrations'").get();
  if (there === undefined) return undefined;
  return (db.prepare('SELECT name FROM migrations').all() as readonly { readonly name: string }[]).map(
    (row) => row.name,
  );
}

/** Tables in a database, whoever made them. */
const tablesIn = (db: Sqlite.Database): number =>
  (db.prepare("SELECT count(*) AS n FROM sqlite_master WHERE type = 'table'").get() as { n: number }).n;

/**
 * Looks at a database before anything is written: a folder, another program's file, a damaged one, one of a newer
 * version. @param empty whether a file that is not there, or has nothing in it, is a beginning or a fault
 * @throws Unusable with what to do
 */
export function refuseUnusable(file: string, empty: 'may be begun' | 'is refused' = 'may be begun'): void {
  try {
    const stat = statOf(file);
    if (stat?.isDirectory() === true)
      throw new Unusable(`${file} is a folder. Name a file in it: APPLE_CART_DATABASE=FILE.`);
    if (stat === undefined || stat.size === 0) {
      if (empty === 'is refused') throw new Unusable(`${file} has nothing in it. ${KEEP}`);
      return;
    }
    const db = new Sqlite(file, { readonly: true, fileMustExist: true, timeout: WAIT_MS });
    try {
      if (!inspect(file, db) && empty === 'is refused')
        throw new Unusable(`${file} is no database of Apple Cart. ${KEEP}`);
    } finally {
      db.close();
    }
  } catch (problem) {
    throw asUnusable(file, problem);
  }
}

/** @returns whether it has tables of ours */
function inspect(file: string, db: Sqlite.Database): boolean {
  const had = migrationsIn(db);
  if (had === undefined && tablesIn(db) > 0)
    throw new Unusable(`${file} is a database of another program. ${KEEP} Name another file.`);
  const ours = new Set(MIGRATIONS.map((migration) => migration.name));
  const newer = (had ?? []).filter((name) => !ours.has(name));
  if (newer.length > 0)
    throw new Unusable(
      `${file} was written by a newer Apple Cart (${newer.join(', ')}). ${KEEP} Start the newer version, or name ` +
        'another file: APPLE_CART_DATABASE=FILE.',
    );
  const [first] = db.pragma('quick_check(1)') as readonly { readonly quick_check: string }[];
  if (first?.quick_check !== 'ok')
    throw new Unusable(
      `The database ${file} is damaged: ${first?.quick_check ?? 'it cannot be checked'}. ${KEEP} Bring a backup back: npm run restore -- BACKUP.`,
    );
  return had !== undefined;
}
