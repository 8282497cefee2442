// npm run check:types: every room by the compiler, one after the other as they rest on each other. What a room shows
// to the others is kept under node_modules/.cache, so that a change is looked at again only where it can be seen; the lint
// reads the same, and is run after it. The compiler is the one of machine code, which takes a third of the time; the one of
// JavaScript is there for tools that ask it.
import { root, run } from './lib.mjs';

const ROOMS = ['core', 'contracts', 'server', 'web', 'e2e', 'bench', 'torture'];
process.exit(
  run(process.execPath, ['node_modules/typescript-native/bin/tsc', '-b', ...ROOMS], { cwd: root }),
);
