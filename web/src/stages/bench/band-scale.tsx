import type { Evidence } from '@apple-cart/core';

const [WIDTH, HEIGHT, EDGE] = [300, 54, 14] as const;

/** The band that passes on a ruled scale, with a mark for each reading. */
export function BandScale({
  evidence: { low, high },
  readings,
  outside,
}: {
  evidence: Extract<Evidence, { kind: 'readings' }>;
  readings: readonly (number | null)[];
  outside: boolean;
}) {
  if (low === null && high === null) return null;
  const span =
    low !== null && high !== null ? Math.max(1e-6, high - low) : Math.max(1, Math.abs(low ?? high ?? 1));
  const from = (low ?? (high ?? 0) - span) - 0.7 * span;
  const to = (high ?? (low ?? 0) + span) + 0.7 * span;
  const x = (value: number): number =>
    EDGE + ((WIDTH - 2 * EDGE) * (Math.min(to, Math.max(from, value)) - from)) / (to - from);
  const [left, right] = [low === null ? EDGE : x(low), high === null ? WIDTH - EDGE : x(high)];
  const told = (n: number): string => String(Math.round(n * 100) / 100);
  return (
    <svg
      viewBox={`0 0 ${String(WIDTH)} ${String(HEIGHT)}`}
      className="block w-full max-w-[420px]"
      aria-hidden
    >
      <rect x={left} y={14} width={right - left} height={14} className="fill-fine/15 stroke-fine" />
      <path d={`M${String(EDGE)} 21H${String(WIDTH - EDGE)}`} className="stroke-ink" />
      {[low, high].map((n, i) =>
        n === null ? null : (
          <text key={i} x={x(n)} y={44} textAnchor="middle" className="num fill-ink2 text-[12px]">
            {told(n)}
          </text>
        ),
      )}
      {readings.map((r, i) =>
        r === null ? null : (
          <path
            key={i}
            d={`M${String(x(r) - 5)} 4h10l-5 9Z`}
            className={outside ? 'fill-stop' : 'fill-ink'}
          />
        ),
      )}
    </svg>
  );
}
