import { spawnSync } from 'node:child_process';
import { resolve } from 'node:path';

/** Bundles the server and its commands as they stand, once for a run of tests: none tries an older one, and none writes what another reads. */
export default function bundled(): void {
  const root = resolve(import.meta.dirname, '../../..');
  const { status } = spawnSync(process.execPath, ['scripts/bundle.mjs'], { cwd: root, stdio: 'inherit' });
  if (status !== 0) throw new Error('the server cannot be bundled');
}
