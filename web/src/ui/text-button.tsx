import type { ComponentProps } from 'react';

/** A small action among rows: words to click, with room for a finger. */
export function TextButton({ className = '', ...rest }: ComponentProps<'button'>) {
  return (
    <button
      type="button"
      className={`min-h-7 px-1 text-[12.5px] whitespace-nowrap text-slate underline max-bench:min-h-11 max-bench:min-w-11 ${className}`}
      {...rest}
    />
  );
}
