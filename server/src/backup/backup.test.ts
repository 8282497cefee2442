import {
  existsSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  rmSync,
  truncateSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Sqlite from 'better-sqlite3';
import request from 'supertest';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { openStored, openStores } from '../stores.ts';
import { fixture, named, type Fixture } from '../test/fixture.ts';
import { backupCommand } from './command.ts';
import { backUp } from './copy.ts';
import { DailyBackup } from './daily.ts';
import { restore } from './restore.ts';

let folder: string;
let file: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'apple-cart-backup-'));
  file = join(folder, 'a.sqlite');
});
afterEach(() => {
  rmSync(folder, { recursive: true });
});
const copy = (name: string): string => join(folder, name);
const NOW = new Date('2026-04-12T08:00:00Z');

async function names(of: string): Promise<readonly string[]> {
  const database = await openStored(of);
  const { documents } = await openStores(database).builds.list();
  await database.close();
  return documents.map((d) => d.document.name).sort();
}
async function add(...builds: readonly string[]): Promise<void> {
  const database = await openStored(file);
  for (const name of builds) await openStores(database).builds.create(named(name));
  await database.close();
}

describe('a backup', () => {
  it('taken while it is written to holds everything that was acknowledged before, in one whole file', async () => {
    const database = await openStored(file);
    const { builds } = openStores(database);
    for (let i = 0; i < 20; i += 1) await builds.create(named(`Before ${String(i)}`));
    const writing = Array.from({ length: 40 }, (_, i) => builds.create(named(`Meanwhile ${String(i)}`)));
    await backUp(file, copy('b.sqlite'));
    await Promise.all(writing);
    await database.close();
    expect(readdirSync(folder).filter((name) => name.startsWith('b.'))).toEqual(['b.sqlite']);
    const kept = await names(copy('b.sqlite'));
    expect(kept.filter((name) => name.startsWith('Before'))).toHaveLength(20);
  });

  it('goes over no file that is there, and says what stands in its way', async () => {
    await add('One');
    writeFileSync(copy('b.sqlite'), 'precious');
    await expect(backUp(file, copy('b.sqlite'))).rejects.toThrow(/exists already/);
    expect(readFileSync(copy('b.sqlite'), 'utf8')).toBe('precious');
    await expect(backUp(copy('none.sqlite'), copy('c.sqlite'))).rejects.toThrow(/There is no database/);
    await expect(backUp(file, join(file, 'c.sqlite'))).rejects.toThrow(/is a file, not a folder/);
  });
});

describe('restoring', () => {
  it('brings back what was backed up, and keeps what was there beside it', async () => {
    await add('Old');
    await backUp(file, copy('b.sqlite'));
    await add('New');
    const aside = await restore(copy('b.sqlite'), file, NOW);
    expect(await names(file)).toEqual(['Old']);
    expect(aside).toBe(`${file}.before-2026-04-12T08-00-00`);
    expect(await names(String(aside))).toEqual(['New', 'Old']);
  });

  it('over a database whose process was killed leaves none of its log to come back', async () => {
    await add('Old');
    await backUp(file, copy('b.sqlite'));
    const database = await openStored(file);
    await openStores(database).builds.create(named('In the log'));
    // What lies there after a kill: the database and its log, never brought together.
    const killed = ['', '-wal', '-shm'].map((end) => [end, readFileSync(`${file}${end}`)] as const);
    await database.close();
    for (const [end, bytes] of killed) writeFileSync(`${file}${end}`, bytes);
    const aside = String(await restore(copy('b.sqlite'), file, NOW));
    expect(await names(file)).toEqual(['Old']);
    expect(await names(aside)).toEqual(['In the log', 'Old']);
  });

  it('over a damaged database works as well', async () => {
    await add('Old');
    await backUp(file, copy('b.sqlite'));
    truncateSync(file, 10_000);
    await restore(copy('b.sqlite'), file, NOW);
    expect(await names(file)).toEqual(['Old']);
    writeFileSync(file, 'rubbish');
    await restore(copy('b.sqlite'), file, NOW);
    expect(await names(file)).toEqual(['Old']);
  });

  it('of a copy made by hand takes what lies in the log beside it', async () => {
    const database = await openStored(file);
    await openStores(database).builds.create(named('In the log'));
    for (const end of ['', '-wal'])
      writeFileSync(`${copy('hand.sqlite')}${end}`, readFileSync(`${file}${end}`));
    await database.close();
    await restore(copy('hand.sqlite'), file, NOW);
    expect(await names(file)).toEqual(['In the log']);
  });

  it('of nothing is refused: an empty file, and a database without a table', async () => {
    await add('Old');
    writeFileSync(copy('empty.sqlite'), '');
    await expect(restore(copy('empty.sqlite'), file, NOW)).rejects.toThrow(/has nothing in it/);
    const bare = new Sqlite(copy('bare.sqlite'));
    bare.pragma('user_version = 1');
    bare.close();
    await expect(restore(copy('bare.sqlite'), file, NOW)).rejects.toThrow(/no database of Apple Cart/);
    expect(await names(file)).toEqual(['Old']);
  });

  it('where there was nothing has nothing to keep', async () => {
    await add('Old');
    await backUp(file, copy('b.sqlite'));
    expect(await restore(copy('b.sqlite'), copy('new.sqlite'), NOW)).toBeUndefined();
    expect(await names(copy('new.sqlite'))).toEqual(['Old']);
  });

  it('refuses a copy that is cut off, none at all, and a database that is open; nothing is touched', async () => {
    await add(...Array.from({ length: 30 }, (_, i) => `Build ${String(i)}`));
    await backUp(file, copy('b.sqlite'));
    const before = readFileSync(file);
    const database = await openStored(file);
    await expect(restore(copy('b.sqlite'), file, NOW)).rejects.toThrow(/is open\. Stop Apple Cart first/);
    await database.close();
    truncateSync(copy('b.sqlite'), 50_000);
    await expect(restore(copy('b.sqlite'), file, NOW)).rejects.toThrow(/damaged/);
    await expect(restore(copy('none.sqlite'), file, NOW)).rejects.toThrow(/There is no file/);
    expect(readFileSync(file)).toEqual(before);
    expect(readdirSync(folder).filter((name) => name.includes('before'))).toEqual([]);
  });
});

describe('the commands', () => {
  it('copy and bring back by the names that are given, and say what they did', async () => {
    await add('Old');
    const environment = { APPLE_CART_DATABASE: file, INIT_CWD: folder };
    const backed = await backupCommand('backup', ['b.sqlite'], environment, NOW);
    expect(backed).toMatchObject({ code: 0, error: '' });
    expect(existsSync(copy('b.sqlite'))).toBe(true);
    const restored = await backupCommand('restore', ['b.sqlite'], environment, NOW);
    expect(restored.out).toMatch(/is in force as .*\nWhat was there is kept as /);
    expect(await backupCommand('restore', ['none'], environment, NOW)).toMatchObject({ code: 1, out: '' });
    expect(await backupCommand('backup', [], environment, NOW)).toMatchObject({ code: 2 });
    expect((await backupCommand('backup', ['--force'], environment, NOW)).error).toContain('Usage');
  });
});

describe('the daily backup', () => {
  let it_: Fixture;
  beforeEach(async () => {
    it_ = await fixture();
  });
  afterEach(() => it_.end());

  it('is made once a day, and fourteen are kept', async () => {
    await it_.daily.run();
    await it_.daily.run();
    expect((await it_.daily.state()).days).toEqual(['2026-04-12']);
    for (let day = 0; day < 16; day += 1) {
      it_.passMinutes(24 * 60);
      await it_.daily.run();
    }
    const { days, trouble } = await it_.daily.state();
    expect(days).toHaveLength(14);
    expect(days[0]).toBe('2026-04-28');
    expect(trouble).toBeNull();
  });

  it('is told of at its address, with what went wrong', async () => {
    const told = async () => (await request(it_.app).get('/api/backup').expect(200)).body as unknown;
    expect(await told()).toMatchObject({ on: true, days: [], trouble: null });
    await it_.daily.run();
    expect(await told()).toMatchObject({ days: ['2026-04-12'] });
    const warned: unknown[] = [];
    const broken = new DailyBackup({
      file: copy('none.sqlite'),
      folder: copy('backups'),
      now: () => NOW,
      warn: (problem) => warned.push(problem),
    });
    await broken.run();
    expect(await broken.state()).toMatchObject({
      on: true,
      trouble: expect.stringContaining('no database') as string,
    });
    expect(warned).toHaveLength(1);
  });

  it('switched off makes none', async () => {
    const off = new DailyBackup({ file, folder: undefined, now: () => NOW, warn: () => undefined });
    off.begin();
    await off.run();
    expect(await off.state()).toMatchObject({ on: false, folder: null, days: [] });
    await off.stop();
  });
});
