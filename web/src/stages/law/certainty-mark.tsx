import type { Certainty } from '@apple-cart/core';

/** How sure the memory of a rule is: one to three bars, and the word. */
export function CertaintyMark({ certainty }: { certainty: Certainty }) {
  const bars = { high: 3, medium: 2, low: 1 }[certainty];
  return (
    <span className="flex items-center gap-1.5">
      <svg viewBox="0 0 17 10" width="17" height="10" aria-hidden>
        {[0, 1, 2].map((i) => (
          <rect
            key={i}
            x={i * 6 + 0.5}
            y="0.5"
            width="4"
            height="9"
            fill={i < bars ? 'var(--ink2)' : 'none'}
            stroke="var(--ink2)"
          />
        ))}
      </svg>
      {certainty}
    </span>
  );
}
