import { convert, gearName, shownUnit, unitText, type GearRow, type KnownBuild } from '@apple-cart/core';
import { useSettings } from '../../state/settings-store.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { niceMax } from '../../charts/curve.ts';
import { StateMark } from '../../ui/state-mark.tsx';

const BAR = 170;
const PULL = 74;

interface Props {
  readonly rows: readonly GearRow[];
  readonly known: KnownBuild;
  readonly midDrive: boolean;
  readonly hillKmh: number | undefined;
  readonly used: { readonly cogTeeth: number; readonly hubGear: number | null } | undefined;
}

/** Every gear at the brief's cadences: speed as a bar, pull of motor and legs, and what the chain carries. */
export function GearTable({ rows, known, midDrive, hillKmh, used }: Props) {
  const shown = useQuantity();
  const system = useSettings((state) => state.units);
  const unit = shownUnit('km/h', system);
  const speed = (kmh: number): number => convert(kmh, 'km/h', unit);
  const max = niceMax(speed(Math.max(...rows.map((r) => r.kmhAtMax), 10)));
  const x = (kmh: number): number => (speed(kmh) / max) * BAR;
  const most = Math.max(...rows.map((r) => r.forceN), 1);
  const cogs = new Set(rows.map((r) => r.cogTeeth)).size;
  const { cadenceMinRpm, cadenceMaxRpm } = known.brief;
  const force = (newtons: number): string => shown(newtons, 'N').text;
  return (
    <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Gear table">
      <table className="w-full border-collapse text-[13.5px]" data-testid="gear-table">
        <thead>
          <tr className="border-b-[1.5px] border-ink text-[12.5px]">
            <th className="py-1.5 text-left font-semibold">Gear</th>
            <th className="py-1.5 text-right font-semibold">m a turn</th>
            <th className="py-1.5 pl-4 text-left font-semibold">
              Speed at {cadenceMinRpm.value.toFixed(0)} to {cadenceMaxRpm.value.toFixed(0)} rpm,{' '}
              {unitText(unit)}
            </th>
            <th className="py-1.5 text-left font-semibold">
              Pull, {shown(1, 'N').unit}: <span className="text-slate">motor</span> and legs
            </th>
            <th className="py-1.5 text-right font-semibold">Chain, {shown(1, 'N').unit}</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row, i) => {
            const here = row.cogTeeth === used?.cogTeeth && row.hubGear === used.hubGear;
            const motor = (row.motorN / most) * PULL;
            return (
              <tr key={i} className={`border-b border-hair ${here ? 'bg-press font-semibold' : ''}`}>
                <th scope="row" className="py-[5px] pl-1 text-left whitespace-nowrap">
                  {gearName(row, cogs)}
                  {here && <span className="font-normal text-[12px] text-ink2"> on the hill</span>}
                </th>
                <td className="num py-[5px] text-right">{row.developmentM.toFixed(2)}</td>
                <td className="py-[5px] pl-4">
                  <svg
                    viewBox={`0 0 ${String(BAR + 56)} 20`}
                    width={BAR + 56}
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
                      width={Math.max(1, x(row.kmhAtMax) - x(row.kmhAtMin))}
                      height="8"
                      fill="var(--q-speed)"
                    />
                    <text
                      x={x(row.kmhAtMax) + 5}
                      y="14"
                      fontSize="12"
                      fontFamily="var(--font-num)"
                      fill="var(--ink2)"
                      stroke={here ? 'var(--press)' : 'var(--sheet)'}
                      strokeWidth="4"
                      paintOrder="stroke"
                    >
                      {shown(row.kmhAtMin, 'km/h', 0).text}–{shown(row.kmhAtMax, 'km/h', 0).text}
                    </text>
                  </svg>
                </td>
                <td className="py-[5px] whitespace-nowrap">
                  <svg
                    viewBox={`0 0 ${String(PULL)} 8`}
                    width={PULL}
                    height="8"
                    className="mr-2 inline-block align-middle"
                    role="img"
                    aria-label={`motor ${force(row.motorN)}, legs ${force(row.riderN)}`}
                  >
                    <rect width={Math.max(0, motor)} height="8" fill="var(--slate-fill)" />
                    <rect x={motor} width={(row.riderN / most) * PULL} height="8" fill="var(--ink3)" />
                  </svg>
                  <span className="num">{force(row.forceN)}</span>
                </td>
                <td className="py-[5px] pr-1 text-right whitespace-nowrap">
                  <span className="inline-flex items-center gap-1.5">
                    {row.wear !== 'fine' && <StateMark state={row.wear} size={13} />}
                    <span className="num">{force(row.chainN)}</span>
                  </span>
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <p className="py-2 text-[13px] text-ink2">
        Pull at the tyre at the low end of the cadence span, half charge. The chain carries{' '}
        {midDrive ? 'motor and legs' : 'the legs alone'}; above a sixth of the 8 kN at which it breaks (ISO
        9633, from memory) it wears fast, on cogs of 11 teeth and less sooner.
      </p>
    </div>
  );
}
