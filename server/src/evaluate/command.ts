import { readFile } from 'node:fs/promises';
import { parseArgs } from 'node:util';
import { describeIssue, evaluate, readBuildText, textOf, toldVerdict, type Issue } from '@apple-cart/core';
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

/** What the command says on its two streams, and the code it ends with. */
export interface Said {
  readonly code: 0 | 1 | 2;
  readonly out: string;
  readonly error: string;
}

const refuse = (file: string, issues: readonly Issue[]): Said => ({
  code: 1,
  out: '',
  error: [`${file} is not usable:`, ...issues.map((issue) => `  ${describeIssue(issue)}`), ''].join('\n'),
});

/** Evaluates a build file: 0 for a verdict, 1 for a file that cannot be used, 2 for wrong arguments. */
export async function evaluateCommand(args: readonly string[]): Promise<Said> {
  const asked = wanted(args);
  if (asked === undefined) return { code: 2, out: '', error: USAGE };
  const { file, json } = asked;
  const bytes = await readFile(file).catch(() => undefined);
  if (bytes === undefined) return { code: 1, out: '', error: `${file} cannot be read.\n` };
  const text = textOf(bytes);
  const build = text.ok ? readBuildText(text.value) : text;
  if (!build.ok) return refuse(file, build.issues);
  const rules = await rulesFrom(asked.rules);
  if (!rules.ok) return refuse(rules.file, rules.issues);
  const { book, words } = rules;
  const verdict = evaluate(build.value, book);
  return {
    code: 0,
    out: json
      ? `${JSON.stringify({ ...toldVerdict(verdict, book), judgedBy: words }, null, 2)}\n`
      : textReport(verdict, words),
    error: '',
  };
}
