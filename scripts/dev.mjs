// npm run dev: the server restarts and the page reloads as sources change.
import { spawn } from 'node:child_process';
import { ensureInstalled, keepRunning, root } from './lib.mjs';

ensureInstalled();
const server = spawn(process.execPath, ['--watch', '--import', 'tsx', 'server/src/start.ts', '--demo'], {
  cwd: root,
  stdio: 'inherit',
});
process.on('exit', () => server.kill());
keepRunning('npm', ['run', 'dev', '--workspace', 'web']);
