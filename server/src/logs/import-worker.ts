import { parentPort } from 'node:worker_threads';
import { parse, type Parser } from 'csv-parse';
import { LogReader, describeIssue, recordingOfGpx, type LogColumns, type Recording } from '@apple-cart/core';
import type { BadRow, BadRows } from '@apple-cart/contracts';
import { writeLog, type LogToKeep } from './log-writer.ts';

/** What a thread is given to do. */
export interface ImportTask extends LogToKeep {
  /** Undefined for a track. */
  readonly columns: LogColumns | undefined;
  readonly bad: BadRows;
}

/** What it is told: what to do, the next bytes, their end, and that it is its turn to write. */
export type ToWorker =
  | { readonly say: 'begin'; readonly task: ImportTask }
  | { readonly say: 'bytes'; readonly bytes: Uint8Array }
  | { readonly say: 'end' }
  | { readonly say: 'turn' };

/** What it answers: that it has room for more, how far it is, that it wants to write, that it has, or why not. */
export type FromWorker =
  | { readonly say: 'more'; readonly rows: number }
  | { readonly say: 'ready' }
  | { readonly say: 'kept'; readonly rows: number; readonly skipped: number; readonly bad: readonly BadRow[] }
  | { readonly say: 'refused'; readonly why: string; readonly bad: readonly BadRow[] };

/** The first so many bad rows are named; a file of more bad rows than this and than good ones is another file. */
const NAMED = 50;
const MOST_BAD = 1000;
/** A row is no longer, characters. */
const LONGEST_ROW = 64 * 1024;
/** A track is no larger, bytes. */
const MOST_TRACK = 20_000_000;

/** Ends the import with its reason. */
class Refused extends Error {}

const tell = (message: FromWorker): void => {
  parentPort?.postMessage(message);
};

class Reading {
  private readonly decoder = new TextDecoder('utf-8', { fatal: true });
  private readonly reader: LogReader | undefined;
  private readonly parser: Parser | undefined;
  private readonly track: Uint8Array[] = [];
  private trackBytes = 0;
  private readonly bad: BadRow[] = [];
  private skipped = 0;
  private line = 0;
  private failed: Error | undefined;

  private readonly task: ImportTask;

  constructor(task: ImportTask) {
    this.task = task;
    const { columns } = task;
    if (columns === undefined) return;
    const { separator, heads } = columns;
    this.line = heads;
    this.reader = new LogReader(columns);
    this.parser = parse({
      delimiter: separator,
      from_line: heads + 1,
      relax_column_count: true,
      relax_quotes: true,
      bom: true,
      max_record_size: LONGEST_ROW,
    });
    this.parser.on('readable', () => {
      this.read();
    });
    this.parser.on('error', (problem: Error & { code?: string; lines?: number }) => {
      const line = String(problem.lines ?? this.parser?.info.lines ?? 0);
      this.failed =
        problem.code === 'CSV_MAX_RECORD_SIZE'
          ? new Refused(
              `Line ${line}: a row of more than ${String(LONGEST_ROW)} characters. A quote that is not closed?`,
            )
          : new Refused(`Line ${line}: the row cannot be parted into cells.`);
    });
  }

  get rows(): number {
    return this.reader?.rows ?? 0;
  }

  private read(): void {
    const { parser, reader } = this;
    if (parser === undefined || reader === undefined) return;
    for (let row = parser.read() as string[] | null; row !== null; row = parser.read() as string[] | null) {
      // The parser is ahead of what is read here: rows are counted, and no logger writes one over two lines.
      this.line += 1;
      // What follows a failure is let go by, so that the parser comes to its end.
      if (this.failed !== undefined) continue;
      const why = row.length === 1 && row[0] === '' ? undefined : reader.take(row);
      if (why !== undefined) this.leave(this.line, why);
    }
  }

  private leave(line: number, why: string): void {
    this.skipped += 1;
    if (this.bad.length < NAMED) this.bad.push({ line, why });
    if (this.skipped > MOST_BAD && this.skipped > this.rows)
      this.failed = new Refused('More rows cannot be read than can: are the columns those of this file?');
  }

  /** @throws Refused */
  async take(bytes: Uint8Array): Promise<void> {
    try {
      this.decoder.decode(bytes, { stream: true });
    } catch {
      throw new Refused('It is no text in UTF-8: save it again with that encoding.');
    }
    if (bytes.includes(0)) throw new Refused('It is no text: it holds bytes that are nought.');
    const { parser } = this;
    if (parser === undefined) {
      this.trackBytes += bytes.length;
      if (this.trackBytes > MOST_TRACK)
        throw new Refused(`A track of more than ${String(MOST_TRACK)} bytes is none.`);
      this.track.push(bytes);
      return;
    }
    await new Promise<void>((resolve) => {
      parser.write(Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength), () => {
        resolve();
      });
      if (this.failed !== undefined) resolve();
    });
    this.read();
    if (this.failed !== undefined) throw this.failed;
  }

  /** @throws Refused */
  async finish(): Promise<{
    readonly recording: Recording;
    readonly skipped: number;
    readonly bad: readonly BadRow[];
  }> {
    const { parser, reader, skipped, bad } = this;
    if (parser === undefined || reader === undefined) {
      const read = recordingOfGpx(Buffer.concat(this.track).toString('utf8'));
      if (!read.ok) throw new Refused(read.issues.map(describeIssue).join(' '));
      return { recording: read.value, skipped, bad };
    }
    await new Promise<void>((resolve) => {
      parser.once('end', resolve);
      parser.once('error', () => {
        resolve();
      });
      parser.end();
    });
    if (this.failed !== undefined) throw this.failed;
    if (this.skipped > 0 && this.task.bad === 'refuse')
      throw new Refused(`${String(this.skipped)} ${this.skipped === 1 ? 'row' : 'rows'} cannot be read.`);
    if (reader.rows < 2) throw new Refused('There are not two rows that can be read.');
    return { recording: reader.finish(), skipped: this.skipped, bad: this.bad };
  }

  named(): readonly BadRow[] {
    return this.bad;
  }
}

/** One import after the other: what was read, and what was not, is told by it. */
class Import {
  private readonly task: ImportTask;
  private readonly reading: Reading;
  private work: Promise<unknown> = Promise.resolve();
  private turn: () => void = () => undefined;
  private readonly itsTurn = new Promise<void>((resolve) => {
    this.turn = resolve;
  });

  constructor(task: ImportTask) {
    this.task = task;
    this.reading = new Reading(task);
  }

  hear(message: Exclude<ToWorker, { say: 'begin' }>): void {
    switch (message.say) {
      case 'turn':
        this.turn();
        return;
      case 'bytes':
        this.then(async () => {
          await this.reading.take(message.bytes);
          tell({ say: 'more', rows: this.reading.rows });
        });
        return;
      case 'end':
        this.then(async () => {
          const { recording, skipped, bad } = await this.reading.finish();
          tell({ say: 'ready' });
          await this.itsTurn;
          writeLog(this.task, recording);
          tell({ say: 'kept', rows: recording.seconds.length, skipped, bad });
        });
    }
  }

  private then(next: () => Promise<void>): void {
    this.work = this.work.then(next);
    // Told once: what waits behind a failure is not done, and fails with it.
    this.work.catch((problem: unknown) => {
      if (this.told) return;
      this.told = true;
      tell({
        say: 'refused',
        why: problem instanceof Refused ? problem.message : `It cannot be kept: ${String(problem)}`,
        bad: this.reading.named(),
      });
    });
  }
  private told = false;
}

let now: Import | undefined;
parentPort?.on('message', (message: ToWorker) => {
  if (message.say === 'begin') now = new Import(message.task);
  else now?.hear(message);
});
