import * as z from 'zod';
import type { LogAnalysis } from '@apple-cart/core';
import { recordKey } from './records.ts';

/** What server and page say to each other of recordings of rides. */

/** Largest file of a recording, bytes. */
export const MOST_LOG_BYTES = 512 * 1024 * 1024;

/** What becomes of a file with rows that cannot be read. */
export const BAD_ROWS = ['skip', 'refuse'] as const;
export type BadRows = (typeof BAD_ROWS)[number];

/** Beside the file: JSON of the columns (null for a track), of the ride, and what to do with bad rows. */
export const logImport = z.object({
  columns: z.unknown(),
  ride: z.unknown(),
  bad: z.enum(BAD_ROWS),
});

/** A row that was not taken, by the line that it begins on. */
export const badRow = z.object({ line: z.number().int(), why: z.string() });
export type BadRow = z.infer<typeof badRow>;

/** How an import went: how many rows were taken and how many not, and of those the first by name. */
export const logTaken = z.object({
  key: recordKey,
  rows: z.number().int(),
  skipped: z.number().int(),
  bad: z.array(badRow),
});
export type LogTaken = z.infer<typeof logTaken>;

/** How far an import is: told again and again while it runs. */
export const logProgress = z.object({
  state: z.enum(['waiting', 'reading', 'keeping', 'over']),
  rows: z.number().int(),
  bytes: z.number().int(),
});
export type LogProgress = z.infer<typeof logProgress>;

/** What a recording says, as it is told: null where nothing does. */
export type ToldAnalysis = {
  readonly [K in keyof LogAnalysis]: LogAnalysis[K] extends number ? number | null : LogAnalysis[K];
};

/** A recording as it is listed; its rows are asked for by themselves. */
export const logInfo = z.object({
  key: z.string(),
  rows: z.number().int(),
  columns: z.array(z.string()),
  analysis: z.custom<ToldAnalysis>(),
});
export interface LogInfo {
  readonly key: string;
  readonly rows: number;
  readonly columns: readonly string[];
  readonly analysis: ToldAnalysis;
}

const numbers = z.array(z.number().nullable());
/** Rows of a recording between two of them, by buckets: the least, the greatest and the mean of each; one list where each is a row. */
export const logWindow = z.object({
  rows: z.number().int(),
  from: z.number().int(),
  /** Rows in a bucket. */
  bucket: z.number().int(),
  columns: z.record(z.string(), z.object({ min: numbers, max: numbers, mean: numbers }).or(numbers)),
});
export type LogWindow = z.infer<typeof logWindow>;
