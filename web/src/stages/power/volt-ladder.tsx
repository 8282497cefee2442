import { firstOf, formatNumber, type Verdict } from '@apple-cart/core';
import { PanelHead } from '../../ui/panel.tsx';

const LADDER = { width: 628, height: 74, left: 8, right: 620 } as const;

/** The pack's volts on one scale, from the cut-off to a full charge. */
export function VoltLadder({ verdict, index }: { verdict: Verdict; index: number }) {
  const { power } = verdict;
  const { fullV, nominalV, halfV, loadedV } = power.packs[index] ?? power;
  const { cutoffV } = power;
  const low = Math.min(cutoffV, loadedV) * 0.97;
  const high = fullV * 1.01;
  const x = (volts: number): number =>
    LADDER.left + ((volts - low) / (high - low)) * (LADDER.right - LADDER.left);
  const marks = [
    { volts: cutoffV, name: 'cut-off', up: true, color: 'var(--stop)' },
    { volts: loadedV, name: 'half, full pull', up: false, color: 'var(--q-volt)' },
    { volts: nominalV, name: 'label', up: true, color: 'var(--ink2)' },
    { volts: halfV, name: 'half, at rest', up: false, color: 'var(--q-volt)' },
    { volts: fullV, name: 'full', up: true, color: 'var(--ink)' },
  ];
  return (
    <figure className="keep-together">
      <PanelHead
        title="Volts of the pack"
        note={
          loadedV > cutoffV
            ? `${formatNumber(loadedV - cutoffV, 1)} V above the cut-off at half charge, full pull`
            : 'sags below the cut-off at half charge'
        }
      />
      <svg
        viewBox={`0 0 ${String(LADDER.width)} ${String(LADDER.height)}`}
        className="block w-full"
        role="img"
        aria-label={marks.map((m) => `${m.name} ${formatNumber(m.volts, 1)} V`).join(', ')}
      >
        <rect
          x={x(loadedV)}
          y="32"
          width={Math.max(0, x(halfV) - x(loadedV))}
          height="10"
          fill="var(--slate-tint)"
        />
        <path
          d={`M${String(LADDER.left)} 37H${String(LADDER.right)}`}
          stroke="var(--ink)"
          strokeWidth="1.5"
        />
        {marks.map(({ volts, name, up, color }) => {
          const at = x(volts);
          const anchor = firstOf(
            [
              [at < 70, 'start'],
              [at > LADDER.width - 70, 'end'],
            ],
            'middle',
          );
          return (
            <g key={name}>
              <path d={`M${String(at)} 29v16`} stroke={color} strokeWidth="2.5" />
              <text x={at} y={up ? 23 : 58} textAnchor={anchor} fontSize="12.5" fill={color}>
                <tspan fontFamily="var(--font-num)" fontWeight="500">
                  {formatNumber(volts, 1)}
                </tspan>{' '}
                V
              </text>
              <text x={at} y={up ? 10 : 71} textAnchor={anchor} fontSize="12" fill="var(--ink2)">
                {name}
              </text>
            </g>
          );
        })}
      </svg>
    </figure>
  );
}
