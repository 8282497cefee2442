// npm run screenshots: one picture of each main view, from the demo data, into docs/screenshots/ and the README.
import { ensureBuilt, ensureChromium, ensureInstalled, run } from './lib.mjs';

ensureInstalled();
ensureBuilt();
const env = { ...process.env, CHROMIUM: ensureChromium() };
const code = run(process.execPath, ['--import', 'tsx', 'e2e/screenshots.ts'], { env });
process.exit(code === 0 ? run('npx', ['oxfmt', 'README.md']) : code);
