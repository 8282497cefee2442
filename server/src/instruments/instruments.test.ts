import { createServer, get, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import request from 'supertest';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { newRide, evaluate, evenHill, shippedRules, type RideRecord } from '@apple-cart/core';
import { fixture, storedBuild, type Fixture } from '../test/fixture.ts';

let f: Fixture;
let id: string;
let key: string;
beforeEach(async () => {
  f = await fixture();
  const { id: stored, document } = await storedBuild(f);
  id = stored;
  key = evaluate(document, shippedRules()).bench.find((p) => p.key === 'pack/volts')?.key ?? '';
});
afterEach(() => f.end());

/** The first events of a stream. */
async function events(
  path: string,
  count: number,
): Promise<readonly { readings: number[]; simulated: boolean }[]> {
  const server: Server = createServer(f.app);
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  const { port } = server.address() as AddressInfo;
  try {
    return await new Promise((resolve, reject) => {
      const found: { readings: number[]; simulated: boolean }[] = [];
      const asked = get({ port, path, host: '127.0.0.1' }, (answer) => {
        expect(answer.headers['content-type']).toContain('text/event-stream');
        answer.setEncoding('utf8');
        answer.on('data', (text: string) => {
          for (const line of text.split('\n').filter((l) => l.startsWith('data: ')))
            found.push(JSON.parse(line.slice(6)) as (typeof found)[number]);
          if (found.length >= count) {
            asked.destroy();
            resolve(found);
          }
        });
      });
      asked.on('error', (problem) => {
        if (found.length < count) reject(problem);
      });
    });
  } finally {
    await new Promise((done) => server.close(done));
  }
}

describe('the simulated instruments', () => {
  it('stream readings that say what they are, the same for the same seed', async () => {
    const [one, two] = await events(`/api/builds/${id}/instruments/measure?point=${key}&seed=5`, 2);
    expect(one).toMatchObject({ instrument: 'Simulated meter', simulated: true });
    expect(one?.readings).toHaveLength(1);
    expect(two?.simulated).toBe(true);
    const [again] = await events(`/api/builds/${id}/instruments/measure?point=${key}&seed=5`, 1);
    expect(again).toEqual(one);
  });

  it('measure nothing that is not asked, of no build that is not there', async () => {
    const ask = (path: string) => request(f.app).get(path).set('Host', 'localhost');
    expect((await ask(`/api/builds/${id}/instruments/measure?point=fitting/nuts`)).status).toBe(404);
    expect((await ask(`/api/builds/nobody/instruments/measure?point=${key}`)).status).toBe(404);
    expect((await ask(`/api/builds/${id}/instruments/measure?point=${key}&fault=fire`)).status).toBe(400);
  });

  it('write settings and read them back, now and then not all', async () => {
    const program = (seed: number) =>
      request(f.app)
        .post(`/api/builds/${id}/instruments/program`)
        .set('Host', 'localhost')
        .send({ seed, settings: { 'low-volts': 42, 'battery-amps': 30 } });
    const answers = await Promise.all(Array.from({ length: 30 }, (_, i) => program(i)));
    for (const a of answers) expect(a.body).toMatchObject({ simulated: true });
    const off = answers.filter((a) => {
      const { settings } = a.body as { settings: Record<string, number> };
      return settings['low-volts'] !== 42 || settings['battery-amps'] !== 30;
    });
    expect(off.length).toBeGreaterThan(0);
    expect(off.length).toBeLessThan(30);
    expect((await program(1).send({ seed: 1, settings: { x: 'many' } })).status).toBe(400);
  });

  it('ride a road with a logger on board, live, and keep the ride as simulated', async () => {
    const road = { ...evenHill('Test road', 2000, 1), andBack: true };
    const { id: route } = await f.stores.routes.create(road);
    const told = (await events(
      `/api/builds/${id}/instruments/ride?route=${route}&seed=4&windMs=2`,
      3,
    )) as unknown as {
      seconds: number;
      speed: number;
      simulated: boolean;
    }[];
    expect(told.every((t) => t.simulated)).toBe(true);
    expect(told[2]?.seconds).toBeGreaterThan(told[0]?.seconds ?? 0);
    const how = { route, seed: 4, windMs: 2 };
    const send = (body: object) =>
      request(f.app).post(`/api/builds/${id}/instruments/ride`).set('Host', 'localhost').send(body);
    const body = { key: 'ride-000001', ride: RIDE, how };
    expect((await send(body)).status).toBe(201);
    expect((await send(body)).status).toBe(409);
    const { records } = await f.stores.records.list(id, ['ride']);
    expect(records[0]?.data).toMatchObject({ simulated: true, who: 'R. Quince' });
    expect((records[0]?.data as RideRecord | undefined)?.distanceKm).toBeCloseTo(4, 1);
    expect((await send({ ...body, key: 'ride-000002', how: { ...how, route: 'nowhere' } })).status).toBe(404);
    expect((await send({ ...body, key: 'ride-000002', how: { ...how, fault: 'fire' } })).status).toBe(400);
  });
});

const RIDE: RideRecord = newRide({
  kind: 'everyday',
  on: '2026-04-11',
  planVersion: 1,
  pedalled: 'yes',
  who: 'R. Quince',
});
