// npm run evaluate, backup, restore: a command of the server by its bundle, which is made where a source is newer.
import { ensureBundled, ensureInstalled, root, run } from './lib.mjs';

const [name, ...args] = process.argv.slice(2);
ensureInstalled();
ensureBundled();
process.exit(run(process.execPath, [`${root}/server/dist/${name}.mjs`, ...args], { cwd: process.cwd() }));
