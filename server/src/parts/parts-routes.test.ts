import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import request from 'supertest';
import { part } from '@apple-cart/core';
import { fixture, type Fixture } from '../test/fixture.ts';

let f: Fixture;
beforeEach(async () => {
  f = await fixture();
});
afterEach(() => f.end());

const ring = {
  id: 'ring-38',
  type: 'ring',
  name: 'Test ring 38 T',
  maker: 'Test',
  teeth: 38,
  ringLineMm: 13,
  massKg: 0.18,
  price: 36,
  currency: 'GBP',
};
const put = (document: object, id: string) =>
  request(f.app).put(`/api/parts/${id}`).send({ baseVersion: 0, document });
const list = async () => {
  const answer = await request(f.app).get('/api/parts');
  return (answer.body as { documents: { version: number; document: typeof ring }[] }).documents;
};

describe('parts of the power chain', () => {
  const common = { maker: 'Test', price: 4, currency: 'GBP', massKg: 0.05 };
  const cell = {
    ...common,
    id: 'cell-a',
    type: 'cell',
    name: 'Test cell',
    chemistry: 'nmc',
    round: true,
    inBody: 1,
    capacityAh: 3.4,
    continuousA: 8,
    widthMm: 18.4,
    heightMm: 65.2,
  };
  it.each([
    cell,
    { ...common, id: 'chg-a', type: 'charger', name: 'Test charger', volts: 54.6, currentA: 3 },
    { ...common, id: 'plug-a', type: 'connector', name: 'Test plug', connectorA: 45 },
    {
      ...common,
      id: 'wire-a',
      type: 'wire',
      name: 'Test lead',
      conductor: 'copper',
      leadMm2: 4,
      insulationC: 105,
    },
  ])('$type is stored, and what its maker does not give is null', async (one) => {
    expect((await put(one, one.id)).status).toBe(200);
    const [stored] = await list();
    expect(stored?.document).toMatchObject(one);
    if (one.type === 'cell') expect(stored?.document).toMatchObject({ resistanceMohm: null, peakA: null });
    if (one.type === 'charger') expect(stored?.document).toMatchObject({ efficiencyPct: null });
  });

  it('with nonsense in them are refused by key', async () => {
    const wrong = await put({ ...cell, capacityAh: -1, inBody: 1.5, chemistry: 'plutonium' }, cell.id);
    const { error } = wrong.body as { error: { issues: { path: string }[] } };
    expect(error.issues.map((i) => i.path).sort()).toEqual(['capacityAh', 'chemistry', 'inBody']);
    expect(await list()).toHaveLength(0);
  });
});

describe('the samples', () => {
  it('that were put away stay away when they come again', async () => {
    await put(ring, ring.id);
    await request(f.app).delete('/api/parts/ring-38');
    expect(await f.stores.parts.addMissing(new Map([[ring.id, part.parse(ring)]]))).toBe(0);
    expect(await list()).toHaveLength(0);
  });
});
