import { readFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { build } from 'esbuild';

const root = resolve(import.meta.dirname, '..');

interface Manifest {
  readonly dependencies: Readonly<Record<string, string>>;
}

let made: Promise<string> | undefined;

/**
 * The server as one file of plain JavaScript, which starts four times as fast: a test that kills it all the time spends
 * its time on the killing. It stands beside the source, so that what is looked for by place is found.
 */
export function bundledServer(): Promise<string> {
  made ??= bundle();
  return made;
}

async function bundle(): Promise<string> {
  const manifest = JSON.parse(readFileSync(join(root, 'server/package.json'), 'utf8')) as Manifest;
  const outfile = join(root, 'server/dist/start.mjs');
  await build({
    entryPoints: [join(root, 'server/src/start.ts')],
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    keepNames: true,
    external: Object.keys(manifest.dependencies).filter((name) => !name.startsWith('@apple-cart/')),
    outfile,
    logLevel: 'warning',
  });
  return outfile;
}
