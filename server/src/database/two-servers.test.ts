import Sqlite from 'better-sqlite3';
import request from 'supertest';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { createApp } from '../app.ts';
import { openStored, openStores } from '../stores.ts';
import { fixture, named, storedBuild, withRider, type Fixture } from '../test/fixture.ts';
import type { Database } from './database.ts';
import { FirstSlice1764000000000 } from './migrations/1764000000000-first-slice.ts';

let it_: Fixture;
let other: Database;
beforeEach(async () => {
  it_ = await fixture();
  other = await openStored(it_.file);
});
afterEach(async () => {
  await other.close();
  await it_.end();
});

describe('two servers on one file', () => {
  it('take 320 saves between them: none is lost, none fails, and the last version counts them all', async () => {
    const apps = [it_.app, createApp({ ...it_.parts, database: other, stores: openStores(other) })];
    const builds = await Promise.all(
      Array.from({ length: 8 }, (_, i) => storedBuild(it_, `Build ${String(i)}`)),
    );
    const statuses = new Map<number, number>();
    // Each of sixteen windows saves one build twenty times; a conflict is answered by beginning from what is there.
    const window = async (n: number): Promise<void> => {
      const build = builds[n % builds.length];
      const app = apps[n % 2];
      if (build === undefined || app === undefined) return;
      let baseVersion = 1;
      for (let saves = 0; saves < 20;) {
        const document = withRider(build.document, 40 + n + saves / 100);
        const answer = await request(app).put(`/api/builds/${build.id}`).send({ baseVersion, document });
        statuses.set(answer.status, (statuses.get(answer.status) ?? 0) + 1);
        if (answer.status === 200) {
          baseVersion = (answer.body as { version: number }).version;
          saves += 1;
        } else if (answer.status === 409) {
          baseVersion = (answer.body as { error: { current: { version: number } } }).error.current.version;
        } else throw new Error(`${String(answer.status)}: ${answer.text}`);
      }
    };
    await Promise.all(Array.from({ length: 16 }, (_, n) => window(n)));
    expect(statuses.get(200)).toBe(320);
    const versions = await Promise.all(builds.map(async (b) => (await it_.stores.builds.get(b.id)).version));
    expect(versions).toEqual(builds.map(() => 41));
  });

  it('see each other’s rules at once, though each reads them only when something was written', async () => {
    const second = createApp({ ...it_.parts, database: other, stores: openStores(other) });
    const build = named('Here');
    const asked = { ...build, brief: { ...build.brief, place: 'harrow-wold' } };
    const here = async () => {
      const answer = await request(second).post('/api/evaluate').send(asked).expect(200);
      return (answer.body as { law: { here: { place: { name: string } } } }).law.here.place.name;
    };
    const before = await here();
    const book = (await request(it_.app).get('/api/rules')).body as {
      documents: { id: string; document: object }[];
    };
    const nz = book.documents.find((p) => p.id === 'nz')?.document;
    const own = { ...nz, id: 'harrow-wold', name: 'Harrow Wold', region: 'Own' };
    await request(it_.app).put('/api/rules/harrow-wold').send({ baseVersion: 0, document: own }).expect(200);
    expect(before).not.toBe('Harrow Wold');
    expect(await here()).toBe('Harrow Wold');
  });

  it('that begin on a new file at once both begin', async () => {
    const file = `${it_.file}-new`;
    const both = await Promise.all([openStored(file), openStored(file)]);
    for (const one of both) {
      await openStores(one).builds.create(named('One'));
      await one.close();
    }
  });
});

describe('a second server that comes while the first makes the tables of a new file', () => {
  afterEach(() => {
    vi.restoreAllMocks();
  });

  it('waits for them and makes none again', async () => {
    const file = `${it_.file}-between`;
    let second: Promise<Database> | undefined;
    const up = FirstSlice1764000000000.prototype.up.bind(new FirstSlice1764000000000());
    const between = vi.spyOn(FirstSlice1764000000000.prototype, 'up').mockImplementation(async (runner) => {
      second ??= openStored(file);
      await Promise.race([second, new Promise((resume) => setTimeout(resume, 300))]);
      await up(runner);
    });
    const first = await openStored(file);
    expect(second).toBeDefined();
    for (const one of [first, await second]) {
      if (one !== undefined) await openStores(one).builds.create(named('One'));
      await one?.close();
    }
    expect(between).toHaveBeenCalledTimes(1);
  });
});

describe('a lock of another program', () => {
  it('held for three seconds delays a save and loses nothing, and nothing else waits', async () => {
    const build = await storedBuild(it_);
    const lock = new Sqlite(it_.file);
    lock.exec('BEGIN IMMEDIATE');
    const release = setTimeout(() => {
      lock.exec('COMMIT');
    }, 3000);
    const saving = request(it_.app)
      .put(`/api/builds/${build.id}`)
      .send({ baseVersion: 1, document: withRider(build.document, 71) });
    const saved = saving.then((answer) => answer.status);
    let reads = 0;
    while (lock.inTransaction) {
      await request(it_.app).get('/api/builds').expect(200);
      reads += 1;
    }
    clearTimeout(release);
    expect(await saved).toBe(200);
    expect(reads).toBeGreaterThan(1);
    lock.close();
    expect((await it_.stores.builds.get(build.id)).version).toBe(2);
  });
});
