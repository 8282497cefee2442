import { existsSync } from 'node:fs';
import { mkdir, open, rename, rm } from 'node:fs/promises';
import { dirname } from 'node:path';
import Sqlite from 'better-sqlite3';
import { Unusable, asUnusable, refuseUnusable } from '../database/unusable.ts';

/** Puts what was written to a file, or into a folder, onto the disk. */
export async function onDisk(path: string): Promise<void> {
  const handle = await open(path, 'r');
  try {
    await handle.sync();
  } finally {
    await handle.close();
  }
}

/** What a copy that is being made is called, so that half of one is never taken for a whole. */
const PART = '.part';

/** A copy that somebody takes away is one file: without a log beside it, and found whole. */
function finish(copy: string): void {
  const db = new Sqlite(copy);
  try {
    db.pragma('journal_mode = DELETE');
    const [first] = db.pragma('integrity_check(1)') as readonly { readonly integrity_check: string }[];
    if (first?.integrity_check !== 'ok')
      throw new Unusable(`The copy is not whole: ${first?.integrity_check ?? 'it cannot be checked'}.`);
  } finally {
    db.close();
  }
}

/**
 * Copies a database as it stands at one moment, while it may be written to; under its name only when it is whole and on
 * the disk. @throws Unusable where there is none, where it cannot be read, or where a file of that name exists
 */
export async function backUp(file: string, to: string): Promise<void> {
  if (!existsSync(file)) throw new Unusable(`There is no database ${file}.`);
  if (existsSync(to)) throw new Unusable(`${to} exists already. Nothing was written; choose another name.`);
  refuseUnusable(file, 'is refused');
  const part = `${to}${PART}`;
  try {
    await mkdir(dirname(to), { recursive: true });
    await rm(part, { force: true });
    const db = new Sqlite(file, { readonly: true, fileMustExist: true });
    try {
      await db.backup(part);
    } finally {
      db.close();
    }
    finish(part);
    await onDisk(part);
    await rename(part, to);
    await onDisk(dirname(to));
  } catch (problem) {
    await rm(part, { force: true }).catch(() => undefined);
    throw asUnusable(to, problem);
  }
}
