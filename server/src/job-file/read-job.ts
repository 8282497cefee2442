import * as z from 'zod';
import { recordKey } from '@apple-cart/contracts';
import {
  fail,
  isRecordKind,
  jsonText,
  ok,
  readBuild,
  readRecord,
  type BuildDocument,
  type RecordKind,
  type Result,
} from '@apple-cart/core';
import { storedLog, type Chunk, type LogHead } from '../logs/log-writer.ts';
import { lookAtJpeg } from '../photos/jpeg.ts';
import { MOST_JOB_FILES, MOST_JOB_ROWS } from './job-limits.ts';
import { rideFromCsv } from './ride-csv.ts';
import { unzipped } from './zip.ts';

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
  photos: z.array(photo).max(MOST_JOB_FILES),
});

/** A recording as it is stored. */
interface KeptRecording {
  readonly head: LogHead;
  readonly chunks: readonly Chunk[];
}

/** A job as it was read: everything that is to be stored of it. */
export interface Job {
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
  readonly rides: ReadonlyMap<string, KeptRecording>;
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
  const rides = new Map<string, KeptRecording>();
  let rows = 0;
  for (const name of files.value.names) {
    const key = /^rides\/(.+)\.csv$/.exec(name)?.[1];
    if (key === undefined) continue;
    if (keys.get(key) !== 'ride')
      return fail({ code: 'text', path: name, actual: key, limit: 'a ride of this file' });
    const recording = rideFromCsv(name, files.value.get(name) ?? new Uint8Array(), MOST_JOB_ROWS - rows);
    if (!recording.ok) return recording;
    rows += recording.value.seconds.length;
    const { head, chunks } = storedLog(recording.value);
    rides.set(key, { head, chunks: [...chunks()] });
  }
  return ok({ build: build.value, records, photos, rides });
}
