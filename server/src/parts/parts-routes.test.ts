import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import request from 'supertest';
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
const put = (part: object, baseVersion: number | null, id = ring.id) =>
  request(f.app).put(`/api/parts/${id}`).send({ baseVersion, part });
const list = async () => {
  const answer = await request(f.app).get('/api/parts');
  return (answer.body as { parts: { version: number; part: typeof ring }[] }).parts;
};

describe('a part', () => {
  it('is put on the shelf, changed, and put away', async () => {
    expect((await put(ring, null)).body).toMatchObject({ version: 1, part: { teeth: 38 } });
    expect((await put({ ...ring, price: 40 }, 1)).body).toMatchObject({ version: 2, part: { price: 40 } });
    expect(await list()).toHaveLength(1);
    expect((await request(f.app).delete('/api/parts/ring-38')).status).toBe(204);
    expect(await list()).toHaveLength(0);
    expect((await request(f.app).delete('/api/parts/ring-38')).status).toBe(404);
  });

  it('that moved on meanwhile is not overwritten', async () => {
    await put(ring, null);
    await put({ ...ring, price: 40 }, 1);
    const late = await put({ ...ring, price: 50 }, 1);
    expect(late.status).toBe(409);
    expect(late.body).toMatchObject({ error: { current: { version: 2, part: { price: 40 } } } });
    expect((await put(ring, null)).status).toBe(409);
  });

  it('that is wrong says where, and nothing is stored', async () => {
    const wrong = await put({ ...ring, teeth: 4, colour: 'red' }, null);
    expect(wrong.status).toBe(400);
    const { error } = wrong.body as { error: { issues: { path: string }[] } };
    expect(error.issues.map((i) => i.path).sort()).toEqual(['colour', 'teeth']);
    expect((await put(ring, null, 'another-id')).status).toBe(400);
    expect(await list()).toHaveLength(0);
  });
});

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
    expect((await put(one, null, one.id)).status).toBe(200);
    const [stored] = await list();
    expect(stored?.part).toMatchObject(one);
    if (one.type === 'cell') expect(stored?.part).toMatchObject({ resistanceMohm: null, peakA: null });
    if (one.type === 'charger') expect(stored?.part).toMatchObject({ efficiencyPct: null });
  });

  it('with nonsense in them are refused by key', async () => {
    const wrong = await put({ ...cell, capacityAh: -1, inBody: 1.5, chemistry: 'plutonium' }, null, cell.id);
    const { error } = wrong.body as { error: { issues: { path: string }[] } };
    expect(error.issues.map((i) => i.path).sort()).toEqual(['capacityAh', 'chemistry', 'inBody']);
    expect(await list()).toHaveLength(0);
  });
});

describe('taking parts in', () => {
  const bring = (parts: readonly unknown[]) => request(f.app).post('/api/parts/import').send({ parts });

  it('adds new ones and replaces those that are there', async () => {
    await put(ring, null);
    const done = await bring([
      { ...ring, price: 30 },
      { ...ring, id: 'ring-42', teeth: 42 },
    ]);
    expect(done.body).toEqual({ added: 1, replaced: 1 });
    expect((await list()).find((p) => p.part.id === 'ring-38')).toMatchObject({
      version: 2,
      part: { price: 30 },
    });
  });

  it('takes all or none: the path names the row', async () => {
    const broken = await bring([ring, { ...ring, id: 'ring-42', teeth: 'many' }]);
    expect(broken.status).toBe(400);
    const { error } = broken.body as { error: { issues: { path: string }[] } };
    expect(error.issues[0]?.path).toBe('1.teeth');
    expect(await list()).toHaveLength(0);
    expect((await bring([ring, ring])).status).toBe(400);
  });

  it('leaves put-away sample parts away when the samples come again', async () => {
    await put(ring, null);
    await request(f.app).delete('/api/parts/ring-38');
    const { part } = await import('@apple-cart/core');
    expect(await f.parts.addMissing([part.parse(ring)])).toBe(0);
    expect(await list()).toHaveLength(0);
  });
});
