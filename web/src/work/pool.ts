import { releaseProxy, wrap, type Remote } from 'comlink';
import type { StudyRunner } from './study-runner.ts';

/** A worker that runs one study at a time. */
export interface Hand {
  readonly runner: Remote<StudyRunner>;
  readonly end: () => void;
}

/** Workers that have loaded the core and wait for work: a new view does not wait for another start. */
const idle: Hand[] = [];
const MOST_IDLE = 2;

function hire(): Hand {
  const worker = new Worker(new URL('./study.worker.ts', import.meta.url), { type: 'module' });
  const runner = wrap<StudyRunner>(worker);
  return {
    runner,
    end: () => {
      runner[releaseProxy]();
      worker.terminate();
    },
  };
}

/** A worker for whoever asks, to be given back. */
export const takeHand = (): Hand => idle.pop() ?? hire();

/** Ends the workers that wait. */
export function dismissIdle(): void {
  for (const hand of idle.splice(0)) hand.end();
}

/** Takes a worker back. One that is still busy is ended: nobody wants its answer. */
export function giveBack(hand: Hand, busy: boolean): void {
  if (busy || idle.length >= MOST_IDLE) hand.end();
  else idle.push(hand);
}
