import { mkdirSync, mkdtempSync, readFileSync, rmSync, truncateSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Sqlite from 'better-sqlite3';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { named } from '../test/fixture.ts';
import { openStored, openStores } from '../stores.ts';
import { asUnusable, refuseUnusable } from './unusable.ts';

let folder: string;
let file: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'apple-cart-unusable-'));
  file = join(folder, 'a.sqlite');
});
afterEach(() => {
  rmSync(folder, { recursive: true });
});

/** A database of ours with builds in it, closed. */
async function ours(count = 40): Promise<void> {
  const database = await openStored(file);
  const { builds } = openStores(database);
  for (let i = 0; i < count; i += 1) await builds.create(named(`Build ${String(i)}`));
  await database.close();
}
const change = (sql: string): void => {
  const db = new Sqlite(file);
  db.exec(sql);
  db.close();
};
const why = (): string => {
  try {
    refuseUnusable(file);
    return '';
  } catch (problem) {
    return problem instanceof Error ? problem.message : String(problem);
  }
};
/** Looking at it may leave an empty log beside it; the database itself stays byte for byte. */
const bytes = (): Buffer => readFileSync(file);

describe('a file that is no database of ours', () => {
  it('may be missing or empty: that is a beginning', () => {
    expect(why()).toBe('');
    writeFileSync(file, '');
    expect(why()).toBe('');
  });

  it('is said to be a folder, another kind of file, or another program’s', () => {
    mkdirSync(file);
    expect(why()).toMatch(/is a folder\. Name a file in it/);
    rmSync(file, { recursive: true });
    writeFileSync(file, 'not a database at all, but long enough to look like one'.repeat(40));
    expect(why()).toMatch(/is not a database\. It was left as it is/);
    rmSync(file);
    change('CREATE TABLE stamps (id)');
    expect(why()).toMatch(/database of another program/);
  });
});

describe('a database of ours', () => {
  it('of a newer version is refused before anything is written, byte for byte as it was', async () => {
    await ours(2);
    change("INSERT INTO migrations (timestamp, name) VALUES (9, 'Hovering9000000000000')");
    const before = bytes();
    await expect(openStored(file)).rejects.toThrow(/written by a newer Apple Cart \(Hovering9000000000000\)/);
    expect(bytes()).toEqual(before);
  });

  it('that is cut off or damaged is refused in words, and left as it is', async () => {
    await ours();
    truncateSync(file, 60_000);
    const before = bytes();
    expect(why()).toMatch(/damaged or cut off|is damaged: /);
    await expect(openStored(file)).rejects.toThrow(/Bring a backup back: npm run restore/);
    expect(bytes()).toEqual(before);
  });

  it('that another program holds is waited for, and then said', async () => {
    await ours(1);
    const other = new Sqlite(file);
    other.pragma('locking_mode = EXCLUSIVE');
    other.exec('BEGIN EXCLUSIVE');
    expect(why()).toMatch(/Another program holds the database/);
    other.close();
    expect(why()).toBe('');
  });

  it.each([
    ['EACCES', /may not be opened by this user/],
    ['EROFS', /can only be read/],
    ['SQLITE_READONLY_DIRECTORY', /can only be read/],
    ['SQLITE_CANTOPEN', /cannot be opened/],
    ['SQLITE_FULL', /disk of .* is full/],
    ['ENOSPC', /disk of .* is full/],
    ['SQLITE_IOERR_WRITE', /disk does not let/],
    ['SQLITE_BUSY_RECOVERY', /Another program holds/],
  ])('whose failure has the code %s is told in words', (code, words) => {
    const problem = Object.assign(new Error('raw'), { code });
    expect(asUnusable(file, problem)).toMatchObject({ message: expect.stringMatching(words) as string });
    expect(asUnusable(file, { driverError: problem })).toMatchObject({
      message: expect.stringMatching(words) as string,
    });
  });

  it('keeps a fault of the program as it came', () => {
    const fault = new TypeError('x is not a function');
    expect(asUnusable(file, fault)).toBe(fault);
  });
});
