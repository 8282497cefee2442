import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { create } from 'zustand';
import type { RecordRequest } from '@apple-cart/contracts';
import { ApiError, api, mayPass, type PhotoRequest } from './api.ts';

/** Something that was done and has not reached the server: a record, or a photograph. */
export type Errand =
  | { readonly what: 'record'; readonly build: string; readonly record: RecordRequest }
  | { readonly what: 'photo'; readonly build: string; readonly photo: PhotoRequest };

/** An errand in the queue. */
type Waiting = Errand & {
  readonly seq: number;
  /** Why the server will never take it; empty while it may. */
  readonly refused: string;
};

interface Outbox extends DBSchema {
  out: { key: number; value: Errand & { refused: string; seq?: number } };
}

/** How long one try may take, and the pause after one that failed, ms. */
const TRY_MS = 15_000;
const PAUSES_MS = [500, 1000, 2000, 4000, 8000] as const;

interface OutboxState {
  /** In the order in which they were done. */
  readonly waiting: readonly Waiting[];
  /** The server has them, and the page has not read them from it yet. */
  readonly sent: readonly Errand[];
  /** The server was not reached at the last try. */
  readonly away: boolean;
}
/** What waits to be sent, as the page shows it. */
export const useOutbox = create<OutboxState>()(() => ({ waiting: [], sent: [], away: false }));

let opened: Promise<IDBPDatabase<Outbox>> | undefined;
const database = (): Promise<IDBPDatabase<Outbox>> =>
  (opened ??= openDB<Outbox>('apple-cart-outbox', 1, {
    upgrade: (db) => {
      db.createObjectStore('out', { keyPath: 'seq', autoIncrement: true });
    },
  }));

/** Shows what waits. What no longer does has been sent, from here or from another window: it stays in view until it is read back. */
async function show(): Promise<readonly Waiting[]> {
  const all = (await (await database()).getAll('out')) as Waiting[];
  const still = new Set(all.map(({ seq }) => seq));
  useOutbox.setState(({ waiting, sent }) => ({
    waiting: all,
    sent: [...sent, ...waiting.filter(({ seq }) => !still.has(seq))],
  }));
  return all;
}

const send = (errand: Errand, signal: AbortSignal): Promise<unknown> =>
  errand.what === 'record'
    ? api.records.send(errand.build, errand.record, signal)
    : api.photos.send(errand.build, errand.photo, signal);

/** Told of each build whose records have grown; says whether the page has read them anew. */
type Heard = (build: string) => Promise<boolean>;
let heard: Heard = () => Promise.resolve(true);
export const onKept = (listener: Heard): void => {
  heard = listener;
};

let running: Promise<void> | undefined;
let timer: ReturnType<typeof setTimeout> | undefined;
let failures = 0;

/** Has the page read what has arrived; where that fails on a weak line, it is tried again. */
async function readBack(): Promise<void> {
  for (const build of new Set(useOutbox.getState().sent.map((one) => one.build))) {
    const before = useOutbox.getState().sent;
    if (await heard(build))
      useOutbox.setState(({ sent }) => ({
        sent: sent.filter((one) => one.build !== build || !before.includes(one)),
      }));
  }
  if (useOutbox.getState().sent.length > 0) again();
}

/** Sends what waits, the oldest first; nothing overtakes. What the server refuses for good is set aside and shown. */
async function run(): Promise<void> {
  for (;;) {
    const next = (await show()).find((one) => one.refused === '');
    if (next === undefined) {
      if (useOutbox.getState().sent.length > 0) await readBack();
      return;
    }
    try {
      await send(next, AbortSignal.timeout(TRY_MS));
      failures = 0;
      useOutbox.setState({ away: false });
      await (await database()).delete('out', next.seq);
      await show();
      await readBack();
    } catch (problem) {
      if (
        !(problem instanceof ApiError) ||
        mayPass(problem) ||
        problem.status === 401 ||
        problem.status === 429
      ) {
        useOutbox.setState({ away: true });
        again();
        return;
      }
      await (await database()).put('out', { ...next, refused: problem.message });
    }
  }
}

function again(): void {
  clearTimeout(timer);
  timer = setTimeout(() => void flush(), PAUSES_MS[Math.min(failures, PAUSES_MS.length - 1)]);
  failures += 1;
}

const once = (): Promise<void> =>
  (running ??= run().finally(() => {
    running = undefined;
  }));

/** Sends what waits; one window at a time where the browser can tell, and the server's keys make doubles harmless. */
export function flush(): Promise<void> {
  // A page of another machine's is no secure context: there are no locks there.
  const { locks = null } = navigator as { readonly locks?: LockManager | null };
  return locks === null
    ? once()
    : locks.request('apple-cart-outbox', { ifAvailable: true }, async (lock) => {
        if (lock === null) {
          await show();
          again();
          return;
        }
        await once();
      });
}

/** Keeps something in this browser, whatever becomes of the connection, and begins to send it. */
export async function enqueue(errand: Errand): Promise<void> {
  await (await database()).add('out', { ...errand, refused: '' });
  await show();
  void flush();
}

/** Takes out what the server will never take. */
export async function takeOut(seq: number): Promise<void> {
  useOutbox.setState(({ waiting }) => ({ waiting: waiting.filter((one) => one.seq !== seq) }));
  await (await database()).delete('out', seq);
  await show();
}

/** Goes on with what an earlier visit left. */
export function startOutbox(): void {
  void flush();
  window.addEventListener('online', () => void flush());
}
