import { useQuery } from '@tanstack/react-query';
import type { ListAnswer, Stored } from '@apple-cart/contracts';
import type { Part } from '@apple-cart/core';
import { api } from './api.ts';
import { queryClient } from './query-client.ts';

/** Under which the shelf is remembered once it has been read. */
export const SHELF_KEY = ['parts'] as const;
type Answer = ListAnswer<Stored<Part>>;

const NONE: readonly Part[] = [];
/** The parts of an answer, made once for it: verdicts are remembered by them. */
const partsOf = new WeakMap<Answer, readonly Part[]>();

/** The shelf as it was last read, outside of React; empty before that. */
export function shelfInForce(): readonly Part[] {
  const answer = queryClient.getQueryData<Answer>(SHELF_KEY);
  if (answer === undefined) return NONE;
  const parts = partsOf.get(answer) ?? answer.documents.map((s) => s.document);
  partsOf.set(answer, parts);
  return parts;
}

/** How the shelf is read: once, until it changes. */
export const SHELF = {
  queryKey: SHELF_KEY,
  queryFn: ({ signal }: { readonly signal: AbortSignal }): Promise<Answer> => api.parts.list(signal),
};

/**
 * A page that shows prices reads the shelf that they are guessed by, and is drawn anew when it has come or has changed.
 * @returns whether it has come; one that could not be read is not waited for, nor asked for again by every figure that is drawn
 */
export const useShelfInForce = (): boolean => useQuery({ ...SHELF, retryOnMount: false }).isFetched;
