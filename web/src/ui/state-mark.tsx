import type { ReactNode } from 'react';
import type { State } from '@apple-cart/core';

const SHAPES: Readonly<Record<State | 'todo', ReactNode>> = {
  fine: <circle cx="7" cy="7" r="5.4" fill="var(--fine-fill)" />,
  look: (
    <path
      d="M7 1.4 13.2 12.4H.8Z"
      fill="var(--look-fill)"
      stroke="var(--look-edge)"
      strokeWidth="1.1"
      strokeLinejoin="round"
    />
  ),
  stop: (
    <>
      <path d="M4.3.6h5.4l3.7 3.7v5.4l-3.7 3.7H4.3L.6 9.7V4.3Z" fill="var(--stop-fill)" />
      <path d="M3.6 7h6.8" stroke="var(--on-ink)" strokeWidth="2.1" />
    </>
  ),
  unknown: (
    <>
      <circle cx="7" cy="7" r="5.7" fill="none" stroke="var(--slate-fill)" strokeWidth="1.6" />
      <path
        d="M5.2 5.6c0-1 .8-1.7 1.8-1.7s1.8.6 1.8 1.6c0 1.3-1.8 1.3-1.8 2.6"
        fill="none"
        stroke="var(--slate-fill)"
        strokeWidth="1.4"
      />
      <circle cx="7" cy="10" r=".9" fill="var(--slate-fill)" />
    </>
  ),
  todo: <path d="M4 7h6" stroke="var(--ink3)" strokeWidth="1.4" />,
};

export const STATE_WORD: Readonly<Record<State | 'todo', string>> = {
  fine: 'fine',
  look: 'to look at',
  stop: 'stop',
  unknown: 'unknown',
  todo: 'not begun',
};

/** The shape of a state; a word always stands near, and readers hear it. */
export function StateMark({
  state,
  size = 14,
  labelled = true,
}: {
  state: State | 'todo';
  size?: number;
  labelled?: boolean;
}) {
  return (
    <svg
      viewBox="0 0 14 14"
      width={size}
      height={size}
      className="shrink-0 overflow-visible"
      {...(labelled ? { role: 'img', 'aria-label': STATE_WORD[state] } : { 'aria-hidden': true })}
    >
      {SHAPES[state]}
    </svg>
  );
}

export const STATE_TEXT: Readonly<Record<State, string>> = {
  fine: 'text-fine',
  look: 'text-look',
  stop: 'text-stop',
  unknown: 'text-slate',
};
