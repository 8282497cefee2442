import { RIDE_END_WORDS, formatNumber, msToKmh, type RoundsRidden } from '@apple-cart/core';
import { HeatLine } from '../../ride/heat-line.tsx';
import { RideLegend, RidePanel } from '../../ride/ride-panel.tsx';
import { RoadWaits } from '../../ride/route-field.tsx';
import { useQuantity } from '../../state/use-quantity.ts';
import { PanelHead } from '../../ui/panel.tsx';
import { Studying } from '../../work/studying.tsx';
import { useDeferredStage } from '../parts/use-stage.ts';
import { CasesTable } from './cases-table.tsx';
import type { RangeRoad } from '../parts/kept-on.ts';
import type { RangeRides } from './use-range-road.ts';

/** What one round takes, and how far rounds go, as a line of figures. */
function Totals({ rounds, range: { turned, road } }: { rounds: RoundsRidden; range: RangeRoad }) {
  const { once, whole, reserve, charged } = rounds;
  const shown = useQuantity();
  const mean = shown(msToKmh(once.metres / Math.max(1, once.movingSeconds)), 'km/h');
  const per = shown(once.usedWh / Math.max(0.001, once.metres / 1000), 'Wh/km');
  const far = shown(whole.metres / 1000, 'km');
  const kept = shown((whole.metres * (1 - reserve)) / 1000, 'km');
  return (
    <p className="border-t-[1.5px] border-ink pt-1.5 text-[13.5px] leading-snug">
      Once: {formatNumber(once.seconds / 60, 0)} min, mean {mean.text} {mean.unit} on the move,{' '}
      {formatNumber(once.usedWh, 0)} Wh, {per.text} {per.unit}. Again and again from{' '}
      {formatNumber(charged * 100, 0)} %:{' '}
      <b>
        {far.text}&nbsp;{far.unit}
      </b>
      , then {RIDE_END_WORDS[whole.ends]};{' '}
      <b>
        {kept.text}&nbsp;{kept.unit}
      </b>{' '}
      with the reserve in hand.
      {turned && ` ${road.name} ends higher or lower than it begins, so it is ridden there and back.`}
    </p>
  );
}

/** The road ridden once, and how far rounds of it go by habit, season and age. */
export function RoadView({ rides: { road: range, unread, studied } }: { rides: RangeRides }) {
  if (range === undefined) return <RoadWaits unread={unread} />;
  return (
    <>
      <Studying {...studied} waiting="Riding it…">
        {({ own, pinned }) => <Rounds rounds={own} pinned={pinned} range={range} />}
      </Studying>
      <PanelHead
        title="By habit, season and age"
        note={`rounds of ${range.road.name}, to the end of the charge`}
      />
      <CasesTable road={range.road} />
    </>
  );
}

function Rounds({
  rounds,
  pinned,
  range,
}: {
  rounds: RoundsRidden;
  pinned: RoundsRidden | undefined;
  range: RangeRoad;
}) {
  const { document } = useDeferredStage();
  const shown = useQuantity();
  const { road } = range;
  const { once, whole, reserve, thermal } = rounds;
  const kept = shown((whole.metres * (1 - reserve)) / 1000, 'km', 0);
  const at = shown(once.metres / 1000, 'km');
  return (
    <>
      <RidePanel
        title={
          once.ends === 'arrived'
            ? `${road.name}: plan on ${kept.text} ${kept.unit}`
            : `${road.name}: ${RIDE_END_WORDS[once.ends]} after ${at.text} ${at.unit}`
        }
        note={once.ends === 'arrived' ? `${formatNumber(once.charge * 100, 0)} % left after one round` : ''}
        name={`${document.name} on ${road.name}`}
        thermal={thermal}
        ride={once}
        road={road}
        pinned={pinned?.once.trace}
      />
      <RideLegend ride={once} />
      <HeatLine ride={once} damageC={thermal.damageC} />
      <div className="mt-2">
        <Totals rounds={rounds} range={range} />
      </div>
    </>
  );
}
