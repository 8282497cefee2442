import { CHAINLINE_FINE_MM, STAY_GAP_MM, type SpacerTrade } from '@apple-cart/core';
import { useQuantity } from '../../state/use-quantity.ts';
import { PanelHead } from '../../ui/panel.tsx';

const W = 628;
const H = 150;
const LEFT = 112;
const RIGHT = W - 20;
const ROWS = { gap: 26, line: 72 } as const;
const BAR = 26;
const THICKEST = 12;

const x = (mm: number): number => LEFT + ((RIGHT - LEFT) * mm) / THICKEST;

/** From which thickness to which a condition holds; undefined where it never does. */
function span(
  trade: SpacerTrade,
  holds: (row: SpacerTrade['rows'][number]) => boolean,
): readonly [number, number] | undefined {
  const good = trade.rows.filter(holds);
  const [first, last] = [good[0], good.at(-1)];
  return first === undefined || last === undefined ? undefined : [first.spacerMm, last.spacerMm];
}

/** Spacers behind a mid-drive: what each thickness buys at the chainstay and costs in chainline, and where both hold. */
export function SpacerPicture({
  trade,
  spacerMm,
  known,
}: {
  trade: SpacerTrade;
  spacerMm: number;
  known: boolean;
}) {
  const shown = useQuantity();
  const mm = (value: number): string => {
    const { text, unit } = shown(value, 'mm', 1);
    return `${text} ${unit}`;
  };
  const here = trade.rows.reduce((a, b) =>
    Math.abs(b.spacerMm - spacerMm) < Math.abs(a.spacerMm - spacerMm) ? b : a,
  );
  const rows = [
    {
      name: 'Room to the stay',
      y: ROWS.gap,
      ok: span(trade, (r) => r.gapMm >= STAY_GAP_MM),
      text: mm(here.gapMm),
    },
    {
      name: 'Chainline',
      y: ROWS.line,
      ok: span(trade, (r) => Math.abs(r.chainlineMm) <= CHAINLINE_FINE_MM),
      text: `${mm(Math.abs(here.chainlineMm))} ${here.chainlineMm >= 0 ? 'out' : 'in'}`,
    },
  ];
  const { from, to } = trade;
  const found =
    from === undefined || to === undefined
      ? 'No spacer gives room and chainline both'
      : `Spacers from ${mm(from)} to ${mm(to)} give room and keep the chainline`;
  const title = known ? found : 'Spacers: measure shell, stay and gearbox first';
  return (
    <section className="keep-together pt-2" aria-label="Spacers">
      <PanelHead title={title} />
      <svg viewBox={`0 0 ${String(W)} ${String(H)}`} className="block w-full" role="img" aria-label={title}>
        {known && trade.from !== undefined && trade.to !== undefined && (
          <rect
            x={x(trade.from) - 3}
            y="14"
            width={Math.max(6, x(trade.to) - x(trade.from) + 6)}
            height="96"
            fill="var(--fine-tint)"
          />
        )}
        {rows.map(({ name, y, ok, text }) => (
          <g key={name}>
            <text x="0" y={y + 11} fontSize="13" fill="var(--ink)">
              {name}
            </text>
            <text x="0" y={y + 26} fontSize="12" fontFamily="var(--font-num)" fill="var(--ink2)">
              {known ? text : '?'}
            </text>
            <rect x={LEFT} y={y} width={RIGHT - LEFT} height={BAR} fill="none" stroke="var(--rule)" />
            {known && ok !== undefined && (
              <rect
                x={x(ok[0])}
                y={y}
                width={Math.max(2, x(ok[1]) - x(ok[0]))}
                height={BAR}
                fill="var(--fine-fill)"
                opacity="0.85"
              />
            )}
          </g>
        ))}
        {[0, 2, 4, 6, 8, 10, 12].map((tick) => (
          <g key={tick}>
            <path d={`M${String(x(tick))} 108v5`} stroke="var(--ink2)" />
            <text
              x={x(tick)}
              y="126"
              textAnchor="middle"
              fontSize="12"
              fontFamily="var(--font-num)"
              fill="var(--ink2)"
            >
              {shown(tick, 'mm', shown(1, 'mm').unit === 'mm' ? 0 : 2).text}
            </text>
          </g>
        ))}
        <text x={RIGHT} y="144" textAnchor="end" fontSize="12.5" fill="var(--ink2)">
          spacers behind the motor, {shown(1, 'mm').unit}
        </text>
        <path d={`M${String(x(Math.min(THICKEST, spacerMm)))} 8V110`} stroke="var(--ink)" strokeWidth="2" />
        <text x={x(Math.min(THICKEST, spacerMm)) + 5} y="14" fontSize="12" fill="var(--ink)">
          fitted
        </text>
      </svg>
    </section>
  );
}
