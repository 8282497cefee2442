import { RIDE_KIND_NAMES, formatNumber, type RideOff } from '@apple-cart/core';
import { dayShort, today } from '../../state/today.ts';

const [W, LEFT, ROW, FOOT] = [430, 150, 24, 22];

/** Off by before and after, a row for each ride: an open ring and a filled one. */
export function OffChart({ off }: { off: readonly RideOff[] }) {
  const reach = Math.max(0.04, ...off.flatMap((o) => [Math.abs(o.before), Math.abs(o.after)])) * 1.1;
  const step = reach > 0.12 ? 0.1 : 0.02;
  const x = (share: number): number => LEFT + ((share + reach) / (2 * reach)) * (W - LEFT - 8);
  const height = off.length * ROW + FOOT;
  const ticks: number[] = [];
  for (let t = -Math.floor(reach / step) * step; t <= reach; t += step) ticks.push(t);
  const percent = (share: number): string => `${formatNumber(100 * share, 1)} %`;
  return (
    <figure>
      <figcaption className="head flex justify-between border-b-[1.5px] border-ink pb-1 text-[14px]">
        Off by, % of the energy{' '}
        <span className="font-text text-[12px] font-normal text-ink2">open before, filled after</span>
      </figcaption>
      <svg
        viewBox={`0 0 ${String(W)} ${String(height)}`}
        className="w-full"
        role="img"
        aria-label={off
          .map(
            (o) =>
              `${RIDE_KIND_NAMES[o.kind]} of ${o.on}: ${percent(o.before)} before, ${percent(o.after)} after`,
          )
          .join('; ')}
      >
        <rect x={x(-0.02)} y="0" width={x(0.02) - x(-0.02)} height={height - FOOT} fill="var(--press)" />
        {ticks.map((t) => (
          <g key={t.toFixed(3)}>
            <path d={`M${String(x(t))} 0v${String(height - FOOT)}`} stroke="var(--grid-major)" />
            <text
              x={x(t)}
              y={height - 6}
              textAnchor="middle"
              fontSize="11.5"
              fill="var(--ink2)"
              className="num"
            >
              {Math.round(100 * t) > 0 ? '+' : ''}
              {Math.round(100 * t)}
            </text>
          </g>
        ))}
        {off.map((o, i) => {
          const y = i * ROW + ROW / 2;
          return (
            <g key={o.key}>
              <text x="0" y={y + 4} fontSize="12.5" fill="var(--ink)">
                {RIDE_KIND_NAMES[o.kind]}, {dayShort(o.on, today())}
              </text>
              <path
                d={`M${String(x(o.before))} ${String(y)}L${String(x(o.after))} ${String(y)}`}
                stroke="var(--ink3)"
              />
              <circle
                cx={x(o.before)}
                cy={y}
                r="4.5"
                fill="var(--sheet)"
                stroke="var(--ink)"
                strokeWidth="1.5"
              />
              <circle cx={x(o.after)} cy={y} r="4.5" fill="var(--ink)" />
            </g>
          );
        })}
      </svg>
    </figure>
  );
}
