// npm run check:types: every room by the compiler, which keeps what it knows of files that have not changed.
import { join } from 'node:path';
import { root, run } from './lib.mjs';

const ROOMS = ['core', 'contracts', 'server', 'web', 'e2e', 'bench'];
const known = (room) => join(root, 'node_modules', '.cache', 'tsc', `${room}.tsbuildinfo`);
const results = ROOMS.map((room) =>
  run('npx', ['tsc', '-p', room, '--incremental', '--tsBuildInfoFile', known(room)]),
);
process.exit(results.every((code) => code === 0) ? 0 : 1);
