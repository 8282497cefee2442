import request from 'supertest';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { MOST_PHOTOS, MOST_PHOTO_BYTES } from '@apple-cart/contracts';
import { evaluate, shippedRules, type BenchEntry, type BenchRun } from '@apple-cart/core';
import { recordEntity } from './record-row.ts';
import { jpeg } from '../test/jpeg.ts';
import { fixture, storedBuild, type Fixture } from '../test/fixture.ts';

let f: Fixture;
let id: string;
let run: BenchRun;
beforeEach(async () => {
  f = await fixture();
  const build = await storedBuild(f);
  id = build.id;
  const steps = evaluate(build.document, shippedRules()).bench.map((p) => ({ ...p, why: [...p.why] }));
  run = { name: 'First run', planVersion: 1, who: 'R. Quince', steps };
});
afterEach(() => f.end());

const send = (key: string, kind: string, parent: string | null, data: unknown, build = id) =>
  request(f.app)
    .post(`/api/builds/${build}/records`)
    .set('Host', 'localhost')
    .send({ key, kind, parent, data });
const list = async (query = '') => {
  const answer = await request(f.app).get(`/api/builds/${id}/records${query}`).set('Host', 'localhost');
  return answer.body as {
    records: { key: string; seq: number; at: string; data: BenchEntry }[];
    broken: unknown[];
  };
};
const entry = (more: Partial<BenchEntry> = {}): BenchEntry => {
  const [first] = run.steps;
  if (first === undefined) throw new Error('no steps');
  return {
    step: first.key,
    says: 'pass',
    readings: [],
    ticks: [true],
    words: '',
    who: 'R. Quince',
    simulated: false,
    against: { planVersion: 1, evidence: first.evidence, part: first.part, guards: first.guards },
    corrects: null,
    ...more,
  };
};
const RUN = 'run-00000001';

describe('records of a build', () => {
  beforeEach(async () => {
    expect((await send(RUN, 'bench-run', null, run)).status).toBe(201);
  });

  it('are kept in their order, each once however often it is sent', async () => {
    const first = await send('entry-000001', 'bench-entry', RUN, entry());
    expect(first.body).toMatchObject({ known: false });
    f.passMinutes(5);
    await send('entry-000002', 'bench-entry', RUN, entry({ says: 'note', words: 'greased' }));
    const again = await send('entry-000001', 'bench-entry', RUN, entry());
    expect(again.status).toBe(200);
    expect(again.body).toEqual({ ...(first.body as object), known: true });
    const { records } = await list('?kind=bench-entry');
    expect(records.map((r) => r.key)).toEqual(['entry-000001', 'entry-000002']);
    expect((await list()).records).toHaveLength(3);
  });

  it('are never changed: another one under the same key is refused', async () => {
    await send('entry-000001', 'bench-entry', RUN, entry());
    expect((await send('entry-000001', 'bench-entry', RUN, entry({ words: 'else' }))).status).toBe(409);
    for (const method of ['put', 'delete', 'patch'] as const) {
      const ask = request(f.app);
      const { status } = await ask[method](`/api/builds/${id}/records/entry-000001`)
        .set('Host', 'localhost')
        .send({});
      expect(status, method).toBe(404);
    }
    expect((await list('?kind=bench-entry')).records[0]?.data.words).toBe('');
  });

  it('are refused with the place of the fault, and nothing is kept', async () => {
    const bad = await send('entry-000001', 'bench-entry', RUN, { ...entry(), who: ' ' });
    expect(bad.status).toBe(400);
    expect(JSON.stringify(bad.body)).toContain('data.who');
    const guarded = entry({ says: 'waive', words: 'no time' });
    const waived = { ...guarded, against: { ...guarded.against, guards: true } };
    expect((await send('entry-000002', 'bench-entry', RUN, waived)).status).toBe(400);
    expect((await send('entry-000003', 'ride-of-the-future', RUN, entry())).status).toBe(400);
    expect((await send('entry-000004', 'bench-entry', 'run-of-nobody', entry())).status).toBe(400);
    expect((await send('entry-000005', 'bench-entry', null, entry())).status).toBe(400);
    expect((await send('x', 'bench-entry', RUN, entry())).status).toBe(400);
    expect((await send('entry-000006', 'bench-entry', RUN, entry(), 'nobodys-build')).status).toBe(404);
    expect((await list('?kind=bench-entry')).records).toEqual([]);
    expect(
      (await request(f.app).get(`/api/builds/${id}/records?kind=else`).set('Host', 'localhost')).status,
    ).toBe(400);
  });

  it('of which one cannot be read any more are named, and the others stand', async () => {
    await send('entry-000001', 'bench-entry', RUN, entry());
    await f.database.write((m) =>
      m.getRepository(recordEntity).update({ key: 'entry-000001' }, { data: '{' }),
    );
    const { records, broken } = await list();
    expect(records).toHaveLength(1);
    expect(broken).toEqual([{ key: 'entry-000001', kind: 'bench-entry' }]);
  });
});

describe('photographs of a run', () => {
  const put = (key: string, data: Buffer, parent = RUN) =>
    request(f.app)
      .put(`/api/builds/${id}/photos/${key}?parent=${parent}&step=before/photographs`)
      .set('Host', 'localhost')
      .set('Content-Type', 'image/jpeg')
      .send(data);
  beforeEach(async () => {
    await send(RUN, 'bench-run', null, run);
  });

  it('come back byte for byte, as pictures that can do nothing', async () => {
    const data = jpeg({ pad: 900 });
    expect((await put('photo-000001', data)).status).toBe(201);
    expect((await put('photo-000001', data)).body).toMatchObject({ known: true });
    const back = await request(f.app)
      .get(`/api/builds/${id}/photos/photo-000001`)
      .set('Host', 'localhost')
      .buffer(true);
    expect(Buffer.compare(back.body as Buffer, data)).toBe(0);
    expect(back.headers['content-type']).toBe('image/jpeg');
    expect(back.headers['content-security-policy']).toBe("default-src 'none'; sandbox");
    expect(back.headers['content-disposition']).toBe('inline; filename="photo.jpg"');
    const tag = back.headers['etag'] ?? '';
    const same = await request(f.app)
      .get(`/api/builds/${id}/photos/photo-000001`)
      .set('Host', 'localhost')
      .set('If-None-Match', tag);
    expect(same.status).toBe(304);
    const { photos } = (await request(f.app).get(`/api/builds/${id}/photos`).set('Host', 'localhost'))
      .body as { photos: object[] };
    expect(photos).toEqual([
      expect.objectContaining({ key: 'photo-000001', width: 40, height: 30, size: data.length }),
    ]);
  });

  it.each([
    ['an SVG', Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"/>')],
    ['nothing', Buffer.alloc(0)],
    ['one cut off', jpeg().subarray(0, 20)],
    ['one with a page behind it', jpeg({ tail: Buffer.from('<html>') })],
    ['one with a place in it', jpeg({ app1: true })],
    ['one of too many elements', jpeg({ width: 60_000, height: 60_000 })],
    ['one without a size', jpeg({ width: 0 })],
  ])('are not taken from %s', async (_, data) => {
    expect((await put('photo-000001', data)).status).toBe(415);
  });

  it('are small enough, few enough, and of a run that is there', async () => {
    expect((await put('photo-000001', jpeg({ pad: MOST_PHOTO_BYTES }))).status).toBe(413);
    expect((await put('photo-000001', jpeg(), 'run-of-nobody')).status).toBe(404);
    for (let i = 0; i < MOST_PHOTOS; i += 1)
      await put(`photo-10${String(i).padStart(4, '0')}`, jpeg({ pad: i }));
    expect((await put('photo-999999', jpeg())).status).toBe(409);
    expect((await put('photo-100000', jpeg({ pad: 77 }))).status).toBe(409);
  });
});

describe('records of one kind of every build', () => {
  const fault = (cure: string) => ({
    on: '2026-03-02',
    who: 'L. Ladder',
    symptom: 'jerks',
    told: '',
    answers: [],
    cause: 'motor-plug',
    cure,
    km: null,
    planVersion: 1,
    corrects: null,
  });
  const everywhere = (query: string) => request(f.app).get(`/api/records${query}`).set('Host', 'localhost');

  it('come in their order, each with its build, and without what cannot be read any more', async () => {
    const other = (await storedBuild(f)).id;
    await send('fault-000001', 'fault', null, fault('plug replaced'));
    await send('fault-000002', 'fault', null, fault('crimped again'), other);
    await send('fault-000003', 'fault', null, fault('sealed'));
    await send(RUN, 'bench-run', null, run);
    await f.database.write((manager) =>
      manager.getRepository(recordEntity).update({ key: 'fault-000003' }, { data: '{' }),
    );
    const answer = await everywhere('?kind=fault');
    expect(answer.status).toBe(200);
    const { records } = answer.body as { records: { key: string; build: string }[] };
    expect(records.map((r) => [r.key, r.build])).toEqual([
      ['fault-000001', id],
      ['fault-000002', other],
    ]);
  });

  it('are asked for by their kind, and by no other word', async () => {
    for (const query of ['', '?kind=cat', '?kind=fault&kind=ride', '?kind[a]=fault'])
      expect((await everywhere(query)).status, query).toBe(400);
  });

  it('are kept as read: a cure that is not told is refused at its place', async () => {
    const answer = await send('fault-000001', 'fault', null, fault(' '));
    expect(answer.status).toBe(400);
    expect(JSON.stringify(answer.body)).toMatch(/data\.cure/);
  });
});
