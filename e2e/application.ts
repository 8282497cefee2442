import { spawn } from 'node:child_process';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';

const root = resolve(import.meta.dirname, '..');

export interface Application {
  readonly url: string;
  readonly database: string;
  /** Ends the server as a crash would, without a chance to tidy up. */
  kill(): Promise<void>;
  /** Ends the server and deletes its database. */
  stop(): Promise<void>;
}

/** The real server on a free port with a real SQLite file, filled with the demo data. */
export async function startApplication(existing?: string): Promise<Application> {
  const folder = existing === undefined ? await mkdtemp(join(tmpdir(), 'apple-cart-')) : undefined;
  const database = existing ?? join(folder ?? '', 'test.sqlite');
  const child = spawn(process.execPath, ['--import', 'tsx', 'server/src/start.ts', '--demo'], {
    cwd: root,
    env: { ...process.env, PORT: '0', APPLE_CART_DATABASE: database },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const exited = new Promise<void>((done) =>
    child.once('exit', () => {
      done();
    }),
  );
  const url = await new Promise<string>((found, failed) => {
    let text = '';
    child.stdout.on('data', (chunk: Buffer) => {
      text += chunk.toString();
      const match = /(http:\/\/127\.0\.0\.1:\d+)\//.exec(text);
      if (match?.[1] !== undefined) found(match[1]);
    });
    void exited.then(() => {
      failed(new Error(`the server ended before it was ready: ${text}`));
    });
  });
  return {
    url,
    database,
    async kill() {
      child.kill('SIGKILL');
      await exited;
    },
    async stop() {
      child.kill('SIGTERM');
      await exited;
      await rm(resolve(database, '..'), { recursive: true, force: true });
    },
  };
}
