import { readFile, readdir } from 'node:fs/promises';
import { join } from 'node:path';
import {
  dayAfter,
  daysBetween,
  describeIssue,
  readBuildText,
  readPart,
  readRoute,
  type Result,
} from '@apple-cart/core';
import type { Stores } from '../stores.ts';

/** The JSON files of a folder by name; none where there is no folder. */
const jsonFiles = async (folder: string): Promise<readonly string[]> =>
  (await readdir(folder).catch(() => [])).filter((name) => name.endsWith('.json')).sort();

/** @throws Error for a demo file that does not validate: the files ship with the product. */
function used<T>(file: string, read: Result<T>): T {
  if (!read.ok) throw new Error(`${file}: ${read.issues.map(describeIssue).join(' ')}`);
  return read.value;
}

/** What the JSON files of a folder hold, by their name without its ending. */
async function readFolder<T>(
  folder: string,
  read: (text: string) => Result<T>,
): Promise<ReadonlyMap<string, T>> {
  const found = new Map<string, T>();
  for (const file of await jsonFiles(folder))
    found.set(file.replace(/\.json$/, ''), used(file, read(await readFile(join(folder, file), 'utf8'))));
  return found;
}

/** The Monday that the days of the sample builds are written against. */
const DEMO_MONDAY = '2026-03-02';

/** A sample with its days moved by whole weeks, so that its Monday is that of the week in which it is loaded. */
function movedTo(today: string, text: string): string {
  const weeks = Math.floor(daysBetween(DEMO_MONDAY, today) / 7);
  return text.replace(/(?<=")\d{4}-\d{2}-\d{2}(?=")/g, (day) => dayAfter(day, 7 * weeks));
}

/**
 * Loads the sample builds, parts and routes of the demo folder into an empty database. Where a build is there already,
 * or was and has been put away, builds are left alone, so that nothing a user made or changed is overwritten.
 * @param today ISO 8601: orders and promised days of the samples stand round it
 * @throws Error for a demo file that does not validate
 */
export async function loadDemo(
  folder: string,
  { builds, parts, routes }: Stores,
  today: string = new Date().toISOString().slice(0, 10),
): Promise<void> {
  const shelf = JSON.parse(await readFile(join(folder, 'parts.json'), 'utf8')) as readonly unknown[];
  const sampleParts = shelf.map((data) => used('parts.json', readPart(data)));
  await parts.addMissing(new Map(sampleParts.map((p) => [p.id, p])));
  await routes.addMissing(await readFolder(join(folder, 'routes'), (text) => readRoute(JSON.parse(text))));
  if (!(await builds.isEmpty())) return;
  const readMoved = (text: string) => readBuildText(movedTo(today, text));
  for (const build of (await readFolder(join(folder, 'builds'), readMoved)).values())
    await builds.create(build);
}
