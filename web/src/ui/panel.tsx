import type { ReactNode } from 'react';

/** Head of a picture panel: the title states the finding. */
export function PanelHead({
  title,
  note,
  children,
}: {
  title: ReactNode;
  note?: string | undefined;
  children?: ReactNode;
}) {
  return (
    <div className="flex min-h-10 flex-wrap items-center gap-x-3 gap-y-1 pt-1">
      <h2 className="head text-[17px]">{title}</h2>
      {note !== undefined && <span className="text-[13px] text-ink2">{note}</span>}
      {children !== undefined && <div className="no-print ml-auto flex items-center gap-2">{children}</div>}
    </div>
  );
}
