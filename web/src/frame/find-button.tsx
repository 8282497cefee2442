import { Search } from 'lucide-react';
import { Suspense, lazy, useCallback, useState } from 'react';
import { useWindowKey } from '../ui/use-window-key.ts';

/** Fetched when first asked for. */
const FindDialog = lazy(() => import('./find-dialog.tsx').then((m) => ({ default: m.FindDialog })));

/** Opens the search-and-do box, by hand or with Ctrl+K. */
export function FindButton() {
  const [open, setOpen] = useState(false);
  useWindowKey(
    useCallback((event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'k') return;
      event.preventDefault();
      setOpen((before) => !before);
    }, []),
  );
  return (
    <>
      <button
        type="button"
        data-testid="find"
        aria-keyshortcuts="Control+K"
        onClick={() => {
          setOpen(true);
        }}
        className="flex min-w-11 items-center gap-2 border-r border-rule bg-sheet px-[11px] text-[13px] text-ink3 hover:bg-press max-bench:justify-center bench:flex-1"
      >
        <Search size={17} strokeWidth={1.6} className="shrink-0" aria-hidden />
        <span className="flex-1 text-left max-bench:sr-only">Find or do</span>
        <kbd
          aria-hidden
          className="num border border-rule bg-card px-1 text-[12px] tracking-tight text-ink2 max-bench:hidden"
        >
          Ctrl K
        </kbd>
      </button>
      {open && (
        <Suspense>
          <FindDialog
            onClose={() => {
              setOpen(false);
            }}
          />
        </Suspense>
      )}
    </>
  );
}
