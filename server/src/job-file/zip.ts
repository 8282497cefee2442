import { createHash } from 'node:crypto';
import { Zip, ZipDeflate, ZipPassThrough, unzipSync } from 'fflate';
import * as z from 'zod';
import { MOST_PHOTO_BYTES } from '@apple-cart/contracts';
import { fail, ok, type Issue, type Result } from '@apple-cart/core';
import { MOST_JOB_FILES } from './job-limits.ts';

/** Most of a job file as it comes, bytes. */
export const MOST_ZIP_BYTES = 256 * 2 ** 20;
/** Most of what is within: of all recordings together, and of all that is neither recording nor photograph, bytes. */
const MOST_RIDE_BYTES = 512 * 2 ** 20;
const MOST_TEXT_BYTES = 64 * 2 ** 20;
/** Beside photographs and recordings. */
const OTHER_FILES = 6;
/** What may be within; every other name is refused before anything is inflated. */
const NAMES =
  /^(?:(?:manifest|build|bench|settings)\.json|(?:purchase|harness)\.csv|rides\/[A-Za-z0-9-]{8,80}\.csv|photos\/[A-Za-z0-9-]{8,80}\.jpg)$/;
/** The same files give the same bytes, on any day. The local constructor: a date in another zone would be out of the format's range. */
const STAMP = new Date(1980, 0, 1);

const FORMAT = 'apple-cart-job';
const manifest = z.strictObject({
  format: z.literal(FORMAT),
  formatVersion: z.literal(1),
  schemas: z.strictObject({ build: z.number().int().min(1) }),
  files: z.record(
    z.string().max(120),
    z.strictObject({ sha256: z.string().length(64), bytes: z.number().int().min(0) }),
  ),
});

const hashOf = (data: Uint8Array): string => createHash('sha256').update(data).digest('hex');
const issue = (path: string, limit: string, actual?: Issue['actual']): Result<never> =>
  fail({ code: 'text', path, actual, limit });

/** A file to be packed; its parts are asked for when its turn comes. */
export interface ZipEntry {
  readonly name: string;
  readonly parts: AsyncIterable<Uint8Array> | Iterable<Uint8Array>;
}

/**
 * Files as one archive, sorted, so that the same job is the same file, with a manifest of their hashes at its end; bytes come as
 * files are packed, so that a large job is never in memory whole.
 */
export async function* zipped(
  entries: readonly ZipEntry[],
  buildSchema: number,
): AsyncGenerator<Uint8Array, undefined> {
  let done: Uint8Array[] = [];
  const zip = new Zip((problem, data) => {
    if (problem !== null) throw problem;
    done.push(data);
  });
  const taken = (): Uint8Array[] => {
    const parts = done;
    done = [];
    return parts;
  };
  const said: Record<string, { readonly sha256: string; readonly bytes: number }> = {};
  const add = (name: string): ZipDeflate | ZipPassThrough => {
    const file = name.endsWith('.jpg') ? new ZipPassThrough(name) : new ZipDeflate(name, { level: 6 });
    file.mtime = STAMP;
    zip.add(file);
    return file;
  };
  for (const { name, parts } of [...entries].sort((a, b) => (a.name < b.name ? -1 : 1))) {
    const file = add(name);
    const hash = createHash('sha256');
    let bytes = 0;
    for await (const part of parts) {
      hash.update(part);
      bytes += part.length;
      // What is handed over is the archive's own from then on.
      file.push(part.slice());
      yield* taken();
    }
    file.push(new Uint8Array(), true);
    yield* taken();
    said[name] = { sha256: hash.digest('hex'), bytes };
  }
  const manifest = { format: FORMAT, formatVersion: 1, schemas: { build: buildSchema }, files: said };
  add('manifest.json').push(new TextEncoder().encode(`${JSON.stringify(manifest, null, 2)}\n`), true);
  zip.end();
  yield* taken();
}

const isRide = (name: string): boolean => name.startsWith('rides/');

interface Listed {
  readonly name: string;
  readonly originalSize: number;
}

/** What stands in the directory of an archive, before anything of it is inflated. */
function trouble(listed: readonly Listed[]): Result<never> | undefined {
  const names = listed.map((f) => f.name);
  const strange = names.find((name) => !NAMES.test(name));
  if (strange !== undefined) return issue(strange.slice(0, 80), 'a file of a job');
  if (new Set(names).size !== names.length) return issue('', 'every file once');
  const most = MOST_JOB_FILES + OTHER_FILES;
  if (names.length > most) return issue('', `at most ${String(most)} files`, names.length);
  const large = listed.find((f) => f.name.endsWith('.jpg') && f.originalSize > MOST_PHOTO_BYTES);
  if (large !== undefined)
    return issue(large.name, `at most ${String(MOST_PHOTO_BYTES)} bytes`, large.originalSize);
  const sum = (rides: boolean): number =>
    listed
      .filter((f) => !f.name.endsWith('.jpg') && isRide(f.name) === rides)
      .reduce((bytes, f) => bytes + f.originalSize, 0);
  if (sum(false) > MOST_TEXT_BYTES) return issue('', `at most ${String(MOST_TEXT_BYTES)} bytes`, sum(false));
  return sum(true) > MOST_RIDE_BYTES
    ? issue('rides', `at most ${String(MOST_RIDE_BYTES)} bytes`, sum(true))
    : undefined;
}

/** The files of a job; a recording is unpacked when it is asked for. */
export interface Opened {
  readonly names: readonly string[];
  get(name: string): Uint8Array | undefined;
}

/** Opens a job file: every name, size and hash is held against what it may be; nothing is taken of one that fails. */
export function unzipped(data: Uint8Array): Result<Opened> {
  const names: string[] = [];
  let small: ReadonlyMap<string, Uint8Array> = new Map();
  // A recording is large: one at a time.
  const get = (name: string): Uint8Array | undefined =>
    isRide(name) && names.includes(name)
      ? unzipSync(data, { filter: (f) => f.name === name })[name]
      : small.get(name);
  try {
    const listed: Listed[] = [];
    unzipSync(data, {
      filter: ({ name, originalSize }) => {
        listed.push({ name, originalSize });
        return false;
      },
    });
    const wrong = trouble(listed);
    if (wrong !== undefined) return wrong;
    names.push(...listed.map((f) => f.name));
    small = new Map(Object.entries(unzipSync(data, { filter: ({ name }) => !isRide(name) })));
  } catch {
    return issue('', 'a job file (a zip archive)');
  }
  const text = get('manifest.json');
  if (text === undefined) return issue('manifest.json', 'a manifest');
  let said: unknown;
  try {
    said = JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(text));
  } catch {
    return issue('manifest.json', 'JSON');
  }
  const read = manifest.safeParse(said);
  if (!read.success) return issue('manifest.json', 'a manifest of a job, version 1');
  const within = names.filter((name) => name !== 'manifest.json');
  for (const [name, { sha256, bytes }] of Object.entries(read.data.files)) {
    let found: Uint8Array | undefined;
    try {
      found = get(name);
    } catch {
      return issue(name, 'a file that can be unpacked');
    }
    // The archive's own check sum is not looked at by the library: a flipped byte is found here.
    if (found?.length !== bytes || hashOf(found) !== sha256) return issue(name, 'as the manifest has it');
  }
  const unknown = within.find((name) => !Object.hasOwn(read.data.files, name));
  return unknown === undefined ? ok({ names: within, get }) : issue(unknown, 'named in the manifest');
}
