import { spawnSync } from 'node:child_process';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { SNAPSHOT, startApplication } from './application.ts';

/** The server is bundled as it stands. The samples are put into a database once for all files of tests; each server begins with a copy of it. */
export default async function makeSnapshot(): Promise<() => Promise<void>> {
  const root = resolve(import.meta.dirname, '..');
  const { status } = spawnSync(process.execPath, ['scripts/bundle.mjs'], { cwd: root, stdio: 'inherit' });
  if (status !== 0) throw new Error('the server cannot be bundled');
  const folder = await mkdtemp(join(tmpdir(), 'apple-cart-snapshot-'));
  const file = join(folder, 'samples.sqlite');
  const application = await startApplication(file);
  await application.end();
  process.env[SNAPSHOT] = file;
  return () => rm(folder, { recursive: true });
}
