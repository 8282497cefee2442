import 'fake-indexeddb/auto';
import { openDB } from 'idb';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { RecordRequest } from '@apple-cart/contracts';
import { enqueue, flush, onKept, takeOut, useOutbox } from './outbox.ts';
import { fitted } from './shrink-photo.ts';

/** A server of records: what it was told, in its order; each key once. It may drop an answer, or not be there. */
class Stand {
  readonly kept: string[] = [];
  /** What becomes of the next request, drawn. */
  next: () => 'answers' | 'drops' | 'away' | 'refuses' = () => 'answers';
  readonly fetch = (_: string, { body }: { readonly body?: string } = {}): Promise<Response> => {
    const fate = this.next();
    if (fate === 'away') return Promise.reject(new TypeError('Failed to fetch'));
    const { key } = JSON.parse(body ?? '{}') as RecordRequest;
    const json = (status: number, data: object): Response =>
      new Response(JSON.stringify(data), { status, headers: { 'content-type': 'application/json' } });
    if (fate === 'refuses')
      return Promise.resolve(json(400, { error: { code: 'invalid', message: 'The input cannot be used.' } }));
    const known = this.kept.includes(key);
    if (!known) this.kept.push(key);
    // Killed after it was stored and before it answered.
    if (fate === 'drops') return Promise.reject(new TypeError('Failed to fetch'));
    return Promise.resolve(
      json(known ? 200 : 201, { key, seq: this.kept.indexOf(key) + 1, at: '2026-03-26T12:00:00Z', known }),
    );
  };
}

let server: Stand;
beforeEach(() => {
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
  server = new Stand();
  vi.stubGlobal('fetch', server.fetch);
  vi.stubGlobal('navigator', {});
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

const record = (key: string): RecordRequest => ({
  key,
  kind: 'bench-entry',
  parent: 'run-00000001',
  data: {},
});
const keyOf = (n: number): string => `entry-${String(n).padStart(6, '0')}`;
/** Lets the queue try until it is empty of what may still go. */
async function settle(): Promise<void> {
  for (let i = 0; i < 2000 && useOutbox.getState().waiting.some((w) => w.refused === ''); i += 1) {
    await flush();
    await vi.advanceTimersByTimeAsync(10_000);
  }
}

describe('the queue of this browser', () => {
  it('sends everything in order, each once, through two hundred dropped answers and servers that are away', async () => {
    let state = 20_261_128;
    let fates = 0;
    server.next = () => {
      state = (state * 48_271) % 2_147_483_647;
      const draw = state / 2_147_483_647;
      if (fates >= 200 || draw > 0.6) return 'answers';
      fates += 1;
      return draw < 0.3 ? 'drops' : 'away';
    };
    for (let n = 0; n < 150; n += 1) await enqueue({ what: 'record', build: 'b', record: record(keyOf(n)) });
    await settle();
    expect(fates).toBe(200);
    expect(server.kept).toEqual(Array.from({ length: 150 }, (_, n) => keyOf(n)));
    expect(useOutbox.getState().waiting).toEqual([]);
  });

  it('keeps what it has while the server is away, and says so', async () => {
    server.next = () => 'away';
    await enqueue({ what: 'record', build: 'b', record: record('entry-900001') });
    await flush();
    expect(useOutbox.getState().away).toBe(true);
    expect(useOutbox.getState().waiting.map((w) => w.what)).toEqual(['record']);
    server.next = () => 'answers';
    await settle();
    expect(server.kept).toEqual(['entry-900001']);
    expect(useOutbox.getState().away).toBe(false);
  });

  it('shows what was sent until the page has read it from the server, however often that fails', async () => {
    const reads = [false, false, true];
    const heard: string[] = [];
    onKept((build) => {
      heard.push(build);
      return Promise.resolve(reads.shift() ?? true);
    });
    const shown = (): readonly string[] => {
      const { sent, waiting } = useOutbox.getState();
      return [...sent, ...waiting].flatMap((one) => (one.what === 'record' ? [one.record.key] : []));
    };
    await enqueue({ what: 'record', build: 'b', record: record('entry-700001') });
    await flush();
    expect(server.kept).toEqual(['entry-700001']);
    expect(shown()).toEqual(['entry-700001']);
    // What comes after it is sent all the same.
    await enqueue({ what: 'record', build: 'b', record: record('entry-700002') });
    await flush();
    expect(server.kept).toEqual(['entry-700001', 'entry-700002']);
    await vi.advanceTimersByTimeAsync(60_000);
    expect(heard.length).toBeGreaterThan(2);
    expect(shown()).toEqual([]);
    onKept(() => Promise.resolve(true));
  });

  it('reads back what another window has sent of it', async () => {
    let heard = 0;
    onKept(() => {
      heard += 1;
      return Promise.resolve(true);
    });
    server.next = () => 'away';
    await enqueue({ what: 'record', build: 'b', record: record('entry-600001') });
    await flush();
    expect([useOutbox.getState().waiting.length, heard]).toEqual([1, 0]);
    // The other window had a better line, and took it out of the queue that both have.
    const queue = await openDB('apple-cart-outbox', 1);
    await queue.clear('out');
    queue.close();
    await flush();
    expect([useOutbox.getState().waiting.length, heard]).toEqual([0, 1]);
    onKept(() => Promise.resolve(true));
  });

  it('sets aside what is refused for good, with the reason, and goes on with the rest', async () => {
    let first = true;
    server.next = () => {
      const fate = first ? 'refuses' : 'answers';
      first = false;
      return fate;
    };
    await enqueue({ what: 'record', build: 'b', record: record('entry-800001') });
    await enqueue({ what: 'record', build: 'b', record: record('entry-800002') });
    await settle();
    expect(server.kept).toEqual(['entry-800002']);
    const [refused] = useOutbox.getState().waiting;
    expect(refused?.refused).toContain('cannot be used');
    await takeOut(refused?.seq ?? 0);
    expect(useOutbox.getState().waiting).toEqual([]);
  });
});

describe('a picture that is made smaller', () => {
  it('keeps its proportion, is never larger than it was, and has at least one element', () => {
    expect(fitted(4000, 3000, 1920)).toEqual([1920, 1440]);
    expect(fitted(3000, 4000, 1920)).toEqual([1440, 1920]);
    expect(fitted(640, 480, 1920)).toEqual([640, 480]);
    expect(fitted(10_000, 1, 320)).toEqual([320, 1]);
  });
});
