// npm run bench: speeds as ratios, measured and printed in one run.
import { ensureBuilt, ensureChromium, ensureInstalled, run } from './lib.mjs';

ensureInstalled();
ensureBuilt();
const env = { ...process.env, CHROMIUM: ensureChromium() };
process.exit(
  run(process.execPath, ['--expose-gc', '--import', 'tsx', 'bench/bench.ts', ...process.argv.slice(2)], {
    env,
  }),
);
