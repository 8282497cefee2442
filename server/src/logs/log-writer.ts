import Sqlite from 'better-sqlite3';
import {
  analyzeLog,
  levelsOf,
  withReadings,
  type LogAnalysis,
  type Recording,
  type RideRecord,
} from '@apple-cart/core';
import { CHUNK, bytesOf, storedColumns } from './log-columns.ts';

/** A recording to keep: where, under which key, and of which ride. */
export interface LogToKeep {
  readonly file: string;
  readonly buildId: string;
  readonly key: string;
  readonly at: string;
  readonly source: string;
  readonly ride: RideRecord;
  /** The ride is written down already: the recording is laid beside it. */
  readonly known: boolean;
}

/** A part of a column, as it is stored. */
export interface Chunk {
  readonly column: string;
  readonly level: number;
  readonly part: number;
  readonly data: Buffer;
}

/** What stands of a recording in its list. */
export interface LogHead {
  readonly rows: number;
  readonly levels: number;
  readonly columns: string;
  readonly analysis: string;
}

/** Everything that is stored of a recording: what stands in its list, and its columns in parts. */
export function storedLog(recording: Recording): {
  readonly head: LogHead;
  readonly analysis: LogAnalysis;
  readonly chunks: () => Generator<Chunk>;
} {
  const analysis = analyzeLog(recording);
  const columns = storedColumns(recording);
  return {
    analysis,
    head: {
      rows: recording.seconds.length,
      levels: levelsOf(recording.seconds).length,
      columns: JSON.stringify([...columns.keys()]),
      analysis: JSON.stringify(analysis),
    },
    *chunks() {
      for (const [column, values] of columns) {
        for (let from = 0, part = 0; from < values.length; from += CHUNK, part += 1)
          yield {
            column,
            level: 0,
            part,
            data: bytesOf(values, from, Math.min(values.length, from + CHUNK)),
          };
        for (const [i, { min, max, mean }] of levelsOf(values).entries())
          for (const [part, of] of [min, max, mean].entries())
            yield { column, level: i + 1, part, data: bytesOf(of) };
      }
    },
  };
}

/** Writes everything in one transaction on a connection of its own: killed in the middle, nothing of it is there. */
export function writeLog(
  { file, key, buildId, at, source, ride, known }: LogToKeep,
  recording: Recording,
): void {
  const { head, analysis, chunks } = storedLog(recording);
  const db = new Sqlite(file, { fileMustExist: true, timeout: 5000 });
  try {
    db.pragma('synchronous = FULL');
    db.exec('BEGIN IMMEDIATE');
    const chunk = db.prepare(
      'INSERT INTO ride_chunks ("log", "column", "level", "part", "data") VALUES (?, ?, ?, ?, ?)',
    );
    for (const { column, level, part, data } of chunks()) chunk.run(key, column, level, part, data);
    db.prepare(
      'INSERT INTO ride_logs ("key", "buildId", "rows", "levels", "columns", "analysis", "source", "at") VALUES (?, ?, ?, ?, ?, ?, ?, ?)',
    ).run(key, buildId, head.rows, head.levels, head.columns, head.analysis, source, at);
    if (!known)
      db.prepare(
        'INSERT INTO records ("key", "buildId", "kind", "parent", "data", "at") VALUES (?, ?, ?, ?, ?, ?)',
      ).run(key, buildId, 'ride', null, JSON.stringify(withReadings(ride, analysis)), at);
    db.exec('COMMIT');
  } finally {
    db.close();
  }
}
