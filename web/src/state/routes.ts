import { useQuery } from '@tanstack/react-query';
import type { Broken, Listed, Saved, Stored } from '@apple-cart/contracts';
import type { Route, RouteSummary } from '@apple-cart/core';
import { ApiError, api, isPutAway } from './api.ts';
import { queryClient, readTrouble, refresh } from './query-client.ts';

export type StoredRoute = Stored<Route>;
export type ListedRoute = Listed<RouteSummary>;

const LIST = ['routes'] as const;
const keyOf = (id: string): readonly string[] => ['route', id];

const NO_BROKEN: readonly Broken[] = [];
const load = (): Promise<void> => refresh(LIST);

/** The list of routes, read once it is needed. */
export function useRouteList(): {
  readonly listed: readonly ListedRoute[] | undefined;
  /** Stored routes that cannot be read any more. */
  readonly broken: readonly Broken[];
  readonly error: string | undefined;
  readonly load: () => Promise<void>;
} {
  const { data, error } = useQuery({ queryKey: LIST, queryFn: ({ signal }) => api.routes.list(signal) });
  return {
    listed: data?.documents,
    broken: data?.broken ?? NO_BROKEN,
    error: error === null ? undefined : readTrouble(error, 'The routes cannot be read.'),
    load,
  };
}

/** A route that a page wants. `gone`: there is none, or it was put away (`away`); `unread`: it cannot be read now, which is another thing. */
export type RouteRead =
  | { readonly state: 'none' | 'reading' }
  | { readonly state: 'gone'; readonly away: boolean }
  | { readonly state: 'there'; readonly stored: StoredRoute; readonly stale: string | undefined }
  | { readonly state: 'unread'; readonly why: string; readonly retry: () => void };

/** Routes that were found to be put away when they were last read. */
const away = new Set<string>();

/** What is gone is an answer like any other; only what fails is tried again. */
async function read(id: string, signal: AbortSignal): Promise<StoredRoute | null> {
  try {
    away.delete(id);
    return await api.routes.get(id, signal);
  } catch (problem) {
    if (isPutAway(problem)) away.add(id);
    else if (!(problem instanceof ApiError && problem.status === 404)) throw problem;
    return null;
  }
}

/**
 * A route by id; an empty id asks for none. A route that was read before stays while reading it anew fails, and says
 * so (`stale`).
 */
export function useRoute(id: string): RouteRead {
  const query = useQuery({
    queryKey: keyOf(id),
    queryFn: ({ signal }) => read(id, signal),
    enabled: id !== '',
  });
  if (id === '') return { state: 'none' };
  const why = query.error === null ? undefined : readTrouble(query.error, 'The road cannot be read.');
  if (query.data === null) return { state: 'gone', away: away.has(id) };
  if (query.data !== undefined) return { state: 'there', stored: query.data, stale: why };
  if (why === undefined) return { state: 'reading' };
  return { state: 'unread', why, retry: () => void query.refetch() };
}

/** Reads a route again, or for the first time; null where there is none. */
export const fetchRoute = (id: string): Promise<StoredRoute | null> =>
  queryClient.query({ queryKey: keyOf(id), queryFn: ({ signal }) => read(id, signal), staleTime: 0 });

/** What the page last heard of a route. */
export const routeAsRead = (id: string): StoredRoute | null | undefined =>
  queryClient.getQueryData(keyOf(id));

/** The server has acknowledged a route: lists and readers follow. */
export function routeKept(id: string, version: number, route: Route): void {
  const before = routeAsRead(id);
  const now = new Date().toISOString();
  const createdAt = before?.createdAt ?? now;
  queryClient.setQueryData<StoredRoute>(keyOf(id), {
    id,
    version,
    createdAt,
    updatedAt: now,
    document: route,
  });
  void load();
}

export async function createRoute(route: Route): Promise<Saved> {
  const saved = await api.routes.create(route);
  routeKept(saved.id, saved.version, route);
  return saved;
}

export async function putRouteAway(id: string): Promise<void> {
  await api.routes.putAway(id);
  away.add(id);
  queryClient.setQueryData(keyOf(id), null);
  await load();
}

export async function bringRouteBack(id: string): Promise<void> {
  await api.routes.restore(id);
  await fetchRoute(id);
  await load();
}
