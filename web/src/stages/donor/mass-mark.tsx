import type { Point } from '@apple-cart/core';
import { GROUND, px, type Page } from './page-scale.ts';

/** A point that weighs, with its name; the whole machine's is the ringed one. */
export function MassMark({
  page,
  at,
  label,
  ring = false,
}: {
  page: Page;
  at: Point;
  label: string;
  ring?: boolean;
}) {
  const p = px(page, at);
  return (
    <g pointerEvents="none">
      <circle
        cx={p.x}
        cy={p.y}
        r={ring ? 8 : 4}
        fill={ring ? 'var(--sheet)' : 'var(--ink3)'}
        stroke="var(--ink)"
        strokeWidth={ring ? 1.5 : 0}
      />
      {ring && (
        <path d={`M${String(p.x)} ${String(p.y)}v-8a8 8 0 0 1 8 8zv8a8 8 0 0 1 -8 -8z`} fill="var(--ink)" />
      )}
      <text
        // The whole machine's name stands at the foot of its plumb line, where nothing else is.
        x={p.x + 8}
        y={ring ? GROUND - 8 : p.y + 4}
        fontSize="12"
        fontWeight={ring ? 700 : 400}
        fill={ring ? 'var(--ink)' : 'var(--ink2)'}
        stroke="var(--sheet)"
        strokeWidth="4"
        paintOrder="stroke"
      >
        {label}
      </text>
    </g>
  );
}
