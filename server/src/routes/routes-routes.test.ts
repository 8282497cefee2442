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
  return (answer.body as { documents: { id: string; version: number; summary: { name: string } }[] })
    .documents;
};

describe('a route', () => {
  it('is listed by its sum, and read whole', async () => {
    const added = await post(hill('Test lane'));
    expect(added.status).toBe(201);
    const id = idOf(added);
    expect(await list()).toEqual([
      {
        id,
        version: 1,
        summary: expect.objectContaining({ name: 'Test lane', lengthM: 800, recorded: false }) as unknown,
      },
    ]);
    expect((await request(f.app).get(`/api/routes/${id}`)).body).toMatchObject({
      document: hill('Test lane'),
    });
    await request(f.app)
      .put(`/api/routes/${id}`)
      .send({ baseVersion: 1, document: hill('Longer lane') })
      .expect(200);
    expect(await list()).toMatchObject([{ id, version: 2, summary: { name: 'Longer lane' } }]);
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
    expect((read.body as { document: Route }).document.recorded?.latDeg).toHaveLength(n);
  });

  it('of the samples that was put away stays away', async () => {
    const samples = new Map([['sample-lane', hill('Sample lane')]]);
    expect(await f.stores.routes.addMissing(samples)).toBe(1);
    await f.stores.routes.putAway('sample-lane');
    expect(await f.stores.routes.addMissing(samples)).toBe(0);
    expect(await list()).toEqual([]);
  });
});
