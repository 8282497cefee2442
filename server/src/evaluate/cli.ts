import { evaluateCommand } from './command.ts';

// Whoever reads the output may stop before its end, as `head` does.
process.stdout.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code !== 'EPIPE') throw error;
});
const { code, out, error } = await evaluateCommand(process.argv.slice(2));
process.stderr.write(error);
process.stdout.write(out);
process.exitCode = code;
