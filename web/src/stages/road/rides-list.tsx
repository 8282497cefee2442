import { Plus } from 'lucide-react';
import {
  RIDE_KINDS,
  RIDE_KIND_NAMES,
  SYMPTOM_WORDS,
  counted,
  formatNumber,
  riddenByLevel,
  trueKm,
  whPerKm,
  type RideKept,
} from '@apple-cart/core';
import { useSettings } from '../../state/settings-store.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { dayShort, today } from '../../state/today.ts';
import { Button } from '../../ui/button.tsx';
import { Caution } from '../../ui/caution.tsx';
import { PanelHead } from '../../ui/panel.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { useStage } from '../parts/use-stage.ts';
import { showPicture } from '../../ui/show-picture.ts';
import { TeachNext } from './teach-next.tsx';
import { TEACHES } from './teaches.ts';
import { RideMark } from './ride-marks.tsx';
import { rideStands } from './ride-words.ts';
import type { Road } from './use-road.ts';

function RideRow({ kept, inHand, onPick }: { kept: RideKept; inHand: boolean; onPick: () => void }) {
  const system = useSettings((state) => state.units);
  const shown = useQuantity();
  const { ride } = kept;
  const { state, off } = rideStands(kept, system);
  const [wh, far] = [whPerKm(kept), trueKm(kept)];
  const where = ride.title === '' ? RIDE_KIND_NAMES[ride.kind].toLowerCase() : ride.title;
  return (
    <li>
      <button
        type="button"
        aria-current={inHand ? 'true' : undefined}
        data-ride={kept.first}
        className="relative grid min-h-[45px] w-full grid-cols-[22px_minmax(0,1fr)_40px_40px_84px] items-center gap-x-2 border-b border-hair py-1 text-left leading-[1.15] hover:bg-press aria-[current=true]:border-y aria-[current=true]:border-ink aria-[current=true]:bg-field"
        onClick={() => {
          onPick();
          showPicture();
        }}
      >
        {inHand && <span className="absolute inset-y-0 -left-2 w-[5px] bg-ink" aria-hidden />}
        <span className="row-span-2">
          <RideMark kind={ride.kind} />
        </span>
        <b className="head truncate text-[15px] font-semibold">{RIDE_KIND_NAMES[ride.kind]}</b>
        <span className="num text-right">{far === undefined ? '–' : shown(far, 'km', 1).text}</span>
        <span className="num text-right">{wh === undefined ? '–' : shown(wh, 'Wh/km', 1).text}</span>
        <span className="flex items-center justify-end gap-1.5 text-[13px] whitespace-nowrap">
          <StateMark state={state} size={14} /> {off}
        </span>
        <span className="col-span-4 col-start-2 truncate text-[12.5px] text-ink2">
          {dayShort(ride.on, today())}, {where}
          {ride.simulated && ' (simulated)'}
          {ride.noticed.length > 0 &&
            `; ${ride.noticed.map((id) => SYMPTOM_WORDS[id].name.toLowerCase()).join(', ')}`}
        </span>
      </button>
    </li>
  );
}

/** What each level of help took, beside what the plan has for it on the flat; nothing before a ride at one level was noted. */
function ByLevel({ rides }: { rides: readonly RideKept[] }) {
  const shown = useQuantity();
  const { verdict } = useStage();
  const rows = riddenByLevel(rides);
  if (rows.length === 0) return null;
  const per = shown(1, 'Wh/km', 0).unit;
  const text = (wh: number | undefined): string => (wh === undefined ? '–' : shown(wh, 'Wh/km', 1).text);
  return (
    <section aria-label="By level of help" className="pt-1 pb-2">
      <PanelHead title="By level of help" note="the plan’s figure is of the flat, without stops" />
      <table className="w-full text-[13.5px]" data-testid="by-level">
        <thead>
          <tr className="border-b border-rule text-right text-[12.5px]">
            <th className="py-0.5 text-left font-semibold">Level</th>
            <th className="font-semibold">Ridden</th>
            <th className="font-semibold">{per}</th>
            <th className="font-semibold">plan</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ level, rides: count, km, whPerKm }) => (
            <tr key={level} className="num border-b border-hair text-right">
              <th scope="row" className="py-1 text-left font-semibold">
                {level}
              </th>
              <td>
                {shown(km, 'km', 0).text} {shown(1, 'km', 0).unit}, {counted(count, 'ride')}
              </td>
              <td>{text(whPerKm)}</td>
              <td className="text-ink2">
                {text(verdict.range.levels.find((one) => one.level === level)?.whPerKm)}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

/** Before the first ride: what each kind would teach. */
function NoRides() {
  return (
    <section aria-label="Kinds of ride" className="pt-2">
      <p className="pb-2 text-[15px] leading-snug">
        Nothing ridden yet. Each kind of ride answers another question; one of them is enough to begin with.
      </p>
      <ul>
        {RIDE_KINDS.map((kind) => (
          <li
            key={kind}
            className="grid min-h-[45px] grid-cols-[26px_104px_minmax(0,1fr)] items-center border-b border-hair text-[13.5px]"
          >
            <RideMark kind={kind} />
            <b className="head font-semibold">{RIDE_KIND_NAMES[kind]}</b>
            <span className="leading-tight text-ink2">{TEACHES[kind].why}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Every ride of the build, and the ways of adding one. */
export function RidesList({
  road,
  inHand,
  onPick,
  onLog,
  onBringIn,
  onSimulate,
}: {
  road: Road;
  inHand: RideKept | undefined;
  onPick: (ride: RideKept) => void;
  onLog: () => void;
  onBringIn: () => void;
  onSimulate: () => void;
}) {
  const system = useSettings((state) => state.units);
  const { rides, records } = road;
  const { unit: far } = useQuantity()(1, 'km', 0);
  const { unit: per } = useQuantity()(1, 'Wh/km', 0);
  return (
    <>
      <div className="flex flex-wrap items-center justify-end gap-2 pt-1 pb-1.5">
        <h2 className="head mr-auto text-[17px]">Rides</h2>
        <Button onClick={onBringIn}>Bring in a recording</Button>
        <Button kind="go" onClick={onLog}>
          <Plus size={15} strokeWidth={2} aria-hidden /> Log a ride
        </Button>
      </div>
      {!records.ready && records.error !== undefined && <p role="alert">{records.error}</p>}
      {records.ready && rides.length === 0 && <NoRides />}
      {rides.length > 0 && (
        <>
          <div className="grid grid-cols-[22px_minmax(0,1fr)_40px_40px_84px] gap-x-2 border-b-[1.5px] border-ink pb-1 text-[12.5px] font-semibold">
            <span className="col-span-2">What for, when, where</span>
            <span className="text-right">{far}</span>
            <span className="text-right">{per}</span>
            <span className="text-right">to plan</span>
          </div>
          <ul aria-label="Rides" data-testid="rides">
            {rides.map((kept) => (
              <RideRow
                key={kept.first}
                kept={kept}
                inHand={kept.first === inHand?.first}
                onPick={() => {
                  onPick(kept);
                }}
              />
            ))}
          </ul>
        </>
      )}
      <p className="py-2 text-[13px] text-ink2">
        {rides.length > 0 && `${formatNumber(sumKm(rides, system), 0)} ${far} in all. `}
        <button type="button" className="text-slate underline max-bench:min-h-11" onClick={onSimulate}>
          Ride it now, simulated
        </button>
      </p>
      <ByLevel rides={rides} />
      {rides.length > 0 && <TeachNext road={road} />}
      <Caution>Tests are ridden where law and traffic allow. The rider decides, not the plan.</Caution>
    </>
  );
}

const sumKm = (rides: readonly RideKept[], system: 'metric' | 'imperial'): number =>
  rides.reduce((sum, kept) => sum + (trueKm(kept) ?? 0), 0) / (system === 'metric' ? 1 : 1.609344);
