import request from 'supertest';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import {
  NOT_THERE,
  type ListAnswer,
  type RevisionList,
  type Saved,
  type Stored,
} from '@apple-cart/contracts';
import { evenHill, shippedRules } from '@apple-cart/core';
import { fixture, named, type Fixture } from '../test/fixture.ts';
import { buildKind } from '../builds/builds.ts';
import { partKind } from '../parts/parts.ts';
import { routeKind } from '../routes/routes.ts';
import { ruleKind } from '../rules/rule-book.ts';

interface Case {
  readonly kind: string;
  readonly address: string;
  readonly entity: typeof buildKind.entity;
  readonly id: string;
  /** The same document again and again, each time with something else in it. */
  readonly make: (mark: string) => object;
  readonly markOf: (document: never) => string;
  readonly wrong: readonly [path: string, document: object];
  /** Documents that carry their id are created under it alone, and taken in by many. */
  readonly ownId: boolean;
  /** What is listed beside the user's own. */
  readonly shipped: number;
}

const ring = (name: string): object => ({
  id: 'ring-38',
  type: 'ring',
  name,
  maker: 'Test',
  teeth: 38,
  ringLineMm: 13,
  massKg: 0.18,
  price: 36,
  currency: 'GBP',
});
const wold = (name: string): object => ({ ...shippedRules()[0], id: 'harrow-wold', name });

const CASES: readonly Case[] = [
  {
    kind: 'build',
    address: '/api/builds',
    entity: buildKind.entity,
    id: 'made-by-the-page',
    make: named,
    markOf: (document: { name: string }) => document.name,
    wrong: ['name', { ...named('x'), name: '' }],
    ownId: false,
    shipped: 0,
  },
  {
    kind: 'part',
    address: '/api/parts',
    entity: partKind.entity,
    id: 'ring-38',
    make: ring,
    markOf: (document: { name: string }) => document.name,
    wrong: ['teeth', { ...ring('x'), teeth: 4 }],
    ownId: true,
    shipped: 0,
  },
  {
    kind: 'route',
    address: '/api/routes',
    entity: routeKind.entity,
    id: 'made-by-the-page',
    make: (name) => evenHill(name, 800, 7),
    markOf: (document: { name: string }) => document.name,
    wrong: ['times', { ...evenHill('x', 800, 7), times: 'often' }],
    ownId: false,
    shipped: 0,
  },
  {
    kind: 'file of rules',
    address: '/api/rules',
    entity: ruleKind.entity,
    id: 'harrow-wold',
    make: wold,
    markOf: (document: { name: string }) => document.name,
    wrong: ['readYear', { ...wold('x'), readYear: 'long ago' }],
    ownId: true,
    shipped: shippedRules().length,
  },
];

describe.each(CASES)('a stored $kind', ({ address, entity, id, make, markOf, wrong, ownId, shipped }) => {
  let f: Fixture;
  beforeEach(async () => {
    f = await fixture();
  });
  afterEach(() => f.end());

  const at = (path = ''): string => `${address}/${id}${path}`;
  const put = (mark: string, baseVersion: number) =>
    request(f.app)
      .put(at())
      .send({ baseVersion, document: make(mark) });
  const read = async (): Promise<string> =>
    markOf(((await request(f.app).get(at()).expect(200)).body as Stored<never>).document);
  const list = async () => (await request(f.app).get(address).expect(200)).body as ListAnswer<Saved>;

  it('is created, saved, put away and brought back; a save answers the version alone', async () => {
    expect((await put('one', NOT_THERE).expect(200)).body).toEqual({ id, version: 1 });
    expect((await put('two', 1).expect(200)).body).toEqual({ id, version: 2 });
    expect(await read()).toBe('two');
    expect((await list()).documents).toHaveLength(shipped + 1);
    await request(f.app).delete(at()).expect(204);
    await request(f.app).get(at()).expect(410);
    expect((await list()).documents).toHaveLength(shipped);
    expect((await request(f.app).post(at('/restore')).send({}).expect(200)).body).toEqual({ id, version: 2 });
    expect(await read()).toBe('two');
  });

  it('sent again after its answer was lost is acknowledged once more, and stored once', async () => {
    const thrice = async (work: () => PromiseLike<unknown>): Promise<void> => {
      for (let i = 0; i < 3; i += 1) await work();
    };
    await thrice(async () => {
      expect((await put('one', NOT_THERE).expect(200)).body).toEqual({ id, version: 1 });
    });
    await thrice(async () => {
      expect((await put('two', 1).expect(200)).body).toEqual({ id, version: 2 });
    });
    await thrice(() => request(f.app).delete(at()).expect(204));
    await thrice(() => request(f.app).post(at('/restore')).send({}).expect(200));
    expect((await put('two', 2).expect(200)).body).toMatchObject({ version: 3 });
  });

  it('that has moved on is not overwritten, and what is there is told', async () => {
    await put('one', NOT_THERE);
    await put('two', 1);
    const { error } = (await put('three', 1).expect(409)).body as {
      error: { code: string; current: Stored<never> };
    };
    expect(error.code).toBe('conflict');
    expect(error.current).toMatchObject({ id, version: 2 });
    expect(markOf(error.current.document)).toBe('two');
    await put('new', NOT_THERE).expect(409);
    expect(await read()).toBe('two');
  });

  it('lets one of several edits from the same version through', async () => {
    await put('one', NOT_THERE);
    const answers = await Promise.all(['a', 'b', 'c', 'd'].map((mark) => put(mark, 1)));
    expect(answers.map((a) => a.status).sort()).toEqual([200, 409, 409, 409]);
  });

  it('keeps what another window wrote as a version of a name, where a save goes over it', async () => {
    await put('one', NOT_THERE);
    await put('theirs', 1);
    await request(f.app)
      .put(at())
      .send({ baseVersion: 2, document: make('mine'), keepPrevious: 'from the other window' })
      .expect(200);
    const { revisions } = (await request(f.app).get(at('/revisions')).expect(200)).body as RevisionList;
    expect(revisions[0]).toMatchObject({ name: 'from the other window', reason: 'set-aside', version: 2 });
    const kept = await request(f.app)
      .get(at(`/revisions/${String(revisions[0]?.id)}`))
      .expect(200);
    expect(markOf((kept.body as Stored<never>).document)).toBe('theirs');
  });

  it('keeps versions that are sent, each once, and none of another kind', async () => {
    await put('one', NOT_THERE);
    const keep = { reason: 'set-aside', name: 'mine', document: make('mine') };
    for (let i = 0; i < 2; i += 1) await request(f.app).post(at('/revisions')).send(keep).expect(201);
    const named = async () =>
      ((await request(f.app).get(at('/revisions')).expect(200)).body as RevisionList).revisions.filter(
        (r) => r.name === 'mine',
      );
    expect(await named()).toHaveLength(1);
    for (const other of ['builds', 'parts', 'routes', 'rules'].filter((k) => `/api/${k}` !== address))
      expect((await request(f.app).get(`/api/${other}/${id}/revisions`)).status).toBe(404);
  });

  it('that is wrong is refused by its path, and nothing is stored', async () => {
    const [path, document] = wrong;
    const wrongly = await request(f.app).put(at()).send({ baseVersion: 0, document }).expect(400);
    const { error } = wrongly.body as { error: { issues: { path: string; message: string }[] } };
    expect(error.issues.map((i) => i.path)).toContain(path);
    expect(error.issues[0]?.message).toContain('wanted');
    await request(f.app)
      .put(at())
      .send({ document: make('x') })
      .expect(400);
    await request(f.app)
      .put(`${address}/not an id`)
      .send({ baseVersion: 0, document: make('x') })
      .expect(400);
    expect((await list()).documents).toHaveLength(shipped);
  });

  it('that never was is nowhere', async () => {
    await request(f.app).get(at()).expect(404);
    await request(f.app).delete(at()).expect(404);
    await request(f.app).post(at('/restore')).send({}).expect(404);
    await put('one', 4).expect(404);
  });

  it('that was put away is not overwritten by a window that still has it', async () => {
    await put('one', NOT_THERE);
    await request(f.app).delete(at());
    await put('two', 1).expect(410);
    // One that carries its id may take the place anew; another has to be brought back first.
    await put('new', NOT_THERE).expect(ownId ? 200 : 410);
  });

  it('that was broken behind its back is named, and takes no list down', async () => {
    await put('one', NOT_THERE);
    await f.database.write((manager) =>
      manager.getRepository(entity).update({ id }, { document: '{"half', summary: '{' }),
    );
    const { documents, broken } = await list();
    expect(documents).toHaveLength(shipped);
    expect(broken).toMatchObject([{ id, issues: [{ code: 'json' }] }]);
    expect((await request(f.app).get(at()).expect(422)).text).toContain('cannot be read');
    // It is given out as it lies there, to be looked at and mended by hand.
    const raw = await request(f.app).get(at('/as-stored')).expect(200);
    expect(raw.text).toBe('{"half');
    expect(raw.headers['content-disposition']).toContain('attachment');
    await request(f.app).delete(at()).expect(204);
    expect((await list()).broken).toEqual([]);
  });

  it(ownId ? 'is taken in with others, all or none' : 'is not taken in by many', async () => {
    const bring = (documents: readonly object[]) =>
      request(f.app).post(`${address}/import`).send({ documents });
    if (!ownId) {
      await bring([make('one')]).expect(400);
      return;
    }
    const other = { ...make('other'), id: 'another-one' };
    await put('one', NOT_THERE);
    expect((await bring([make('two'), other]).expect(200)).body).toEqual({ added: 1, replaced: 1 });
    expect(await read()).toBe('two');
    const third = await bring([make('three'), { ...wrong[1], id: 'third' }]).expect(400);
    expect((third.body as { error: { issues: { path: string }[] } }).error.issues[0]?.path).toBe(
      `1.${wrong[0]}`,
    );
    await bring([other, other]).expect(400);
    await bring([]).expect(400);
    expect(await read()).toBe('two');
  });
});
