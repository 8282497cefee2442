// npm run check: what a change must pass while it is worked on, side by side. `npm test` runs the build and the
// end-to-end tests besides.
import { ensureInstalled, sideBySide } from './lib.mjs';

ensureInstalled();
const began = Date.now();
const failed = await sideBySide(
  [
    { name: 'unit' },
    { name: 'check:types' },
    // The lint reads what the types have written down.
    { name: 'check:lint', after: 'check:types' },
    { name: 'check:layers' },
    { name: 'check:format' },
  ],
  2,
);
const time = ((Date.now() - began) / 1000).toFixed(0);
process.stdout.write(`${failed.length === 0 ? 'All passed' : `Failed: ${failed.join(', ')}`} in ${time} s\n`);
process.exit(failed.length === 0 ? 0 : 1);
