import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';

const root = resolve(import.meta.dirname, '..');

/** A folder that is gone when the work in it is done. */
export async function inFolder<T>(work: (folder: string) => Promise<T>): Promise<T> {
  const folder = await mkdtemp(join(tmpdir(), 'apple-cart-torture-'));
  try {
    return await work(folder);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

/** The real server as a process that can be killed. */
export interface Victim {
  readonly url: string;
  readonly child: ChildProcess;
  /** Without a chance to tidy up. */
  kill(): Promise<void>;
  /** As Ctrl+C does. */
  stop(): Promise<void>;
}

interface Started {
  /** Bounds the size of its files, in blocks of 512 bytes. */
  readonly limitBlocks?: number;
}

/** Starts the server on a file. */
export async function start(file: string, { limitBlocks }: Started = {}): Promise<Victim> {
  const command = ['server/dist/start.mjs'];
  const env = { ...process.env, PORT: '0', APPLE_CART_DATABASE: file, APPLE_CART_BACKUPS: 'off' };
  const child =
    limitBlocks === undefined
      ? spawn(process.execPath, command, { cwd: root, env })
      : spawn(
          'sh',
          [
            '-c',
            `trap '' XFSZ; ulimit -f ${String(limitBlocks)}; exec "$0" "$@"`,
            process.execPath,
            ...command,
          ],
          {
            cwd: root,
            env,
          },
        );
  const ended = new Promise<void>((done) =>
    child.once('exit', () => {
      done();
    }),
  );
  const url = await new Promise<string>((found, failed) => {
    let said = '';
    const hear = (chunk: Buffer): void => {
      said += chunk.toString();
      const address = /(http:\/\/127\.0\.0\.1:\d+)\//.exec(said)?.[1];
      if (address !== undefined) found(address);
    };
    child.stdout.on('data', hear);
    child.stderr.on('data', hear);
    void ended.then(() => {
      failed(new Error(`the server does not start: ${said}`));
    });
  });
  const end = async (signal: NodeJS.Signals): Promise<void> => {
    child.kill(signal);
    await ended;
  };
  return { url, child, kill: () => end('SIGKILL'), stop: () => end('SIGINT') };
}

/** An answer of the server; undefined where the connection was cut. */
export interface Answer {
  readonly status: number;
  readonly body: unknown;
}

/** Asks for JSON; a connection that is cut is no answer. */
export async function ask(
  url: string,
  method: 'GET' | 'POST' | 'PUT' | 'DELETE',
  body?: unknown,
): Promise<Answer | undefined> {
  try {
    const response = await fetch(url, {
      method,
      ...(body === undefined
        ? {}
        : { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }),
    });
    const text = await response.text();
    return { status: response.status, body: text === '' ? undefined : (JSON.parse(text) as unknown) };
  } catch {
    return undefined;
  }
}

/** What an answer that has to have come says. */
export function toldIn(answer: Answer | undefined): unknown {
  if (answer === undefined) throw new Error('the server did not answer');
  return answer.body;
}
