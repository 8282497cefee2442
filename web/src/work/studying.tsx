import type { ReactNode } from 'react';
import { Button } from '../ui/button.tsx';
import { Redone } from './redone.tsx';
import type { Studied } from './use-study.ts';

interface Props<T> extends Studied<T> {
  /** What is going on, while there is no answer yet. */
  readonly waiting?: string;
  readonly className?: string;
  readonly children: (value: T) => ReactNode;
}

/** An answer of a study; while the next is worked out it says that it is of before, and a failure says why and can be tried again. */
export function Studying<T>({
  value,
  busy,
  why,
  retry,
  waiting = 'Working it out…',
  className = '',
  children,
}: Props<T>) {
  return (
    <>
      {why !== undefined && (
        <div role="alert" className="my-2 border-[1.5px] border-stop bg-stop-tint px-3 py-2">
          <p className="pb-2">This could not be worked out: {why}.</p>
          <Button onClick={retry}>Try again</Button>
        </div>
      )}
      {value === undefined && why === undefined && (
        <p role="status" className="py-4 text-ink2">
          {waiting}
        </p>
      )}
      {value !== undefined && (
        <Redone busy={busy} className={className}>
          {children(value)}
        </Redone>
      )}
    </>
  );
}
