import { createServer, get, request as ask, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import request from 'supertest';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import type { LogInfo, LogTaken, LogWindow } from '@apple-cart/contracts';
import { newRide, guessLogColumns, type LogColumns, type RideRecord } from '@apple-cart/core';
import { fixture, storedBuild, type Fixture } from '../test/fixture.ts';

let f: Fixture;
let id: string;
// One application for all of them, whose thread reads one file after the other; each test has a build of its own.
beforeAll(async () => {
  f = await fixture();
});
afterAll(() => f.end());
let rides = 0;
let key: string;
beforeEach(async () => {
  ({ id } = await storedBuild(f));
  rides += 1;
  key = `ride-${String(rides).padStart(6, '0')}`;
});

const RIDE: RideRecord = newRide({
  kind: 'everyday',
  on: '2026-04-11',
  title: 'to the press house',
  planVersion: 1,
  pedalled: 'yes',
  who: 'L. Ladder',
});
const HEADS = ['time (s)', 'distance (km)', 'speed (km/h)', 'volts', 'amps'];
const columns = (): LogColumns => {
  const guess = guessLogColumns(HEADS, ['0', '0', '0', '54', '0'], ',');
  if (guess === undefined) throw new Error('not known');
  return guess;
};
const row = (i: number): string =>
  `${String(i)},${(i * 0.005).toFixed(3)},18,${(54 - i / 5000).toFixed(2)},${i === 777 ? '33' : '10'}`;
const csv = (rows: number): string =>
  [HEADS.join(','), ...Array.from({ length: rows }, (_, i) => row(i)), ''].join('\n');
const address = (to: string, about: object = {}): string =>
  `/api/builds/${id}/logs/${to}/import?about=${encodeURIComponent(JSON.stringify({ columns: columns(), ride: RIDE, bad: 'skip', ...about }))}`;
const send = (to: string, body: string | Buffer, about: object = {}) =>
  request(f.app).post(address(to, about)).set('Host', 'localhost').set('Content-Type', 'text/csv').send(body);
const see = (path: string) => request(f.app).get(`/api/builds/${id}${path}`).set('Host', 'localhost');
const nothing = async (): Promise<void> => {
  expect((await see('/logs')).body).toEqual({ logs: [] });
  expect((await see('/records')).body).toMatchObject({ records: [] });
  expect(
    await f.database.reader.query('SELECT count(*) AS n FROM ride_chunks WHERE "log" = ?', [key]),
  ).toEqual([{ n: 0 }]);
};

describe('a recording', () => {
  it('is taken in with its ride, whose readings it fills, and read by the window', async () => {
    const answer = await send(key, csv(50_000));
    expect(answer.status).toBe(201);
    expect(answer.body).toEqual({ key: key, rows: 50_000, skipped: 0, bad: [] });
    const { records } = (await see('/records?kind=ride')).body as {
      records: { key: string; data: RideRecord }[];
    };
    expect(records[0]?.key).toBe(key);
    // 10 A at some 49 V over 49,999 s, and what the one row of 33 A is more.
    expect(records[0]?.data.chargeAh).toBeCloseTo((10 * 49_999 + 23) / 3600, 2);
    expect(records[0]?.data.distanceKm).toBeCloseTo(249.995, 3);
    const { logs } = (await see('/logs')).body as { logs: LogInfo[] };
    expect(logs[0]).toMatchObject({ key: key, rows: 50_000 });
    expect(logs[0]?.analysis.mostA).toBe(33);
    expect(logs[0]?.analysis.riderWh).toBeNull();

    const whole = (await see(`/logs/${key}?columns=amps,volts,windingC&most=400`)).body as LogWindow;
    expect(whole.bucket).toBe(256);
    const { amps } = whole.columns;
    if (amps === undefined || Array.isArray(amps)) throw new Error('no buckets');
    // The one row that stands out is in its bucket at every level.
    expect(amps.max[3]).toBe(33);
    expect(Math.max(...amps.max.map(Number))).toBe(33);
    expect(whole.columns['windingC']).toBeUndefined();
    const near = (await see(`/logs/${key}?columns=seconds,amps&from=770&to=780`)).body as LogWindow;
    expect(near).toMatchObject({ bucket: 1, from: 770 });
    expect(near.columns['amps']).toEqual([10, 10, 10, 10, 10, 10, 10, 33, 10, 10]);
    // Over the edge of a chunk.
    const edge = (await see(`/logs/${key}?columns=seconds&from=4094&to=4099`)).body as LogWindow;
    expect(edge.columns['seconds']).toEqual([4094, 4095, 4096, 4097, 4098]);
    // It is kept once.
    expect((await send(key, csv(10))).status).toBe(409);
  });

  it('is laid beside a ride that was typed before, and leaves it as it was', async () => {
    await request(f.app)
      .post(`/api/builds/${id}/records`)
      .set('Host', 'localhost')
      .send({ key: key, kind: 'ride', parent: null, data: RIDE });
    expect((await send(key, csv(100))).status).toBe(201);
    const { records } = (await see('/records?kind=ride')).body as { records: { data: RideRecord }[] };
    expect(records).toHaveLength(1);
    expect(records[0]?.data.distanceKm).toBeNull();
    expect((await see(`/logs/${key}?columns=volts`)).status).toBe(200);
  });

  it('of bad rows names them, and leaves them out or takes nothing, as was chosen', async () => {
    const lines = csv(30).split('\n');
    lines[5] = '4,oops,18,54,10';
    lines[9] = '1,0.04,18,54,10';
    const bad = [
      { line: 6, why: 'Distance: "oops" is no number' },
      { line: 10, why: 'its time runs backwards' },
    ];
    const refused = await send(key, lines.join('\n'), { bad: 'refuse' });
    expect(refused.status).toBe(400);
    expect(refused.body).toMatchObject({
      error: { message: '2 rows cannot be read. Nothing was stored.', bad },
    });
    await nothing();
    const taken = await send(key, lines.join('\n'));
    expect(taken.body).toEqual({ key: key, rows: 28, skipped: 2, bad });
  });

  const track = (n: number): string =>
    `<?xml version="1.0"?><gpx version="1.1" creator="x" xmlns="http://www.topografix.com/GPX/1/1"><trk><trkseg>${Array.from(
      { length: n },
      (_, i) =>
        `<trkpt lat="${(51 + i * 1e-4).toFixed(5)}" lon="0"><ele>${String(80 + i / 4)}</ele><time>2026-04-11T08:00:${String(i).padStart(2, '0')}Z</time></trkpt>`,
    ).join('')}</trkseg></trk></gpx>`;
  it('may be a track with times', async () => {
    const answer = await send(key, track(50), { columns: null });
    expect(answer.body).toMatchObject({ rows: 50 });
    const near = (await see(`/logs/${key}?columns=metres,latDeg`)).body as LogWindow;
    expect((near.columns['metres'] as number[]).at(-1)).toBeCloseTo(49 * 11.12, 0);
    const plain = await send('ride-again1', track(50).replaceAll(/<time>[^<]*<\/time>/g, ''), {
      columns: null,
    });
    expect(plain.status).toBe(400);
  });

  it.each([
    ['nothing', ''],
    ['heads alone', HEADS.join(',')],
    ['another encoding', Buffer.from(`${csv(3)}\n9,0.1,18,54,10 \u00e9`, 'latin1')],
    ['noughts', Buffer.concat([Buffer.from(csv(3)), Buffer.alloc(50)])],
    ['UTF-16', Buffer.from(csv(30), 'utf16le')],
    ['one row of a million cells', `${HEADS.join(',')}\n${'1,'.repeat(1_000_000)}`],
    ['a quote that is never closed', `${HEADS.join(',')}\n0,"${'x'.repeat(200_000)}`],
    ['another table', `${HEADS.join(',')}\n${'a,b,c,d,e\n'.repeat(3000)}`],
    ['numbers that are none', `${HEADS.join(',')}\n0,NaN,NaN,NaN,NaN\n1,Infinity,0,0,0\n`],
    ['time that runs backwards', `${HEADS.join(',')}\n9,0,0,54,0\n${'1,0,0,54,0\n'.repeat(2000)}`],
  ])('of %s is refused with its reason, and nothing is stored', async (_, body) => {
    const answer = await send(key, body, { bad: 'refuse' });
    expect(answer.status).toBe(400);
    expect((answer.body as { error: { message: string } }).error.message).toMatch(
      /^.{15,}Nothing was stored\.$/,
    );
    await nothing();
  });

  it('is refused where its columns or its ride are not right, by the place', async () => {
    for (const about of [
      { columns: { ...columns(), time: { column: -1, as: 's' } } },
      { columns: { ...columns(), channels: [{ channel: 'volts', column: 1, unit: 'km' }] } },
      { ride: { ...RIDE, who: '' } },
      { bad: 'guess' },
    ])
      expect((await send(key, csv(3), about)).status, JSON.stringify(about).slice(0, 60)).toBe(400);
    expect((await send(key, '<gpx><!DOCTYPE x></gpx>', { columns: null })).status).toBe(400);
    expect(
      (await request(f.app).post(address(key).replace(id, 'nobody')).set('Host', 'localhost').send(csv(3)))
        .status,
    ).toBe(404);
    await nothing();
  });
});

/** A server that really listens: a file that comes slowly can be stopped on the way. */
async function listening(work: (port: number) => Promise<void>): Promise<void> {
  const server: Server = createServer(f.app);
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  try {
    await work((server.address() as AddressInfo).port);
  } finally {
    server.closeAllConnections();
    await new Promise((done) => server.close(done));
  }
}

describe('an import under way', () => {
  it('tells how far it is, answers others meanwhile, is stopped, and leaves nothing', async () => {
    await listening(async (port) => {
      const told: { state: string; rows: number }[] = [];
      const listener = get({ port, path: `/api/builds/${id}/logs/${key}/progress` }, (answer) => {
        answer.on('error', () => undefined);
        answer.setEncoding('utf8').on('data', (text: string) => {
          for (const line of text.split('\n').filter((l) => l.startsWith('data: {"state')))
            told.push(JSON.parse(line.slice(6)) as (typeof told)[number]);
        });
      });
      listener.on('error', () => undefined);
      const answered = new Promise<{ status: number; text: string }>((resolve) => {
        const out = ask({ port, path: address(key), method: 'POST' }, (answer) => {
          let text = '';
          answer.setEncoding('utf8').on('data', (more: string) => (text += more));
          answer.on('end', () => {
            resolve({ status: answer.statusCode ?? 0, text });
          });
        });
        out.on('error', () => undefined);
        out.write(csv(20_000));
        // The end never comes: it is stopped.
      });
      await expect.poll(() => told.some((t) => t.state === 'reading' && t.rows > 0)).toBe(true);
      expect((await see('/logs')).status).toBe(200);
      const stop = await request(f.app)
        .delete(`/api/builds/${id}/logs/${key}/import`)
        .set('Host', 'localhost');
      expect(stop.body).toEqual({ stopped: true });
      expect(await answered).toMatchObject({ status: 409 });
      await expect.poll(() => told.at(-1)?.state).toBe('over');
      listener.destroy();
    });
    await nothing();
    expect((await send(key, csv(100))).status).toBe(201);
  });

  it('ends with the page that began it', async () => {
    await listening(async (port) => {
      const out = ask({ port, path: address(key), method: 'POST' });
      out.on('error', () => undefined);
      out.write(csv(20_000));
      await expect.poll(() => f.stores.imports.progress(key)?.rows ?? 0).toBeGreaterThan(0);
      out.destroy();
      await expect.poll(() => f.stores.imports.progress(key)).toBeUndefined();
    });
    await nothing();
  });

  it('holds no other write back for long, and both are kept', async () => {
    const [taken, ...others] = await Promise.all([
      send(key, csv(30_000)),
      ...Array.from({ length: 20 }, (_, i) =>
        request(f.app)
          .post(`/api/builds/${id}/records`)
          .set('Host', 'localhost')
          .send({ key: `${key}-typed-${String(i)}`, kind: 'ride', parent: null, data: RIDE }),
      ),
    ]);
    expect(taken.status).toBe(201);
    expect((taken.body as LogTaken).rows).toBe(30_000);
    expect(others.map((o) => o.status)).toEqual(others.map(() => 201));
  });
});
