import { Info } from 'lucide-react';
import type { ReactNode } from 'react';

/** One plain line of caution, and who decides. */
export function Caution({ children }: { children: ReactNode }) {
  return (
    <p className="flex items-start gap-2 py-2 text-[12.5px] leading-snug text-ink2">
      <Info size={16} strokeWidth={1.6} className="mt-px shrink-0 text-slate" aria-hidden />
      <span>{children}</span>
    </p>
  );
}
