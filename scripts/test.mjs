// npm test: every check there is, then one plain line "N passed, N failed".
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join, relative } from 'node:path';
import { ensureChromium, ensureInstalled, root, run, sideBySide } from './lib.mjs';

ensureInstalled();
process.env.CHROMIUM = ensureChromium();

const results = join(root, '.test-results');
rmSync(results, { recursive: true, force: true });
mkdirSync(results);
let passed = 0;
let failed = 0;
/** What failed, by name: said last, where nobody has to look for it. */
const names = [];

/** Where a Vitest run of a script leaves its report, and what asks it to. */
const report = (script) => join(results, `${script}.json`);
const reported = (script) => ['--reporter=default', '--reporter=json', `--outputFile=${report(script)}`];

/** Counts the single tests of a Vitest run; a run that breaks off before its report counts as one failure. */
function count(script, broke) {
  const { numPassedTests, numFailedTests, testResults } = existsSync(report(script))
    ? JSON.parse(readFileSync(report(script), 'utf8'))
    : { numPassedTests: 0, numFailedTests: 0, testResults: [] };
  passed += numPassedTests;
  failed += broke && numFailedTests === 0 ? 1 : numFailedTests;
  for (const { name, message, assertionResults } of testResults) {
    const file = relative(root, name);
    if (message !== '') names.push(`${file}: ${firstLines(message)}`);
    for (const { status, fullName, failureMessages } of assertionResults)
      if (status === 'failed')
        names.push(`${file}: ${fullName}\n    ${firstLines(failureMessages.join('\n'))}`);
  }
}

/** The lines of a failure that say what it is, before those that say where. */
const firstLines = (text) =>
  text
    .split('\n')
    .filter((line) => line.trim() !== '' && !/^\s*at /.test(line))
    .slice(0, 8)
    .join('\n    ');

/** What needs no browser, in two lanes. The lint reads what the types have written down. */
const STATIC = ['check:types', 'check:format', 'check:layers', 'check:unused', 'build'];
const LINT = 'check:lint';
process.stdout.write('\n== types, format, layers, unused, build, unit tests, lint\n');
const wrong = [
  ...(await sideBySide(
    STATIC.map((script) => [script, []]),
    2,
  )),
  ...(await sideBySide(
    [
      ['unit', reported('unit')],
      [LINT, []],
    ],
    2,
  )),
];
for (const script of [...STATIC, LINT]) {
  if (wrong.includes(script)) {
    failed += 1;
    names.push(script);
  } else passed += 1;
}
count('unit', wrong.includes('unit'));

process.stdout.write('\n== end-to-end tests\n');
count('e2e', run('npm', ['run', '--silent', 'e2e', '--', ...reported('e2e')]) !== 0);
for (const name of names) process.stdout.write(`\nFAILED  ${name}\n`);
process.stdout.write(`\n${String(passed)} passed, ${String(failed)} failed\n`);
process.exit(failed === 0 ? 0 : 1);
