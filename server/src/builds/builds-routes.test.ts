import request from 'supertest';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import old from '../../../demo/older/choir-tandem-v1.json' with { type: 'json' };
import { SCHEMA_VERSION } from '@apple-cart/core';
import { BODY_LIMIT } from '../app.ts';
import { fixture, named, withRider, type Fixture } from '../test/fixture.ts';
import type { RevisionList, RevisionSummary, Saved, Stored } from '@apple-cart/contracts';
import type { BuildDocument } from '@apple-cart/core';

type StoredBuild = Stored<BuildDocument>;

let it_: Fixture;
beforeEach(async () => {
  it_ = await fixture();
});
afterEach(() => it_.end());

const api = () => request(it_.app);
const get = async (id: string): Promise<StoredBuild> =>
  (await api().get(`/api/builds/${id}`).expect(200)).body as StoredBuild;
const create = async (name = 'Hill commuter'): Promise<StoredBuild> =>
  get(((await api().post('/api/builds').send(named(name)).expect(201)).body as Saved).id);
const save = (build: StoredBuild, riderKg: number, baseVersion = build.version) =>
  api()
    .put(`/api/builds/${build.id}`)
    .send({ baseVersion, document: withRider(build.document, riderKg) });
const kept = async (id: string): Promise<RevisionList> =>
  (await api().get(`/api/builds/${id}/revisions`).expect(200)).body as RevisionList;
const revisions = async (id: string): Promise<readonly RevisionSummary[]> => (await kept(id)).revisions;

describe('a build', () => {
  it('is created, read, listed and saved with a growing version', async () => {
    const build = await create();
    expect(build.version).toBe(1);
    expect((await save(build, 91).expect(200)).body).toEqual({ id: build.id, version: 2 });
    const read = (await api().get(`/api/builds/${build.id}`).expect(200)).body as StoredBuild;
    expect(read.document.brief.riderMassKg).toEqual({ source: 'measured', value: 91 });
    const list = (await api().get('/api/builds').expect(200)).body as { documents: StoredBuild[] };
    expect(list.documents.map((b) => b.id)).toEqual([build.id]);
  });

  it('is exported as the very document, under a file name of its own', async () => {
    const build = await create('Nurse’s tourer / 2');
    const response = await api().get(`/api/builds/${build.id}/export`).expect(200);
    expect(response.headers['content-disposition']).toContain('nurse-s-tourer-2.json');
    expect(JSON.parse(response.text)).toEqual(build.document);
  });

  it('is put away and brought back', async () => {
    const build = await create();
    await api().delete(`/api/builds/${build.id}`).expect(204);
    await api().get(`/api/builds/${build.id}`).expect(410);
    await save(build, 80).expect(410);
    await api().post(`/api/builds/${build.id}/restore`).send({}).expect(200);
    expect((await get(build.id)).document).toEqual(build.document);
  });

  it('that does not exist is said so in plain words', async () => {
    const response = await api().get('/api/builds/nope').expect(404);
    expect(response.body).toEqual({ error: { code: 'not-found', message: 'There is no such build.' } });
    await api().post('/api/builds/nope/restore').send({}).expect(404);
    await api().delete('/api/builds/nope').expect(404);
  });
});

describe('a stale edit from a second window', () => {
  it('gets a conflict with the current build, and nothing is stored', async () => {
    const build = await create();
    await save(build, 91).expect(200);
    const response = await save(build, 60, 1).expect(409);
    const { error } = response.body as { error: { code: string; current: StoredBuild } };
    expect(error.code).toBe('conflict');
    expect(error.current.version).toBe(2);
    expect(error.current.document.brief.riderMassKg).toEqual({ source: 'measured', value: 91 });
    const read = (await api().get(`/api/builds/${build.id}`)).body as StoredBuild;
    expect(read.document.brief.riderMassKg).toEqual({ source: 'measured', value: 91 });
  });

  it('that is the same document is an answer lost on the way, and is accepted once', async () => {
    const build = await create();
    await save(build, 91).expect(200);
    expect((await save(build, 91, 1).expect(200)).body).toEqual({ id: build.id, version: 2 });
  });

  it('can be settled either way without losing the other side', async () => {
    const build = await create();
    await save(build, 91).expect(200);
    await api()
      .put(`/api/builds/${build.id}`)
      .send({
        baseVersion: 2,
        document: withRider(build.document, 60),
        keepPrevious: 'from the other window',
      })
      .expect(200);
    const other = (await revisions(build.id)).find((r) => r.name === 'from the other window');
    expect(other?.reason).toBe('set-aside');
    const theirs = (
      await api()
        .get(`/api/builds/${build.id}/revisions/${String(other?.id)}`)
        .expect(200)
    ).body as StoredBuild;
    expect(theirs.document.brief.riderMassKg).toEqual({ source: 'measured', value: 91 });
  });
});

describe('revisions', () => {
  it('keep what was before the first change, then at most one in five minutes', async () => {
    const build = await create();
    let version = 1;
    const change = async (kg: number): Promise<void> => {
      await save(build, kg, version).expect(200);
      version += 1;
    };
    await change(81);
    await change(82);
    await change(83);
    expect(await revisions(build.id)).toHaveLength(1);
    it_.passMinutes(6);
    await change(84);
    const list = await revisions(build.id);
    expect(list).toHaveLength(2);
    expect(list.every((r) => r.reason === 'auto')).toBe(true);
    const first = (await api().get(`/api/builds/${build.id}/revisions/${String(list[1]?.id)}`))
      .body as StoredBuild;
    expect(first.document).toEqual(build.document);
  });

  const keep = (build: StoredBuild, reason: string, name: string) =>
    api().post(`/api/builds/${build.id}/revisions`).send({ reason, name, document: build.document });

  it('are named, pinned and unpinned', async () => {
    const build = await create();
    const { id } = (await keep(build, 'pin', 'second quote').expect(201)).body as RevisionSummary;
    expect(await kept(build.id)).toMatchObject({ pinned: id });
    await api().delete(`/api/builds/${build.id}/pin`).expect(204);
    expect(await kept(build.id)).toMatchObject({ pinned: null, revisions: [{ id, reason: 'was-pin' }] });
    // Asked again, a pin that is out stays out.
    await api().delete(`/api/builds/${build.id}/pin`).expect(204);
    expect(await revisions(build.id)).toHaveLength(1);
  });

  it('have one pin, and the last one counts', async () => {
    const build = await create();
    await keep(build, 'pin', 'first').expect(201);
    const { id } = (await keep(build, 'pin', 'second').expect(201)).body as RevisionSummary;
    expect(await kept(build.id)).toMatchObject({
      pinned: id,
      revisions: [{ reason: 'pin' }, { reason: 'was-pin' }],
    });
  });

  it('sent again after a lost answer are kept once', async () => {
    const build = await create();
    const first = await keep(build, 'named', 'quote').expect(201);
    expect((await keep(build, 'named', 'quote').expect(201)).body).toEqual(first.body);
    await keep(build, 'named', 'another').expect(201);
    expect(await revisions(build.id)).toHaveLength(2);
  });

  it('belong to their build alone', async () => {
    const [a, b] = [await create('A'), await create('B')];
    const { id } = (await keep(a, 'named', 'mine').expect(201)).body as RevisionSummary;
    await api()
      .get(`/api/builds/${b.id}/revisions/${String(id)}`)
      .expect(404);
    await api().get(`/api/builds/${a.id}/revisions/zero`).expect(400);
  });
});

describe('bad input', () => {
  it('gets 400 with every issue: path, actual, limit and words, and no stack trace', async () => {
    const build = {
      ...named('Bad'),
      packs: [{ ...named('Bad').packs[0], capacityAh: { source: 'measured', value: -4 }, colour: 1 }],
    };
    const response = await api().post('/api/builds').send(build).expect(400);
    const { error } = response.body as {
      error: { code: string; issues: { path: string; actual: unknown; limit: string; message: string }[] };
    };
    expect(error.code).toBe('invalid');
    expect(error.issues.map((i) => i.path).sort()).toEqual(['packs.0.capacityAh.value', 'packs.0.colour']);
    expect(error.issues.find((i) => i.path === 'packs.0.capacityAh.value')).toMatchObject({
      actual: -4,
      limit: 'at least 0.5',
    });
    expect(response.text).not.toMatch(/at .*\.ts:|node_modules/);
    expect((await it_.stores.builds.list()).documents).toEqual([]);
  });

  it.each(['', '{', 'null', '[]', '"text"', '17'])('body %j is refused', async (body) => {
    const response = await api().post('/api/builds').set('content-type', 'application/json').send(body);
    expect(response.status).toBe(400);
  });

  it('over the stated size gets 413', async () => {
    const response = await api()
      .post('/api/builds')
      .set('content-type', 'application/json')
      .send(`"${'x'.repeat(BODY_LIMIT)}"`)
      .expect(413);
    expect((response.body as { error: { message: string } }).error.message).toContain(String(BODY_LIMIT));
  });

  it('that is no JSON at all gets 415', async () => {
    await api().post('/api/builds').set('content-type', 'text/plain').send('hello').expect(415);
    await api().post('/api/builds').type('form').send({ name: 'x' }).expect(415);
  });

  it('in a save names what is missing', async () => {
    const build = await create();
    const response = await api()
      .put(`/api/builds/${build.id}`)
      .send({ document: build.document })
      .expect(400);
    expect(response.text).toContain('baseVersion');
  });
});

describe('a build stored by an older version of the product', () => {
  it('is listed, opened and exported as one of today, and saved as such', async () => {
    const id = '5c7a1c0e-1111-4222-8333-944445555666';
    await it_.database.write(async (manager) => {
      await manager.query(
        `INSERT INTO "builds" ("id", "version", "document", "createdAt", "updatedAt") VALUES (?, 1, ?, ?, ?)`,
        [id, JSON.stringify(old), '2026-04-01T08:00:00Z', '2026-04-01T08:00:00Z'],
      );
    });
    const answer = await api().get(`/api/builds/${id}`);
    const stored = answer.body as { version: number; document: StoredBuild['document'] };
    expect(stored.document.schemaVersion).toBe(SCHEMA_VERSION);
    expect(stored.document.donor.rearOldMm).toEqual({ source: 'unknown' });
    const list = await api().get('/api/builds');
    expect(list.status).toBe(200);
    const saved = await api()
      .put(`/api/builds/${id}`)
      .send({ baseVersion: 1, document: { ...stored.document, name: 'Saved anew' } });
    expect(saved.status).toBe(200);
    expect(saved.body).toEqual({ id, version: 2 });
    expect((await get(id)).document).toMatchObject({ schemaVersion: SCHEMA_VERSION, name: 'Saved anew' });
  });
});
