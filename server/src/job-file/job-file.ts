import { createHash, randomBytes } from 'node:crypto';
import * as z from 'zod';
import { recordKey, type Saved } from '@apple-cart/contracts';
import { writeCsv } from '@apple-cart/contracts/csv';
import {
  SCHEMA_VERSION,
  evaluate,
  fail,
  harnessTable,
  isRecordKind,
  jsonText,
  ok,
  purchaseTable,
  readBuild,
  readRecord,
  type BuildDocument,
  type Part,
  type Recording,
  type RecordKind,
  type Result,
  type RuleBook,
} from '@apple-cart/core';
import type { Database } from '../database/database.ts';
import { Problem } from '../http/problems.ts';
import { chunkEntity, logEntity } from '../logs/log-store.ts';
import { storedLog } from '../logs/log-writer.ts';
import { lookAtJpeg } from '../photos/jpeg.ts';
import { photoEntity } from '../photos/photo-store.ts';
import { recordEntity } from '../records/record-row.ts';
import type { Stores } from '../stores.ts';
import { MOST_JOB_ROWS, rideCsv, rideFromCsv } from './ride-csv.ts';
import { unzipped, zipped } from './zip.ts';

const photo = z.strictObject({
  key: recordKey,
  parent: recordKey,
  step: z.string().max(90),
  at: z.string().max(40),
});
/** Records as they lie in the file: with the time that the server gave them. */
const benchFile = z.strictObject({
  records: z
    .array(
      z.strictObject({
        key: recordKey,
        kind: z.string().max(40),
        parent: recordKey.nullable(),
        at: z.string().max(40),
        data: z.unknown(),
      }),
    )
    .max(20_000),
  photos: z.array(photo).max(200),
});

const text = (value: unknown): Uint8Array => new TextEncoder().encode(`${JSON.stringify(value, null, 2)}\n`);

/** A whole job as one open file: the build, its records and photographs, and tables of the parts list and the harness. */
export async function jobFile(
  { builds, records, photos, logs }: Stores,
  id: string,
  book: RuleBook,
  shelf: readonly Part[],
): Promise<{ readonly name: string; readonly data: Uint8Array }> {
  const { document } = await builds.get(id);
  const kept = await records.list(id, undefined);
  const pictures = await photos.list(id);
  const verdict = evaluate(document, book, shelf);
  const purchase = purchaseTable(document, verdict.list.rows);
  const harness = harnessTable(document, verdict.wiring);
  const files = new Map<string, Uint8Array>([
    ['build.json', text(document)],
    ['settings.json', text(document.settings)],
    ['purchase.csv', new TextEncoder().encode(writeCsv(purchase.columns, purchase.rows))],
    ['harness.csv', new TextEncoder().encode(writeCsv(harness.columns, harness.rows))],
    [
      'bench.json',
      text({
        records: kept.records.map(({ key, kind, parent, at, data }) => ({ key, kind, parent, at, data })),
        photos: pictures.map(({ key, parent, step, at }) => ({ key, parent, step, at })),
      }),
    ],
  ]);
  const recordings = await logs.list(id);
  if (recordings.reduce((sum, l) => sum + l.rows, 0) > MOST_JOB_ROWS)
    throw new Problem(
      413,
      'too-large',
      `The recordings of this job have more than ${String(MOST_JOB_ROWS)} rows together: too many for one file. Save them one by one at Road.`,
    );
  for (const log of recordings)
    files.set(`rides/${log.key}.csv`, new TextEncoder().encode(await rideCsv(logs, log)));
  for (const { key } of pictures) files.set(`photos/${key}.jpg`, (await photos.picture(id, key)).data);
  return { name: document.name, data: zipped(files, SCHEMA_VERSION) };
}

interface Job {
  readonly build: BuildDocument;
  readonly records: readonly {
    readonly key: string;
    readonly kind: RecordKind;
    readonly parent: string | null;
    readonly at: string;
    readonly data: unknown;
  }[];
  readonly photos: readonly (z.infer<typeof photo> & {
    readonly data: Uint8Array;
    readonly width: number;
    readonly height: number;
  })[];
  /** Recordings, by the key of their ride. */
  readonly rides: ReadonlyMap<string, Recording>;
}

const parsed = (file: Uint8Array | undefined, name: string): Result<unknown> =>
  file === undefined
    ? fail({ code: 'missing', path: name, actual: undefined, limit: 'in the file' })
    : jsonText(new TextDecoder().decode(file));
const within = (name: string, issues: Extract<Result<unknown>, { ok: false }>['issues']): Result<never> => ({
  ok: false,
  issues: issues.map((one) => ({ ...one, path: `${name}: ${one.path}` })),
});

/** Reads a job file whole; what is wrong with it is told by the file within and its path, and nothing is taken. */
export function readJob(data: Uint8Array): Result<Job> {
  const files = unzipped(data);
  if (!files.ok) return files;
  const buildJson = parsed(files.value.get('build.json'), 'build.json');
  if (!buildJson.ok) return within('build.json', buildJson.issues);
  const build = readBuild(buildJson.value);
  if (!build.ok) return within('build.json', build.issues);
  const benchJson = parsed(files.value.get('bench.json'), 'bench.json');
  if (!benchJson.ok) return within('bench.json', benchJson.issues);
  const bench = benchFile.safeParse(benchJson.value);
  if (!bench.success) {
    const [first] = bench.error.issues;
    return fail({
      code: 'text',
      path: `bench.json: ${first?.path.join('.') ?? ''}`,
      actual: undefined,
      limit: first?.message ?? 'records',
    });
  }
  const keys = new Map(bench.data.records.map((r) => [r.key, r.kind]));
  const records: Job['records'][number][] = [];
  for (const one of bench.data.records) {
    if (!isRecordKind(one.kind))
      return fail({
        code: 'choice',
        path: `bench.json: ${one.key}`,
        actual: one.kind,
        limit: 'a kind of record',
      });
    const read = readRecord(one.kind, one.data);
    if (!read.ok) return within(`bench.json: ${one.key}`, read.issues);
    if (one.parent !== null && !keys.has(one.parent))
      return fail({
        code: 'text',
        path: `bench.json: ${one.key}`,
        actual: one.parent,
        limit: 'a record of this file',
      });
    records.push({ ...one, kind: one.kind, data: read.value });
  }
  const photos: Job['photos'][number][] = [];
  for (const one of bench.data.photos) {
    const picture = files.value.get(`photos/${one.key}.jpg`);
    const look = picture === undefined ? undefined : lookAtJpeg(Buffer.from(picture));
    if (picture === undefined || look?.ok !== true || keys.get(one.parent) !== 'bench-run')
      return fail({
        code: 'text',
        path: `photos/${one.key}.jpg`,
        actual: undefined,
        limit: 'a photograph of a run of this file',
      });
    photos.push({ ...one, data: picture, width: look.width, height: look.height });
  }
  const rides = new Map<string, Recording>();
  for (const [name, file] of files.value) {
    const key = /^rides\/(.+)\.csv$/.exec(name)?.[1];
    if (key === undefined) continue;
    if (keys.get(key) !== 'ride')
      return fail({ code: 'text', path: name, actual: key, limit: 'a ride of this file' });
    const recording = rideFromCsv(name, file);
    if (!recording.ok) return recording;
    rides.set(key, recording.value);
  }
  return ok({ build: build.value, records, photos, rides });
}

/**
 * Takes a job in as a new build with all that belongs to it, or nothing of it. Records keep their times and order; their keys are kept
 * too unless some are here already (the same job, taken in twice), when all are made anew.
 */
export async function takeInJob({ builds }: Stores, database: Database, job: Job): Promise<Saved> {
  return database.write(async (manager) => {
    const records = manager.getRepository(recordEntity);
    const pictures = manager.getRepository(photoEntity);
    const taken = await Promise.all([
      ...job.records.map(({ key }) => records.existsBy({ key })),
      ...job.photos.map(({ key }) => pictures.existsBy({ key })),
      ...[...job.rides.keys()].map((key) => manager.getRepository(logEntity).existsBy({ key })),
    ]);
    const anew = taken.some(Boolean);
    const names = new Map<string, string>();
    const keyOf = (key: string): string => {
      if (!anew) return key;
      const known = names.get(key) ?? randomBytes(12).toString('hex');
      names.set(key, known);
      return known;
    };
    const saved = await builds.createWithin(manager, job.build);
    for (const { key, kind, parent, at, data } of job.records) {
      const corrected = corrects(data, keyOf);
      await records.insert({
        key: keyOf(key),
        buildId: saved.id,
        kind,
        parent: parent === null ? null : keyOf(parent),
        data: JSON.stringify(corrected),
        at,
      });
    }
    for (const { key, parent, step, at, data, width, height } of job.photos) {
      await pictures.insert({
        key: keyOf(key),
        buildId: saved.id,
        parent: keyOf(parent),
        step,
        at,
        width,
        height,
        size: data.length,
        sha256: createHash('sha256').update(data).digest('hex'),
        data: Buffer.from(data),
      });
    }
    for (const [key, recording] of job.rides) {
      const { head, chunks } = storedLog(recording);
      const at = job.records.find((r) => r.key === key)?.at ?? '';
      await manager
        .getRepository(logEntity)
        .insert({ key: keyOf(key), buildId: saved.id, ...head, source: 'from a job file', at });
      for (const chunk of chunks())
        await manager.getRepository(chunkEntity).insert({ log: keyOf(key), ...chunk });
    }
    return saved;
  });
}

/** A record that names another one that it puts right names it by its new key. */
function corrects(data: unknown, keyOf: (key: string) => string): unknown {
  if (typeof data !== 'object' || data === null || !('corrects' in data) || typeof data.corrects !== 'string')
    return data;
  return { ...data, corrects: keyOf(data.corrects) };
}
