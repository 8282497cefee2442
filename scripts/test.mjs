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

function check(title, script) {
  process.stdout.write(`\n== ${title}\n`);
  if (run('npm', ['run', '--silent', script]) === 0) passed += 1;
  else failed += 1;
}

/** Counts the single tests of a Vitest run; a run that breaks off before its report counts as one failure. */
function tests(title, script) {
  process.stdout.write(`\n== ${title}\n`);
  const file = join(results, `${script}.json`);
  const status = run('npm', [
    'run',
    '--silent',
    script,
    '--',
    '--reporter=default',
    '--reporter=json',
    `--outputFile=${file}`,
  ]);
  const report = existsSync(file)
    ? JSON.parse(readFileSync(file, 'utf8'))
    : { numPassedTests: 0, numFailedTests: 0 };
  passed += report.numPassedTests;
  failed += report.numFailedTests;
  if (status !== 0 && report.numFailedTests === 0) failed += 1;
}

/** The checks of the code itself, in two lanes: the lint takes about as long as all others. */
const STATIC = ['check:lint', 'check:types', 'check:format', 'check:layers', 'check:unused'];
process.stdout.write('\n== lint, types, format, layers, unused\n');
const wrong = await sideBySide(
  STATIC.map((script) => [script, []]),
  2,
);
failed += wrong.length;
passed += STATIC.length - wrong.length;
tests('unit tests', 'unit');
check('build', 'build');
tests('end-to-end tests', 'e2e');
process.stdout.write(`\n${String(passed)} passed, ${String(failed)} failed\n`);
process.exit(failed === 0 ? 0 : 1);
