// npm run torture: kills, parallel writers, two servers, every reader and address, a bad line and a full disk, for a
// stated time. Not a part of npm test, which runs a short form of each.
import { ensureBuilt, ensureChromium, ensureInstalled, run } from './lib.mjs';

ensureInstalled();
ensureBuilt();
const env = { ...process.env, CHROMIUM: ensureChromium() };
process.exit(
  run(process.execPath, ['--import', 'tsx', 'torture/torture.ts', ...process.argv.slice(2)], { env }),
);
