// npm run demo: install, build, fill an empty database with the sample scenario, serve on one port.
// npm run demo -- --share: other devices of the local network are let in by a code that the help shows.
// npm run demo -- --fresh: the same from a new database; the old one is moved aside, never deleted.
import { existsSync, renameSync } from 'node:fs';
import { join } from 'node:path';
import { ensureBuilt, ensureInstalled, keepRunning, root } from './lib.mjs';

const args = process.argv.slice(2);
const unknown = args.filter((arg) => arg !== '--fresh' && arg !== '--share');
if (unknown.length > 0) {
  process.stderr.write(`Unknown: ${unknown.join(' ')}. Usage: npm run demo [-- --fresh] [-- --share]\n`);
  process.exit(2);
}
const share = args.includes('--share') ? ['--share'] : [];
const database = process.env.APPLE_CART_DATABASE ?? join(root, 'data', 'apple-cart.sqlite');
ensureInstalled();
ensureBuilt();
if (args.includes('--fresh') && existsSync(database)) {
  const aside = database.replace(
    /(\.sqlite)?$/,
    `.before-${new Date().toISOString().replace(/[:.]/g, '-')}.sqlite`,
  );
  for (const suffix of ['', '-wal', '-shm']) {
    if (existsSync(database + suffix)) renameSync(database + suffix, aside + suffix);
  }
  process.stdout.write(`The database so far was moved to ${aside}\n`);
}
keepRunning(process.execPath, ['server/dist/start.mjs', '--demo', ...share]);
