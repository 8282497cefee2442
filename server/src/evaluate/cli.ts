import { readFile } from 'node:fs/promises';
import { describeIssue, evaluate, readBuildText, shippedRules, toldVerdict } from '@apple-cart/core';
import { textReport } from './text-report.ts';

const USAGE = 'Usage: npm run evaluate -- FILE [--json]\n';

/** Evaluates a build file: 0 for a verdict, 1 for a file that cannot be used, 2 for wrong arguments. */
async function main(args: readonly string[]): Promise<number> {
  const files = args.filter((arg) => !arg.startsWith('--'));
  const flags = args.filter((arg) => arg.startsWith('--'));
  const [file] = files;
  if (file === undefined || files.length > 1 || flags.some((flag) => flag !== '--json')) {
    process.stderr.write(USAGE);
    return 2;
  }
  let text: string;
  try {
    text = await readFile(file, 'utf8');
  } catch {
    process.stderr.write(`${file} cannot be read.\n`);
    return 1;
  }
  const build = readBuildText(text);
  if (!build.ok) {
    process.stderr.write(`${file} is not a usable build:\n`);
    for (const issue of build.issues) process.stderr.write(`  ${describeIssue(issue)}\n`);
    return 1;
  }
  const verdict = evaluate(build.value, shippedRules());
  process.stdout.write(
    flags.includes('--json')
      ? `${JSON.stringify(toldVerdict(verdict, shippedRules()), null, 2)}\n`
      : textReport(verdict),
  );
  return 0;
}

process.exitCode = await main(process.argv.slice(2));
