import { existsSync, mkdirSync } from 'node:fs';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { dirname, join } from 'node:path';
import type { Logger } from 'pino';
import { createApp } from './app.ts';
import { DailyBackup } from './backup/daily.ts';
import type { Database } from './database/database.ts';
import { Unusable, asUnusable } from './database/unusable.ts';
import { loadDemo } from './demo/load-demo.ts';
import { Evaluator } from './evaluate/evaluator.ts';
import { boundServer } from './http/connections.ts';
import { Sharing } from './sharing/sharing.ts';
import { ROOT, type Settings } from './settings.ts';
import { openStored, openStores, type Stores } from './stores.ts';

/** Loopback only, unless it is shared: there are no accounts. Shared, it listens on every address, and lets in by a code. */
const HOST = '127.0.0.1';
const EVERYWHERE = '0.0.0.0';
/** What is still being answered has so long to end when the server stops, ms. */
const GRACE_MS = 1500;

/** A server that runs. */
export interface Running {
  readonly url: string;
  /** Answers what is under way, closes everything and gives the file back whole. */
  stop(): Promise<void>;
}

function folderFor(file: string): void {
  try {
    mkdirSync(dirname(file), { recursive: true });
  } catch (problem) {
    throw asUnusable(file, problem);
  }
}

/** Listens. @throws Unusable in words where the port is not to be had */
const listen = (server: Server, port: number, host: string): Promise<number> =>
  new Promise((resolve, reject) => {
    server.once('error', (problem: NodeJS.ErrnoException) => {
      const why = problem.code === 'EADDRINUSE' ? 'something else uses it' : problem.message;
      reject(new Unusable(`Port ${String(port)} cannot be opened: ${why}. Set PORT to another number.`));
    });
    server.listen(port, host, () => {
      resolve((server.address() as AddressInfo).port);
    });
  });

async function stopped(
  server: Server,
  database: Database,
  daily: DailyBackup,
  evaluator: Evaluator,
  { imports, jobReader }: Stores,
) {
  await imports.close();
  await jobReader.close();
  const closed = new Promise((resolve) => server.close(resolve));
  server.closeIdleConnections();
  const late = setTimeout(() => {
    server.closeAllConnections();
  }, GRACE_MS);
  await closed;
  clearTimeout(late);
  await daily.stop();
  await evaluator.close();
  await database.close();
}

/** Opens the database, serves it, and backs it up. @throws Unusable in words where that cannot be done */
export async function startServer(
  settings: Settings,
  { demo, log, share = false }: { readonly demo: boolean; readonly log: Logger; readonly share?: boolean },
): Promise<Running> {
  const { file, port, backups } = settings;
  folderFor(file);
  const database = await openStored(file);
  const evaluator = new Evaluator();
  const daily = new DailyBackup({
    file,
    folder: backups,
    now: () => new Date(),
    warn: (problem) => {
      log.warn({ err: problem }, 'the daily backup could not be made');
    },
  });
  try {
    const stores = openStores(database);
    if (demo) await loadDemo(join(ROOT, 'demo'), stores);
    const web = join(ROOT, 'web/dist');
    const webFolder = existsSync(join(web, 'index.html')) ? web : undefined;
    const sharing = new Sharing(share);
    const app = createApp({ database, stores, daily, evaluator, sharing, log, webFolder });
    const server = boundServer(app);
    const actual = await listen(server, port, share ? EVERYWHERE : HOST);
    daily.begin();
    return {
      url: `http://${HOST}:${String(actual)}/`,
      stop: () => stopped(server, database, daily, evaluator, stores),
    };
  } catch (problem) {
    await database.close();
    throw problem;
  }
}
