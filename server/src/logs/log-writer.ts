import Sqlite from 'better-sqlite3';
import { analyzeLog, levelsOf, withReadings, type Recording, type RideRecord } from '@apple-cart/core';
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

/** Writes everything in one transaction on a connection of its own: killed in the middle, nothing of it is there. */
export function writeLog(
  { file, key, buildId, at, source, ride, known }: LogToKeep,
  recording: Recording,
): void {
  const analysis = analyzeLog(recording);
  const columns = storedColumns(recording);
  const db = new Sqlite(file, { fileMustExist: true, timeout: 5000 });
  try {
    db.pragma('synchronous = FULL');
    db.exec('BEGIN IMMEDIATE');
    const chunk = db.prepare(
      'INSERT INTO ride_chunks ("log", "column", "level", "part", "data") VALUES (?, ?, ?, ?, ?)',
    );
    let levels = 0;
    for (const [name, values] of columns) {
      for (let from = 0, part = 0; from < values.length; from += CHUNK, part += 1)
        chunk.run(key, name, 0, part, bytesOf(values, from, Math.min(values.length, from + CHUNK)));
      const coarse = levelsOf(values);
      levels = coarse.length;
      coarse.forEach(({ min, max, mean }, i) => {
        [min, max, mean].forEach((of, part) => chunk.run(key, name, i + 1, part, bytesOf(of)));
      });
    }
    db.prepare(
      'INSERT INTO ride_logs ("key", "buildId", "rows", "levels", "columns", "analysis", "source", "at") VALUES (?, ?, ?, ?, ?, ?, ?, ?)',
    ).run(
      key,
      buildId,
      recording.seconds.length,
      levels,
      JSON.stringify([...columns.keys()]),
      JSON.stringify(analysis),
      source,
      at,
    );
    if (!known)
      db.prepare(
        'INSERT INTO records ("key", "buildId", "kind", "parent", "data", "at") VALUES (?, ?, ?, ?, ?, ?)',
      ).run(key, buildId, 'ride', null, JSON.stringify(withReadings(ride, analysis)), at);
    db.exec('COMMIT');
  } finally {
    db.close();
  }
}
