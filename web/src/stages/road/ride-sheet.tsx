import { useSearchParams } from 'react-router';
import { RIDE_KIND_NAMES, type RideKept } from '@apple-cart/core';
import { PrintPage } from '../../paper/print-page.tsx';
import { useSettings } from '../../state/settings-store.ts';
import { StateMark } from '../../ui/state-mark.tsx';
import { RideBody } from './ride-view.tsx';
import { rideNamed, rideStands } from './ride-words.ts';
import { useCounted } from './use-counted.ts';
import { useRoadBook, type Road } from './use-road.ts';

/** One ride on paper: what was measured, beside what the plan of its day said. */
export const RideSheet = () => (
  <PrintPage title="Ride" back={{ to: 'road', words: 'Back to the road' }} width="sheet">
    {() => <Sheet />}
  </PrintPage>
);

function Sheet() {
  const road = useRoadBook();
  const [params] = useSearchParams();
  const wanted = params.get('ride');
  const kept = wanted === null ? road.rides[0] : road.rides.find((r) => r.first === wanted);
  if (!road.ready) return <p role="status">Fetching the rides.</p>;
  if (kept === undefined)
    return (
      <>
        <h1 className="head text-[26px]">Ride</h1>
        <p className="py-2">
          {wanted === null
            ? 'No ride is written down yet.'
            : 'This ride is not written down here: it may have been withdrawn.'}
        </p>
      </>
    );
  return <Ride road={road} kept={kept} />;
}

/** On paper nothing is cut. */
const leave = (): void => undefined;

function Ride({ road, kept }: { road: Road; kept: RideKept }) {
  const system = useSettings((state) => state.units);
  const counted = useCounted(road, kept);
  const { state, title } = rideStands(kept, system);
  const { name, job } = road.document;
  return (
    <article data-testid="ride-sheet">
      <h1 className="head border-b-2 border-ink pb-1 text-[26px] font-extrabold">{rideNamed(kept.ride)}</h1>
      <p className="py-1 text-[14px]">
        {RIDE_KIND_NAMES[kept.ride.kind]}; {name}
        {job === '' ? '' : `, job ${job}`}, plan {kept.ride.planVersion}
        {kept.ride.simulated && '; simulated: a stand-in rode it'}.
      </p>
      <p className="head flex items-center gap-2 py-1 text-[17px] font-bold">
        <StateMark state={state} size={16} /> {title}
      </p>
      <RideBody road={road} kept={kept} counted={counted} onCut={leave} />
    </article>
  );
}
