// npm run check:types: every room by the compiler, one after the other as they rest on each other. What a room shows
// to the others is kept under node_modules/.cache, so that a change is looked at again only where it can be seen; the lint
// reads the same, and is run after it.
import { root, run } from './lib.mjs';

const ROOMS = ['core', 'contracts', 'server', 'web', 'e2e', 'bench', 'torture'];
process.exit(run('npx', ['tsc', '-b', ...ROOMS], { cwd: root }));
