import { useMemo } from 'react';
import { cellLayout, currencySign, moneyText, type CellLayout } from '@apple-cart/core';
import { useQuantity } from '../../state/use-quantity.ts';
import { PanelHead } from '../../ui/panel.tsx';
import { Num } from '../../ui/num.tsx';
import { Ledger, Quantity } from '../parts/ledger.tsx';
import { chargeLines } from './pack-ledger.tsx';
import { usePack } from '../parts/use-pack.ts';
import { useDeferredStage } from '../parts/use-stage.ts';

const WIDTH = 628;
const MOST_HEIGHT = 300;
/** Groups beside each other differ in tint; colour only tells them apart, the number says which. */
const TINTS = ['var(--fine-tint)', 'var(--slate-tint)', 'var(--look-tint)'] as const;
/** Below this many pixels across a cell holds no words. */
const WORDS_FROM = 15;
const INSULATED_SHOWN = 60;

function Drawing({
  layout,
  round,
  depthMm,
  widthMm,
}: {
  layout: CellLayout;
  round: boolean;
  depthMm: number;
  widthMm: number;
}) {
  const { box, cells, insulate } = layout;
  const scale = Math.min(WIDTH / box.lengthMm, MOST_HEIGHT / box.depthMm);
  const [w, h] = [box.lengthMm * scale, box.depthMm * scale];
  const radius = (widthMm * scale) / 2;
  const half = { x: radius, y: ((round ? widthMm : depthMm) * scale) / 2 };
  const words = Math.min(half.x, half.y) * 2 >= WORDS_FROM;
  const size = Math.min(13, half.y * 0.8);
  return (
    <svg
      viewBox={`-1 -1 ${String(w + 2)} ${String(h + 2)}`}
      className="mx-auto block max-h-[300px] w-full"
      role="img"
      aria-label={`${String(cells.length)} cells: ${String(layout.series)} groups of ${String(layout.parallel)}. Signs show the end that is up.`}
    >
      <rect x="0" y="0" width={w} height={h} fill="var(--field)" stroke="var(--ink)" strokeWidth="1.5" />
      {cells.map((cell, i) => {
        const [x, y] = [cell.x * scale, cell.y * scale];
        const fill = TINTS[cell.group % TINTS.length];
        return (
          <g key={i}>
            {round ? (
              <circle cx={x} cy={y} r={radius} fill={fill} stroke="var(--ink2)" strokeWidth="1" />
            ) : (
              <rect
                x={x - half.x}
                y={y - half.y}
                width={2 * half.x}
                height={2 * half.y}
                fill={fill}
                stroke="var(--ink2)"
                strokeWidth="1"
              />
            )}
            {words && (
              <text
                x={x}
                y={y + size * 0.35}
                textAnchor="middle"
                fontSize={size}
                fill="var(--ink)"
                fontFamily="var(--font-num)"
              >
                {cell.group + 1}
                {cell.plusUp ? '+' : '−'}
              </text>
            )}
          </g>
        );
      })}
      {insulate.slice(0, INSULATED_SHOWN).map(({ a, b }, i) => {
        const [mx, my] = [((a.x + b.x) / 2) * scale, ((a.y + b.y) / 2) * scale];
        const length = Math.hypot(b.x - a.x, b.y - a.y) || 1;
        const [nx, ny] = [(-(b.y - a.y) / length) * radius * 0.8, ((b.x - a.x) / length) * radius * 0.8];
        return (
          <path
            key={i}
            d={`M${String(mx - nx)} ${String(my - ny)}L${String(mx + nx)} ${String(my + ny)}`}
            stroke="var(--stop-fill)"
            strokeWidth="3"
          />
        );
      })}
    </svg>
  );
}

/** The cells in their box with groups and polarity, where to insulate, and the pack in numbers. */
export function CellPicture() {
  const { document, verdict } = useDeferredStage();
  const shown = useQuantity();
  const { index, pack } = usePack(document);
  const known = verdict.known.packs[index] ?? verdict.known.packs[0];
  const { power } = verdict;
  const own = power.packs[index] ?? { ...power, shares: false };
  const layout = useMemo(() => cellLayout(pack, known), [pack, known]);
  const { box, series, parallel, insulate } = layout;
  const worst = insulate[0];
  const mm = (value: number): string => shown(value, 'mm').text;
  const { unit } = shown(1, 'mm');
  const count = series * parallel;
  const { price } = pack.cell;
  const sag = own.halfV - own.loadedV;
  return (
    <section aria-label="Layout of the cells" data-testid="cell-layout">
      <PanelHead
        title={`${String(series)} in series, ${String(parallel)} side by side: ${mm(box.lengthMm)} by ${mm(box.depthMm)} by ${mm(box.heightMm)} ${unit}`}
        note="from above, in its case"
      />
      <Drawing
        layout={layout}
        round={pack.cell.round}
        widthMm={known.cell.widthMm.value}
        depthMm={known.cell.depthMm.value}
      />
      <p className="py-1.5 text-[13px] text-ink2">
        Number and tint: the series group, counted from the negative end; the sign is the end that is up.{' '}
        {worst === undefined ? (
          'No neighbours are more than one group apart.'
        ) : (
          <b className="font-semibold text-stop" data-testid="insulate">
            Insulate at the bars: groups {worst.a.group + 1} and {worst.b.group + 1} stand side by side with{' '}
            {worst.volts.toFixed(1)} V between them ({insulate.length} such pairs).
          </b>
        )}
      </p>
      <Ledger
        title="The pack from these cells"
        lines={[
          { label: 'Nominal', from: [known.nominalV], value: <Quantity value={own.nominalV} unit="V" /> },
          {
            label: 'Full',
            note: 'for the charger',
            from: [known.cellsInSeries],
            value: <Quantity value={own.fullV} unit="V" />,
          },
          {
            label: 'At rest for storage',
            note: 'half charged',
            from: [known.cellsInSeries],
            value: <Quantity value={own.halfV} unit="V" />,
          },
          {
            label: 'Cut off at',
            from: [verdict.known.controller.lowVoltageCutoffV],
            value: <Quantity value={power.cutoffV} unit="V" />,
          },
          ...chargeLines(known, own.energyWh, 'Energy'),
          {
            label: 'Amps continuous, ten seconds',
            note: `${known.cellsPeakA.value.toFixed(0)} A`,
            from: [known.cellsContinuousA, known.cellsPeakA],
            value: <Quantity value={known.cellsContinuousA.value} unit="A" />,
          },
          {
            label: 'Resistance',
            note: 'half charged, with leads',
            value: <Quantity value={1000 * own.halfOhm} unit="mohm" />,
          },
          {
            label: 'Sag at the controller’s limit',
            note: own.shares ? 'half charged, all packs feeding' : 'half charged, with leads',
            from: [verdict.known.controller.batteryCurrentA],
            value: <Quantity value={sag} unit="V" />,
          },
          { label: 'Mass', from: [known.massKg], value: <Quantity value={known.massKg.value} unit="kg" /> },
          ...(price === null
            ? []
            : [
                {
                  label: `${String(count)} cells`,
                  from: [known.cellsInSeries, known.cell.parallel, known.capacityAh],
                  note: `${moneyText(price * count, document.money.currency)}, without strips, protection and case`,
                  value: (
                    <Num
                      text={((1000 * price * count) / Math.max(1, own.energyWh)).toFixed(0)}
                      unit={`${currencySign(document.money.currency).trim()}/kWh`}
                      places={0}
                    />
                  ),
                },
              ]),
        ]}
      />
    </section>
  );
}
