// @vitest-environment happy-dom
import { QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, renderHook, waitFor } from '@testing-library/react';
import { createElement, type ReactNode } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { evenHill, routeSummary, type Route } from '@apple-cart/core';
import { fakeStore, type FakeStore } from '../test/fake-store.ts';
import { queryClient } from './query-client.ts';
import { leaveRoutes, routeDrafts, useRouteEdit, useRouteEdits } from './route-edit.ts';
import { fetchRoute, routeAsRead, useRoute, useRouteList } from './routes.ts';
import '../test/patience.ts';

let server: FakeStore<Route>;
const edits = () => useRouteEdits.getState();
const shown = () => edits().open['lane'];
const named = (name: string): void => {
  edits().edit('lane', { ...(shown()?.route ?? server.stored.document), name }, 'name', 'name');
};
const quiet = () => vi.advanceTimersByTimeAsync(400);
const wrapper = ({ children }: { children: ReactNode }) =>
  createElement(QueryClientProvider, { client: queryClient }, children);
const list = () => ({
  documents: [{ id: 'lane', version: server.stored.version, summary: routeSummary(server.stored.document) }],
  broken: [],
});

beforeEach(() => {
  server = fakeStore('/api/routes/lane', evenHill('Lane', 500, 5), list);
  queryClient.clear();
  queryClient.setDefaultOptions({ queries: { ...queryClient.getDefaultOptions().queries, retryDelay: 1 } });
});
afterEach(() => {
  cleanup();
  leaveRoutes();
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe('a route being changed', () => {
  beforeEach(async () => {
    vi.useFakeTimers();
    await fetchRoute('lane');
  });

  it('is shown at once, and kept once after a burst of typing', async () => {
    for (const name of ['L', 'Lo', 'Long lane']) named(name);
    expect(shown()).toMatchObject({ route: { name: 'Long lane' }, saving: { saveState: 'waiting' } });
    expect(server.saves).toBe(0);
    await quiet();
    expect(server.saves).toBe(1);
    expect(server.stored.document.name).toBe('Long lane');
    expect(shown()?.saving.saveState).toBe('saved');
    expect(routeAsRead('lane')).toMatchObject({ version: 2, document: { name: 'Long lane' } });
    expect(routeDrafts.read('lane')).toBeUndefined();
  });

  it('is undone and done again, each kept', async () => {
    named('A');
    await quiet();
    edits().step('lane', 'undo');
    await quiet();
    expect(server.stored.document.name).toBe('Lane');
    edits().step('lane', 'redo');
    await quiet();
    expect(server.stored.document.name).toBe('A');
    edits().step('lane', 'redo');
    expect(shown()?.route.name).toBe('A');
  });

  it('follows a change that was made while the one before was on its way', async () => {
    named('A');
    const sent = edits().flush('lane');
    named('B');
    await sent;
    await quiet();
    expect(server.stored.document.name).toBe('B');
    expect(shown()?.saving.saveState).toBe('saved');
  });

  it('waits for a server that is away, and loses nothing, not even with the page', async () => {
    server.down = true;
    named('Typed in the dark');
    await quiet();
    expect(shown()).toMatchObject({ saving: { saveState: 'offline' }, route: { name: 'Typed in the dark' } });
    leaveRoutes();
    expect(routeDrafts.read('lane')?.document.name).toBe('Typed in the dark');
    server.down = false;
    const stored = await fetchRoute('lane');
    if (stored !== null) edits().resume(stored);
    await quiet();
    expect(server.stored.document.name).toBe('Typed in the dark');
  });

  it('changed elsewhere meanwhile says so, overwrites nothing, and takes theirs when asked; mine is one undo away', async () => {
    server.changeElsewhere(() => evenHill('Theirs', 700, 2));
    named('Mine');
    await quiet();
    expect(shown()).toMatchObject({ saving: { saveState: 'conflict' }, route: { name: 'Mine' } });
    expect(server.stored.document.name).toBe('Theirs');
    await edits().resolve('lane', 'theirs');
    expect(shown()).toMatchObject({ saving: { saveState: 'saved' }, route: { name: 'Theirs' } });
    expect(routeAsRead('lane')).toMatchObject({ version: 2, document: { name: 'Theirs' } });
    // What was set aside is a version too, and not only one undo away.
    expect(server.revisions).toMatchObject([{ reason: 'set-aside', document: { name: 'Mine' } }]);
    edits().step('lane', 'undo');
    await quiet();
    expect(server.stored.document.name).toBe('Mine');
  });

  it('going on with mine keeps theirs as a version, whenever the server comes back', async () => {
    server.changeElsewhere(() => evenHill('Theirs', 700, 2));
    named('Mine');
    await quiet();
    server.down = true;
    await edits().resolve('lane', 'mine');
    expect(shown()?.saving.saveState).toBe('offline');
    server.down = false;
    await vi.advanceTimersByTimeAsync(5000);
    expect(server.stored.document.name).toBe('Mine');
    expect(server.revisions).toMatchObject([{ reason: 'set-aside', document: { name: 'Theirs' } }]);
  });

  it('put away in another window says so, loses nothing typed, and is brought back', async () => {
    server.putAway = true;
    named('Mine');
    await quiet();
    expect(shown()).toMatchObject({ saving: { saveState: 'gone' }, route: { name: 'Mine' } });
    await edits().bringBack('lane');
    expect(server.stored.document.name).toBe('Mine');
    expect(shown()?.saving.saveState).toBe('saved');
  });

  it('a draft that began before another window’s edit shows itself as a conflict', async () => {
    server.down = true;
    named('Mine');
    await quiet();
    leaveRoutes();
    server.down = false;
    server.changeElsewhere(() => evenHill('Theirs', 700, 2));
    const stored = await fetchRoute('lane');
    if (stored !== null) edits().resume(stored);
    await quiet();
    expect(shown()?.saving.saveState).toBe('conflict');
    expect(server.stored.document.name).toBe('Theirs');
  });

  it('refused by the server says why, in the server’s words', async () => {
    server.refuse = (request) => (request === 'PUT ' ? [400, 'name: wanted some text.'] : undefined);
    named('refused');
    await quiet();
    expect(shown()?.saving).toMatchObject({ saveState: 'refused', refusal: 'name: wanted some text.' });
  });

  it('that is not there is left alone', () => {
    edits().edit('none', evenHill('x', 1, 1), 'name', '');
    edits().step('none', 'undo');
    expect(edits().open).toEqual({});
  });
});

describe('a route that a page wants', () => {
  const read = (id: string) => renderHook(() => useRoute(id), { wrapper }).result;

  it('is read, and none is asked for without an id', async () => {
    expect(read('').current).toEqual({ state: 'none' });
    const lane = read('lane');
    expect(lane.current.state).toBe('reading');
    await waitFor(() => {
      expect(lane.current).toMatchObject({ state: 'there', stored: { document: { name: 'Lane' } } });
    });
  });

  it('that is gone is another thing than one that cannot be read', async () => {
    server.refuse = (request) => (request === 'GET ' ? [404, 'There is no such route.'] : undefined);
    const gone = read('lane');
    await waitFor(() => {
      expect(gone.current.state).toBe('gone');
    });
    queryClient.clear();
    server.refuse = undefined;
    server.down = true;
    const unread = read('lane');
    await waitFor(() => {
      expect(unread.current).toMatchObject({
        state: 'unread',
        why: expect.stringContaining('reached') as string,
      });
    });
    server.down = false;
    act(() => {
      if (unread.current.state === 'unread') unread.current.retry();
    });
    await waitFor(() => {
      expect(unread.current.state).toBe('there');
    });
  });

  it('stays as it was read last while it cannot be read anew, and says so', async () => {
    const lane = read('lane');
    await waitFor(() => {
      expect(lane.current.state).toBe('there');
    });
    server.down = true;
    await act(() => fetchRoute('lane').catch(() => undefined));
    await waitFor(() => {
      expect(lane.current).toMatchObject({
        state: 'there',
        stored: { document: { name: 'Lane' } },
        stale: expect.stringContaining('reached') as string,
      });
    });
  });

  it('and is changed brings back what an earlier page could not send', async () => {
    routeDrafts.keep('lane', {
      baseVersion: 1,
      document: evenHill('Half typed', 500, 5),
      edited: true,
      keepPrevious: undefined,
      errands: [],
    });
    const { result } = renderHook(() => useRouteEdit('lane'), { wrapper });
    await waitFor(() => {
      expect(result.current.route?.name).toBe('Half typed');
    });
    expect(result.current.undo).toBeDefined();
    await waitFor(() => {
      expect(server.stored.document.name).toBe('Half typed');
    });
  });
});

describe('the list of routes', () => {
  it('is read, and one that cannot be read says so', async () => {
    const { result } = renderHook(() => useRouteList(), { wrapper });
    await waitFor(() => {
      expect(result.current.listed).toMatchObject([{ id: 'lane', summary: { name: 'Lane', lengthM: 500 } }]);
    });
    server.down = true;
    await act(() => result.current.load());
    await waitFor(() => {
      expect(result.current.error).toContain('cannot be reached');
    });
    expect(result.current.listed).toHaveLength(1);
  });
});
