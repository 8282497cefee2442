// npm test: every check there is, then one plain line "N passed, N failed".
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join, relative } from 'node:path';
import { ensureChromium, ensureFetched, isCompiled, root, run, sideBySide } from './lib.mjs';

ensureFetched();

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

/** What is there before a test can run, and what needs no test: the database is compiled beside the rest. */
const STATIC = [
  ...(isCompiled() ? [] : [{ name: 'compile' }]),
  { name: 'check:types' },
  // The lint reads what the types have written down.
  { name: 'check:lint', after: 'check:types' },
  { name: 'check:layers' },
  { name: 'check:unused' },
  { name: 'check:format' },
  { name: 'build' },
  { name: 'chromium' },
];
process.stdout.write('\n== types, lint, layers, unused, format, build\n');
const wrong = await sideBySide(STATIC, 2);
for (const { name } of STATIC) {
  if (wrong.includes(name)) {
    failed += 1;
    names.push(name);
  } else passed += 1;
}
process.env.CHROMIUM = ensureChromium();

process.stdout.write('\n== unit tests\n');
count('unit', (await sideBySide([{ name: 'unit', more: reported('unit') }], 1)).length > 0);

process.stdout.write('\n== end-to-end tests\n');
count('e2e', run('npm', ['run', '--silent', 'e2e', '--', ...reported('e2e')]) !== 0);
for (const name of names) process.stdout.write(`\nFAILED  ${name}\n`);
process.stdout.write(`\n${String(passed)} passed, ${String(failed)} failed\n`);
process.exit(failed === 0 ? 0 : 1);
