import { fork } from 'node:child_process';
import type { Bounds, Report } from './report.ts';

interface Told {
  readonly count: number;
  readonly longestMs: number;
  readonly doing: string;
  readonly wrong?: readonly string[];
}

/** A reader that is silent for so long hangs, ms; its process has to begin within it, on a busy machine too. */
const SILENT_MS = 180_000;
/** Inputs of one process: it is started anew, so that nothing it keeps grows without end. */
const BATCH = 60_000;

/** One process of inputs; a hang is ended from outside, and said with what it was at. */
function batch(seed: number, rounds: number): Promise<Told> {
  const child = fork(new URL('./readers-child.ts', import.meta.url), [String(seed), String(rounds)], {
    execArgv: ['--import', 'tsx'],
  });
  let last: Told = { count: 0, longestMs: 0, doing: 'nothing yet' };
  return new Promise((done) => {
    let timer: NodeJS.Timeout;
    const watch = (): void => {
      clearTimeout(timer);
      timer = setTimeout(() => {
        child.kill('SIGKILL');
        done({ ...last, wrong: [`hangs: ${last.doing}`] });
      }, SILENT_MS);
    };
    watch();
    child.on('message', (told: Told) => {
      last = told;
      watch();
      if (told.wrong !== undefined) {
        clearTimeout(timer);
        done(told);
      }
    });
    child.on('exit', (code) => {
      clearTimeout(timer);
      done({ ...last, wrong: last.wrong ?? [`ended with ${String(code)}: ${last.doing}`] });
    });
  });
}

/** Every reader of files against spoilt and drawn texts: no throw, no hang, nothing told at length. */
export async function readers({ seed, untilMs, rounds }: Bounds): Promise<Report> {
  const figures = { inputs: 0, longestMs: 0 };
  const wrong: string[] = [];
  for (let n = 0; figures.inputs < rounds && Date.now() < untilMs && wrong.length === 0; n += 1) {
    const told = await batch(seed + n, Math.min(BATCH, rounds - figures.inputs));
    figures.inputs += told.count;
    figures.longestMs = Math.max(figures.longestMs, told.longestMs);
    wrong.push(...(told.wrong ?? []));
  }
  return { name: 'readers', seed, figures, wrong };
}
