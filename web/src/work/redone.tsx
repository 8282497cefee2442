import type { ReactNode } from 'react';

interface Props {
  /** Whether what is shown is of an earlier state, and its successor is being worked out. */
  readonly busy: boolean;
  readonly className?: string;
  readonly children: ReactNode;
}

/**
 * What was worked out, and says while it is being worked out anew that it is of before. It is not paled:
 * a number that is of before is still read, and paled ink is too faint on either sheet (WCAG 1.4.3).
 */
export function Redone({ busy, className = '', children }: Props) {
  return (
    <div className={`relative ${className}`} aria-busy={busy}>
      {busy && (
        <p
          role="status"
          className="late absolute top-0 right-0 z-10 border border-rule bg-press px-2 py-0.5 text-[12.5px]"
        >
          as before; being worked out anew…
        </p>
      )}
      {children}
    </div>
  );
}
