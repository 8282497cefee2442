import { RIDE_END_WORDS, formatNumber, msToKmh } from '@apple-cart/core';
import { HeatLine } from '../../ride/heat-line.tsx';
import { RideLegend, RidePanel } from '../../ride/ride-panel.tsx';
import { useQuantity } from '../../state/use-quantity.ts';
import { PanelHead } from '../../ui/panel.tsx';
import { CasesTable } from './cases-table.tsx';
import { useRangeRides, type RangeRides } from './use-range-road.ts';

/** What one round takes, and how far rounds go, as a line of figures. */
function Totals({ rides: { once, whole, plan, turned, road } }: { rides: RangeRides }) {
  const shown = useQuantity();
  const mean = shown(msToKmh(once.metres / Math.max(1, once.movingSeconds)), 'km/h');
  const per = shown(once.usedWh / Math.max(0.001, once.metres / 1000), 'Wh/km');
  const far = shown(whole.metres / 1000, 'km');
  const kept = shown((whole.metres * (1 - plan.reserve)) / 1000, 'km');
  return (
    <p className="border-t-[1.5px] border-ink pt-1.5 text-[13.5px] leading-snug">
      Once: {formatNumber(once.seconds / 60, 0)} min, mean {mean.text} {mean.unit} on the move,{' '}
      {formatNumber(once.usedWh, 0)} Wh, {per.text} {per.unit}. Again and again from{' '}
      {formatNumber(plan.charged * 100, 0)} %:{' '}
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
export function RoadView() {
  const rides = useRangeRides();
  const shown = useQuantity();
  if (rides === undefined) return <p className="py-6 text-ink2">Fetching the road…</p>;
  const { road, plan, once, whole, pinned, document } = rides;
  const kept = shown((whole.metres * (1 - plan.reserve)) / 1000, 'km', 0);
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
        plan={plan}
        ride={once}
        road={road}
        pinned={pinned?.once.trace}
      />
      <RideLegend ride={once} />
      <HeatLine ride={once} damageC={plan.machine.thermal.damageC} />
      <div className="mt-2">
        <Totals rides={rides} />
      </div>
      <PanelHead title="By habit, season and age" note={`rounds of ${road.name}, to the end of the charge`} />
      <CasesTable road={road} />
    </>
  );
}
