import { parentPort, type Transferable, type Worker } from 'node:worker_threads';
import { thread, type ThreadName } from './thread.ts';

interface Question<Q> {
  readonly id: number;
  readonly question: Q;
}
type Answer<A> = { readonly id: number } & ({ readonly answer: A } | { readonly failed: string });

/** In a thread: answers each question that comes, one after the other. */
export function answerEach(answerTo: (question: never) => unknown): void {
  parentPort?.on('message', ({ id, question }: Question<never>) => {
    let answer: Answer<unknown>;
    try {
      answer = { id, answer: answerTo(question) };
    } catch (problem) {
      answer = { id, failed: problem instanceof Error ? (problem.stack ?? problem.message) : 'failed' };
    }
    parentPort?.postMessage(answer);
  });
}

interface Waiting<A> {
  readonly resolve: (answer: A) => void;
  readonly reject: (why: Error) => void;
}

/**
 * Questions to a thread of its own, answered one after the other, so that none holds up another request. The thread is
 * begun when it is first needed, and begun again after it died.
 */
export class Answering<Q, A> {
  readonly #name: ThreadName;
  readonly #longestMs: number;
  readonly #waiting = new Map<number, Waiting<A>>();
  #worker: Worker | undefined;
  #timer: NodeJS.Timeout | undefined;
  #last = 0;

  /** @param longestMs a thread that is silent for longer is ended, and what waits for it fails */
  constructor(name: ThreadName, longestMs: number) {
    this.#name = name;
    this.#longestMs = longestMs;
  }

  /** How many questions wait, the one under way included. */
  get waiting(): number {
    return this.#waiting.size;
  }

  /** Whether the thread is there still that was told of earlier questions. */
  get begun(): boolean {
    return this.#worker !== undefined;
  }

  /** @param handedOver what belongs to the thread from now on */
  ask(question: Q, handedOver: readonly Transferable[] = []): Promise<A> {
    const worker = (this.#worker ??= this.#begin());
    this.#last += 1;
    const id = this.#last;
    const asked: Question<Q> = { id, question };
    return new Promise((resolve, reject) => {
      this.#waiting.set(id, { resolve, reject });
      worker.postMessage(asked, handedOver);
      if (this.#waiting.size === 1) this.#watch();
    });
  }

  async close(): Promise<void> {
    await this.#worker?.terminate();
  }

  #begin(): Worker {
    const worker = thread(this.#name);
    // Whoever stops the server does not wait for it.
    worker.unref();
    worker.on('message', (answer: Answer<A>) => {
      this.#settle(answer);
    });
    worker.on('error', (problem) => {
      this.#ended(worker, problem);
    });
    worker.on('exit', () => {
      this.#ended(worker, new Error(`the thread ${this.#name} ended`));
    });
    return worker;
  }

  #settle(answer: Answer<A>): void {
    const waiting = this.#waiting.get(answer.id);
    this.#waiting.delete(answer.id);
    this.#watch();
    if ('failed' in answer) waiting?.reject(new Error(answer.failed));
    else waiting?.resolve(answer.answer);
  }

  /** Time runs from the last answer, while any is waited for. */
  #watch(): void {
    clearTimeout(this.#timer);
    if (this.#waiting.size === 0) return;
    this.#timer = setTimeout(() => void this.#worker?.terminate(), this.#longestMs);
    this.#timer.unref();
  }

  #ended(worker: Worker, why: Error): void {
    if (this.#worker !== worker) return;
    this.#worker = undefined;
    clearTimeout(this.#timer);
    const waiting = [...this.#waiting.values()];
    this.#waiting.clear();
    for (const { reject } of waiting) reject(why);
  }
}
