import type { Worker } from 'node:worker_threads';
import type { Issue, RuleBook } from '@apple-cart/core';
import { thread } from '../thread.ts';
import type { Answer, Asked } from './evaluate-worker.ts';

/** A verdict as JSON text, or what is wrong with the build. */
export type Evaluated = { readonly verdict: string } | { readonly issues: readonly Issue[] };

interface Waiting {
  readonly resolve: (evaluated: Evaluated) => void;
  readonly reject: (why: Error) => void;
}

/** No build takes so long, ms: a worker that is silent for longer is ended, and what waits for it fails. */
const LONGEST_MS = 30_000;

/**
 * Judges builds in a thread of its own, one after the other, so that no verdict holds up another answer. The thread is
 * begun when it is first needed, and begun again after it died.
 */
export class Evaluator {
  readonly #waiting = new Map<number, Waiting>();
  #worker: Worker | undefined;
  #sentBook: RuleBook | undefined;
  #timer: NodeJS.Timeout | undefined;
  #last = 0;

  /** @param book the rules to judge by; sent over only when it is another object than before */
  evaluate(build: unknown, book: RuleBook): Promise<Evaluated> {
    const worker = (this.#worker ??= this.#begin());
    this.#last += 1;
    const id = this.#last;
    const asked: Asked = { id, build, ...(book === this.#sentBook ? {} : { book }) };
    this.#sentBook = book;
    return new Promise((resolve, reject) => {
      this.#waiting.set(id, { resolve, reject });
      worker.postMessage(asked);
      if (this.#waiting.size === 1) this.#watch();
    });
  }

  async close(): Promise<void> {
    await this.#worker?.terminate();
  }

  #begin(): Worker {
    const worker = thread('evaluate-worker');
    // Whoever stops the server does not wait for it.
    worker.unref();
    worker.on('message', (answer: Answer) => {
      this.#settle(answer);
    });
    worker.on('error', (problem) => {
      this.#ended(worker, problem);
    });
    worker.on('exit', () => {
      this.#ended(worker, new Error('the thread that judges builds ended'));
    });
    return worker;
  }

  #settle(answer: Answer): void {
    const waiting = this.#waiting.get(answer.id);
    this.#waiting.delete(answer.id);
    this.#watch();
    if ('failed' in answer) waiting?.reject(new Error(answer.failed));
    else waiting?.resolve(answer);
  }

  /** Time runs from the last answer, while any is waited for. */
  #watch(): void {
    clearTimeout(this.#timer);
    if (this.#waiting.size === 0) return;
    this.#timer = setTimeout(() => void this.#worker?.terminate(), LONGEST_MS);
    this.#timer.unref();
  }

  #ended(worker: Worker, why: Error): void {
    if (this.#worker !== worker) return;
    this.#worker = undefined;
    this.#sentBook = undefined;
    clearTimeout(this.#timer);
    const waiting = [...this.#waiting.values()];
    this.#waiting.clear();
    for (const { reject } of waiting) reject(why);
  }
}
