import { classWords, placeState, type Level, type PlaceVerdict } from '@apple-cart/core';
import { useQuantity } from '../../state/use-quantity.ts';
import { PanelHead } from '../../ui/panel.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { useDeferredStage } from './use-stage.ts';

/** What help in proportion multiplies. */
const FOLLOWED = { power: 'your watts', torque: 'your torque' } as const;

/** What a level is set to, in words. */
function useSets(followed: string): (level: Level) => string {
  const shown = useQuantity();
  return ({ sets: { value, unit } }) => {
    if (unit === '1') return `${value.toFixed(1)} × ${followed}`;
    const set = shown(value, unit, unit === 'W' ? 0 : 1);
    return `${set.text} ${set.unit}`;
  };
}

/** What the place would say with a level as the highest that the rider can reach. */
function ClassOf({ place }: { place: PlaceVerdict | undefined }) {
  if (place === undefined) return <td className="py-1 pl-3">–</td>;
  return (
    <td className="py-1 pl-3 leading-tight">
      <span className="flex items-center gap-1.5">
        <StateMark state={placeState(place.outcome)} size={13} />
        {classWords(place)}
      </span>
    </td>
  );
}

/** Speed, energy and range of every level of help; where it is asked, the class that each would be. */
export function LevelsView({ withClass = false }: { withClass?: boolean }) {
  const { verdict, document } = useDeferredStage();
  const shown = useQuantity();
  const followed = FOLLOWED[verdict.study.machine.assistOf];
  const sets = useSets(followed);
  const { levels } = verdict.range;
  const { controls } = document;
  const { hillGradePct, riderPowerW } = verdict.known.brief;
  if (levels.length === 0)
    return (
      <p className="py-6 text-ink2">
        Levels are steps of the help that turning pedals ask for; this build has no sensor at the pedals. Fit
        one in Drive, or look at the other views for what the throttle gives.
      </p>
    );
  const most = Math.max(1, ...levels.map((one) => one.rangeKm ?? 0));
  const cell = (value: number | undefined, unit: 'km/h' | 'Wh/km' | 'km', digits?: number): string =>
    value === undefined ? '–' : shown(value, unit, digits).text;
  const words = (value: number, unit: 'W' | '%'): string => {
    const one = shown(value, unit, unit === 'W' ? 0 : 1);
    return `${one.text} ${one.unit}`;
  };
  const [speed, per, far] = [shown(1, 'km/h').unit, shown(1, 'Wh/km').unit, shown(1, 'km').unit];
  const lowest = levels[0];
  const highest = levels.at(-1);
  const spans =
    lowest?.rangeKm !== undefined && highest?.rangeKm !== undefined && levels.length > 1
      ? `${shown(highest.rangeKm, 'km', 0).text} ${far} in the highest level, ${shown(lowest.rangeKm, 'km', 0).text} in the lowest`
      : 'Range by level of help';
  return (
    <section aria-label="Levels of help" data-testid="levels">
      <PanelHead title={spans} note="level road, a full charge to the end" />
      <table className="w-full border-collapse text-[14px]">
        <thead>
          <tr className="border-b-[1.5px] border-ink text-[12.5px]">
            <th className="py-1.5 pr-2 text-left font-semibold">Level</th>
            <th className="py-1.5 pr-2 text-left font-semibold">Sets</th>
            <th className="py-1.5 text-right font-semibold">Flat, {speed}</th>
            <th className="py-1.5 pl-2 text-right font-semibold">Hill, {speed}</th>
            <th className="py-1.5 pl-2 text-right font-semibold max-tablet:hidden">{per}</th>
            <th className="py-1.5 pl-2 text-right font-semibold">Range, {far}</th>
            {withClass && <th className="py-1.5 pl-3 text-left font-semibold">Class, if the highest</th>}
            <th className={`${withClass ? 'w-[14%]' : 'w-[26%]'} max-tablet:hidden`} aria-hidden />
          </tr>
        </thead>
        <tbody>
          {levels.map((one, i) => (
            <tr key={one.level} className="border-b border-hair">
              <th scope="row" className="num py-1 pr-2 text-left font-semibold">
                {one.level}
              </th>
              <td className="py-1 pr-2 whitespace-nowrap text-ink2">{sets(one)}</td>
              <td className="num py-1 text-right">{cell(one.flatKmh, 'km/h', 1)}</td>
              <td className="num py-1 pl-2 text-right">{cell(one.hillKmh, 'km/h', 1)}</td>
              <td className="num py-1 pl-2 text-right max-tablet:hidden">{cell(one.whPerKm, 'Wh/km', 1)}</td>
              <td className="num py-1 pl-2 text-right font-semibold">{cell(one.rangeKm, 'km', 0)}</td>
              {withClass && <ClassOf place={verdict.law.levels[i]} />}
              <td className="py-1 pl-3 max-tablet:hidden" aria-hidden>
                <span
                  className="block h-3 bg-ink3"
                  style={{ width: `${String((100 * (one.rangeKm ?? 0)) / most)}%` }}
                />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <ul className="pt-2 text-[12.5px] text-ink2">
        <li>
          Each at all the help of its level, with {words(riderPowerW.value, 'W')} from the legs
          {controls.assistSensor === 'cadence'
            ? ', of which six tenths on the flat behind a sensor that feels only their turning'
            : ''}
          ; the hill has {words(hillGradePct.value, '%')}. A dash: it does not hold a speed there.
        </li>
        {controls.levels === 0 && (
          <li>Nobody has said how many levels there are: five are shown, common practice.</li>
        )}
        {controls.assistSensor === 'torque' &&
          levels.length > 1 &&
          controls.leastRatio.source === 'unknown' && (
            <li>What the lowest level gives is not known: half of {followed}, common practice.</li>
          )}
        <li>The reserve is not taken off; legs that tire are counted.</li>
      </ul>
    </section>
  );
}
