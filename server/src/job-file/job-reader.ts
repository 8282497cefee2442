import type { Result } from '@apple-cart/core';
import { Answering } from '../answering.ts';
import { Problem } from '../http/problems.ts';
import type { Job } from './read-job.ts';

/** A file of two million rows is read in half a minute on a small machine, ms. */
const LONGEST_MS = 300_000;
/** So many files wait at most: each lies in memory. */
const MOST_WAITING = 2;

/** Reads job files in a thread of its own. */
export class JobReader {
  readonly #thread = new Answering<Uint8Array, Result<Job>>('job-worker', LONGEST_MS);

  /** @param data handed over: nothing is left of it here @throws Problem 503 while others wait already */
  async read(data: Uint8Array<ArrayBuffer>): Promise<Result<Job>> {
    if (this.#thread.waiting >= MOST_WAITING)
      throw new Problem(
        503,
        'busy',
        'Other job files are being read already: wait for one to end. Nothing was stored.',
      );
    const whole = data.byteLength === data.buffer.byteLength ? data : data.slice();
    return this.#thread.ask(whole, [whole.buffer]);
  }

  close(): Promise<void> {
    return this.#thread.close();
  }
}
