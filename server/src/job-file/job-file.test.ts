import { zipSync } from 'fflate';
import request from 'supertest';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import {
  newRide,
  evaluate,
  evenHill,
  newBuild,
  shippedRules,
  simulatedLog,
  type BenchEntry,
  type RideRecord,
} from '@apple-cart/core';
import { MOST_PHOTOS } from '@apple-cart/contracts';
import { fixture, storedBuild, type Fixture } from '../test/fixture.ts';
import { jpeg } from '../test/jpeg.ts';
import { unzipped, zipped } from './zip.ts';

/** What is within a job file, by name. */
function within(file: Uint8Array): ReadonlyMap<string, Uint8Array> {
  const opened = unzipped(file);
  if (!opened.ok) throw new Error('no file');
  return new Map(opened.value.names.map((name) => [name, opened.value.get(name) ?? new Uint8Array()]));
}

/** Files as one archive in memory. */
async function archive(files: ReadonlyMap<string, Uint8Array>): Promise<Uint8Array> {
  const parts: Uint8Array[] = [];
  for await (const part of zipped(
    [...files].map(([name, data]) => ({ name, parts: [data] })),
    8,
  ))
    parts.push(part);
  return Buffer.concat(parts);
}

let f: Fixture;
let id: string;
const RUN = 'run-00000001';
beforeEach(async () => {
  f = await fixture();
  const { id: stored, document } = await storedBuild(f, 'Orchard longtail');
  id = stored;
  const steps = evaluate(document, shippedRules()).bench.map((p) => ({ ...p, why: [...p.why] }));
  const [first] = steps;
  if (first === undefined) throw new Error('no steps');
  const entry = (corrects: string | null): BenchEntry => ({
    step: first.key,
    says: 'pass',
    readings: [],
    ticks: [true],
    words: '',
    who: 'R. Quince',
    simulated: false,
    against: { planVersion: 1, evidence: first.evidence, part: first.part, guards: first.guards },
    corrects,
  });
  await f.stores.records.append(id, {
    key: RUN,
    kind: 'bench-run',
    parent: null,
    data: { name: 'Run', planVersion: 1, who: 'R. Quince', steps },
  });
  f.passMinutes(3);
  await f.stores.records.append(id, {
    key: 'entry-000001',
    kind: 'bench-entry',
    parent: RUN,
    data: entry(null),
  });
  await f.stores.records.append(id, {
    key: 'entry-000002',
    kind: 'bench-entry',
    parent: RUN,
    data: entry('entry-000001'),
  });
  await f.stores.photos.add(id, {
    key: 'photo-000001',
    parent: RUN,
    step: first.key,
    data: jpeg({ pad: 500 }),
  });
});
afterEach(() => f.end());

const out = async (build: string): Promise<Buffer> => {
  const answer = await request(f.app)
    .get(`/api/jobs/${build}`)
    .set('Host', 'localhost')
    .buffer(true)
    .parse((stream, done) => {
      const parts: Buffer[] = [];
      stream.on('data', (part: Buffer) => parts.push(part));
      stream.on('end', () => {
        done(null, Buffer.concat(parts));
      });
    });
  expect(answer.status).toBe(200);
  return answer.body as Buffer;
};
const take = (data: Uint8Array, on = f) =>
  request(on.app)
    .post('/api/jobs')
    .set('Host', 'localhost')
    .set('Content-Type', 'application/zip')
    .send(Buffer.from(data));

describe('a job as one file', () => {
  it('goes out and in whole: build, records with their times, photographs byte for byte', async () => {
    const file = await out(id);
    const other = await fixture();
    try {
      const taken = await take(file, other);
      expect(taken.status).toBe(201);
      const { id: there } = taken.body as { id: string };
      expect((await other.stores.builds.get(there)).document).toEqual(
        (await f.stores.builds.get(id)).document,
      );
      const before = await f.stores.records.list(id, undefined);
      const after = await other.stores.records.list(there, undefined);
      const unnumbered = ({ records }: typeof before) => records.map((r) => ({ ...r, seq: 0 }));
      expect(unnumbered(after)).toEqual(unnumbered(before));
      const picture = await other.stores.photos.picture(there, 'photo-000001');
      expect(Buffer.compare(picture.data, jpeg({ pad: 500 }))).toBe(0);
      // The same job is the same file, on whatever server.
      const again = await request(other.app).get(`/api/jobs/${there}`).set('Host', 'localhost');
      expect(again.status).toBe(200);
    } finally {
      await other.end();
    }
  });

  it('is the same file twice, and opens with any other program: JSON and tables by their names', async () => {
    const [one, two] = [await out(id), await out(id)];
    expect(Buffer.compare(one, two)).toBe(0);
    expect([...within(one).keys()].sort()).toEqual([
      'bench.json',
      'build.json',
      'harness.csv',
      'photos/photo-000001.jpg',
      'purchase.csv',
      'settings.json',
    ]);
  });

  it('taken in twice is a second build, with records of its own that still name each other', async () => {
    const taken = await take(await out(id));
    const { id: copy } = taken.body as { id: string };
    const { records } = await f.stores.records.list(copy, undefined);
    expect(records.map((r) => r.kind)).toEqual(['bench-run', 'bench-entry', 'bench-entry']);
    const [run, first, second] = records;
    expect(run?.key).not.toBe(RUN);
    expect(first?.parent).toBe(run?.key);
    expect((second?.data as BenchEntry | undefined)?.corrects).toBe(first?.key);
  });

  it('is refused whole with the place of the fault, and nothing of it is stored', async () => {
    const count = async () => (await f.stores.builds.list()).documents.length;
    const before = await count();
    const files = within(await out(id));
    const with_ = (name: string, data: Uint8Array | undefined): Promise<Uint8Array> => {
      const next = new Map(files);
      if (data === undefined) next.delete(name);
      else next.set(name, data);
      return archive(next);
    };
    const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
    const flipped = Uint8Array.from(await out(id));
    const middle = Math.floor(flipped.length / 2);
    flipped[middle] = (flipped[middle] ?? 0) ^ 0xff;
    const hostile: readonly (readonly [string, Uint8Array])[] = [
      ['nothing', new Uint8Array()],
      ['no zip', bytes('hello')],
      ['a flipped byte', flipped],
      ['cut off', (await out(id)).subarray(0, 400)],
      ['no build', await with_('build.json', undefined)],
      ['a build that is none', await with_('build.json', bytes('{"schemaVersion":8}'))],
      ['broken JSON', await with_('bench.json', bytes('{'))],
      ['a picture that is none', await with_('photos/photo-000001.jpg', bytes('<svg/>'))],
      ['no picture', await with_('photos/photo-000001.jpg', undefined)],
      ['a name that climbs', zipSync({ '../../x': bytes('x') })],
      ['an absolute name', zipSync({ '/etc/passwd': bytes('x') })],
      ['a program', zipSync({ 'run.exe': bytes('x') })],
      ['no manifest', zipSync({ 'build.json': bytes('{}') })],
      ['a bomb', zipSync({ 'build.json': new Uint8Array(80_000_000) })],
      [
        'a manifest that names what every object has',
        zipSync({
          'manifest.json': bytes(
            JSON.stringify({
              format: 'apple-cart-job',
              formatVersion: 1,
              schemas: { build: 8 },
              files: { constructor: { sha256: '0'.repeat(64), bytes: 1 } },
            }),
          ),
        }),
      ],
    ];
    for (const [what, data] of hostile) {
      const answer = await take(data);
      expect(answer.status, what).toBe(400);
      expect(answer.text, what).toContain('Nothing was stored');
    }
    expect(await count()).toBe(before);
  });

  it('takes its rides along, recordings and all, as tables with their units', async () => {
    const log = simulatedLog(newBuild('x'), {
      route: evenHill('x', 1500, 2),
      effort: 'cruise',
      seed: 3,
      windMs: 0,
      windFromDeg: undefined,
      airC: 12,
      truth: {},
      fault: 'none',
    });
    await f.stores.imports.keep(
      { key: 'ride-000001', buildId: id, at: '2026-04-11T10:00:00Z', source: 'x', ride: RIDE, known: false },
      log,
    );
    const file = await out(id);
    const files = within(file);
    const csv = new TextDecoder().decode(files.get('rides/ride-000001.csv'));
    expect(csv.split('\r\n')[0]).toContain('Time (s),Distance (m),Speed (m/s)');
    const taken = await take(file);
    const { id: copy } = taken.body as { id: string };
    const [copied] = await f.stores.logs.list(copy);
    expect(copied?.rows).toBe(log.seconds.length);
    const [before] = await f.stores.logs.list(id);
    expect(copied?.analysis.outWh).toBeCloseTo(before?.analysis.outWh ?? 0, 2);
    const { records } = await f.stores.records.list(copy, ['ride']);
    expect(records[0]?.key).toBe(copied?.key);
    // A recording of no ride, and one that cannot be read, are refused whole.
    for (const [name, text] of [
      ['rides/ride-000009.csv', csv],
      ['rides/ride-000001.csv', `${csv.slice(0, 200)}\r\noops`],
      ['rides/ride-000001.csv', 'hello'],
    ] as const) {
      const next = new Map(files);
      next.set(name, new TextEncoder().encode(text));
      expect((await take(await archive(next))).status, name).toBe(400);
    }
  });
});

describe('a large job as one file', () => {
  it('with more photographs than one run may have, and a recording of 310,000 rows', async () => {
    const runs = ['run-00000002', 'run-00000003', 'run-00000004', 'run-00000005'];
    const { records } = await f.stores.records.list(id, ['bench-run']);
    const [run] = records;
    if (run === undefined) throw new Error('no run');
    for (const key of runs) {
      await f.stores.records.append(id, { key, kind: 'bench-run', parent: null, data: run.data });
      for (let i = 0; i < MOST_PHOTOS; i += 1)
        await f.stores.photos.add(id, {
          key: `${key}-${String(i)}`,
          parent: key,
          step: 'before/photographs',
          data: jpeg({ pad: 200 + i }),
        });
    }
    const rows = 310_000;
    await f.stores.imports.keep(
      { key: 'ride-000001', buildId: id, at: '2026-04-11T10:00:00Z', source: 'x', ride: RIDE, known: false },
      {
        seconds: Float64Array.from({ length: rows }, (_, i) => i / 10),
        columns: { speed: Float32Array.from({ length: rows }, (_, i) => 5 + Math.sin(i / 100)) },
      },
    );
    const file = await out(id);
    const taken = await take(file);
    expect(taken.text).not.toContain('message');
    const { id: copy } = taken.body as { id: string };
    expect(await f.stores.photos.list(copy)).toHaveLength(runs.length * MOST_PHOTOS + 1);
    const [copied] = await f.stores.logs.list(copy);
    expect(copied?.rows).toBe(rows);
    // Every value comes back as it is stored, written with no more digits than it has.
    const [before, after] = await Promise.all(
      ['ride-000001', copied?.key ?? ''].map((key) => f.stores.logs.values(key, 'speed', 0, rows)),
    );
    expect(after).toEqual(before);
  });

  it('of more rows than one file takes is refused in words before it begins, with what to do', async () => {
    await f.stores.imports.keep(
      { key: 'ride-000001', buildId: id, at: '2026-04-11T10:00:00Z', source: 'x', ride: RIDE, known: false },
      {
        seconds: Float64Array.from({ length: 1000 }, (_, i) => i),
        columns: { speed: new Float32Array(1000) },
      },
    );
    await f.database.writer.query('UPDATE ride_logs SET rows = 2000001');
    for (const path of ['', '/size']) {
      const answer = await request(f.app).get(`/api/jobs/${id}${path}`).set('Host', 'localhost');
      expect(answer.status).toBe(413);
      expect(answer.text).toContain('one by one at Road');
    }
  });

  it('is told by its size before it is fetched', async () => {
    const answer = await request(f.app).get(`/api/jobs/${id}/size`).set('Host', 'localhost');
    expect(answer.body).toEqual({ rows: 0, photos: 1 });
  });
});

const RIDE: RideRecord = newRide({
  kind: 'everyday',
  on: '2026-04-11',
  planVersion: 1,
  pedalled: 'yes',
  who: 'R. Quince',
  simulated: true,
});
