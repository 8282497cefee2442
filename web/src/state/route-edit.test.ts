import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { evenHill, routeSummary, type Route } from '@apple-cart/core';
import type { StoredRoute } from './api.ts';
import { useRouteEdits } from './route-edit.ts';
import { useRoutesStore } from './routes.ts';

/** A server for one route that keeps to the contract of docs/formats.md, in place of fetch. */
function fakeRoutes(route: Route) {
  const server = {
    stored: { id: 'lane', version: 1, route } as StoredRoute,
    down: false,
    saves: 0,
    away: false,
  };
  const answer = (status: number, body?: unknown): Response =>
    new Response(body === undefined ? null : JSON.stringify(body), { status });
  vi.stubGlobal('fetch', (path: string, init: { method: string; body?: string }) => {
    if (server.down) return Promise.reject(new Error('down'));
    const { stored } = server;
    const respond = (): Response => {
      if (init.method === 'GET' && path === '/api/routes')
        return answer(200, {
          routes: server.away
            ? []
            : [{ id: stored.id, version: stored.version, summary: routeSummary(stored.route) }],
        });
      if (init.method === 'DELETE') {
        server.away = true;
        return answer(204);
      }
      if (path.endsWith('/restore')) {
        server.away = false;
        return answer(200, stored);
      }
      if (init.method === 'GET') return server.away ? answer(404, {}) : answer(200, stored);
      server.saves += 1;
      const body = JSON.parse(init.body ?? '{}') as { baseVersion: number; route: Route };
      if (body.baseVersion !== stored.version)
        return answer(409, {
          error: { message: 'This route has been changed in another window.', current: stored },
        });
      if (body.route.name === 'refused')
        return answer(400, { error: { message: 'No.', issues: [{ message: 'name: wanted some text.' }] } });
      server.stored = { ...stored, version: stored.version + 1, route: body.route };
      return answer(200, server.stored);
    };
    return Promise.resolve(respond());
  });
  return server;
}

let server: ReturnType<typeof fakeRoutes>;
const edits = () => useRouteEdits.getState();
const draft = () => edits().drafts['lane'];
const named = (name: string): void => {
  edits().edit('lane', { ...(draft()?.route ?? server.stored.route), name }, 'name', 'name');
};
const quiet = () => vi.advanceTimersByTimeAsync(450);

beforeEach(async () => {
  vi.useFakeTimers();
  server = fakeRoutes(evenHill('Lane', 500, 5));
  useRoutesStore.setState({ listed: undefined, error: undefined, read: {} });
  useRouteEdits.setState({ drafts: {} });
  await useRoutesStore.getState().fetch('lane');
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe('a route being changed', () => {
  it('is shown at once, and kept once after a burst of typing', async () => {
    for (const name of ['L', 'Lo', 'Long lane']) named(name);
    expect(draft()).toMatchObject({ route: { name: 'Long lane' }, saved: 'saving' });
    expect(server.saves).toBe(0);
    await quiet();
    expect(server.saves).toBe(1);
    expect(server.stored.route.name).toBe('Long lane');
    expect(draft()).toMatchObject({ saved: 'saved', trouble: undefined });
    expect(useRoutesStore.getState().read['lane']).toMatchObject({ version: 2 });
  });

  it('is undone and done again, each kept', async () => {
    named('A');
    await quiet();
    edits().step('lane', 'undo');
    await quiet();
    expect(server.stored.route.name).toBe('Lane');
    edits().step('lane', 'redo');
    await quiet();
    expect(server.stored.route.name).toBe('A');
    edits().step('lane', 'redo');
    expect(draft()?.route.name).toBe('A');
  });

  it('follows a change that was made while the one before was on its way', async () => {
    named('A');
    const sent = edits().flush('lane');
    named('B');
    await sent;
    await quiet();
    expect(server.stored.route.name).toBe('B');
    expect(draft()?.saved).toBe('saved');
  });

  it('waits for a server that is away, and loses nothing', async () => {
    server.down = true;
    named('Typed in the dark');
    await quiet();
    expect(draft()).toMatchObject({ saved: 'failed', route: { name: 'Typed in the dark' } });
    expect(draft()?.trouble).toContain('cannot be reached');
    server.down = false;
    await vi.advanceTimersByTimeAsync(3500);
    expect(server.stored.route.name).toBe('Typed in the dark');
    expect(draft()).toMatchObject({ saved: 'saved', trouble: undefined });
  });

  it('changed elsewhere meanwhile says so, overwrites nothing, and takes theirs when asked', async () => {
    server.stored = { ...server.stored, version: 5, route: evenHill('Theirs', 700, 2) };
    named('Mine');
    await quiet();
    expect(draft()).toMatchObject({ saved: 'failed', conflict: true, route: { name: 'Mine' } });
    expect(server.stored.route.name).toBe('Theirs');
    await edits().takeTheirs('lane');
    expect(draft()).toBeUndefined();
    expect(useRoutesStore.getState().read['lane']).toMatchObject({ version: 5, route: { name: 'Theirs' } });
  });

  it('refused by the server says why, in the server’s words', async () => {
    named('refused');
    await quiet();
    expect(draft()).toMatchObject({ saved: 'failed', conflict: false, trouble: 'name: wanted some text.' });
  });

  it('that is not there is left alone', () => {
    edits().edit('none', evenHill('x', 1, 1), 'name', '');
    edits().step('none', 'undo');
    expect(edits().drafts).toEqual({});
  });
});

describe('the list of routes', () => {
  it('is read, follows a route put away, and one brought back', async () => {
    const store = () => useRoutesStore.getState();
    await store().load();
    expect(store().listed).toMatchObject([{ id: 'lane', summary: { name: 'Lane', lengthM: 500 } }]);
    await store().remove('lane');
    expect(store().listed).toEqual([]);
    expect(store().read['lane']).toBeNull();
    await store().restore('lane');
    expect(store().listed).toHaveLength(1);
    expect(store().read['lane']).toMatchObject({ route: { name: 'Lane' } });
  });

  it('that cannot be read says so', async () => {
    server.down = true;
    await useRoutesStore.getState().load();
    expect(useRoutesStore.getState().error).toContain('cannot be reached');
    await useRoutesStore.getState().fetch('lane');
    expect(useRoutesStore.getState().read['lane']).toBeNull();
  });
});
