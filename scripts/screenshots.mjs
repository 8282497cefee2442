// npm run screenshots: one picture of each main view, from the demo data, into docs/screenshots/.
import { ensureBuilt, ensureChromium, ensureInstalled, run } from './lib.mjs';

ensureInstalled();
ensureBuilt();
const env = { ...process.env, CHROMIUM: ensureChromium() };
process.exit(run(process.execPath, ['--import', 'tsx', 'e2e/screenshots.ts'], { env }));
