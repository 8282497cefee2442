import { readFile } from 'node:fs/promises';
import { parseArgs } from 'node:util';
import { describeIssue, evaluate, readBuildText, toldVerdict, type Issue } from '@apple-cart/core';
import { rulesFrom } from './rules-from.ts';
import { textReport } from './text-report.ts';

const USAGE = `Usage: npm run evaluate -- FILE [--json] [--rules FOLDER]
  --rules FOLDER  files of rules (*.json) that go before those that ship, as saved from the rule book
`;

interface Wanted {
  readonly file: string;
  readonly json: boolean;
  readonly rules: string | undefined;
}

/** What the arguments ask for; undefined for arguments that ask for nothing known. */
function wanted(args: readonly string[]): Wanted | undefined {
  try {
    const { values, positionals } = parseArgs({
      args: [...args],
      options: { json: { type: 'boolean', default: false }, rules: { type: 'string' } },
      allowPositionals: true,
    });
    const [file, more] = positionals;
    return file === undefined || more !== undefined
      ? undefined
      : { file, json: values.json, rules: values.rules };
  } catch {
    return undefined;
  }
}

function refuse(file: string, issues: readonly Issue[]): number {
  process.stderr.write(`${file} is not usable:\n`);
  for (const issue of issues) process.stderr.write(`  ${describeIssue(issue)}\n`);
  return 1;
}

/** Evaluates a build file: 0 for a verdict, 1 for a file that cannot be used, 2 for wrong arguments. */
async function main(args: readonly string[]): Promise<number> {
  const asked = wanted(args);
  if (asked === undefined) {
    process.stderr.write(USAGE);
    return 2;
  }
  const { file, json } = asked;
  const text = await readFile(file, 'utf8').catch(() => undefined);
  if (text === undefined) {
    process.stderr.write(`${file} cannot be read.\n`);
    return 1;
  }
  const build = readBuildText(text);
  if (!build.ok) return refuse(file, build.issues);
  const rules = await rulesFrom(asked.rules);
  if (!rules.ok) return refuse(rules.file, rules.issues);
  const { book, words } = rules;
  const verdict = evaluate(build.value, book);
  process.stdout.write(
    json
      ? `${JSON.stringify({ ...toldVerdict(verdict, book), judgedBy: words }, null, 2)}\n`
      : textReport(verdict, words),
  );
  return 0;
}

process.exitCode = await main(process.argv.slice(2));
