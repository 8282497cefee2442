import { useEffect, useState } from 'react';
import type { Held, HeldBy } from './held.ts';
import { otherWindows } from './this-window.ts';

/** What was typed into a form and not given away, over a closed dialog, a reload and a crash. */
export interface Typed {
  /** What this window typed before; as it was when the form opened. */
  readonly before: unknown;
  /** What closed windows typed, the newest first. */
  readonly left: readonly HeldBy[];
  /** False where the browser does not hold it. */
  readonly keep: (value: unknown) => boolean;
  /** Drops what another window typed. */
  readonly dropLeft: (left: HeldBy) => void;
}

/** What is typed into the form of a document, held for this window alone. */
export function useTyped(store: Held, id: string): Typed {
  const [before] = useState(() => store.own(id)?.value);
  const [left, setLeft] = useState<readonly HeldBy[]>([]);
  useEffect(() => {
    const found = store.others().filter((one) => one.id === id);
    if (found.length === 0) return undefined;
    let gone = false;
    void otherWindows().then((open) => {
      if (gone) return;
      setLeft(found.filter((one) => !open.has(one.window)).sort((a, b) => b.at.localeCompare(a.at)));
    });
    return () => {
      gone = true;
    };
  }, [store, id]);
  return {
    before,
    left,
    keep: (value) => store.keep(id, value),
    dropLeft: (one) => {
      store.drop(one);
      setLeft((all) => all.filter((other) => other !== one));
    },
  };
}
