import * as z from 'zod';
import type { Kept } from '@apple-cart/core';

/** What server and page say to each other of facts: bench runs, rides and whatever follows. */

/** Made by whoever writes the record, once, so that it can be sent again and is kept once. */
export const recordKey = z
  .string()
  .regex(/^[A-Za-z0-9-]{8,80}$/, 'letters, digits and hyphens, at least eight');

/** POST of a record; the data is validated by its kind. */
export const recordRequest = z.object({
  key: recordKey,
  kind: z.string().max(40),
  parent: recordKey.nullable(),
  data: z.unknown(),
});
export type RecordRequest = z.infer<typeof recordRequest>;

/** What a record is answered with: kept now, or known already. */
export const recordAnswer = z.object({
  key: recordKey,
  seq: z.number().int(),
  at: z.string(),
  known: z.boolean(),
});
export type RecordAnswer = z.infer<typeof recordAnswer>;

/** The records of a build in their order; one that cannot be read is named. */
export const recordList = z.object({
  records: z.array(z.custom<Kept>()),
  broken: z.array(z.object({ key: z.string(), kind: z.string() })),
});
export interface RecordList {
  readonly records: readonly Kept[];
  readonly broken: readonly { readonly key: string; readonly kind: string }[];
}

/** Records of one kind of every build, in their order, each with the build that it is of: a list of records beside. */
export interface RecordsEverywhere extends Pick<RecordList, 'broken'> {
  readonly records: readonly (Kept & { readonly build: string })[];
}

/** Largest photograph, bytes, and the most of one run. */
export const MOST_PHOTO_BYTES = 400_000;
export const MOST_PHOTOS = 60;

/** A photograph in a list; its picture has an address of its own. */
const photoInfo = z.object({
  key: z.string(),
  parent: z.string(),
  step: z.string(),
  size: z.number(),
  width: z.number(),
  height: z.number(),
  at: z.string(),
});
export type PhotoInfo = z.infer<typeof photoInfo>;
export const photoList = z.object({ photos: z.array(photoInfo) });
export const photoAnswer = z.object({ key: recordKey, known: z.boolean() });

/** What a programmer shows after it has written. */
export const programAnswer = z.object({
  instrument: z.string(),
  simulated: z.boolean(),
  settings: z.record(z.string(), z.number()),
});
