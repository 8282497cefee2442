import {
  energyPicture,
  formatNumber,
  type EnergyRow,
  type Ride,
  type Route,
  fileName,
} from '@apple-cart/core';
import { downloadText } from '../../files/download.ts';
import { tableCsv } from '../../files/table-csv.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { Button } from '../../ui/button.tsx';
import { PanelHead } from '../../ui/panel.tsx';
import { RoadWaits } from '../../ride/route-field.tsx';
import { Studying } from '../../work/studying.tsx';
import { useDeferredStage } from '../parts/use-stage.ts';
import type { RangeRides } from './use-range-road.ts';

/** The bar's colour: what moves the machine, what the motor loses, what electricity loses. */
const TONE: Readonly<Record<EnergyRow['id'], string>> = {
  pack: 'var(--q-batt-line)',
  rider: 'var(--fine-fill)',
  regenerated: 'var(--q-volt)',
  downhill: 'var(--q-elev)',
  tailwind: 'var(--q-speed)',
  rolling: 'var(--ink2)',
  air: 'var(--q-speed)',
  grade: 'var(--q-elev)',
  motion: 'var(--ink3)',
  brakes: 'var(--stop-fill)',
  copper: 'var(--q-heat)',
  core: 'var(--q-heat)',
  gears: 'var(--q-heat)',
  chain: 'var(--ink3)',
  controller: 'var(--q-phase)',
  cells: 'var(--q-batt-line)',
  leads: 'var(--q-batt-line)',
  accessories: 'var(--look-fill)',
};

function Bars({ title, rows, total }: { title: string; rows: readonly EnergyRow[]; total: number }) {
  const shown = useQuantity();
  const most = Math.max(1e-9, ...rows.map((r) => r.wh));
  const sum = rows.reduce((whole, r) => whole + r.whPerKm, 0);
  const per = shown(1, 'Wh/km').unit;
  return (
    <table className="keep-together w-full border-collapse text-[14px]">
      <thead>
        <tr className="border-b-[1.5px] border-ink">
          <th scope="col" className="head w-[172px] py-1 text-left text-[14px] max-tablet:w-[130px]">
            {title}
          </th>
          <th aria-hidden />
          <th scope="col" className="w-[64px] text-right text-[12.5px] font-normal text-ink2">
            Wh
          </th>
          <th scope="col" className="w-[72px] text-right text-[12.5px] font-normal text-ink2">
            {per}
          </th>
          <th scope="col" className="w-[48px] text-right text-[12.5px] font-normal text-ink2">
            %
          </th>
        </tr>
      </thead>
      <tbody>
        {rows.map((r) => (
          <tr key={r.id} className="border-b border-hair">
            <th scope="row" className="py-[3px] pr-2 text-left leading-tight font-normal">
              {r.label}
            </th>
            <td className="py-[3px]">
              <span
                className="block h-3"
                style={{ width: `${String(Math.max(0.6, (100 * r.wh) / most))}%`, background: TONE[r.id] }}
              />
            </td>
            <td className="num text-right">{formatNumber(r.wh, 1)}</td>
            <td className="num text-right">{shown(r.whPerKm, 'Wh/km', 2).text}</td>
            <td className="num text-right">{formatNumber((100 * r.wh) / total, 0)}</td>
          </tr>
        ))}
        <tr className="border-t border-b-[3px] border-double border-t-ink border-b-ink font-semibold">
          <th scope="row" className="py-1 text-left">
            Together
          </th>
          <td />
          <td className="num text-right">{formatNumber(total, 1)}</td>
          <td className="num text-right">{shown(sum, 'Wh/km', 2).text}</td>
          <td className="num text-right">100</td>
        </tr>
      </tbody>
    </table>
  );
}

/** Where the watt-hours of one round come from and go. */
export function EnergyView({ rides: { road: range, unread, studied } }: { rides: RangeRides }) {
  if (range === undefined) return <RoadWaits unread={unread} />;
  return (
    <Studying {...studied} waiting="Riding it…">
      {({ own: { once } }) => <Energy once={once} road={range.road} />}
    </Studying>
  );
}

function Energy({ once, road }: { once: Ride; road: Route }) {
  const { document } = useDeferredStage();
  const shown = useQuantity();
  const picture = energyPicture(once);
  const [first, second] = picture.to;
  const length = shown(once.metres / 1000, 'km');
  const csv = (): void => {
    const rows = [
      ...picture.from.map((r) => ['from', r] as const),
      ...picture.to.map((r) => ['to', r] as const),
    ].map(([side, r]) => [side, r.label, r.wh, r.whPerKm]);
    downloadText(
      fileName(`${document.name} energy`, 'csv'),
      tableCsv({ columns: ['side', 'what', 'Wh', 'Wh_per_km'].map((name) => ({ name })), rows }),
      'text/csv',
    );
  };
  return (
    <>
      <PanelHead
        title={
          first === undefined || second === undefined
            ? 'Nothing moved'
            : `${first.label} and ${second.label.toLowerCase()} take the most`
        }
        note={`once, ${length.text} ${length.unit}`}
      >
        <Button kind="quiet" className="h-7! max-bench:h-11!" onClick={csv}>
          Export CSV
        </Button>
      </PanelHead>
      <div className="space-y-3">
        <Bars title="Where it comes from" rows={picture.from} total={picture.totalWh} />
        <Bars title="Where it goes" rows={picture.to} total={picture.totalWh} />
      </div>
      <p className="pt-2 text-[12.5px] text-ink2">
        {road.name}, the ride’s whole ledger: what goes in comes out, to the last rounding. What braking puts
        back is counted on both sides.
      </p>
    </>
  );
}
