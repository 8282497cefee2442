import { Worker } from 'node:worker_threads';

/** The modules that run in threads of their own, by where they stand beside this one. */
const THREADS = {
  'evaluate-worker': './evaluate/evaluate-worker.ts',
  'import-worker': './logs/import-worker.ts',
  'job-worker': './job-file/job-worker.ts',
} as const;

export type ThreadName = keyof typeof THREADS;

/** Begins a thread: from its source, or from the file beside the one that the server is bundled into (scripts/bundle.mjs). */
export function thread(name: ThreadName): Worker {
  if (import.meta.url.endsWith('.mjs')) return new Worker(new URL(`./${name}.mjs`, import.meta.url));
  return new Worker(new URL('./boot.mjs', import.meta.url), {
    workerData: { module: new URL(THREADS[name], import.meta.url).href },
  });
}
