import { existsSync } from 'node:fs';
import { rename, rm } from 'node:fs/promises';
import { dirname } from 'node:path';
import Sqlite from 'better-sqlite3';
import { isCode, sqliteCode } from '../database/sqlite-code.ts';
import { Unusable, asUnusable, refuseUnusable } from '../database/unusable.ts';
import { backUp, onDisk } from './copy.ts';

/** Files that SQLite keeps beside a database. One that was left lying would bring newer rows back in silence. */
const BESIDE = ['-wal', '-shm', '-journal'] as const;

/** True while a program has the database open. One that cannot be read is nobody's. */
function isOpen(file: string): boolean {
  if (!existsSync(file)) return false;
  let db: Sqlite.Database | undefined;
  try {
    db = new Sqlite(file, { fileMustExist: true, timeout: 200 });
    // In this mode the lock is not shared with anybody, not even with those who only read.
    db.pragma('locking_mode = EXCLUSIVE');
    db.exec('BEGIN EXCLUSIVE; COMMIT');
    return false;
  } catch (problem) {
    return isCode(sqliteCode(problem), 'SQLITE_BUSY');
  } finally {
    db?.close();
  }
}

/** A name for the database that is put aside, with the time in it, not taken. */
function asideName(file: string, now: Date): string {
  const stem = `${file}.before-${now.toISOString().slice(0, 19).replaceAll(':', '-')}`;
  let name = stem;
  for (let n = 2; existsSync(name); n += 1) name = `${stem}-${String(n)}`;
  return name;
}

/**
 * Puts a backup in the place of a database. The backup is checked first; what was there is moved aside with all that
 * lies beside it, and stays. @returns where it was moved to, undefined where there was none
 * @throws Unusable where the backup cannot be used, or the database is open
 */
export async function restore(backup: string, file: string, now: Date): Promise<string | undefined> {
  if (!existsSync(backup)) throw new Unusable(`There is no file ${backup}.`);
  refuseUnusable(backup, 'is refused');
  if (isOpen(file))
    throw new Unusable(`The database ${file} is open. Stop Apple Cart first (Ctrl+C), then restore.`);
  const part = `${file}.part`;
  try {
    // Made as a backup is: whole, checked, and with what lies in a log beside it.
    await rm(part, { force: true });
    await backUp(backup, part);
    const there = ['', ...BESIDE].filter((end) => existsSync(`${file}${end}`));
    const aside = there.length === 0 ? undefined : asideName(file, now);
    // The log goes with its database: without it the rows that were last written would be missing there.
    for (const end of there) await rename(`${file}${end}`, `${String(aside)}${end}`);
    await rename(part, file);
    await onDisk(dirname(file));
    return aside;
  } catch (problem) {
    await rm(part, { force: true }).catch(() => undefined);
    throw asUnusable(file, problem);
  }
}
