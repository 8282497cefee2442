import { pino } from 'pino';
import { Unusable } from './database/unusable.ts';
import { startServer, type Running } from './server.ts';
import { settingsFrom } from './settings.ts';

/** Whoever starts the server reads why it does not run, not where in the program that was found out. */
function say(problem: unknown): void {
  const words = problem instanceof Unusable ? problem.message : String((problem as Error | undefined)?.stack);
  process.stderr.write(`Apple Cart does not start. ${words}\n`);
  process.exitCode = 1;
}

function stopOnSignals(running: Running): void {
  let stopping = false;
  const stop = (): void => {
    // Whoever asks twice does not want to wait.
    if (stopping) process.exit(1);
    stopping = true;
    void running.stop().then(() => process.exit(0));
  };
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
}

try {
  const running = await startServer(settingsFrom(process.env), {
    demo: process.argv.includes('--demo'),
    share: process.argv.includes('--share'),
    log: pino({ level: 'warn' }),
  });
  stopOnSignals(running);
  process.stdout.write(`Apple Cart is at ${running.url}  (stop with Ctrl+C)\n`);
  if (process.argv.includes('--share'))
    process.stdout.write('Shared on the local network: the help (?) shows a code for each device.\n');
} catch (problem) {
  say(problem);
}
