import { once } from 'node:events';
import { request, type Server } from 'node:http';
import { connect, type AddressInfo, type Socket } from 'node:net';
import { afterEach, describe, expect, it } from 'vitest';
import { boundServer, type ConnectionBounds } from './connections.ts';

const BOUNDS: ConnectionBounds = { most: 20, headMs: 300, requestMs: 500, idleMs: 5000, lookMs: 50 };
let server: Server;
const sockets: Socket[] = [];
afterEach(() => {
  for (const socket of sockets.splice(0)) socket.destroy();
  server.close();
  server.closeAllConnections();
});

/** A server that answers at once, or on `/slow` when it is told to. */
async function begin(bounds: ConnectionBounds): Promise<{ port: number; finish: () => void }> {
  const slow: (() => void)[] = [];
  server = boundServer((asked, response) => {
    asked.resume();
    const answer = (): void => void response.end('done');
    if (asked.url === '/slow') slow.push(answer);
    else asked.on('end', answer);
  }, bounds);
  server.listen(0, '127.0.0.1');
  await once(server, 'listening');
  return {
    port: (server.address() as AddressInfo).port,
    finish: () => {
      for (const answer of slow) answer();
    },
  };
}

async function says(port: number, text: string): Promise<Socket> {
  const socket = connect(port, '127.0.0.1');
  socket.on('error', () => undefined);
  sockets.push(socket);
  await once(socket, 'connect');
  socket.write(text);
  return socket;
}
const ended = (socket: Socket): Promise<void> =>
  new Promise((resolve) => {
    socket.resume();
    socket.on('close', () => {
      resolve();
    });
  });
const answered = (port: number, path = '/'): Promise<number> =>
  new Promise((resolve, reject) => {
    const asking = request({ port, path, host: '127.0.0.1', agent: false }, (response) => {
      response.resume();
      resolve(response.statusCode ?? 0);
    });
    asking.on('error', reject);
    asking.end();
  });

describe('connections', () => {
  it('that say nothing make room for those who ask: as many as there are, nobody is starved', async () => {
    const { port } = await begin({ ...BOUNDS, headMs: 60_000, requestMs: 60_000 });
    const silent = [
      ...(await Promise.all(Array.from({ length: 40 }, () => says(port, 'GET / HTTP/1.1\r\n')))),
      ...(await Promise.all(
        Array.from({ length: 40 }, () =>
          says(port, 'POST / HTTP/1.1\r\nHost: x\r\nContent-Length: 9\r\n\r\na'),
        ),
      )),
    ];
    const gone = silent.map((socket) => ended(socket));
    const statuses = await Promise.all(Array.from({ length: 15 }, () => answered(port)));
    expect(statuses).toEqual(Array.from({ length: 15 }, () => 200));
    await Promise.all(gone.slice(0, 60));
  });

  it('that are being answered are not the ones to go', async () => {
    const { port, finish } = await begin(BOUNDS);
    const under = Promise.all(Array.from({ length: 10 }, () => answered(port, '/slow')));
    await new Promise((resolve) => setTimeout(resolve, 100));
    for (let i = 0; i < 60; i += 1) await says(port, '');
    finish();
    expect(await under).toEqual(Array.from({ length: 10 }, () => 200));
  });

  it('whose head or body does not come to its end are ended', async () => {
    const { port } = await begin(BOUNDS);
    const head = await says(port, 'GET / HTTP/1.1\r\nHost: x\r\n');
    const drip = setInterval(() => head.write('x-slow: 1\r\n'), 50);
    const body = await says(port, 'POST / HTTP/1.1\r\nHost: x\r\nContent-Length: 9\r\n\r\na');
    await Promise.all([ended(head), ended(body)]);
    clearInterval(drip);
  });
});
