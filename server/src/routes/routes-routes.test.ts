import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import request from 'supertest';
import { evenHill, type Route } from '@apple-cart/core';
import { fixture, type Fixture } from '../test/fixture.ts';

let f: Fixture;
beforeEach(async () => {
  f = await fixture();
});
afterEach(() => f.end());

const hill = (name: string): Route => ({ ...evenHill(name, 800, 7), note: 'Test' });
const post = (route: unknown) =>
  request(f.app)
    .post('/api/routes')
    .send(route as object);
const idOf = (answer: { body: unknown }): string => (answer.body as { id: string }).id;
const list = async () => {
  const answer = await request(f.app).get('/api/routes');
  return (answer.body as { routes: { id: string; version: number; summary: { name: string } }[] }).routes;
};

describe('a route', () => {
  it('is added, listed with its sum, read, changed, put away and brought back', async () => {
    const added = await post(hill('Test lane'));
    expect(added.status).toBe(201);
    const id = idOf(added);
    expect(await list()).toMatchObject([
      { id, version: 1, summary: { name: 'Test lane', lengthM: 800, recorded: false, sample: false } },
    ]);
    expect((await request(f.app).get(`/api/routes/${id}`)).body).toMatchObject({ route: hill('Test lane') });
    const saved = await request(f.app)
      .put(`/api/routes/${id}`)
      .send({ baseVersion: 1, route: hill('Longer lane') });
    expect(saved.body).toMatchObject({ version: 2, route: { name: 'Longer lane' } });
    expect((await request(f.app).delete(`/api/routes/${id}`)).status).toBe(204);
    expect(await list()).toEqual([]);
    expect((await request(f.app).get(`/api/routes/${id}`)).status).toBe(404);
    expect((await request(f.app).post(`/api/routes/${id}/restore`).send({})).status).toBe(200);
    expect(await list()).toMatchObject([{ id, summary: { name: 'Longer lane' } }]);
  });

  it('changed in two windows is not overwritten, and says what is there', async () => {
    const id = idOf(await post(hill('A')));
    const put = (name: string) =>
      request(f.app)
        .put(`/api/routes/${id}`)
        .send({ baseVersion: 1, route: hill(name) });
    expect((await put('B')).status).toBe(200);
    const late = await put('C');
    expect(late.status).toBe(409);
    expect(late.body).toMatchObject({ error: { current: { version: 2, route: { name: 'B' } } } });
  });

  it('that is wrong is refused by its path, and nothing is stored', async () => {
    const wrong = await post({
      ...hill('A'),
      profile: [{ distanceM: 0, elevationM: 'high', bearingDeg: null }],
    });
    expect(wrong.status).toBe(400);
    const { error } = wrong.body as { error: { issues: { path: string }[] } };
    expect(error.issues.map((i) => i.path)).toContain('profile.0.elevationM');
    expect(await list()).toEqual([]);
    expect((await request(f.app).get('/api/routes/none')).status).toBe(404);
    expect(
      (
        await request(f.app)
          .put('/api/routes/none')
          .send({ baseVersion: 1, route: hill('A') })
      ).status,
    ).toBe(404);
    expect((await request(f.app).delete('/api/routes/none')).status).toBe(404);
    expect((await request(f.app).post('/api/routes/none/restore').send({})).status).toBe(404);
  });

  it('with twenty thousand recorded points is kept whole', async () => {
    const n = 20_000;
    const column = (of: (i: number) => number): number[] => Array.from({ length: n }, (_, i) => of(i));
    const recorded = {
      latDeg: column((i) => Number((i / 1e5).toFixed(6))),
      lonDeg: column(() => 0),
      elevationM: column((i) => 100 + (i % 50)),
      smoothM: 100,
    };
    const added = await post({ ...hill('Long'), recorded });
    expect(added.status).toBe(201);
    const read = await request(f.app).get(`/api/routes/${idOf(added)}`);
    expect((read.body as { route: Route }).route.recorded?.latDeg).toHaveLength(n);
  });

  it('of the samples that was put away stays away', async () => {
    const samples = new Map([['sample-lane', hill('Sample lane')]]);
    expect(await f.routes.addMissing(samples)).toBe(1);
    await f.routes.remove('sample-lane');
    expect(await f.routes.addMissing(samples)).toBe(0);
    expect(await list()).toEqual([]);
  });
});
