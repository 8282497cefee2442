import { readFile, readdir } from 'node:fs/promises';
import { join } from 'node:path';
import * as z from 'zod';
import { describeIssue, part, readBuildText, readRoute, type Route } from '@apple-cart/core';
import type { BuildsService } from '../builds/builds-service.ts';
import type { PartsService } from '../parts/parts-service.ts';
import type { RoutesService } from '../routes/routes-service.ts';

/** The JSON files of a folder by name; none where there is no folder. */
const jsonFiles = async (folder: string): Promise<readonly string[]> =>
  (await readdir(folder).catch(() => [])).filter((name) => name.endsWith('.json')).sort();

/** Sample routes; their file's name is their id, so that a build can name them. */
async function demoRoutes(folder: string): Promise<ReadonlyMap<string, Route>> {
  const routes = new Map<string, Route>();
  for (const file of await jsonFiles(folder)) {
    const route = readRoute(JSON.parse(await readFile(join(folder, file), 'utf8')));
    if (!route.ok) throw new Error(`${file}: ${route.issues.map(describeIssue).join(' ')}`);
    routes.set(file.replace(/\.json$/, ''), route.value);
  }
  return routes;
}

/**
 * Loads the sample builds and parts of the demo folder into an empty database. Where a build
 * is there already, or was and has been put away, builds are left alone, so that nothing a user made or
 * changed is overwritten.
 * @throws Error for a demo file that does not validate: the files ship with the product.
 */
export async function loadDemo(
  folder: string,
  builds: BuildsService,
  parts: PartsService,
  routes: RoutesService,
): Promise<void> {
  const shelf = z.array(part).parse(JSON.parse(await readFile(join(folder, 'parts.json'), 'utf8')));
  await parts.addMissing(shelf);
  await routes.addMissing(await demoRoutes(join(folder, 'routes')));
  if (!(await builds.isEmpty())) return;
  const files = await jsonFiles(join(folder, 'builds'));
  for (const file of files) {
    const build = readBuildText(await readFile(join(folder, 'builds', file), 'utf8'));
    if (!build.ok) throw new Error(`${file}: ${build.issues.map(describeIssue).join(' ')}`);
    await builds.create(build.value);
  }
}
