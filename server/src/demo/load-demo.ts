import { readFile, readdir } from 'node:fs/promises';
import { join } from 'node:path';
import * as z from 'zod';
import { describeIssue, part, readBuildText } from '@apple-cart/core';
import type { BuildsService } from '../builds/builds-service.ts';
import type { PartsService } from '../parts/parts-service.ts';

/**
 * Loads the sample builds and parts of the demo folder into an empty database. Where a build
 * is there already, or was and has been put away, builds are left alone, so that nothing a user made or
 * changed is overwritten.
 * @throws Error for a demo file that does not validate: the files ship with the product.
 */
export async function loadDemo(folder: string, builds: BuildsService, parts: PartsService): Promise<void> {
  const shelf = z.array(part).parse(JSON.parse(await readFile(join(folder, 'parts.json'), 'utf8')));
  await parts.addMissing(shelf);
  if (!(await builds.isEmpty())) return;
  const files = (await readdir(join(folder, 'builds'))).filter((name) => name.endsWith('.json')).sort();
  for (const file of files) {
    const build = readBuildText(await readFile(join(folder, 'builds', file), 'utf8'));
    if (!build.ok) throw new Error(`${file}: ${build.issues.map(describeIssue).join(' ')}`);
    await builds.create(build.value);
  }
}
