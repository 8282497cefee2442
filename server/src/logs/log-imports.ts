import type { Worker } from 'node:worker_threads';
import { MOST_LOG_BYTES, type LogProgress, type LogTaken } from '@apple-cart/contracts';
import type { Recording } from '@apple-cart/core';
import type { Database } from '../database/database.ts';
import { Problem } from '../http/problems.ts';
import { thread } from '../thread.ts';
import { writeLog, type LogToKeep } from './log-writer.ts';
import type { FromWorker, ImportTask, ToWorker } from './import-worker.ts';

/** So many chunks may be on their way to the thread: the rest waits in the file. */
const AHEAD = 4;
/** So many at once: each holds its recording in memory. */
const MOST_AT_ONCE = 2;
/** A thread that says nothing for so long is ended, ms. */
const LONGEST_MS = 60_000;

/** A thread with whoever listens to it now: listeners of a worker that are taken off and put on again are deaf. */
class Thread {
  readonly #worker: Worker;
  hear: (message: FromWorker) => void = () => undefined;
  ended: (why: Error) => void = () => undefined;

  constructor() {
    this.#worker = thread('import-worker');
    // Whoever stops the server does not wait for it.
    this.#worker.unref();
    this.#worker.on('message', (message: FromWorker) => {
      this.hear(message);
    });
    this.#worker.on('error', (why) => {
      this.ended(why);
    });
    this.#worker.on('exit', () => {
      this.ended(new Error('the thread that reads recordings ended'));
    });
  }

  say(message: ToWorker): void {
    this.#worker.postMessage(message);
  }

  async end(): Promise<void> {
    await this.#worker.terminate();
  }
}

interface Running {
  progress: LogProgress;
  readonly stop: (why: Problem) => void;
}

export const tooLargeLog = (): Problem =>
  new Problem(
    413,
    'too-large',
    `A recording has at most ${String(MOST_LOG_BYTES / 2 ** 20)} MB. Nothing was stored.`,
  );
const stopped = (): Problem => new Problem(409, 'stopped', 'The import was stopped. Nothing was stored.');

/**
 * Imports that run, each in a thread of its own: it reads the bytes as they come, and writes all at once when it is its turn.
 * Stopped, refused or killed, nothing of it is stored.
 */
export class LogImports {
  readonly #database: Database;
  readonly #running = new Map<string, Running>();
  /** A thread that has ended its work well: the next import begins at once. */
  #idle: Thread | undefined;
  constructor(database: Database) {
    this.#database = database;
  }

  progress(key: string): LogProgress | undefined {
    return this.#running.get(key)?.progress;
  }

  /** Stops an import; false where there is none of that key. */
  stop(key: string): boolean {
    const running = this.#running.get(key);
    running?.stop(stopped());
    return running !== undefined;
  }

  /** Stops all: the server goes down. */
  async close(): Promise<void> {
    for (const { stop } of this.#running.values()) stop(stopped());
    await this.#idle?.end();
    this.#idle = undefined;
  }

  /** Keeps a recording that was not read from a file. @throws Error where the database does not take it */
  keep(log: Omit<LogToKeep, 'file'>, recording: Recording): Promise<void> {
    return this.#database.aside(() => {
      writeLog({ ...log, file: this.#file }, recording);
      return Promise.resolve();
    });
  }

  get #file(): string {
    return this.#database.writer.options.database as string;
  }

  /** @throws Problem 400 with the reason, 409 when it was stopped or is under way already, 413, 503 */
  async take(task: Omit<ImportTask, 'file'>, body: AsyncIterable<Uint8Array>): Promise<LogTaken> {
    const { key } = task;
    if (this.#running.has(key)) throw new Problem(409, 'under-way', 'This recording is being read already.');
    if (this.#running.size >= MOST_AT_ONCE)
      throw new Problem(503, 'busy', 'Two recordings are being read already: wait for one to end.');
    const thread = this.#idle ?? new Thread();
    this.#idle = undefined;
    let clean = false;
    try {
      const taken = await this.#run({ ...task, file: this.#file }, thread, body);
      clean = true;
      return taken;
    } catch (problem) {
      // What was refused left the thread as it was; one that was stopped is in the middle of something.
      clean = problem instanceof Problem && problem.code === 'unreadable-log';
      throw problem;
    } finally {
      this.#running.delete(key);
      // Another import may have ended meanwhile: one thread is kept.
      const other = this.#idle as Thread | undefined;
      if (clean && other === undefined) this.#idle = thread;
      else await thread.end();
    }
  }

  async #run(task: ImportTask, thread: Thread, body: AsyncIterable<Uint8Array>): Promise<LogTaken> {
    const { key } = task;
    let settle: (taken: LogTaken) => void = () => undefined;
    let fail: (why: unknown) => void = () => undefined;
    const outcome = new Promise<LogTaken>((resolve, reject) => {
      [settle, fail] = [resolve, reject];
    });
    // Whoever waits for room learns of the end by the outcome.
    outcome.catch(() => undefined);
    const running: Running = {
      progress: { state: 'waiting', rows: 0, bytes: 0 },
      stop: fail,
    };
    this.#running.set(key, running);
    const silence = setTimeout(() => {
      fail(new Problem(500, 'silent', 'The file could not be read in time. Nothing was stored.'));
    }, LONGEST_MS);
    let [ahead, room] = [0, (): void => undefined];
    const say = (message: ToWorker): void => {
      thread.say(message);
    };
    thread.hear = (message) => {
      silence.refresh();
      switch (message.say) {
        case 'more':
          ahead -= 1;
          running.progress = { ...running.progress, state: 'reading', rows: message.rows };
          room();
          return;
        case 'ready':
          running.progress = { ...running.progress, state: 'keeping' };
          void this.#database.aside(async () => {
            say({ say: 'turn' });
            // The queue goes on when it is written, or will not be.
            await outcome.catch(() => undefined);
          });
          return;
        case 'kept':
          settle({ key, rows: message.rows, skipped: message.skipped, bad: [...message.bad] });
          return;
        case 'refused':
          fail(
            new Problem(400, 'unreadable-log', `${message.why} Nothing was stored.`, { bad: message.bad }),
          );
      }
    };
    thread.ended = fail;
    say({ say: 'begin', task });
    try {
      await Promise.race([
        outcome,
        this.#send(
          body,
          running,
          say,
          () => (ahead += 1) < AHEAD,
          (go) => (room = go),
        ),
      ]);
      say({ say: 'end' });
      return await outcome;
    } catch (problem) {
      fail(problem);
      throw problem;
    } finally {
      clearTimeout(silence);
    }
  }

  async #send(
    body: AsyncIterable<Uint8Array>,
    running: Running,
    say: (message: ToWorker) => void,
    hasRoom: () => boolean,
    whenRoom: (go: () => void) => void,
  ): Promise<void> {
    for await (const bytes of body) {
      const { progress } = running;
      running.progress = { ...progress, bytes: progress.bytes + bytes.length };
      if (running.progress.bytes > MOST_LOG_BYTES) throw tooLargeLog();
      const next = new Promise<void>((resolve) => {
        whenRoom(resolve);
      });
      say({ say: 'bytes', bytes });
      if (!hasRoom()) await next;
    }
  }
}
