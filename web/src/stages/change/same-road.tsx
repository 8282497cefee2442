import { RIDE_KIND_NAMES, ridesOf, trueTopKmh, whPerKm, type Kept, type RideKept } from '@apple-cart/core';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { useBuild } from '../../state/build-store.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { PanelHead } from '../../ui/panel.tsx';

/** Rides of one kind on one road, the oldest first. */
const roadOf = ({ ride }: RideKept): string =>
  `${ride.kind} ${ride.route === '' ? ride.title.toLowerCase() : ride.route}`;

/** Measured before and after a change on the same road: rides of one kind and one road, under different versions of the plan. */
export function SameRoad({ records }: { records: readonly Kept[] }) {
  const build = useBuild((state) => state.id) ?? '';
  const show = useQuantity();
  const groups = useMemo(() => {
    const by = new Map<string, RideKept[]>();
    for (const kept of ridesOf(records)) by.set(roadOf(kept), [...(by.get(roadOf(kept)) ?? []), kept]);
    return [...by.values()].filter((rides) => rides.length > 1).map((rides) => rides.toReversed());
  }, [records]);
  const number = (
    value: number | null | undefined,
    unit: 'km/h' | 'Wh/km' | 'C' | 'min',
    digits: number,
  ): string => (value === null || value === undefined ? '–' : show(value, unit, digits).text);
  return (
    <section aria-label="The same road, before and after" data-testid="same-road" className="pt-3">
      <PanelHead
        title="The same road, before and after"
        note="rides of one kind on one road, the oldest first"
      />
      {groups.length === 0 ? (
        <p className="py-2 text-[14.5px] leading-snug text-ink2">
          No road was ridden twice in the same way yet. Ride the same hill and the same straight before and
          after a change, from the same charge, and log both on{' '}
          <Link to={`/builds/${build}/road`} className="underline max-bench:py-3.5">
            Road
          </Link>
          : then it is measured.
        </p>
      ) : (
        <table className="w-full border-collapse text-[13.5px]">
          <caption className="sr-only">Rides of the same road</caption>
          <thead>
            <tr className="border-b-[1.5px] border-ink text-[12.5px] [&>th]:py-1 [&>th]:pr-2 [&>th]:text-right [&>th]:font-semibold">
              <th className="text-left!">Ride</th>
              <th>Plan</th>
              <th>{show(1, 'Wh/km').unit}</th>
              <th>min</th>
              <th>top, {show(1, 'km/h').unit}</th>
              <th>{show(1, 'C').unit}</th>
            </tr>
          </thead>
          <tbody>
            {groups.flatMap((rides) =>
              rides.map((kept, i) => {
                const { ride, first } = kept;
                return (
                  <tr
                    key={first}
                    className={`[&>td]:py-1 [&>td]:pr-2 [&>td]:text-right ${i === rides.length - 1 ? 'border-b border-ink' : 'border-b border-hair'}`}
                  >
                    <th scope="row" className="py-1 text-left font-normal">
                      <Link
                        to={`/builds/${build}/road?view=rides&ride=${first}`}
                        className="underline max-bench:py-3.5"
                      >
                        {RIDE_KIND_NAMES[ride.kind]}
                        {ride.title !== '' && `, ${ride.title}`}
                      </Link>{' '}
                      <span className="text-[12.5px] text-ink2">{ride.on}</span>
                    </th>
                    <td className="num">{ride.planVersion}</td>
                    <td className="num">{number(whPerKm(kept), 'Wh/km', 1)}</td>
                    <td className="num">{number(ride.minutes, 'min', 1)}</td>
                    <td className="num">{number(trueTopKmh(kept), 'km/h', 1)}</td>
                    <td className="num">{number(ride.hottestC, 'C', 0)}</td>
                  </tr>
                );
              }),
            )}
          </tbody>
        </table>
      )}
    </section>
  );
}
