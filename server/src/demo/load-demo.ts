import { readFile, readdir } from 'node:fs/promises';
import { join } from 'node:path';
import * as z from 'zod';
import {
  dayAfter,
  daysBetween,
  describeIssue,
  readBuildText,
  readPart,
  readRecord,
  readRoute,
  type BuildDocument,
  type Result,
} from '@apple-cart/core';
import type { Stores } from '../stores.ts';
import { recordingOfPlan } from './demo-rides.ts';
import { RIDE_PLANS } from './ride-plans.ts';

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
  stores: Stores,
  today: string = new Date().toISOString().slice(0, 10),
): Promise<void> {
  const { builds, parts, routes, records } = stores;
  const shelf = JSON.parse(await readFile(join(folder, 'parts.json'), 'utf8')) as readonly unknown[];
  const sampleParts = shelf.map((data) => used('parts.json', readPart(data)));
  await parts.addMissing(new Map(sampleParts.map((p) => [p.id, p])));
  await routes.addMissing(await readFolder(join(folder, 'routes'), (text) => readRoute(JSON.parse(text))));
  if (!(await builds.isEmpty())) return;
  const readMoved = (text: string) => readBuildText(movedTo(today, text));
  const created = new Map<string, string>();
  const samples = await readFolder(join(folder, 'builds'), readMoved);
  for (const [stem, build] of samples) created.set(stem, (await builds.create(build)).id);
  const moved = async (name: string): Promise<unknown> =>
    JSON.parse(movedTo(today, await readFile(join(folder, name), 'utf8')));
  const book = demoBook.parse(await moved('book.json'));
  for (const { build, key, kind, data } of book)
    await records.append(idOf(created, build), {
      key,
      kind,
      parent: null,
      data: used(key, readRecord(kind, data)),
    });
  await loadRides(demoRides.parse(await moved('rides.json')), samples, created, stores);
}

const demoBook = z.array(
  z.object({
    build: z.string(),
    key: z.string(),
    kind: z.enum(['charge', 'upkeep', 'trial', 'fault']),
    data: z.unknown(),
  }),
);
const demoRides = z.array(
  z.object({ build: z.string(), key: z.string(), ride: z.unknown(), told: z.unknown() }),
);

function idOf(created: ReadonlyMap<string, string>, stem: string): string {
  const id = created.get(stem);
  if (id === undefined) throw new Error(`no sample build ${stem}`);
  return id;
}

/** The rides of the samples, their recordings simulated by their seeds as they were when the file was made. */
async function loadRides(
  rides: z.infer<typeof demoRides>,
  samples: ReadonlyMap<string, BuildDocument>,
  created: ReadonlyMap<string, string>,
  { records, imports, routes }: Stores,
): Promise<void> {
  for (const { build: stem, key, ride: data, told } of rides) {
    const buildId = idOf(created, stem);
    const ride = used(key, readRecord('ride', data));
    const plan = RIDE_PLANS.find((p) => p.key === key);
    const build = samples.get(stem);
    if (plan?.read === 'recorded' && build !== undefined) {
      const route = plan.route === '' ? undefined : (await routes.get(plan.route)).document;
      const { at } = await records.mayHold(buildId, key, 'ride');
      await imports.keep(
        { key, buildId, at, source: 'Simulated logger', ride, known: false },
        recordingOfPlan(plan, build, route),
      );
    } else await records.append(buildId, { key, kind: 'ride', parent: null, data: ride });
    await records.append(buildId, {
      key: `${key}-told`,
      kind: 'ride-told',
      parent: key,
      data: used(key, readRecord('ride-told', told)),
    });
  }
}
