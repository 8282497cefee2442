import type { RuleBook } from '@apple-cart/core';
import { Answering } from '../answering.ts';
import type { Asked, Evaluated } from './evaluate-worker.ts';

/** No build takes so long, ms. */
const LONGEST_MS = 30_000;

/** Judges builds in a thread of its own. */
export class Evaluator {
  readonly #thread = new Answering<Asked, Evaluated>('evaluate-worker', LONGEST_MS);
  #sentBook: RuleBook | undefined;

  /** @param book the rules to judge by; sent over only when it is another object than before */
  evaluate(build: unknown, book: RuleBook): Promise<Evaluated> {
    const known = this.#thread.begun && book === this.#sentBook;
    this.#sentBook = book;
    return this.#thread.ask({ build, ...(known ? {} : { book }) });
  }

  close(): Promise<void> {
    return this.#thread.close();
  }
}
