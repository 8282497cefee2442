import { QueryClient } from '@tanstack/react-query';
import { ApiError, mayPass } from './api.ts';

/** How often a read that failed is tried again by itself, and after how long at most, ms. */
const TRIES = 3;
const LONGEST_MS = 8000;

/**
 * What the server holds, as this page last read it. The server is this machine: whether the browser believes itself
 * online says nothing about it. What was read last stays in view when reading it anew fails.
 */
export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      networkMode: 'always',
      staleTime: Infinity,
      gcTime: Infinity,
      retry: (failures, problem) => mayPass(problem) && failures < TRIES,
      retryDelay: (failures) => Math.min(500 * 2 ** failures, LONGEST_MS),
      refetchOnWindowFocus: false,
      refetchOnReconnect: false,
    },
    mutations: { networkMode: 'always' },
  },
});

/** Words for a read that failed. */
export const readTrouble = (problem: unknown, otherwise: string): string =>
  problem instanceof ApiError ? problem.message : otherwise;

/**
 * Reads anew what the server holds. A reading that is on its way may have begun before what was just done: it is
 * dropped, and another begun.
 */
export async function refresh(queryKey: readonly string[]): Promise<void> {
  await queryClient.cancelQueries({ queryKey });
  await queryClient.invalidateQueries({ queryKey });
}

/** The same, and whether everything of it that is in view has been read. */
export async function hasRead(queryKey: readonly string[]): Promise<boolean> {
  await refresh(queryKey);
  return queryClient
    .getQueryCache()
    .findAll({ queryKey, type: 'active' })
    .every(({ state }) => !state.isInvalidated);
}
