import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { part, type Part } from '@apple-cart/core';
import { ApiError, type StoredPart } from './api.ts';
import { ofType, useShelfStore } from './shelf.ts';

const ring = (id: string, teeth: number): Part =>
  part.parse({ id, type: 'ring', name: id, maker: 'Test', price: 30, currency: 'GBP', massKg: 0.2, teeth });

const answer = (status: number, body?: unknown): Response =>
  new Response(body === undefined ? null : JSON.stringify(body), { status });

/** A server for the shelf that keeps to the contract of docs/formats.md, in place of fetch. */
let shelf: Map<string, StoredPart>;
let down: boolean;
beforeEach(() => {
  shelf = new Map([['ring-38', { version: 1, part: ring('ring-38', 38) }]]);
  down = false;
  useShelfStore.setState({ parts: undefined, error: undefined });
  vi.stubGlobal('fetch', (path: string, init: RequestInit) => {
    if (down) return Promise.reject(new TypeError('no connection'));
    const id = path.split('/').at(-1) ?? '';
    if (init.method === 'GET') return Promise.resolve(answer(200, { parts: [...shelf.values()] }));
    if (init.method === 'DELETE') {
      shelf.delete(id);
      return Promise.resolve(answer(204));
    }
    const body = JSON.parse(init.body as string) as { baseVersion: number | null; part: Part; parts: Part[] };
    if (path.endsWith('/import')) {
      for (const one of body.parts) shelf.set(one.id, { version: 1, part: one });
      return Promise.resolve(answer(200, { added: body.parts.length, replaced: 0 }));
    }
    const here = shelf.get(id)?.version ?? null;
    if (here !== body.baseVersion)
      return Promise.resolve(
        answer(409, { error: { code: 'conflict', message: 'changed in another window' } }),
      );
    const stored = { version: (here ?? 0) + 1, part: body.part };
    shelf.set(id, stored);
    return Promise.resolve(answer(200, stored));
  });
});
afterEach(() => {
  vi.unstubAllGlobals();
});

const store = () => useShelfStore.getState();
const ids = () => (store().parts ?? []).map((s) => s.part.id);

describe('the shelf', () => {
  it('is read, added to, changed and cleared, and shows each at once', async () => {
    await store().load();
    expect(ids()).toEqual(['ring-38']);
    await store().save(ring('ring-42', 42), null);
    expect(ids()).toEqual(['ring-38', 'ring-42']);
    await store().save({ ...ring('ring-42', 42), price: 35 }, 1);
    expect(store().parts?.[1]).toMatchObject({ version: 2, part: { price: 35 } });
    await store().remove('ring-38');
    expect(ids()).toEqual(['ring-42']);
    expect(await store().takeIn([ring('ring-30', 30), ring('ring-34', 34)])).toEqual({
      added: 2,
      replaced: 0,
    });
    expect(ids()).toHaveLength(3);
  });

  it('says that a part has moved on, and leaves what is there', async () => {
    await store().load();
    const late = store().save({ ...ring('ring-38', 38), price: 99 }, 7);
    await expect(late).rejects.toBeInstanceOf(ApiError);
    await store().load();
    expect(store().parts?.[0]).toMatchObject({ version: 1, part: { price: 30 } });
  });

  it('says that it cannot be reached, keeps what it knew, and comes back', async () => {
    await store().load();
    down = true;
    await store().load();
    expect(store().error).toContain('cannot be reached');
    expect(ids()).toEqual(['ring-38']);
    down = false;
    await store().load();
    expect(store().error).toBeUndefined();
  });

  it('gives the parts of one type, and none before it has been read', () => {
    expect(ofType(undefined, 'ring')).toEqual([]);
    const both = [...shelf.values(), { version: 1, part: { ...ring('ring-30', 30) } }];
    expect(ofType(both, 'ring').map((r) => r.teeth)).toEqual([38, 30]);
    expect(ofType(both, 'tyre')).toEqual([]);
  });
});
