import { BookOpen, RefreshCw } from 'lucide-react';
import { Suspense, lazy, useState } from 'react';
import { copiedFrom, refreshed, staleValues, type PartType } from '@apple-cart/core';
import { useBuild, useDocument } from '../../state/build-store.ts';
import { useShelf } from '../../state/shelf.ts';
import { Menu, MenuHeading, MenuItem, MenuRule } from '../../ui/menu.tsx';

/** Fetched when it is opened. */
const ShelfDialog = lazy(() => import('./shelf-dialog.tsx').then((m) => ({ default: m.ShelfDialog })));

function plain(value: unknown): string {
  if (Array.isArray(value)) return value.join(' ');
  const told = typeof value === 'string' || typeof value === 'number' || typeof value === 'boolean';
  return told ? String(value) : '?';
}

/** The way to the parts of the shelf, and what differs there from a part that was copied. */
export function ShelfMenu({
  type,
  label = 'from the shelf',
  packIndex = 0,
}: {
  type: PartType;
  label?: string;
  /** Which pack a pack, its cell or its charger is for. */
  packIndex?: number;
}) {
  const edit = useBuild((state) => state.edit);
  const document = useDocument();
  const { parts } = useShelf();
  const [open, setOpen] = useState(false);
  const mine = parts?.map((s) => s.document).filter((part) => part.type === type);
  const from = mine?.find((part) => part.id === copiedFrom(document, type, packIndex));
  const stale = from === undefined ? [] : staleValues(document, from, packIndex);
  return (
    <span className="flex flex-wrap items-center gap-x-3">
      <button
        type="button"
        aria-haspopup="dialog"
        data-testid={`shelf-${type}`}
        onClick={() => {
          setOpen(true);
        }}
        className="flex min-h-6 items-center gap-1.5 text-[12.5px] text-slate underline max-bench:min-h-11 max-bench:min-w-11"
      >
        <BookOpen size={14} strokeWidth={1.6} aria-hidden /> {label}
      </button>
      {open && (
        <Suspense>
          <ShelfDialog
            type={type}
            packIndex={packIndex}
            onClose={() => {
              setOpen(false);
            }}
          />
        </Suspense>
      )}
      {from !== undefined && stale.length > 0 && (
        <Menu
          align="end"
          trigger={
            <button
              type="button"
              data-testid={`refresh-${type}`}
              className="flex min-h-6 items-center gap-1.5 text-[12.5px] text-slate underline max-bench:min-h-11 max-bench:min-w-11"
            >
              <RefreshCw size={13} strokeWidth={1.6} aria-hidden /> {stale.length}{' '}
              {stale.length === 1 ? 'differs' : 'differ'} on the shelf
            </button>
          }
        >
          <MenuHeading>What was measured or assumed here stays</MenuHeading>
          {stale.map((value) => (
            <div key={value.path} className="flex justify-between gap-6 px-3 py-1 text-[13px]">
              <span>{value.path.split('.').at(-1)}</span>
              <span className="num">
                {plain(value.here)} to {plain(value.shelf)}
              </span>
            </div>
          ))}
          <MenuRule />
          <MenuItem
            onSelect={() => {
              edit((d) => refreshed(d, from, packIndex), `${type} refreshed from the shelf`);
            }}
          >
            Take these values over
          </MenuItem>
        </Menu>
      )}
    </span>
  );
}
