import { Suspense, lazy, useState } from 'react';
import type { Term } from '@apple-cart/core';

/** Fetched when the first word is asked for. */
const TermCard = lazy(() => import('./term-card.tsx').then((m) => ({ default: m.TermCard })));

/** A word of the trade beside its label: what it is, in one sentence and a small drawing. */
export function TermButton({ term }: { term: Term }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button
        type="button"
        aria-label={`What is ${term.name}?`}
        title={`What is ${term.name}?`}
        className="no-print ml-1 inline-grid size-6 shrink-0 place-items-center align-middle text-[12px] text-slate hover:bg-press max-bench:size-11"
        onClick={() => {
          setOpen(true);
        }}
      >
        <span aria-hidden className="grid size-4 place-items-center border border-current leading-none">
          i
        </span>
      </button>
      {open && (
        <Suspense>
          <TermCard
            term={term}
            onClose={() => {
              setOpen(false);
            }}
          />
        </Suspense>
      )}
    </>
  );
}
