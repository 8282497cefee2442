import { vi } from 'vitest';
import type { RevisionSummary, Saved, Stored } from '@apple-cart/contracts';

type Named = RevisionSummary & { readonly document: unknown };

/** A server for one document of a kind, in place of fetch; another window can change it, and it can be away or slow. */
export interface FakeStore<T> {
  stored: Stored<T>;
  readonly revisions: Named[];
  /** While true, nothing is answered. */
  down: boolean;
  /** Requests that arrive are stored, but their answers are lost. */
  losesAnswers: boolean;
  /** While set, an answer waits until it is let go. */
  hold: (() => Promise<void>) | undefined;
  /** Refuses what it is shown with a status and words. */
  refuse:
    | ((request: string, body: unknown) => readonly [status: number, words: string] | undefined)
    | undefined;
  /** Another window has put it away. */
  putAway: boolean;
  /** How many saves arrived, accepted or not. */
  saves: number;
  /** Another window's save. */
  changeElsewhere(change: (document: T) => T): void;
}

const answer = (status: number, body?: unknown): Response =>
  new Response(body === undefined ? null : JSON.stringify(body), { status });

const AT = '2026-04-12T08:00:00.000Z';

interface SaveBody {
  readonly baseVersion: number;
  readonly document: unknown;
  readonly keepPrevious?: string;
}

/** While true, the browser's store takes nothing more. */
export const full = { now: false };

/** A local store that can be full. */
function fakeLocalStorage(): Map<string, string> {
  const store = new Map<string, string>();
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => store.get(key) ?? null,
    setItem: (key: string, value: string) => {
      if (full.now) throw new DOMException('full', 'QuotaExceededError');
      store.set(key, value);
    },
    removeItem: (key: string) => store.delete(key),
    key: (i: number) => [...store.keys()][i] ?? null,
    get length() {
      return store.size;
    },
  });
  return store;
}

/**
 * A server that keeps to the contracts, with one document at an address.
 * @param list what the list of the kind answers
 */
export function fakeStore<T>(
  address: string,
  document: T,
  list: () => unknown = () => ({ documents: [], broken: [] }),
): FakeStore<T> {
  const id = address.split('/').at(-1) ?? '';
  const server: FakeStore<T> = {
    stored: { id, version: 1, createdAt: AT, updatedAt: AT, document },
    revisions: [],
    down: false,
    losesAnswers: false,
    hold: undefined,
    refuse: undefined,
    saves: 0,
    putAway: false,
    changeElsewhere(change) {
      const { version, document: before } = server.stored;
      server.stored = { ...server.stored, version: version + 1, document: change(before) };
    },
  };
  const saved = (): Saved => ({ id, version: server.stored.version });

  function keep(reason: Named['reason'], name: string, kept: unknown): Named {
    const revision: Named = {
      id: server.revisions.length + 1,
      version: server.stored.version,
      createdAt: AT,
      reason,
      name,
      document: kept,
    };
    server.revisions.push(revision);
    return revision;
  }

  function save({ baseVersion, document: next, keepPrevious }: SaveBody): Response {
    server.saves += 1;
    const same = JSON.stringify(next) === JSON.stringify(server.stored.document);
    if (baseVersion !== server.stored.version)
      return same
        ? answer(200, saved())
        : answer(409, { error: { code: 'conflict', message: 'changed', current: server.stored } });
    if (keepPrevious !== undefined) keep('set-aside', keepPrevious, server.stored.document);
    server.changeElsewhere(() => next as T);
    return answer(200, saved());
  }

  function respond(request: string, body: unknown): Response {
    const { revisions } = server;
    if (server.putAway && request !== 'POST /restore')
      return answer(410, { error: { code: 'put-away', message: 'This has been put away.' } });
    const given = body as { reason: Named['reason']; name: string; document: unknown };
    switch (request) {
      case 'GET ':
        return answer(200, server.stored);
      case 'PUT ':
        return save(body as SaveBody);
      case 'POST /restore':
        server.putAway = false;
        return answer(200, saved());
      case 'DELETE ':
        server.putAway = true;
        return answer(204);
      case 'GET /revisions': {
        const pinned = revisions.findLast((r) => r.reason === 'pin')?.id ?? null;
        return answer(200, { revisions: [...revisions].reverse(), pinned });
      }
      case 'POST /revisions':
        return answer(201, keep(given.reason, given.name, given.document));
      case 'DELETE /pin':
        revisions.splice(
          0,
          revisions.length,
          ...revisions.map((r): Named => (r.reason === 'pin' ? { ...r, reason: 'was-pin' } : r)),
        );
        return answer(204);
      default: {
        const one = revisions.find((r) => request === `GET /revisions/${String(r.id)}`);
        return one === undefined
          ? answer(404, { error: { code: 'not-found', message: 'There is no such version.' } })
          : answer(200, one);
      }
    }
  }

  vi.stubGlobal(
    'fetch',
    async (path: string, init: { method?: string; body?: string } = {}): Promise<Response> => {
      if (server.down) throw new TypeError('network');
      const body = (init.body === undefined ? undefined : JSON.parse(init.body)) as unknown;
      const request = `${init.method ?? 'GET'} ${path.replace(address, '')}`;
      if (path === address.slice(0, address.lastIndexOf('/'))) return answer(200, list());
      if (!path.startsWith(address))
        return answer(404, { error: { code: 'not-found', message: 'There is no such document.' } });
      const no = server.refuse?.(request, body);
      const response =
        no === undefined ? respond(request, body) : answer(no[0], { error: { code: 'no', message: no[1] } });
      await server.hold?.();
      if (server.losesAnswers) throw new TypeError('connection lost');
      return response;
    },
  );
  full.now = false;
  fakeLocalStorage();
  return server;
}
