import { RIDE_KIND_NAMES, trueKm, whPerKm } from '@apple-cart/core';
import { PrintPage } from '../../paper/print-page.tsx';
import { useSettings } from '../../state/settings-store.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { rideStands } from './ride-words.ts';
import { upkeepNow } from './upkeep-view.tsx';
import { useRoadBook } from './use-road.ts';

/** Every ride as a row, and what is to be looked after: the road book on paper. */
export const RoadBook = () => (
  <PrintPage title="Road book" back={{ to: 'road', words: 'Back to the road' }} width="sheet">
    {() => <Book />}
  </PrintPage>
);

function Book() {
  const road = useRoadBook();
  const system = useSettings((state) => state.units);
  const shown = useQuantity();
  const [km, per] = [shown(1, 'km', 0).unit, shown(1, 'Wh/km', 0).unit];
  const upkeep = upkeepNow(road);
  return (
    <>
      <h1 className="head text-[26px]">Road book</h1>
      <p className="pb-2">
        {road.document.name}; {road.stands.words}.
      </p>
      <table className="w-full border-collapse text-[13px]">
        <caption className="sr-only">Rides, the newest first</caption>
        <thead>
          <tr className="border-b-2 border-ink text-left">
            <th scope="col">Day</th>
            <th scope="col">Ride</th>
            <th scope="col" className="text-right">
              {km}
            </th>
            <th scope="col" className="text-right">
              {per}
            </th>
            <th scope="col" className="pl-3">
              Held against the plan
            </th>
            <th scope="col">By</th>
          </tr>
        </thead>
        <tbody>
          {road.rides.map((kept) => {
            const { ride } = kept;
            const [wh, far] = [whPerKm(kept), trueKm(kept)];
            return (
              <tr key={kept.first} className="border-b border-hair align-top">
                <th scope="row" className="num py-1 pr-2 text-left font-normal whitespace-nowrap">
                  {ride.on}
                </th>
                <td>
                  {RIDE_KIND_NAMES[ride.kind]}
                  {ride.title !== '' && `, ${ride.title}`}
                  {ride.simulated && ' (simulated)'}
                </td>
                <td className="num text-right">{far === undefined ? '–' : shown(far, 'km', 1).text}</td>
                <td className="num text-right">{wh === undefined ? '–' : shown(wh, 'Wh/km', 1).text}</td>
                <td className="pl-3">{rideStands(kept, system).title}</td>
                <td>{ride.who}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <h2 className="head pt-4 pb-1 text-[18px]">To look after</h2>
      <table className="w-full border-collapse text-[13px]">
        <caption className="sr-only">Upkeep</caption>
        <tbody>
          {upkeep.rows.map(({ task, dueKm, dueOn, last }) => (
            <tr key={task.key} className="border-b border-hair align-top">
              <td className="w-6 py-1">
                <span className="inline-block size-3.5 border border-ink" aria-hidden />
              </td>
              <th scope="row" className="pr-2 text-left font-semibold">
                {task.name}
              </th>
              <td>{task.how}</td>
              <td className="num pl-2 text-right whitespace-nowrap">
                {dueKm === undefined ? '' : `${shown(dueKm, 'km', 0).text} ${km}`}
                {dueOn === undefined ? '' : ` ${dueOn}`}
              </td>
              <td className="pl-2 whitespace-nowrap">
                {last === undefined ? '' : `done ${last.on}, ${shown(last.km, 'km', 0).text} ${km}`}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}
