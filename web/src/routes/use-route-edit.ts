import { useCallback, useEffect, useRef, useState } from 'react';
import type { Route } from '@apple-cart/core';
import { ApiError } from '../state/api.ts';
import { emptyHistory, record, redo, undo, type History } from '../state/history.ts';
import { useRoute, useRoutesStore } from '../state/routes.ts';

/** A pause in typing or dragging after which a change is sent. */
const QUIET_MS = 400;

export interface RouteEdit {
  /** Undefined while it is read, null where there is no such route. */
  readonly route: Route | null | undefined;
  readonly saved: 'saved' | 'saving' | 'failed';
  readonly trouble: string | undefined;
  readonly edit: (change: (route: Route) => Route, label: string, key?: string) => void;
  readonly undo: (() => void) | undefined;
  readonly redo: (() => void) | undefined;
  /** Takes the other window's route over. */
  readonly takeTheirs: (() => void) | undefined;
}

/** A route being changed: shown at once, kept after a pause, undone step by step; a conflict is said and nothing is lost. */
export function useRouteEdit(id: string): RouteEdit {
  const stored = useRoute(id);
  const save = useRoutesStore((state) => state.save);
  const fetch = useRoutesStore((state) => state.fetch);
  const [draft, setDraft] = useState<Route>();
  const [history, setHistory] = useState<History<Route>>(emptyHistory);
  const [saved, setSaved] = useState<RouteEdit['saved']>('saved');
  const [trouble, setTrouble] = useState<string>();
  const [conflict, setConflict] = useState(false);
  const pending = useRef<Route>(undefined);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const sending = useRef(false);

  const send = useCallback(async (): Promise<void> => {
    const next = pending.current;
    if (next === undefined || sending.current) return;
    const version = useRoutesStore.getState().read[id]?.version;
    if (version === undefined) return;
    sending.current = true;
    setSaved('saving');
    try {
      await save(id, version, next);
      if (pending.current === next) pending.current = undefined;
      setSaved('saved');
      setTrouble(undefined);
    } catch (problem) {
      setSaved('failed');
      setConflict(problem instanceof ApiError && problem.status === 409);
      const issue = problem instanceof ApiError ? problem.issues[0]?.message : undefined;
      setTrouble(issue ?? (problem instanceof Error ? problem.message : 'It could not be kept.'));
    } finally {
      sending.current = false;
      // What was typed while the last change was on its way follows it.
      if (pending.current !== undefined && pending.current !== next) void send();
    }
  }, [id, save]);

  useEffect(
    () => () => {
      clearTimeout(timer.current);
      void send();
    },
    [send],
  );

  const put = (next: Route): void => {
    setDraft(next);
    pending.current = next;
    clearTimeout(timer.current);
    timer.current = setTimeout(() => void send(), QUIET_MS);
  };
  const route = draft ?? (stored === null || stored === undefined ? stored : stored.route);
  const step = (of: typeof undo<Route>): void => {
    if (route === null || route === undefined) return;
    const back = of(history, route);
    if (back === undefined) return;
    setHistory(back.history);
    put(back.document);
  };
  return {
    route,
    saved,
    trouble,
    edit: (change, label, key = '') => {
      if (route === null || route === undefined) return;
      const next = change(route);
      if (next === route) return;
      setHistory(record(history, route, label, key, Date.now()));
      put(next);
    },
    undo:
      history.past.length === 0
        ? undefined
        : () => {
            step(undo);
          },
    redo:
      history.future.length === 0
        ? undefined
        : () => {
            step(redo);
          },
    takeTheirs: conflict
      ? () => {
          pending.current = undefined;
          setDraft(undefined);
          setHistory(emptyHistory);
          setConflict(false);
          setTrouble(undefined);
          setSaved('saved');
          void fetch(id);
        }
      : undefined,
  };
}
