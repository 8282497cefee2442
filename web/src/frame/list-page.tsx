import { useEffect, type ReactNode } from 'react';
import type { PutAway } from '../state/use-put-away.ts';
import { Notice } from '../ui/notice.tsx';
import { SkipLink } from '../ui/skip-link.tsx';
import { PageBar } from './page-bar.tsx';

/** A page that lists what is stored of a kind: its name, what it is for, what can be done, and the list. */
export function ListPage({
  title,
  words,
  actions,
  children,
}: {
  readonly title: string;
  readonly words: string;
  readonly actions?: ReactNode;
  readonly children: ReactNode;
}) {
  useEffect(() => {
    document.title = `${title}, Apple Cart`;
  }, [title]);
  return (
    <div className="grid h-full grid-cols-[minmax(0,1fr)] grid-rows-[46px_minmax(0,1fr)]">
      <SkipLink to="list">To the list</SkipLink>
      <PageBar />
      <main className="relative overflow-y-auto outline-none" id="list" tabIndex={-1}>
        <div className="mx-auto max-w-[1280px] px-8 pt-3 pb-8 max-tablet:px-3">
          <div className="flex flex-wrap items-end gap-x-4 gap-y-2 pb-3.5">
            <div className="min-w-0">
              <h1 className="head text-[36px] font-extrabold tracking-[-.015em]">{title}</h1>
              <p className="text-[15px] text-ink2">{words}</p>
            </div>
            {actions !== undefined && (
              <div className="ml-auto flex flex-wrap items-center gap-3">{actions}</div>
            )}
          </div>
          {children}
        </div>
      </main>
    </div>
  );
}

/** Says what was put away last, and brings it back. */
export function PutAwayNotice<T>({
  of: { away, bringBack },
  words,
}: {
  readonly of: PutAway<T>;
  readonly words: (away: T) => string;
}) {
  if (away === undefined) return null;
  return (
    <Notice kind="done" action={{ words: 'Bring it back', act: () => void bringBack() }}>
      {words(away)}
    </Notice>
  );
}
