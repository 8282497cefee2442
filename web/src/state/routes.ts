import { useEffect } from 'react';
import { create } from 'zustand';
import type { Route } from '@apple-cart/core';
import { api, type ListedRoute, type StoredRoute } from './api.ts';

interface RoutesState {
  /** Undefined until they have been read. */
  readonly listed: readonly ListedRoute[] | undefined;
  readonly error: string | undefined;
  /** Routes read in full, by id; null for one that is not there. */
  readonly read: Readonly<Record<string, StoredRoute | null>>;
  readonly load: () => Promise<void>;
  readonly fetch: (id: string) => Promise<void>;
  readonly create: (route: Route) => Promise<StoredRoute>;
  readonly save: (id: string, baseVersion: number, route: Route) => Promise<StoredRoute>;
  readonly remove: (id: string) => Promise<void>;
  readonly restore: (id: string) => Promise<void>;
}

const words = (problem: unknown, otherwise: string): string =>
  problem instanceof Error ? problem.message : otherwise;

/** Routes as the server has them. */
export const useRoutesStore = create<RoutesState>()((set, get) => {
  const keep = (stored: StoredRoute): StoredRoute => {
    set({ read: { ...get().read, [stored.id]: stored } });
    return stored;
  };
  return {
    listed: undefined,
    error: undefined,
    read: {},

    async load() {
      try {
        set({ listed: await api.routes(), error: undefined });
      } catch (problem) {
        set({ error: words(problem, 'The routes cannot be read.') });
      }
    },

    async fetch(id) {
      try {
        keep(await api.route(id));
      } catch {
        set({ read: { ...get().read, [id]: null } });
      }
    },

    async create(route) {
      const stored = keep(await api.createRoute(route));
      await get().load();
      return stored;
    },

    async save(id, baseVersion, route) {
      const stored = keep(await api.saveRoute(id, baseVersion, route));
      void get().load();
      return stored;
    },

    async remove(id) {
      await api.removeRoute(id);
      set({ read: { ...get().read, [id]: null } });
      await get().load();
    },

    async restore(id) {
      keep(await api.restoreRoute(id));
      await get().load();
    },
  };
});

/** The list of routes, read once it is needed. */
export function useRouteList(): Pick<RoutesState, 'listed' | 'error' | 'load'> {
  const { listed, error, load } = useRoutesStore();
  useEffect(() => {
    if (listed === undefined && error === undefined) void load();
  }, [listed, error, load]);
  return { listed, error, load };
}

/** A route by id: undefined while it is read, null where it is gone or none is named. */
export function useRoute(id: string): StoredRoute | null | undefined {
  const stored = useRoutesStore((state) => state.read[id]);
  const fetch = useRoutesStore((state) => state.fetch);
  useEffect(() => {
    if (id !== '' && stored === undefined) void fetch(id);
  }, [id, stored, fetch]);
  return id === '' ? null : stored;
}
