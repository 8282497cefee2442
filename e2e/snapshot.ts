import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import bundled from '../server/src/test/bundled.ts';
import { SNAPSHOT, startApplication } from './application.ts';

/** The server is bundled as it stands. The samples are put into a database once for all files of tests; each server begins with a copy of it. */
export default async function makeSnapshot(): Promise<() => Promise<void>> {
  bundled();
  const folder = await mkdtemp(join(tmpdir(), 'apple-cart-snapshot-'));
  const file = join(folder, 'samples.sqlite');
  const application = await startApplication(file);
  await application.end();
  process.env[SNAPSHOT] = file;
  return () => rm(folder, { recursive: true });
}
