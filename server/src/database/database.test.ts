import { dirname, join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { fixture, named, withRider, type Fixture } from '../test/fixture.ts';
import { openDatabase } from './database.ts';
import { buildEntity } from '../builds/build-entities.ts';
import { BuildsService } from '../builds/builds-service.ts';

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
    const writes = Array.from({ length: 60 }, (_, i) =>
      i % 10 === 3
        ? it_.database.write(() => Promise.reject(new Error('meant to fail')))
        : it_.builds.create(named(`Build ${String(i)}`)),
    );
    const results = await Promise.allSettled(writes);
    expect(results.filter((r) => r.status === 'rejected')).toHaveLength(6);
    expect(await it_.builds.list()).toHaveLength(54);
  });

  it('takes a failed transaction back whole', async () => {
    const build = await it_.builds.create(named('Whole'));
    await expect(
      it_.database.write(async (manager) => {
        await manager.getRepository(buildEntity).update({ id: build.id }, { name: 'Half' });
        throw new Error('meant to fail');
      }),
    ).rejects.toThrow('meant to fail');
    const [row] = await it_.database.reader.getRepository(buildEntity).find();
    expect(row?.name).toBe('Whole');
  });

  it('lets one of two edits from the same version through, never both', async () => {
    const build = await it_.builds.create(named('Race'));
    const save = (kg: number) =>
      it_.builds.save(build.id, { baseVersion: 1, document: withRider(build.document, kg) });
    const results = await Promise.allSettled([save(70), save(75), save(80)]);
    expect(results.filter((r) => r.status === 'fulfilled')).toHaveLength(1);
    expect((await it_.builds.get(build.id)).version).toBe(2);
  });

  it('opens again with everything in it, and migrates only once', async () => {
    const file = join(dirname(it_.file), 'second.sqlite');
    const first = await openDatabase(file);
    const build = await new BuildsService(first).create(named('Still here'));
    await first.close();
    const again = await openDatabase(file);
    expect((await new BuildsService(again).get(build.id)).document).toEqual(build.document);
    await again.close();
  });
});
