import type { ComponentProps } from 'react';

type Kind = 'plain' | 'quiet' | 'go';

const KINDS: Readonly<Record<Kind, string>> = {
  plain: 'border-ink bg-field font-semibold text-ink hover:bg-press',
  quiet: 'border-rule bg-transparent text-ink2 hover:bg-press',
  go: 'border-fine bg-fine font-bold text-on-ink hover:brightness-110',
};

export function Button({
  kind = 'plain',
  className = '',
  ...rest
}: ComponentProps<'button'> & { kind?: Kind }) {
  return (
    <button
      type="button"
      className={`inline-flex h-8 items-center justify-center gap-2 border-[1.5px] px-3 text-[13px] whitespace-nowrap disabled:opacity-45 max-bench:h-11 max-bench:min-w-11 ${KINDS[kind]} ${className}`}
      {...rest}
    />
  );
}
