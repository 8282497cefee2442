import type { RideFigure } from '@apple-cart/core';

const [W, H] = [132, 16];

/** The likely span as a tint, the plan as a tick, what was measured as a disc. */
export function SpanBar({ figure: { measured, plan, low, high } }: { figure: RideFigure }) {
  const reach = Math.max(1e-9, plan - low, high - plan, Math.abs(measured - plan)) * 1.25;
  const x = (value: number): number => W / 2 + ((value - plan) / reach) * (W / 2 - 5);
  return (
    <svg viewBox={`0 0 ${String(W)} ${String(H)}`} width={W} height={H} aria-hidden>
      <path d={`M0 ${String(H / 2)}h${String(W)}`} stroke="var(--hair)" />
      <rect x={x(low)} y={2} width={Math.max(1, x(high) - x(low))} height={H - 4} fill="var(--press)" />
      <path d={`M${String(x(plan))} 2v${String(H - 4)}`} stroke="var(--ink)" strokeWidth="1.5" />
      <circle cx={x(measured)} cy={H / 2} r="4" fill="var(--ink)" />
    </svg>
  );
}
