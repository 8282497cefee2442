import { useState } from 'react';

/** What was put away last out of a list, and the ways there and back. */
export interface PutAway<T> {
  readonly away: T | undefined;
  readonly putAway: (one: T) => Promise<void>;
  readonly bringBack: () => Promise<void>;
}

/**
 * Puts one of a list away, remembers it, and brings it back.
 * @param attempt holds what goes wrong
 * @param first what was put away before the list was shown
 */
export function usePutAway<T>(
  attempt: (work: () => Promise<void>) => Promise<void>,
  ways: { readonly putAway: (one: T) => Promise<void>; readonly bringBack: (one: T) => Promise<void> },
  first?: () => T | undefined,
): PutAway<T> {
  const [away, setAway] = useState<T | undefined>(first);
  return {
    away,
    putAway: (one) =>
      attempt(async () => {
        await ways.putAway(one);
        setAway(() => one);
      }),
    bringBack: () =>
      attempt(async () => {
        if (away === undefined) return;
        await ways.bringBack(away);
        setAway(undefined);
      }),
  };
}
