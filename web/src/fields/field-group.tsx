import { ChevronRight } from 'lucide-react';
import type { ReactNode } from 'react';
import { ByDefault, onDefault, type From } from '../ui/by-default.tsx';
import { SourceMark } from '../ui/source-mark.tsx';

/** A ruled group of fields under a heading. */
export function FieldGroup({
  title,
  note,
  children,
}: {
  title: string;
  note?: string | undefined;
  children: ReactNode;
}) {
  return (
    <section className="keep-together">
      <div className="flex min-h-[33px] items-end justify-between gap-2 border-b-[1.5px] border-ink pt-1.5 pb-1.5">
        <h2 className="head text-[14px]">{title}</h2>
        {note !== undefined && <small className="text-right text-[12px] text-ink2">{note}</small>}
      </div>
      {children}
    </section>
  );
}

/** Groups that were opened or folded by hand in this window, by title. */
const folds = new Map<string, boolean>();

/**
 * A group that stands folded until it is opened, with a word on what is in it. On paper it is open; the search of the page and
 * the find box open it.
 */
export function FoldedGroup({
  title,
  note,
  children,
}: {
  title: string;
  /** How much of it is known. */
  note: string;
  children: ReactNode;
}) {
  return (
    <details
      className="folded"
      open={folds.get(title) ?? false}
      onToggle={(event) => {
        folds.set(title, event.currentTarget.open);
      }}
    >
      <summary className="flex min-h-[33px] cursor-pointer items-end gap-2 border-b-[1.5px] border-ink pb-1.5 hover:bg-press max-bench:min-h-11">
        <ChevronRight size={15} strokeWidth={1.8} aria-hidden className="fold-mark shrink-0" />
        <h2 className="head flex-1 text-[14px]">{title}</h2>
        <small className="text-right text-[12px] text-ink2">{note}</small>
      </summary>
      {children}
    </details>
  );
}

/** A field's group is opened before the field is shown. */
export function unfold(field: Element): void {
  field.closest('details')?.setAttribute('open', '');
}

export const ROW =
  'grid min-h-[30px] grid-cols-[minmax(0,1fr)_88px_39px_90px] items-center border-b border-hair max-bench:min-h-[46px] print:min-h-6! @max-[345px]:grid-cols-[minmax(0,1fr)_84px_39px_26px]';

/** A value worked out from others: no field, an equals sign; one that a default makes says so. */
export function WorkedRow({
  label,
  children,
  unit,
  sum = false,
  from,
}: {
  label: string;
  children: ReactNode;
  unit: string;
  sum?: boolean;
  /** What it is worked out from, of what may not have been read. */
  from?: From;
}) {
  return (
    <div
      className={`${ROW} ${sum ? 'border-t border-b-[3px] border-double border-t-ink border-b-ink font-semibold' : ''}`}
    >
      <span className="py-0.5 pr-2 leading-[1.15]">{label}</span>
      <span className="flex justify-end text-[15px]">{children}</span>
      <span className="pl-1 text-[12.5px] text-ink3">{unit}</span>
      <span className="flex items-center gap-1.5 pl-2 text-[12px] font-normal whitespace-nowrap text-ink2">
        {onDefault(from) ? (
          <ByDefault />
        ) : (
          <>
            <SourceMark source="worked" />
            <span className="@max-[345px]:sr-only">worked out</span>
          </>
        )}
      </span>
    </div>
  );
}
