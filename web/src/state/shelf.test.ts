// @vitest-environment happy-dom
import { QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, renderHook, waitFor } from '@testing-library/react';
import { createElement, type ReactNode } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { NOT_THERE, type Stored } from '@apple-cart/contracts';
import { part, type Part } from '@apple-cart/core';
import { queryClient } from './query-client.ts';
import {
  bringPartBack,
  idsOnShelf,
  ofType,
  partSender,
  putPartAway,
  takePartsIn,
  useShelf,
} from './shelf.ts';
import '../test/patience.ts';

const ring = (id: string, teeth: number): Part =>
  part.parse({ id, type: 'ring', name: id, maker: 'Test', price: 30, currency: 'GBP', massKg: 0.2, teeth });
const stored = (document: Part, version = 1): Stored<Part> => ({
  id: document.id,
  version,
  createdAt: '',
  updatedAt: '',
  document,
});
const answer = (status: number, body?: unknown): Response =>
  new Response(body === undefined ? null : JSON.stringify(body), { status });

/** A server for the shelf that keeps to the contracts, in place of fetch. */
let shelf: Map<string, Stored<Part>>;
let away: Stored<Part> | undefined;
let down: boolean;

function respond(path: string, init: RequestInit): Response {
  const id = path.split('/').at(3) ?? '';
  if (init.method === 'GET') return answer(200, { documents: [...shelf.values()], broken: [] });
  if (init.method === 'DELETE') {
    away = shelf.get(id);
    shelf.delete(id);
    return answer(204);
  }
  if (path.endsWith('/restore')) {
    if (away !== undefined) shelf.set(away.id, away);
    return answer(200, { id, version: away?.version });
  }
  const body = JSON.parse(init.body as string) as { baseVersion: number; document: Part; documents: Part[] };
  if (path.endsWith('/import')) {
    for (const one of body.documents) shelf.set(one.id, stored(one));
    return answer(200, { added: body.documents.length, replaced: 0 });
  }
  const here = shelf.get(id)?.version ?? NOT_THERE;
  if (here !== body.baseVersion) {
    const current = shelf.get(id);
    return answer(409, { error: { code: 'conflict', message: 'changed', current } });
  }
  shelf.set(id, stored(body.document, here + 1));
  return answer(200, { id, version: here + 1 });
}

const wrapper = ({ children }: { children: ReactNode }) =>
  createElement(QueryClientProvider, { client: queryClient }, children);
async function opened() {
  const { result } = renderHook(() => useShelf(), { wrapper });
  await waitFor(() => {
    expect(result.current.parts).toBeDefined();
  });
  return { now: () => result.current, ids: () => (result.current.parts ?? []).map((p) => p.id) };
}

beforeEach(() => {
  shelf = new Map([['ring-38', stored(ring('ring-38', 38))]]);
  down = false;
  queryClient.clear();
  queryClient.setDefaultOptions({ queries: { ...queryClient.getDefaultOptions().queries, retryDelay: 1 } });
  vi.stubGlobal('fetch', (path: string, init: RequestInit) =>
    down ? Promise.reject(new TypeError('no connection')) : Promise.resolve(respond(path, init)),
  );
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const send = (part: Part, version = 0) => partSender.send(part.id, version, part);

describe('the shelf', () => {
  it('is read, added to, changed and cleared, and shows each at once', async () => {
    const { now, ids } = await opened();
    const become = (wanted: readonly string[]) =>
      waitFor(() => {
        expect(ids()).toEqual(wanted);
      });
    await become(['ring-38']);
    await act(() => send(ring('ring-42', 42)));
    await become(['ring-38', 'ring-42']);
    expect(idsOnShelf()).toEqual(['ring-38', 'ring-42']);
    await act(() => send({ ...ring('ring-42', 42), price: 35 }, 1));
    await waitFor(() => {
      expect(now().parts?.[1]).toMatchObject({ version: 2, document: { price: 35 } });
    });
    await act(() => putPartAway('ring-38'));
    await become(['ring-42']);
    await act(() => bringPartBack('ring-38'));
    await become(['ring-38', 'ring-42']);
    await act(async () => {
      expect(await takePartsIn([ring('ring-30', 30), ring('ring-34', 34)])).toEqual({
        added: 2,
        replaced: 0,
      });
    });
    await become(['ring-30', 'ring-34', 'ring-38', 'ring-42']);
  });

  it('says that a part has moved on, and leaves what is there', async () => {
    const { now } = await opened();
    expect(await send({ ...ring('ring-38', 38), price: 99 }, 7)).toMatchObject({ saveState: 'conflict' });
    partSender.drop('ring-38');
    expect(now().parts?.[0]).toMatchObject({ version: 1, document: { price: 30 } });
  });

  it('says that it cannot be reached, keeps what it knew, and comes back', async () => {
    const { now, ids } = await opened();
    down = true;
    await act(() => now().load());
    await waitFor(() => {
      expect(now().error).toContain('cannot be reached');
    });
    expect(ids()).toEqual(['ring-38']);
    down = false;
    await act(() => now().load());
    await waitFor(() => {
      expect(now().error).toBeUndefined();
    });
  });

  it('that answers something else is not taken for a shelf', async () => {
    const { now, ids } = await opened();
    vi.stubGlobal('fetch', () => Promise.resolve(answer(200, { parts: [] })));
    await act(() => now().load());
    await waitFor(() => {
      expect(now().error).toContain('does not understand');
    });
    expect(ids()).toEqual(['ring-38']);
  });

  it('gives the parts of one type, and none before it has been read', () => {
    expect(ofType(undefined, 'ring')).toEqual([]);
    const both = [...shelf.values(), stored(ring('ring-30', 30))];
    expect(ofType(both, 'ring').map((r) => r.teeth)).toEqual([38, 30]);
    expect(ofType(both, 'tyre')).toEqual([]);
  });
});
