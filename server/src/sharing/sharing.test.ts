import { Agent, createServer, request as ask, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { createApp } from '../app.ts';
import { fixture, type Fixture } from '../test/fixture.ts';
import { Sharing } from './sharing.ts';

/** An address of documentation (RFC 5737) stands for the one of this computer on its network. */
const ADDRESS = '192.0.2.7';

let f: Fixture;
let server: Server;
let port: number;
const agents = new Map<string, Agent>();
beforeEach(async () => {
  f = await fixture();
  server = createServer(f.app);
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  port = (server.address() as AddressInfo).port;
});
afterEach(async () => {
  for (const agent of agents.values()) agent.destroy();
  agents.clear();
  server.closeAllConnections();
  await new Promise((done) => server.close(done));
  await f.end();
});

interface Answer {
  readonly status: number;
  readonly body: Record<string, unknown>;
  readonly cookie: string;
}
interface Asked {
  readonly from?: string;
  readonly method?: string;
  readonly body?: unknown;
  readonly headers?: Readonly<Record<string, string>>;
}

/** Asks as a device of the network: from an address of its own that is not the server's loopback. */
function device(
  path: string,
  { from = '127.0.1.7', method = 'GET', body, headers = {} }: Asked = {},
): Promise<Answer> {
  const agent = agents.get(from) ?? new Agent({ keepAlive: true, localAddress: from });
  agents.set(from, agent);
  const host = `${ADDRESS}:${String(port)}`;
  const text = body === undefined ? undefined : JSON.stringify(body);
  return new Promise((resolve, reject) => {
    const sent = ask(
      {
        host: '127.0.0.1',
        port,
        path,
        method,
        agent,
        localAddress: from,
        headers: {
          host,
          ...(method === 'GET' ? {} : { origin: `http://${host}`, 'content-type': 'application/json' }),
          ...headers,
        },
      },
      (answer) => {
        let data = '';
        answer.setEncoding('utf8');
        answer.on('data', (part: string) => (data += part));
        answer.on('end', () => {
          const [cookie = ''] = answer.headers['set-cookie'] ?? [];
          const json = data.startsWith('{') ? (JSON.parse(data) as Record<string, unknown>) : {};
          resolve({ status: answer.statusCode ?? 0, body: json, cookie });
        });
      },
    );
    sent.on('error', reject);
    sent.end(text);
  });
}
/** Asks as this computer itself. */
const local = (path: string, asked: Asked = {}): Promise<Answer> => {
  const host = `127.0.0.1:${String(port)}`;
  return device(path, {
    from: '127.0.0.1',
    ...asked,
    headers: { host, ...(asked.method === undefined ? {} : { origin: `http://${host}` }), ...asked.headers },
  });
};
const newCode = async (): Promise<string> =>
  String((await local('/api/share/code', { method: 'POST', body: {} })).body['code']);
const enter = (code: string, asked: Asked = {}) =>
  device('/api/share/enter', { method: 'POST', body: { code }, ...asked });
const cookieIn = ({ cookie }: Answer): string => cookie.split(';')[0] ?? '';

describe('another device of the network', () => {
  it('is let in by the code that this computer shows, once, and is signed out for good', async () => {
    expect((await device('/api/builds')).status).toBe(401);
    const code = await newCode();
    expect(code).toMatch(/^\d{8}$/);
    const entered = await enter(code);
    expect(entered.status).toBe(200);
    expect(entered.cookie).toMatch(/HttpOnly; SameSite=Strict; Path=\//);
    const headers = { cookie: cookieIn(entered) };
    expect((await device('/api/builds', { headers })).status).toBe(200);
    expect((await device('/api/share/me', { headers })).body).toEqual({ here: false, in: true });
    // The code is used up.
    expect((await enter(code, { from: '127.0.1.8' })).status).toBe(401);
    // Seen at this computer, and signed out there: the cookie played back is nothing.
    const { body } = await local('/api/share');
    const [one] = body['devices'] as { id: string; address: string }[];
    expect(one?.address).toContain('127.0.1.7');
    expect((await local(`/api/share/devices/${one?.id ?? ''}`, { method: 'DELETE' })).status).toBe(204);
    expect((await device('/api/builds', { headers })).status).toBe(401);
  });

  it('that leaves by itself cannot come back with its old cookie', async () => {
    const headers = { cookie: cookieIn(await enter(await newCode())) };
    expect((await device('/api/builds', { headers })).status).toBe(200);
    expect((await device('/api/share/leave', { method: 'POST', body: {}, headers })).status).toBe(200);
    expect((await device('/api/builds', { headers })).status).toBe(401);
  });

  it('is refused with another Host, another Origin, none on a write, and a cookie of its own making', async () => {
    const headers = { cookie: cookieIn(await enter(await newCode())) };
    for (const host of [
      'evil.example',
      `evil.example:${String(port)}`,
      `127.0.0.1:${String(port)}`,
      `localhost:${String(port)}`,
      `${ADDRESS}:1`,
      '',
    ])
      expect((await device('/api/builds', { headers: { ...headers, host } })).status, host).toBe(421);
    for (const origin of ['http://evil.example', 'null', `https://${ADDRESS}:${String(port)}`])
      expect((await device('/api/builds', { headers: { ...headers, origin } })).status, origin).toBe(403);
    const bare = await new Promise<number>((resolve, reject) => {
      const sent = ask(
        {
          host: '127.0.0.1',
          port,
          path: '/api/builds',
          method: 'POST',
          localAddress: '127.0.1.7',
          headers: { host: `${ADDRESS}:${String(port)}`, 'content-type': 'application/json', ...headers },
        },
        (answer) => {
          answer.resume();
          resolve(answer.statusCode ?? 0);
        },
      );
      sent.on('error', reject);
      sent.end('{}');
    });
    expect(bare).toBe(403);
    for (const cookie of ['apple-cart=', 'apple-cart=x', `apple-cart=${'A'.repeat(43)}`, 'other=1'])
      expect((await device('/api/builds', { headers: { cookie } })).status).toBe(401);
  });

  it('has no hand on codes and devices, whatever it says', async () => {
    const headers = { cookie: cookieIn(await enter(await newCode())) };
    expect((await device('/api/share', { headers })).status).toBe(403);
    expect((await device('/api/share/code', { method: 'POST', body: {}, headers })).status).toBe(403);
    const forwarded = { ...headers, 'x-forwarded-for': '127.0.0.1', forwarded: 'for=127.0.0.1' };
    expect((await device('/api/share/code', { method: 'POST', body: {}, headers: forwarded })).status).toBe(
      403,
    );
  });

  it('does not get in by ten thousand guesses from two hundred addresses', async () => {
    await newCode();
    const seen = new Map<number, number>();
    for (let batch = 0; batch < 100; batch += 1) {
      const answers = await Promise.all(
        Array.from({ length: 100 }, (_, i) => {
          const n = batch * 100 + i;
          return enter(String(n * 9973).padStart(8, '0'), { from: `127.0.2.${String(1 + (n % 200))}` });
        }),
      );
      for (const { status } of answers) seen.set(status, (seen.get(status) ?? 0) + 1);
    }
    expect([...seen.keys()].toSorted()).toEqual([401, 429]);
    expect(seen.get(401) ?? 0).toBeLessThanOrEqual(50);
    expect((await local('/api/share')).body['devices']).toEqual([]);
  });

  it('that guesses does not shut the real one out', async () => {
    const code = await newCode();
    const statuses: number[] = [];
    for (let i = 0; i < 60; i += 1)
      statuses.push(
        (await enter(code === '12345678' ? '87654321' : '12345678', { from: '127.0.3.3' })).status,
      );
    expect(statuses.filter((s) => s === 401)).toHaveLength(5);
    expect(statuses.filter((s) => s === 429)).toHaveLength(55);
    expect((await enter(code, { from: '127.0.1.9' })).status).toBe(200);
  });

  it('finds nothing open where it is not shared', async () => {
    const closed = createApp({ ...f.parts, sharing: new Sharing(false) });
    server.removeAllListeners('request');
    server.on('request', closed);
    for (const path of ['/', '/api/health', '/api/share/me', '/api/builds'])
      expect((await device(path)).status, path).toBe(403);
    expect((await local('/api/share/code', { method: 'POST', body: {} })).status).toBe(409);
  });
});

describe('a code', () => {
  it('is old after ten minutes, and void after fifty wrong guesses, though the right one comes then', () => {
    let now = 0;
    const sharing = new Sharing(true, { now: () => now });
    const old = sharing.newCode().code;
    now = 11 * 60_000;
    expect(sharing.enter(old, 'tablet', '')).toBeUndefined();
    const { code } = sharing.newCode();
    for (let i = 0; i < 50; i += 1) sharing.enter(code === '00000000' ? '11111111' : '00000000', 'x', '');
    expect(sharing.enter(code, 'tablet', '')).toBeUndefined();
    expect(sharing.enter(sharing.newCode().code, 'tablet', '')).toHaveLength(43);
  });
});
