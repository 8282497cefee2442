import { existsSync, mkdirSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { dirname, resolve } from 'node:path';
import { pino } from 'pino';
import { createApp } from './app.ts';
import { loadDemo } from './demo/load-demo.ts';
import { openStored, openStores } from './stores.ts';

/** Loopback only: the application has no accounts and must not be reached from another machine. */
const HOST = '127.0.0.1';
const root = resolve(import.meta.dirname, '../..');
const port = Number(process.env['PORT'] ?? 4312);
const file = resolve(process.env['APPLE_CART_DATABASE'] ?? `${root}/data/apple-cart.sqlite`);
const web = `${root}/web/dist`;

mkdirSync(dirname(file), { recursive: true });
const log = pino({ level: 'warn' });
const database = await openStored(file);
const stores = openStores(database);
if (process.argv.includes('--demo')) await loadDemo(`${root}/demo`, stores);

const app = createApp({
  stores,
  log,
  webFolder: existsSync(`${web}/index.html`) ? web : undefined,
});
const server = app.listen(port, HOST, (error) => {
  if (error !== undefined) {
    process.stderr.write(
      `Port ${String(port)} cannot be opened (${error.message}). Set PORT to another number.\n`,
    );
    process.exit(1);
  }
  const { port: actual } = server.address() as AddressInfo;
  process.stdout.write(`Apple Cart is at http://${HOST}:${String(actual)}/  (stop with Ctrl+C)\n`);
});

const stop = (): void => {
  server.close(() => {
    void database.close().then(() => process.exit(0));
  });
  server.closeIdleConnections();
};
process.on('SIGINT', stop);
process.on('SIGTERM', stop);
