import type { ReactNode } from 'react';
import type { KnownSource } from '@apple-cart/core';

const line = { fill: 'none', stroke: 'currentColor', strokeWidth: 1.4 } as const;

const SHAPES: Readonly<Record<KnownSource, ReactNode>> = {
  measured: <path d="M1 2v8M14 2v8M2 6h11M4.5 4 2 6l2.5 2M10.5 4 13 6l-2.5 2" {...line} />,
  label: (
    <>
      <path d="M1 2h9l4 4-4 4H1Z" {...line} />
      <circle cx="9.4" cy="6" r=".9" fill="currentColor" />
    </>
  ),
  assumed: <path d="M1 7.4C3 4 5 4 7.2 6.2S11.6 8.6 14 4.6" {...line} />,
  unknown: (
    <>
      <circle cx="7.5" cy="6" r="5.2" fill="none" stroke="var(--slate-fill)" strokeWidth="1.4" />
      <path
        d="M6 4.9c0-.8.6-1.3 1.5-1.3s1.5.5 1.5 1.3c0 1-1.5 1-1.5 2.1"
        fill="none"
        stroke="var(--slate-fill)"
        strokeWidth="1.2"
      />
      <circle cx="7.5" cy="8.7" r=".8" fill="var(--slate-fill)" />
    </>
  ),
  worked: <path d="M3 4.2h9M3 7.8h9" {...line} />,
};

export const SOURCE_WORD: Readonly<Record<KnownSource, string>> = {
  measured: 'measured',
  label: 'label',
  assumed: 'assumed',
  unknown: 'unknown',
  worked: 'worked out',
};

export function SourceMark({ source }: { source: KnownSource }) {
  return (
    <svg viewBox="0 0 15 12" width="15" height="12" className="shrink-0" aria-hidden>
      {SHAPES[source]}
    </svg>
  );
}
