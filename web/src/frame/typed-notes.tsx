import type { HeldBy } from '../state/held.ts';
import type { Typed } from '../state/use-typed.ts';
import { Button } from '../ui/button.tsx';

const when = new Intl.DateTimeFormat('en-GB', {
  day: 'numeric',
  month: 'short',
  hour: '2-digit',
  minute: '2-digit',
});

/** What was typed before and not given away: what is in the form again, and what closed windows have. */
export function TypedNotes({
  of: { before, left, dropLeft },
  held,
  onBring,
}: {
  readonly of: Typed;
  /** Whether the browser holds what is typed now. */
  readonly held: boolean;
  /** Puts what a closed window typed into the form. */
  readonly onBring: (left: HeldBy) => void;
}) {
  return (
    <>
      {before !== undefined && (
        <p role="status" className="mb-2 border-[1.5px] border-ink bg-look-tint px-3 py-1.5 text-[13px]">
          What you typed before is in the form again; it is not stored yet.
        </p>
      )}
      {!held && (
        <p role="alert" className="mb-2 border-[1.5px] border-stop bg-stop-tint px-3 py-1.5 text-[13px]">
          The browser’s own store is full: what you type is lost when this page is closed.
        </p>
      )}
      {left.map((one) => (
        <div
          key={one.window}
          className="mb-2 flex flex-wrap items-center gap-2 border-[1.5px] border-ink bg-look-tint px-3 py-1.5 text-[13px]"
        >
          <span className="flex-1">
            A closed window left something typed here
            {one.at === '' ? '' : `, ${when.format(new Date(one.at))}`}.
          </span>
          <Button
            onClick={() => {
              onBring(one);
              dropLeft(one);
            }}
          >
            Put it in the form
          </Button>
          <Button
            kind="quiet"
            onClick={() => {
              dropLeft(one);
            }}
          >
            Drop it
          </Button>
        </div>
      ))}
    </>
  );
}
