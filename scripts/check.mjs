// npm run check: what a change must pass while it is worked on, side by side and with what is known from the last
// run. `npm test` runs the same afresh, and the build and the end-to-end tests besides.
import { spawn } from 'node:child_process';
import { ensureInstalled, root } from './lib.mjs';

ensureInstalled();
const CHECKS = [
  ['unit', []],
  [
    'check:lint',
    ['--cache', '--cache-strategy', 'content', '--cache-location', 'node_modules/.cache/eslint/'],
  ],
  ['check:types', []],
  ['check:layers', []],
  ['check:format', ['--cache']],
];
/** The unit tests take one lane from beginning to end; the others follow one another in the second. */
const LANES = 2;

const began = Date.now();
const seconds = (since) => `${((Date.now() - since) / 1000).toFixed(0)} s`;
const failed = [];

function check([script, more]) {
  const start = Date.now();
  return new Promise((done) => {
    const child = spawn('npm', ['run', '--silent', script, '--', ...more], { cwd: root });
    const said = [];
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (text) => said.push(String(text)));
    child.on('close', (code) => {
      process.stdout.write(`${code === 0 ? 'passed' : 'FAILED'}  ${script}, ${seconds(start)}\n`);
      if (code !== 0) {
        failed.push(script);
        process.stdout.write(said.join(''));
      }
      done();
    });
  });
}

const waiting = [...CHECKS];
await Promise.all(
  Array.from({ length: LANES }, async () => {
    for (let next = waiting.shift(); next !== undefined; next = waiting.shift()) await check(next);
  }),
);
process.stdout.write(
  `${failed.length === 0 ? 'All passed' : `Failed: ${failed.join(', ')}`} in ${seconds(began)}\n`,
);
process.exit(failed.length === 0 ? 0 : 1);
