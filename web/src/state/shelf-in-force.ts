import { useQuery } from '@tanstack/react-query';
import type { ListAnswer, Stored } from '@apple-cart/contracts';
import type { Part } from '@apple-cart/core';
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

/** A page that shows prices is drawn anew when the shelf has been read or has changed; it is not read for that. */
export function useShelfInForce(): void {
  useQuery<Answer>({ queryKey: SHELF_KEY, enabled: false });
}
