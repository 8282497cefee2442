import { evaluateCommand } from './command.ts';

const { code, out, error } = await evaluateCommand(process.argv.slice(2));
process.stderr.write(error);
process.stdout.write(out);
process.exitCode = code;
