import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import request from 'supertest';
import { shippedRules, type PlaceRules, type ToldVerdict } from '@apple-cart/core';
import { ruleKind } from './rule-book.ts';
import type { ListAnswer, ListedRules } from '@apple-cart/contracts';
import { fixture, named, type Fixture } from '../test/fixture.ts';

let f: Fixture;
beforeEach(async () => {
  f = await fixture();
});
afterEach(() => f.end());

const shipped = (id: string): PlaceRules => {
  const found = shippedRules().find((p) => p.id === id);
  if (found === undefined) throw new Error(id);
  return found;
};
/** New Zealand as an invented place would have it. */
const wold: PlaceRules = { ...shipped('nz'), id: 'harrow-wold', name: 'Harrow Wold', region: 'Own' };
const put = (rules: unknown, baseVersion = 0, id = (rules as PlaceRules).id) =>
  request(f.app).put(`/api/rules/${id}`).send({ baseVersion, document: rules });
const book = async () => (await request(f.app).get('/api/rules')).body as ListAnswer<ListedRules>;
const listed = async (id: string) => (await book()).documents.find((p) => p.id === id);

describe('the rule book', () => {
  it('is what ships until somebody changes it', async () => {
    const { documents: places, broken } = await book();
    expect(places.map((p) => p.id)).toEqual(shippedRules().map((p) => p.id));
    expect(places.every((p) => p.origin === 'shipped' && p.version === 0)).toBe(true);
    expect(broken).toEqual([]);
  });

  it('takes a place of one’s own, judges by it, and lets it go and come back', async () => {
    expect((await put(wold)).body).toEqual({ id: 'harrow-wold', version: 1 });
    expect(await listed('harrow-wold')).toMatchObject({ origin: 'own', version: 1 });
    const build = named('Here');
    const here = async () => {
      const answer = await request(f.app)
        .post('/api/evaluate')
        .send({ ...build, brief: { ...build.brief, place: 'harrow-wold' } });
      return (answer.body as ToldVerdict).law.here;
    };
    expect((await here()).place.name).toBe('Harrow Wold');
    expect((await request(f.app).delete('/api/rules/harrow-wold')).status).toBe(204);
    expect(await here()).toMatchObject({ outcome: 'cannot-tell', className: 'No rules' });
    expect((await request(f.app).post('/api/rules/harrow-wold/restore').send({})).status).toBe(200);
    expect((await here()).place.name).toBe('Harrow Wold');
  });

  it('corrects a shipped place, and goes back to it', async () => {
    await put({ ...shipped('gb'), readYear: 2026 }).expect(200);
    expect(await listed('gb')).toMatchObject({
      document: { readYear: 2026 },
      origin: 'corrected',
      version: 1,
    });
    await request(f.app).delete('/api/rules/gb').expect(204);
    expect(await listed('gb')).toMatchObject({ document: { readYear: 2025 }, origin: 'shipped', version: 0 });
    // A correction after going back begins from what ships again.
    expect((await put({ ...shipped('gb'), readYear: 2027 })).body).toMatchObject({ version: 2 });
  });

  it('refuses a broken file by its path and keeps the old one in force', async () => {
    await put({ ...shipped('gb'), readYear: 2026 });
    const broken = structuredClone(shipped('gb')) as unknown as {
      tests: { categories: { clauses: Record<string, unknown>[] }[] }[];
    };
    const clause = broken.tests[0]?.categories[0]?.clauses[0];
    if (clause !== undefined) {
      clause['limit'] = 'lots';
      delete clause['source'];
    }
    const answer = await put(broken, 1, 'gb');
    expect(answer.status).toBe(400);
    const { error } = answer.body as { error: { issues: { path: string; message: string }[] } };
    expect(error.issues.map((i) => i.path).sort()).toEqual([
      'tests.0.categories.0.clauses.0.limit',
      'tests.0.categories.0.clauses.0.source',
    ]);
    expect(error.issues[0]?.message).toContain('wanted');
    expect(await listed('gb')).toMatchObject({ document: { readYear: 2026 } });
  });

  it('does not let one window overwrite another’s correction, nor a file its address', async () => {
    await put({ ...shipped('gb'), readYear: 2026 });
    expect((await put({ ...shipped('gb'), readYear: 2027 })).status).toBe(409);
    expect((await put({ ...shipped('gb'), readYear: 2027 }, 1)).status).toBe(200);
    const elsewhere = await put(wold, 0, 'gb');
    expect(elsewhere.status).toBe(400);
    expect(elsewhere.body).toMatchObject({ error: { issues: [{ path: 'id' }] } });
  });

  it('that was broken behind its back says so, and what ships is in force', async () => {
    await put({ ...shipped('gb'), readYear: 2026 });
    await f.database.write((manager) =>
      manager
        .getRepository(ruleKind.entity)
        .update({ id: 'gb' }, { document: '{"format":"apple-cart-rules"' }),
    );
    const { broken } = await book();
    expect(broken.map((b) => b.id)).toEqual(['gb']);
    expect(await listed('gb')).toMatchObject({ origin: 'shipped', document: { readYear: 2025 } });
  });

  it('has nothing to take out or to put back where nothing was changed', async () => {
    await request(f.app).delete('/api/rules/gb').expect(404);
    await request(f.app).post('/api/rules/gb/restore').send({}).expect(404);
  });
});
