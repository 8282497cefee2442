import { createHash } from 'node:crypto';
import { unzipSync, zipSync, type Zippable } from 'fflate';
import * as z from 'zod';
import { fail, ok, type Issue, type Result } from '@apple-cart/core';

/** Most of a job file: bytes as it comes, bytes of all within, and how many are within. */
export const MOST_ZIP_BYTES = 32 * 1024 * 1024;
const MOST_BYTES = 64 * 1024 * 1024;
const MOST_FILES = 200;
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

/** Files by name as one archive, with a manifest of their hashes; sorted, so that the same job is the same file. */
export function zipped(files: ReadonlyMap<string, Uint8Array>, buildSchema: number): Uint8Array {
  const names = [...files.keys()].sort();
  const said = {
    format: FORMAT,
    formatVersion: 1,
    schemas: { build: buildSchema },
    files: Object.fromEntries(
      names.map((name) => {
        const data = files.get(name) ?? new Uint8Array();
        return [name, { sha256: hashOf(data), bytes: data.length }];
      }),
    ),
  };
  const whole: Zippable = {};
  whole['manifest.json'] = [
    new TextEncoder().encode(`${JSON.stringify(said, null, 2)}\n`),
    { mtime: STAMP, level: 6 },
  ];
  for (const name of names)
    whole[name] = [
      files.get(name) ?? new Uint8Array(),
      { mtime: STAMP, level: name.endsWith('.jpg') ? 0 : 6 },
    ];
  return zipSync(whole);
}

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
  if (names.length > MOST_FILES) return issue('', `at most ${String(MOST_FILES)} files`, names.length);
  const bytes = listed.reduce((sum, f) => sum + f.originalSize, 0);
  return bytes > MOST_BYTES ? issue('', `at most ${String(MOST_BYTES)} bytes`, bytes) : undefined;
}

/** Opens a job file: every name, size and hash is held against what it may be; nothing is taken of one that fails. */
export function unzipped(data: Uint8Array): Result<ReadonlyMap<string, Uint8Array>> {
  let files: Record<string, Uint8Array>;
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
    files = unzipSync(data);
  } catch {
    return issue('', 'a job file (a zip archive)');
  }
  const text = files['manifest.json'];
  if (text === undefined) return issue('manifest.json', 'a manifest');
  let said: unknown;
  try {
    said = JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(text));
  } catch {
    return issue('manifest.json', 'JSON');
  }
  const read = manifest.safeParse(said);
  if (!read.success) return issue('manifest.json', 'a manifest of a job, version 1');
  const within = new Map(Object.entries(files).filter(([name]) => name !== 'manifest.json'));
  for (const [name, { sha256, bytes }] of Object.entries(read.data.files)) {
    const found = within.get(name);
    // The archive's own check sum is not looked at by the library: a flipped byte is found here.
    if (found?.length !== bytes || hashOf(found) !== sha256) return issue(name, 'as the manifest has it');
  }
  const unknown = [...within.keys()].find((name) => !Object.hasOwn(read.data.files, name));
  return unknown === undefined ? ok(within) : issue(unknown, 'named in the manifest');
}
