// npm run chromium: the browser of the end-to-end tests, installed where it is missing and can be.
import { ensureChromium } from './lib.mjs';

process.stdout.write(`${ensureChromium()}\n`);
