import type { LineState } from '@apple-cart/core';
import type { ReactNode } from 'react';

/** Where a thing is, in words. */
export const STATE_WORDS: Readonly<Record<LineState, string>> = {
  needed: 'to buy',
  ordered: 'ordered',
  arrived: 'arrived',
  fitted: 'fitted',
  owned: 'owned',
  'not-needed': 'not needed',
};

const PEN = { fill: 'none', stroke: 'currentColor', strokeWidth: 1.6 } as const;
/** An apple crate that fills up; ink only: these are no states of a check. */
const MARKS: Readonly<Record<LineState, ReactNode>> = {
  needed: <path d="M2 3h12v10H2z" {...PEN} strokeDasharray="2.6 2" />,
  ordered: <path d="M6 3h8v10H6M1 8h8M6 5l3 3-3 3" {...PEN} />,
  arrived: <path d="M2 3h12v10H2zM2 6.3h12M2 9.6h12" {...PEN} />,
  fitted: <path d="M5 2.5h6L14 8l-3 5.5H5L2 8zM8 6a2 2 0 1 0 .01 0" {...PEN} />,
  owned: <path d="M4 3h8v6H4zM1 11.5h14M3 11.5V14M13 11.5V14" {...PEN} />,
  'not-needed': <path d="M3 3l10 10M13 3L3 13" {...PEN} />,
};

export const LineMark = ({ state }: { state: LineState }) => (
  <svg viewBox="0 0 16 16" width="15" height="15" className="shrink-0" aria-hidden>
    {MARKS[state]}
  </svg>
);
