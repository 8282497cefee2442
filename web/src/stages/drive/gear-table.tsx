import { convert, shownUnit, unitText, type GearRow } from '@apple-cart/core';
import { useDocument } from '../../state/build-store.ts';
import { useSettings } from '../../state/settings-store.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { niceMax } from '../../charts/curve.ts';

const BAR = 240;

/** Every gear at the brief's cadences: speed as a bar, pull as a number. */
export function GearTable({
  rows,
  hillKmh,
  hillCog,
}: {
  rows: readonly GearRow[];
  hillKmh: number | undefined;
  hillCog: number | undefined;
}) {
  const shown = useQuantity();
  const system = useSettings((state) => state.units);
  const document = useDocument();
  const unit = shownUnit('km/h', system);
  const speed = (kmh: number): number => convert(kmh, 'km/h', unit);
  const max = niceMax(speed(Math.max(...rows.map((r) => r.kmhAtMax), 10)));
  const x = (kmh: number): number => (speed(kmh) / max) * BAR;
  const pull = Math.max(...rows.map((r) => r.forceN));
  const { cadenceMinRpm, cadenceMaxRpm } = document.brief;
  const cadence = (entered: typeof cadenceMinRpm, fallback: string): string =>
    entered.source === 'unknown' ? fallback : String(entered.value);
  return (
    <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Gear table">
      <table className="w-full border-collapse text-[13.5px]">
        <thead>
          <tr className="border-b-[1.5px] border-ink text-[12.5px]">
            <th className="py-1.5 text-left font-semibold">Cog</th>
            <th className="py-1.5 text-right font-semibold">Metres a turn</th>
            <th className="py-1.5 pl-5 text-left font-semibold">
              Speed at {cadence(cadenceMinRpm, '55')} to {cadence(cadenceMaxRpm, '90')} rpm, {unitText(unit)}
            </th>
            <th className="py-1.5 text-right font-semibold">Pull, {shown(1, 'N').unit}</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => {
            const used = row.cogTeeth === hillCog;
            return (
              <tr
                key={row.cogTeeth}
                className={`border-b border-hair ${used ? 'bg-press font-semibold' : ''}`}
              >
                <th scope="row" className="num py-[5px] pl-1 text-left">
                  {row.cogTeeth}{' '}
                  <span className="font-text text-[12px] font-normal text-ink2">
                    T{used ? ', on the hill' : ''}
                  </span>
                </th>
                <td className="num py-[5px] text-right">{row.developmentM.toFixed(2)}</td>
                <td className="py-[5px] pl-5">
                  <svg
                    viewBox={`0 0 ${String(BAR + 60)} 20`}
                    width={BAR + 60}
                    height="20"
                    role="img"
                    aria-label={`${shown(row.kmhAtMin, 'km/h').text} to ${shown(row.kmhAtMax, 'km/h').text} ${unitText(unit)}`}
                  >
                    {[0, 0.25, 0.5, 0.75, 1].map((t) => (
                      <path key={t} d={`M${String(t * BAR)} 0v20`} stroke="var(--grid-major)" />
                    ))}
                    {hillKmh !== undefined && (
                      <path d={`M${String(x(hillKmh))} 0v20`} stroke="var(--ink)" strokeWidth="1.4" />
                    )}
                    <rect
                      x={x(row.kmhAtMin)}
                      y="6"
                      width={x(row.kmhAtMax) - x(row.kmhAtMin)}
                      height="8"
                      fill="var(--q-speed)"
                    />
                    <text
                      x={x(row.kmhAtMax) + 5}
                      y="14"
                      fontSize="12"
                      fontFamily="var(--font-num)"
                      fill="var(--ink2)"
                      stroke={used ? 'var(--press)' : 'var(--sheet)'}
                      strokeWidth="4"
                      paintOrder="stroke"
                    >
                      {shown(row.kmhAtMin, 'km/h', 0).text}–{shown(row.kmhAtMax, 'km/h', 0).text}
                    </text>
                  </svg>
                </td>
                <td className="py-[5px] pr-1 text-right whitespace-nowrap">
                  <span
                    className="mr-2 inline-block h-2 bg-ink2 align-middle"
                    style={{ width: `${String((row.forceN / pull) * 56)}px` }}
                  />
                  <span className="num">{shown(row.forceN, 'N').text}</span>
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}
