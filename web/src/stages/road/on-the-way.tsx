import { formatNumber, type WayRow } from '@apple-cart/core';
import { useQuantity } from '../../state/use-quantity.ts';
import { PanelHead } from '../../ui/panel.tsx';
import { StateMark } from '../../ui/state-mark.tsx';

const share = (value: number | undefined): string =>
  value === undefined ? '' : `${formatNumber(100 * value, 0)} %`;

/** What the gauge says and what there is, where the two are apart. */
function gaugeWords(row: Pick<WayRow, 'flatters' | 'gaugeShare' | 'inPack'>): string {
  const { flatters, gaugeShare, inPack } = row;
  if (flatters === undefined || gaugeShare === undefined || inPack === undefined) return '';
  return `The gauge said ${share(gaugeShare)}; by its volts the pack had ${share(inPack)}.`;
}

/** What was read at stops on a ride, beside what the plan had there. */
export function OnTheWay({ way, gaugeOf }: { way: readonly WayRow[]; gaugeOf: number | null }) {
  const shown = useQuantity();
  if (way.length === 0) return null;
  const [km, warm] = [shown(1, 'km', 0).unit, shown(0, 'C', 0).unit];
  const has = (of: (row: WayRow) => unknown): boolean =>
    way.some((row) => of(row) !== null && of(row) !== undefined);
  const columns: readonly (readonly [string, (row: WayRow) => string])[] = [
    [`To go, ${km}`, (r) => (r.toGoKm === undefined ? '' : shown(r.toGoKm, 'km', 1).text)],
    ...(has((r) => r.gauge)
      ? [
          [
            gaugeOf === null ? 'Gauge' : `Gauge, of ${String(gaugeOf)}`,
            (r: WayRow) => (r.gauge === null ? '' : formatNumber(r.gauge, Number.isInteger(r.gauge) ? 0 : 1)),
          ] as const,
        ]
      : []),
    ...(has((r) => r.restV)
      ? [
          ['At rest, V', (r: WayRow) => (r.restV === null ? '' : formatNumber(r.restV, 1))] as const,
          ['In the pack', (r: WayRow) => (r.restV === null ? '' : share(r.inPack) || '?')] as const,
        ]
      : []),
    ...(has((r) => r.planned) ? [['The plan had', (r: WayRow) => share(r.planned)] as const] : []),
    ...(has((r) => r.windingC)
      ? [
          [
            `Winding, ${warm}`,
            (r: WayRow) => (r.windingC === null ? '' : shown(r.windingC, 'C', 0).text),
          ] as const,
          ['Plan', (r: WayRow) => (r.plannedC === undefined ? '' : shown(r.plannedC, 'C', 0).text)] as const,
        ]
      : []),
  ];
  const off = way.find((r) => r.flatters !== undefined);
  return (
    <section aria-label="On the way" data-testid="on-the-way">
      <PanelHead title="Read on the way" />
      <table className="w-full border-collapse text-[13.5px]">
        <thead>
          <tr className="border-b border-ink text-right text-[12.5px] leading-tight">
            <th scope="col" className="py-1 text-left font-semibold">
              {`After, ${km}`}
            </th>
            {columns.map(([name]) => (
              <th key={name} scope="col" className="py-1 pl-2 font-semibold">
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {way.map((row, i) => (
            <tr key={String(i)} className="border-b border-hair text-right">
              <th scope="row" className="num py-1 text-left font-normal">
                {shown(row.km, 'km', 1).text}
              </th>
              {columns.map(([name, text]) => (
                <td key={name} className="num py-1 pl-2">
                  {text(row)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      {off !== undefined && (
        <p className="flex gap-2 py-1.5 text-[13.5px]" data-testid="gauge-off">
          <StateMark state="look" size={15} />
          <span>
            {`After ${shown(off.km, 'km', 1).text} ${km}: `}
            {gaugeWords(off)}{' '}
            {(off.flatters ?? 0) > 0 ? 'It ends sooner than it says.' : 'There is more than it says.'}
          </span>
        </p>
      )}
    </section>
  );
}
