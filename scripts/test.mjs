// npm test: every check there is, then one plain line "N passed, N failed".
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { ensureChromium, ensureInstalled, root, run, sideBySide } from './lib.mjs';

ensureInstalled();
process.env.CHROMIUM = ensureChromium();

const results = join(root, '.test-results');
rmSync(results, { recursive: true, force: true });
mkdirSync(results);
let passed = 0;
let failed = 0;

/** Where a Vitest run of a script leaves its report, and what asks it to. */
const report = (script) => join(results, `${script}.json`);
const reported = (script) => ['--reporter=default', '--reporter=json', `--outputFile=${report(script)}`];

/** Counts the single tests of a Vitest run; a run that breaks off before its report counts as one failure. */
function count(script, broke) {
  const { numPassedTests, numFailedTests } = existsSync(report(script))
    ? JSON.parse(readFileSync(report(script), 'utf8'))
    : { numPassedTests: 0, numFailedTests: 0 };
  passed += numPassedTests;
  failed += broke && numFailedTests === 0 ? 1 : numFailedTests;
}

/** What needs no browser, in two lanes: the lint alone takes about half as long as all others. */
const STATIC = ['check:lint', 'check:types', 'check:format', 'check:layers', 'check:unused', 'build'];
process.stdout.write('\n== lint, types, format, layers, unused, build, unit tests\n');
const wrong = await sideBySide([...STATIC.map((script) => [script, []]), ['unit', reported('unit')]], 2);
for (const script of STATIC) {
  if (wrong.includes(script)) failed += 1;
  else passed += 1;
}
count('unit', wrong.includes('unit'));

process.stdout.write('\n== end-to-end tests\n');
count('e2e', run('npm', ['run', '--silent', 'e2e', '--', ...reported('e2e')]) !== 0);
process.stdout.write(`\n${String(passed)} passed, ${String(failed)} failed\n`);
process.exit(failed === 0 ? 0 : 1);
