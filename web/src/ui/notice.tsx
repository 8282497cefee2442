import type { ReactNode } from 'react';
import { Button } from './button.tsx';

/** A line above a list: what was done and can be undone, or what went wrong and can be tried again. */
export function Notice({
  kind,
  children,
  action,
}: {
  kind: 'done' | 'trouble';
  children: ReactNode;
  action?: { readonly words: string; readonly act: () => void } | undefined;
}) {
  return (
    <p
      role={kind === 'done' ? 'status' : 'alert'}
      className={`mb-3 flex items-center gap-4 border-[1.5px] px-4 py-2 ${kind === 'done' ? 'border-ink bg-sheet' : 'border-stop bg-stop-tint'}`}
    >
      <span className="flex-1">{children}</span>
      {action !== undefined && <Button onClick={action.act}>{action.words}</Button>}
    </p>
  );
}
