import { dirname, join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { fixture, named, storedBuild, withRider, type Fixture } from '../test/fixture.ts';
import { DataSource } from 'typeorm';
import { evenHill, routeSummary } from '@apple-cart/core';
import { FirstSlice1764000000000 } from './migrations/1764000000000-first-slice.ts';
import { PartsVersions1764050000000 } from './migrations/1764050000000-parts-versions.ts';
import { Routes1764100000000 } from './migrations/1764100000000-routes.ts';
import { Rules1764200000000 } from './migrations/1764200000000-rules.ts';
import { buildKind } from '../builds/builds.ts';
import { openStored, openStores } from '../stores.ts';

const RING = {
  id: 'ring-40',
  type: 'ring',
  name: 'Test ring 40 T',
  maker: 'Test',
  teeth: 40,
  ringLineMm: null,
  massKg: 0.2,
  price: null,
  currency: 'GBP',
};
let it_: Fixture;
beforeEach(async () => {
  it_ = await fixture();
});
afterEach(() => it_.end());

describe('the database', () => {
  it('has exactly the tables that the entities describe: migrations and entities do not drift apart', async () => {
    const drift = await it_.database.writer.driver.createSchemaBuilder().log();
    expect(drift.upQueries.map((q) => q.query)).toEqual([]);
  });

  it('keeps a write-ahead log and writes through to the disk', async () => {
    const pragma = async (name: string): Promise<unknown> => {
      const rows = await it_.database.writer.query<Record<string, unknown>[]>(`PRAGMA ${name}`);
      return Object.values(rows[0] ?? {})[0];
    };
    expect(await pragma('journal_mode')).toBe('wal');
    expect(await pragma('synchronous')).toBe(2);
    expect(await pragma('foreign_keys')).toBe(1);
  });

  it('loses none of many writes that arrive at once, though some of them fail', async () => {
    const store = it_.stores.builds;
    const writes = Array.from({ length: 60 }, (_, i) =>
      i % 10 === 3
        ? it_.database.write(() => Promise.reject(new Error('meant to fail')))
        : store.create(named(`Build ${String(i)}`)),
    );
    const results = await Promise.allSettled(writes);
    expect(results.filter((r) => r.status === 'rejected')).toHaveLength(6);
    expect((await store.list()).documents).toHaveLength(54);
  });

  it('takes a failed transaction back whole', async () => {
    const build = await storedBuild(it_, 'Whole');
    await expect(
      it_.database.write(async (manager) => {
        await manager.getRepository(buildKind.entity).update({ id: build.id }, { document: 'half' });
        throw new Error('meant to fail');
      }),
    ).rejects.toThrow('meant to fail');
    const [row] = await it_.database.reader.getRepository(buildKind.entity).find();
    expect(row?.document).toBe(JSON.stringify(build.document));
  });

  it('lets one of two edits from the same version through, never both', async () => {
    const build = await storedBuild(it_, 'Race');
    const store = it_.stores.builds;
    const save = (kg: number) =>
      store.put(build.id, { baseVersion: 1, document: withRider(build.document, kg) });
    const results = await Promise.allSettled([save(70), save(75), save(80)]);
    expect(results.filter((r) => r.status === 'fulfilled')).toHaveLength(1);
    expect((await store.get(build.id)).version).toBe(2);
  });

  it('opens again with everything in it, and migrates only once', async () => {
    const file = join(dirname(it_.file), 'second.sqlite');
    const first = await openStored(file);
    const { id } = await openStores(first).builds.create(named('Still here'));
    await first.close();
    const again = await openStored(file);
    expect((await openStores(again).builds.get(id)).document).toEqual(named('Still here'));
    await again.close();
  });
});

describe('a database of the versions before', () => {
  /** As the steps up to the fourth left it, with a row of each kind and two pins, one of them taken out. */
  async function before(file: string): Promise<void> {
    const old = new DataSource({
      type: 'better-sqlite3',
      database: file,
      migrations: [
        FirstSlice1764000000000,
        PartsVersions1764050000000,
        Routes1764100000000,
        Rules1764200000000,
      ],
      migrationsRun: true,
    });
    await old.initialize();
    const build = JSON.stringify(named('Old'));
    const at = '2026-04-01T08:00:00.000Z';
    await old.query(
      `INSERT INTO "builds" ("id", "name", "version", "document", "pinnedRevision", "createdAt", "updatedAt") VALUES ('a', 'Old', 3, ?, 1, ?, ?), ('b', 'Old', 1, ?, NULL, ?, ?)`,
      [build, at, at, build, at, at],
    );
    await old.query(
      `INSERT INTO "revisions" ("buildId", "version", "name", "reason", "document", "createdAt") VALUES ('a', 2, 'quote', 'pin', ?, ?), ('b', 1, 'once', 'pin', ?, ?)`,
      [build, at, build, at],
    );
    await old.query(
      `INSERT INTO "parts" ("id", "type", "document", "version", "deletedAt") VALUES ('ring-40', 'ring', ?, 4, NULL)`,
      [JSON.stringify(RING)],
    );
    const hill = evenHill('Lane', 500, 8);
    await old.query(
      `INSERT INTO "routes" ("id", "name", "version", "summary", "document", "deletedAt") VALUES ('lane', 'Lane', 2, ?, ?, NULL)`,
      [JSON.stringify(routeSummary(hill)), JSON.stringify(hill)],
    );
    await old.destroy();
  }

  it('is brought forward with everything in it', async () => {
    const file = join(dirname(it_.file), 'before.sqlite');
    await before(file);
    const database = await openStored(file);
    const { builds, parts, routes } = openStores(database);
    expect(await builds.get('a')).toMatchObject({ version: 3, document: named('Old') });
    expect(await builds.revisions.list('a')).toMatchObject({ pinned: 1, revisions: [{ name: 'quote' }] });
    expect(await builds.revisions.list('b')).toMatchObject({
      pinned: null,
      revisions: [{ name: 'once', reason: 'was-pin' }],
    });
    expect((await parts.list()).documents).toMatchObject([{ id: 'ring-40', version: 4, document: RING }]);
    expect((await routes.summaries()).documents).toMatchObject([
      { id: 'lane', version: 2, summary: { name: 'Lane', lengthM: 500 } },
    ]);
    await database.close();
  });
});
