// The server, its threads and the commands as files of plain JavaScript, which start four times as fast as their sources. They stand in
// server/dist, so that what is looked for by place is found.
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { build } from 'esbuild';
import { root } from './lib.mjs';

const { dependencies } = JSON.parse(readFileSync(join(root, 'server/package.json'), 'utf8'));
const at = (path) => join(root, 'server/src', path);
await build({
  entryPoints: {
    start: at('start.ts'),
    'evaluate-worker': at('evaluate/evaluate-worker.ts'),
    'import-worker': at('logs/import-worker.ts'),
    'job-worker': at('job-file/job-worker.ts'),
    evaluate: at('evaluate/cli.ts'),
    backup: at('backup/cli.ts'),
  },
  entryNames: '[name]',
  outExtension: { '.js': '.mjs' },
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  keepNames: true,
  external: Object.keys(dependencies).filter((name) => !name.startsWith('@apple-cart/')),
  outdir: join(root, 'server/dist'),
  logLevel: 'warning',
});
