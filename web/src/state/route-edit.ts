import { useEffect } from 'react';
import { create } from 'zustand';
import type { Route } from '@apple-cart/core';
import { ApiError } from './api.ts';
import { emptyHistory, record, redo, undo, type History } from './history.ts';
import { useRoute, useRoutesStore } from './routes.ts';

interface Draft {
  readonly route: Route;
  readonly history: History<Route>;
  readonly saved: 'saved' | 'saving' | 'failed';
  readonly trouble: string | undefined;
  /** Another window has changed it meanwhile. */
  readonly conflict: boolean;
}

interface RouteEditState {
  readonly drafts: Readonly<Record<string, Draft>>;
  readonly edit: (id: string, route: Route, label: string, key: string) => void;
  readonly step: (id: string, way: 'undo' | 'redo') => void;
  readonly flush: (id: string) => Promise<void>;
  readonly takeTheirs: (id: string) => Promise<void>;
}

/** A pause in typing or dragging after which a change is sent. */
const QUIET_MS = 400;
const RETRY_MS = 3000;
/** Routes on their way to the server: one change at a time, or it would conflict with itself. */
const sending = new Set<string>();
const timers = new Map<string, ReturnType<typeof setTimeout>>();

/** Routes being changed: shown at once, kept after a pause, undone step by step; a conflict is said and nothing is lost. */
export const useRouteEdits = create<RouteEditState>()((set, get) => {
  const put = (id: string, next: Partial<Draft>): void => {
    const before = get().drafts[id];
    if (before !== undefined) set({ drafts: { ...get().drafts, [id]: { ...before, ...next } } });
  };
  const later = (id: string, ms: number): void => {
    clearTimeout(timers.get(id));
    timers.set(
      id,
      setTimeout(() => void get().flush(id), ms),
    );
  };
  return {
    drafts: {},

    edit(id, route, label, key) {
      const stored = useRoutesStore.getState().read[id];
      const before = get().drafts[id];
      const shown = before?.route ?? stored?.route;
      if (shown === undefined) return;
      const history = record(before?.history ?? emptyHistory, shown, label, key, Date.now());
      set({
        drafts: {
          ...get().drafts,
          [id]: {
            route,
            history,
            saved: before?.saved === 'failed' ? 'failed' : 'saving',
            trouble: before?.trouble,
            conflict: before?.conflict ?? false,
          },
        },
      });
      later(id, QUIET_MS);
    },

    step(id, way) {
      const draft = get().drafts[id];
      const next =
        draft === undefined ? undefined : (way === 'undo' ? undo : redo)(draft.history, draft.route);
      if (next === undefined) return;
      put(id, { route: next.document, history: next.history, saved: 'saving' });
      later(id, QUIET_MS);
    },

    async flush(id) {
      clearTimeout(timers.get(id));
      const draft = get().drafts[id];
      const version = useRoutesStore.getState().read[id]?.version;
      if (draft === undefined || version === undefined || draft.saved === 'saved' || draft.conflict) return;
      if (sending.has(id)) return;
      sending.add(id);
      try {
        await useRoutesStore.getState().save(id, version, draft.route);
        const same = get().drafts[id]?.route === draft.route;
        put(id, { saved: same ? 'saved' : 'saving', trouble: undefined });
        // What was typed while the last change was on its way follows it.
        if (!same) later(id, 0);
      } catch (problem) {
        const issue = problem instanceof ApiError ? problem.issues[0]?.message : undefined;
        const words = problem instanceof Error ? problem.message : 'It could not be kept.';
        const status = problem instanceof ApiError ? problem.status : 0;
        put(id, { saved: 'failed', trouble: issue ?? words, conflict: status === 409 });
        if (status === 0 || status >= 500) later(id, RETRY_MS);
      } finally {
        sending.delete(id);
      }
    },

    async takeTheirs(id) {
      await useRoutesStore.getState().fetch(id);
      set({ drafts: Object.fromEntries(Object.entries(get().drafts).filter(([key]) => key !== id)) });
    },
  };
});

export interface RouteEdit {
  /** Undefined while it is read, null where there is no such route. */
  readonly route: Route | null | undefined;
  readonly saved: Draft['saved'];
  readonly trouble: string | undefined;
  readonly edit: (change: (route: Route) => Route, label: string, key?: string) => void;
  readonly undo: (() => void) | undefined;
  readonly redo: (() => void) | undefined;
  /** Takes the other window's route over. */
  readonly takeTheirs: (() => void) | undefined;
}

/** One route being changed. What waits to be kept is sent when its page is left. */
export function useRouteEdit(id: string): RouteEdit {
  const stored = useRoute(id);
  const draft = useRouteEdits((state) => state.drafts[id]);
  const { edit, step, flush, takeTheirs } = useRouteEdits.getState();
  useEffect(() => () => void flush(id), [flush, id]);
  const route = draft?.route ?? (stored === null || stored === undefined ? stored : stored.route);
  const able = (list: readonly unknown[] | undefined, way: 'undo' | 'redo'): (() => void) | undefined =>
    list === undefined || list.length === 0
      ? undefined
      : () => {
          step(id, way);
        };
  return {
    route,
    saved: draft?.saved ?? 'saved',
    trouble: draft?.trouble,
    edit: (change, label, key = '') => {
      if (route === null || route === undefined) return;
      const next = change(route);
      if (next !== route) edit(id, next, label, key);
    },
    undo: able(draft?.history.past, 'undo'),
    redo: able(draft?.history.future, 'redo'),
    takeTheirs:
      draft?.conflict === true
        ? () => {
            void takeTheirs(id);
          }
        : undefined,
  };
}
