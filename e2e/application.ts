import { spawn } from 'node:child_process';
import { copyFile, mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';

const root = resolve(import.meta.dirname, '..');

export interface Application {
  readonly url: string;
  readonly database: string;
  /** Ends the server as a crash would, without a chance to tidy up. */
  kill(): Promise<void>;
  /** Ends the server; its database stays, whole in one file. */
  end(): Promise<void>;
  /** Ends the server and deletes its database. */
  stop(): Promise<void>;
}

/** The variable that names a database with the samples in it, to begin from. */
export const SNAPSHOT = 'APPLE_CART_SNAPSHOT';

/**
 * The real server on a free port with a real SQLite file, filled with the demo data.
 * @param existing a database to go on with
 * @param flags of the server: `--share`
 */
export async function startApplication(
  existing?: string,
  flags: readonly string[] = [],
): Promise<Application> {
  const folder = existing === undefined ? await mkdtemp(join(tmpdir(), 'apple-cart-')) : undefined;
  const database = existing ?? join(folder ?? '', 'test.sqlite');
  const snapshot = process.env[SNAPSHOT];
  if (existing === undefined && snapshot !== undefined) await copyFile(snapshot, database);
  const child = spawn(process.execPath, ['server/dist/start.mjs', '--demo', ...flags], {
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
    async end() {
      child.kill('SIGTERM');
      await exited;
    },
    async stop() {
      child.kill('SIGTERM');
      await exited;
      await rm(resolve(database, '..'), { recursive: true, force: true });
    },
  };
}
