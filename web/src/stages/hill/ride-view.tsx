import { useState } from 'react';
import {
  firstOf,
  RIDE_END_WORDS,
  formatNumber,
  msToKmh,
  steepestRidden,
  type Binding,
  type Effort,
  type HillRidden,
  type Ride,
  type Route,
} from '@apple-cart/core';
import { ChoiceRow } from '../../ride/choice-row.tsx';
import { HeatLine } from '../../ride/heat-line.tsx';
import { RoadWaits } from '../../ride/route-field.tsx';
import { RideLegend, RidePanel } from '../../ride/ride-panel.tsx';
import { useQuantity } from '../../state/use-quantity.ts';
import { StateMark } from '../../ui/state-mark.tsx';
import { Studying } from '../../work/studying.tsx';
import { useDeferredStage } from '../parts/use-stage.ts';
import { useHillRide } from './use-hill-ride.ts';

/** What bound for the longest, the rider's own wishes left out. */
function mostBound({ bound }: Ride): Binding | undefined {
  const rows = (Object.entries(bound) as [Binding, number][]).filter(
    ([binding]) => !['wish', 'rolling', 'braking', 'standing'].includes(binding),
  );
  return rows.sort((a, b) => b[1] - a[1])[0]?.[0];
}

/** A start with a fifth in hand is no trouble. Common practice. */
const AMPLE = 1.2;

/** Moving off on the steepest ten metres of the road. */
function SteepestStart({ road, start }: { road: Route; start: HillRidden['start'] }) {
  const shown = useQuantity();
  const { atM, gradePct } = steepestRidden(road);
  const inHand = start.gradePct / gradePct;
  const state = firstOf(
    [
      [inHand >= AMPLE, 'fine'],
      [inHand >= 1, 'look'],
    ],
    'stop',
  );
  const at = shown(atM, 'm', 0);
  return (
    <p className="flex items-start gap-2 pt-1 text-[13.5px] leading-snug">
      <span className="pt-0.5">
        <StateMark state={state} size={14} />
      </span>
      <span>
        <b>
          {state === 'stop' ? 'Cannot move off' : 'Moves off'} on its steepest, {formatNumber(gradePct, 1)} %
          at {at.text} {at.unit}.
        </b>{' '}
        <span className="text-ink2">
          From rest it holds {formatNumber(start.gradePct, 1)} % (half charge, rider pushing).
        </span>
      </span>
    </p>
  );
}

/** The hill ridden once: profile by what binds, speed, power, winding and charge. */
export function HillRideView() {
  const [effort, setEffort] = useState<Effort>('full');
  const { road, unread, studied } = useHillRide(effort);
  if (road === undefined) return <RoadWaits unread={unread} />;
  return (
    <Studying {...studied} waiting="Riding it…">
      {({ own, pinned }) => (
        <Ridden road={road} hill={own} pinned={pinned} effort={effort} onEffort={setEffort} />
      )}
    </Studying>
  );
}

function Ridden({
  road,
  hill,
  pinned,
  effort,
  onEffort,
}: {
  road: Route;
  hill: HillRidden;
  pinned: Ride | undefined;
  effort: Effort;
  onEffort: (effort: Effort) => void;
}) {
  const { document, verdict } = useDeferredStage();
  const shown = useQuantity();
  const { ride, thermal, charged, start } = hill;
  const at = shown(ride.metres / 1000, 'km', 2);
  const mean = shown(msToKmh(ride.metres / Math.max(1, ride.movingSeconds)), 'km/h');
  const hot = shown(ride.hottestC, 'C', 0);
  const binds = mostBound(ride);
  const title =
    ride.ends === 'arrived'
      ? `${road.name} in ${formatNumber(ride.seconds / 60, 1)} min, winding ${hot.text} ${hot.unit}`
      : `${road.name}: ${RIDE_END_WORDS[ride.ends]} after ${at.text} ${at.unit}`;
  return (
    <>
      <RidePanel
        title={title}
        name={`${document.name} on ${road.name}`}
        thermal={thermal}
        ride={ride}
        road={road}
        pinned={pinned?.trace}
      />
      <RideLegend ride={ride} />
      <div className="mt-2 grid gap-x-6 gap-y-2 border-t-[1.5px] border-ink pt-2 tablet:grid-cols-2">
        <div>
          <HeatLine ride={ride} damageC={thermal.damageC} />
          <p className="pl-6 text-[13.5px] leading-snug text-ink2">
            Mean {mean.text} {mean.unit}, {formatNumber(ride.usedWh, 0)} Wh
            {binds === undefined ? '' : `; mostly ${verdict.study.limitNames[binds]} binds`}.
          </p>
        </div>
        <SteepestStart road={road} start={start} />
        <ChoiceRow
          label="Ridden"
          value={effort}
          options={[
            { value: 'full', label: 'with all help' },
            { value: 'cruise', label: 'at the cruising speed' },
          ]}
          onChange={onEffort}
        />
        <p className="self-center text-[12.5px] text-ink2">
          From rest at the foot, {formatNumber(charged * 100, 0)} % charged
          {pinned === undefined ? '' : '; dashed: the pinned build'}.
        </p>
      </div>
    </>
  );
}
