import { expose } from 'comlink';
import { vi } from 'vitest';
import { dismissIdle } from '../work/pool.ts';
import { StudyRunner } from '../work/study-runner.ts';

/** A worker that works in this thread, through a real message channel: it offers the same, and can be counted. */
export class WorkerHere {
  static made: WorkerHere[] = [];
  /** True for workers that never answer. */
  static silent = false;
  readonly #port: MessagePort;
  ended = false;

  constructor() {
    const { port1, port2 } = new MessageChannel();
    if (!WorkerHere.silent) expose(new StudyRunner(), port1);
    port1.start();
    port2.start();
    this.#port = port2;
    WorkerHere.made.push(this);
  }
  postMessage(message: unknown, transfer: Transferable[] = []): void {
    this.#port.postMessage(message, transfer);
  }
  addEventListener(type: string, listener: EventListener): void {
    this.#port.addEventListener(type, listener);
  }
  removeEventListener(type: string, listener: EventListener): void {
    this.#port.removeEventListener(type, listener);
  }
  terminate(): void {
    this.ended = true;
    this.#port.close();
  }
}

/** Workers of a test: none is left from the one before, nor from another file whose page was cleared away too late. */
export function workersHere(): void {
  dismissIdle();
  vi.stubGlobal('Worker', WorkerHere);
  WorkerHere.made = [];
  WorkerHere.silent = false;
}

export function noWorkersLeft(): void {
  dismissIdle();
  vi.unstubAllGlobals();
}
