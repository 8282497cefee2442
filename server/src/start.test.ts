import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { existsSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { connect, createServer, type AddressInfo, type Socket } from 'node:net';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { pino } from 'pino';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { startServer, type Running } from './server.ts';
import { settingsFrom } from './settings.ts';
import { named } from './test/fixture.ts';

const root = resolve(import.meta.dirname, '../..');
let folder: string;
let environment: Record<string, string>;
const children: ChildProcess[] = [];
const servers: Running[] = [];
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'apple-cart-start-'));
  environment = { PORT: '0', APPLE_CART_DATABASE: join(folder, 'a.sqlite') };
});
afterEach(async () => {
  for (const child of children.splice(0)) child.kill('SIGKILL');
  await Promise.all(servers.splice(0).map((server) => server.stop()));
  rmSync(folder, { recursive: true });
});

/** The server within this process. */
async function begin(changes: Record<string, string> = {}): Promise<Running> {
  const server = await startServer(settingsFrom({ ...environment, ...changes }), {
    demo: false,
    log: pino({ level: 'silent' }),
  });
  servers.push(server);
  return server;
}
const why = async (changes: Record<string, string>): Promise<string> =>
  begin(changes).then(
    () => 'it started',
    (problem: unknown) => (problem instanceof Error ? problem.message : String(problem)),
  );

/** The real program; comes back when it listens, or has ended. */
function program(changes: Record<string, string> = {}) {
  const child = spawn(process.execPath, ['server/dist/start.mjs'], {
    cwd: root,
    env: { ...process.env, ...environment, ...changes },
  });
  children.push(child);
  let said = '';
  return new Promise<{ child: ChildProcess; said: string; port: number; code: number | null }>((begun) => {
    const hear = (chunk: Buffer): void => {
      said += chunk.toString();
      const port = /127\.0\.0\.1:(\d+)/.exec(said)?.[1];
      if (port !== undefined) begun({ child, said, port: Number(port), code: null });
    };
    child.stdout.on('data', hear);
    child.stderr.on('data', hear);
    child.on('exit', (code) => {
      begun({ child, said, port: 0, code });
    });
  });
}

/** A connection that says this and then nothing. */
const halfSent = async (port: number, text: string): Promise<Socket> => {
  const socket = connect(port, '127.0.0.1');
  socket.on('error', () => undefined);
  await once(socket, 'connect');
  socket.write(text);
  return socket;
};

describe('a server that cannot start', () => {
  it('says why: a folder, a file of another kind, a folder that is a file, a port that is none', async () => {
    expect(await why({ APPLE_CART_DATABASE: folder })).toMatch(/is a folder\. Name a file in it/);
    const note = join(folder, 'note');
    writeFileSync(note, 'not a database, but long enough to look like one'.repeat(40));
    expect(await why({ APPLE_CART_DATABASE: note })).toMatch(/is not a database\. It was left as it is/);
    expect(await why({ APPLE_CART_DATABASE: join(note, 'a.sqlite') })).toMatch(
      /note is a file, not a folder/,
    );
    expect(await why({ PORT: 'four' })).toBe('PORT is "four": wanted a number from 0 to 65535.');
    expect(await why({ PORT: '99999' })).toMatch(/PORT is "99999"/);
    expect(await why({ PORT: '-1' })).toMatch(/PORT is "-1"/);
  });

  it('because its port is taken says which, and gives its file back', async () => {
    const other = createServer().listen(0, '127.0.0.1');
    await once(other, 'listening');
    const { port } = other.address() as AddressInfo;
    expect(await why({ PORT: String(port) })).toBe(
      `Port ${String(port)} cannot be opened: something else uses it. Set PORT to another number.`,
    );
    other.close();
    expect(existsSync(join(folder, 'a.sqlite-wal'))).toBe(false);
  });

  it('as a program ends with code 1 and a sentence, without a stack', async () => {
    const { said, code } = await program({ PORT: 'four' });
    expect(code).toBe(1);
    expect(said).toMatch(/^Apple Cart does not start\. PORT is "four"/);
    expect(said).not.toMatch(/\n\s+at /);
  });
});

describe('a server that runs', () => {
  it('stops although requests hang half sent, and gives its file back whole', async () => {
    const { child, port } = await program();
    const sockets = await Promise.all([
      halfSent(port, 'GET /api/health HT'),
      halfSent(port, 'PUT /api/builds/x HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Length: 50\r\n\r\n{"a"'),
      halfSent(port, ''),
    ]);
    expect((await fetch(`http://127.0.0.1:${String(port)}/api/health`)).status).toBe(200);
    child.kill('SIGINT');
    const [code] = (await once(child, 'exit')) as [number | null];
    expect(code).toBe(0);
    for (const socket of sockets) socket.destroy();
    expect(existsSync(join(folder, 'a.sqlite-wal'))).toBe(false);
  });

  it('backs up by itself beside the database, and not where that is switched off', async () => {
    await begin({ APPLE_CART_BACKUPS: 'off' });
    expect(readdirSync(folder)).not.toContain('backups');
    await begin();
    const copies = () =>
      existsSync(join(folder, 'backups'))
        ? readdirSync(join(folder, 'backups')).filter((name) => name.endsWith('.sqlite'))
        : [];
    await expect.poll(copies).toHaveLength(1);
  });

  it('answers others while twenty builds are judged at once', async () => {
    const { url } = await begin();
    const judge = async (): Promise<number> => {
      const answer = await fetch(`${url}api/evaluate`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(named('Judged')),
      });
      await answer.arrayBuffer();
      return answer.status;
    };
    await judge();
    let left = 20;
    const judged = Array.from({ length: 20 }, () => judge().finally(() => (left -= 1)));
    const leftAtAnswer: number[] = [];
    while (left > 0) {
      await fetch(`${url}api/builds`).then((answer) => answer.arrayBuffer());
      leftAtAnswer.push(left);
    }
    expect(await Promise.all(judged)).toEqual(Array.from({ length: 20 }, () => 200));
    // On the loop of the server itself all of these would have come after the last of the twenty.
    expect(leftAtAnswer.filter((n) => n > 4).length).toBeGreaterThan(1);
  });
});
