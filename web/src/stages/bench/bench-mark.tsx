import type { StepState } from '@apple-cart/core';
import { StateMark } from '../../ui/state-mark.tsx';

export const STEP_WORD: Readonly<Record<StepState, string>> = {
  open: 'open',
  passed: 'passed',
  failed: 'failed',
  waived: 'waived',
  repeat: 'to repeat',
  gone: 'no longer asked for',
};

/** How a step stands, by its shape: passed disc, failed octagon, struck ring, looped arrow, square in hand, dash. */
export function BenchMark({
  state,
  inHand = false,
  size = 13,
}: {
  state: StepState;
  inHand?: boolean;
  size?: number;
}) {
  if (state === 'passed') return <StateMark state="fine" size={size} labelled={false} />;
  if (state === 'failed') return <StateMark state="stop" size={size} labelled={false} />;
  const common = {
    viewBox: '0 0 14 14',
    width: size,
    height: size,
    className: 'shrink-0',
    'aria-hidden': true,
  };
  if (state === 'waived')
    return (
      <svg {...common}>
        <circle cx="7" cy="7" r="5.2" fill="none" stroke="var(--look)" strokeWidth="1.6" />
        <path d="M3.3 10.7 10.7 3.3" stroke="var(--look)" strokeWidth="1.6" />
      </svg>
    );
  if (state === 'repeat')
    return (
      <svg {...common}>
        <path d="M11.6 8.4A5 5 0 1 1 11 4" fill="none" stroke="var(--look)" strokeWidth="1.8" />
        <path d="M12.4 1v4.4H8Z" fill="var(--look)" />
      </svg>
    );
  if (inHand)
    return (
      <svg {...common}>
        <rect x="2" y="2" width="10" height="10" fill="none" stroke="var(--ink)" strokeWidth="2" />
      </svg>
    );
  return (
    <svg {...common}>
      <path d="M4 7h6" stroke="var(--ink3)" strokeWidth="1.4" />
    </svg>
  );
}
