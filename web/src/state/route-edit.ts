import { useEffect } from 'react';
import { create } from 'zustand';
import { readRoute, type Route } from '@apple-cart/core';
import { api } from './api.ts';
import { Autosaver } from './autosaver.ts';
import { NOTHING_TO_SAVE, type Saving } from './saving.ts';
import { drafts } from './drafts.ts';
import { errandsOf } from './errands.ts';
import { watchLeaving } from './leaving.ts';
import { emptyHistory, record, redo, undo, type History } from './history.ts';
import { fetchRoute, routeAsRead, routeKept, useRoute, type StoredRoute } from './routes.ts';

interface Editing {
  readonly route: Route;
  readonly history: History<Route>;
  readonly saving: Saving<Route>;
}

interface RouteEditState {
  readonly open: Readonly<Record<string, Editing>>;
  readonly edit: (id: string, route: Route, label: string, key: string) => void;
  readonly step: (id: string, way: 'undo' | 'redo') => void;
  readonly flush: (id: string, keepalive?: boolean) => Promise<void>;
  /** Takes up what an earlier page typed into a route and could not send any more. */
  readonly resume: (stored: StoredRoute) => void;
  /** Settles a conflict; whichever side is not taken is kept as a version. */
  readonly resolve: (id: string, choice: 'mine' | 'theirs') => Promise<void>;
  /** Keeps a state as a version of a name. */
  readonly keep: (stored: StoredRoute, name: string, route: Route) => Promise<void>;
  /** Brings a route back that another window put away, and sends what waits. */
  readonly bringBack: (id: string) => Promise<void>;
}

export const routeDrafts = drafts('route', readRoute);
const savers = new Map<string, { readonly saver: Autosaver<Route>; readonly unwatch: () => void }>();

/** Routes being changed: shown at once, kept by the one autosaver, undone step by step. */
export const useRouteEdits = create<RouteEditState>()((set, get) => {
  const put = (id: string, next: Partial<Editing>): void => {
    const before = get().open[id];
    if (before !== undefined) set({ open: { ...get().open, [id]: { ...before, ...next } } });
  };

  /** The saver of a route, begun with what was read; a draft of an earlier page is taken up. */
  function begin({ id, version, document }: StoredRoute): Autosaver<Route> {
    const before = savers.get(id);
    if (before !== undefined) return before.saver;
    const saver = new Autosaver<Route>(
      { version, document },
      {
        save: async (request, keepalive) => {
          const saved = await api.routes.save(id, request, { keepalive });
          routeKept(id, saved.version, request.document);
          return saved;
        },
        run: errandsOf(api.routes, id),
        draft: (unsent) => routeDrafts.keep(id, unsent),
        tell: (saving) => {
          put(id, { saving });
        },
      },
    );
    savers.set(id, { saver, unwatch: watchLeaving(saver) });
    const saving: Saving<Route> = { ...NOTHING_TO_SAVE, version };
    set({ open: { ...get().open, [id]: { route: document, history: emptyHistory, saving } } });
    return saver;
  }

  function change(id: string, route: Route, history: History<Route>): void {
    put(id, { route, history });
    savers.get(id)?.saver.edit(route);
  }

  return {
    open: {},

    edit(id, route, label, key) {
      const stored = routeAsRead(id);
      if (stored === undefined || stored === null) return;
      begin(stored);
      const shown = get().open[id];
      if (shown === undefined) return;
      change(id, route, record(shown.history, shown.route, label, key, Date.now()));
    },

    step(id, way) {
      const shown = get().open[id];
      const next =
        shown === undefined ? undefined : (way === 'undo' ? undo : redo)(shown.history, shown.route);
      if (next !== undefined) change(id, next.document, next.history);
    },

    async flush(id, keepalive = false) {
      await savers.get(id)?.saver.flush(keepalive);
    },

    resume(stored) {
      const { id, document } = stored;
      if (get().open[id] !== undefined) return;
      const draft = routeDrafts.read(id);
      if (draft === undefined) return;
      if (JSON.stringify(draft.document) === JSON.stringify(document)) {
        routeDrafts.keep(id, undefined);
        return;
      }
      const saver = begin(stored);
      put(id, {
        route: draft.document,
        history: record(emptyHistory, document, 'edit brought back', '', Date.now()),
      });
      saver.takeUp(draft);
    },

    async resolve(id, choice) {
      const shown = get().open[id];
      const theirs = shown?.saving.theirs;
      if (shown === undefined || theirs === undefined) return;
      if (choice === 'theirs') {
        // Undo brings this window's route back.
        put(id, {
          route: theirs.document,
          history: record(shown.history, shown.route, 'the other window’s edit', '', Date.now()),
        });
        routeKept(id, theirs.version, theirs.document);
      }
      await savers.get(id)?.saver.resolve(choice);
    },

    async keep(stored, name, document) {
      await begin(stored).also({ kind: 'keep', reason: 'named', name, document });
    },

    async bringBack(id) {
      await api.routes.restore(id);
      await savers.get(id)?.saver.broughtBack();
      await fetchRoute(id);
    },
  };
});

/** Sends what waits of a route, and forgets that it was being changed; what cannot be sent stays in its draft. */
export async function releaseRoute(id: string): Promise<void> {
  const open = savers.get(id);
  if (open === undefined) return;
  await open.saver.flush();
  open.saver.stop();
  open.unwatch();
  savers.delete(id);
  const { [id]: gone, ...rest } = useRouteEdits.getState().open;
  if (gone !== undefined) useRouteEdits.setState({ open: rest });
}

/** Forgets every route being changed; what is unsent stays in its draft. */
export function leaveRoutes(): void {
  for (const { saver, unwatch } of savers.values()) {
    saver.stop();
    unwatch();
  }
  savers.clear();
  useRouteEdits.setState({ open: {} });
}

export interface RouteEdit {
  readonly read: ReturnType<typeof useRoute>;
  readonly route: Route | undefined;
  readonly saving: Saving<Route>;
  readonly edit: (change: (route: Route) => Route, label: string, key?: string) => void;
  readonly undo: (() => void) | undefined;
  readonly redo: (() => void) | undefined;
  readonly resolve: (choice: 'mine' | 'theirs') => void;
  /** Keeps the present state as a version of a name. */
  readonly keep: (name: string) => Promise<void>;
  readonly bringBack: () => void;
}

/** One route being changed. What waits to be kept is sent when its page is left. */
export function useRouteEdit(id: string): RouteEdit {
  const read = useRoute(id);
  const open = useRouteEdits((state) => state.open[id]);
  const { edit, step, flush, resume, resolve, bringBack, keep } = useRouteEdits.getState();
  const stored = read.state === 'there' ? read.stored : undefined;
  useEffect(() => {
    if (stored !== undefined) resume(stored);
  }, [stored, resume]);
  useEffect(() => () => void flush(id), [flush, id]);
  const route = open?.route ?? stored?.document;
  const able = (list: readonly unknown[] | undefined, way: 'undo' | 'redo'): (() => void) | undefined =>
    list === undefined || list.length === 0
      ? undefined
      : () => {
          step(id, way);
        };
  return {
    read,
    route,
    saving: open?.saving ?? NOTHING_TO_SAVE,
    edit: (change, label, key = '') => {
      if (route === undefined) return;
      const next = change(route);
      if (next !== route) edit(id, next, label, key);
    },
    undo: able(open?.history.past, 'undo'),
    redo: able(open?.history.future, 'redo'),
    resolve: (choice) => {
      void resolve(id, choice);
    },
    keep: async (name) => {
      if (stored === undefined || route === undefined) return;
      await keep(stored, name, route);
    },
    bringBack: () => {
      void bringBack(id);
    },
  };
}
