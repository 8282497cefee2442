import { useMemo } from 'react';
import { firstOf, formatNumber, routeLengthM, type GetHome, type Route } from '@apple-cart/core';
import { RoadWaits } from '../../ride/route-field.tsx';
import { Studying } from '../../work/studying.tsx';
import { useStudy } from '../../work/use-study.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { PanelHead } from '../../ui/panel.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { useDeferredStage } from '../parts/use-stage.ts';
import { useRangeRoad } from './use-range-road.ts';

const WIDTH = 600;
const [TOP, LINE, LEFT, RIGHT] = [34, 62, 14, 14];

/** The way as a line: where each share of the charge is reached, where to turn, where it is too late. */
function WayLine({ plan, lengthKm }: { plan: GetHome; lengthKm: number }) {
  const shown = useQuantity();
  const x = (km: number): number => LEFT + ((WIDTH - LEFT - RIGHT) * km) / lengthKm;
  const turn = x(plan.turnKm);
  const late = x(plan.lastKm);
  const marks = plan.marks.filter((m) => m.atKm !== undefined);
  const [turnText, lateText] = [shown(plan.turnKm, 'km', 1), shown(plan.lastKm, 'km', 1)];
  return (
    <svg
      viewBox={`0 0 ${String(WIDTH)} 118`}
      className="w-full"
      role="img"
      aria-label={`Turn at ${turnText.text} ${turnText.unit} at the latest; beyond ${lateText.text} ${lateText.unit} the way home is not made.`}
    >
      <line x1={LEFT} x2={turn} y1={LINE} y2={LINE} stroke="var(--fine-fill)" strokeWidth="9" />
      <line x1={turn} x2={late} y1={LINE} y2={LINE} stroke="var(--look-fill)" strokeWidth="9" />
      <line x1={late} x2={x(lengthKm)} y1={LINE} y2={LINE} stroke="var(--stop-fill)" strokeWidth="9" />
      {marks.map((m) => (
        <g key={m.chargePct}>
          <line
            x1={x(m.atKm ?? 0)}
            x2={x(m.atKm ?? 0)}
            y1={LINE - 9}
            y2={LINE + 9}
            stroke="var(--ink)"
            strokeWidth="1.4"
          />
          <text
            x={x(m.atKm ?? 0)}
            y={LINE + 24}
            textAnchor="middle"
            className="num"
            fontSize="12"
            fill="var(--ink2)"
          >
            {m.chargePct} %
          </text>
        </g>
      ))}
      {!plan.wholeWay && (
        <g>
          <line x1={turn} x2={turn} y1={TOP - 2} y2={LINE} stroke="var(--ink)" strokeWidth="1.6" />
          <text
            x={turn}
            y={TOP - 8}
            textAnchor={firstOf(
              [
                [turn > WIDTH * 0.7, 'end'],
                [turn < 90, 'start'],
              ],
              'middle',
            )}
            fontSize="14"
            fontWeight="700"
            fill="var(--ink)"
          >
            turn at {turnText.text} {turnText.unit}
          </text>
        </g>
      )}
      <text x={LEFT} y={110} fontSize="12" fill="var(--ink2)">
        home
      </text>
      <text x={WIDTH - RIGHT} y={110} textAnchor="end" fontSize="12" fill="var(--ink2)">
        {shown(lengthKm, 'km', 1).text} {shown(lengthKm, 'km', 1).unit} out
      </text>
    </svg>
  );
}

/** One way out and home again by the same road: marks of the charge, the turn with the reserve, the point of no return. */
export function HomeView() {
  const { document } = useDeferredStage();
  const { road: range, unread } = useRangeRoad();
  const route = useMemo(() => (range === undefined ? undefined : longEnough(range.road)), [range]);
  const studied = useStudy(
    'home',
    useMemo(() => (route === undefined ? undefined : { build: document, route }), [document, route]),
  );
  if (route === undefined) return <RoadWaits unread={unread} />;
  return (
    <Studying {...studied} waiting="Riding out and home again…">
      {(plan) => <Home plan={plan} route={route} />}
    </Studying>
  );
}

function Home({ plan, route }: { plan: GetHome; route: Route }) {
  const { verdict } = useDeferredStage();
  const shown = useQuantity();
  const lengthKm = routeLengthM(route) / 1000;
  const turn = shown(plan.turnKm, 'km', 1);
  const last = shown(plan.lastKm, 'km', 1);
  const reserve = verdict.known.brief.reservePct.value;
  const level = route.name === 'Level road';
  return (
    <>
      <PanelHead
        title={
          plan.wholeWay
            ? 'The whole way, and home with the reserve'
            : `Turn back at ${turn.text} ${turn.unit} at the latest`
        }
        note={`out on ${route.name}, home by the same road`}
      />
      <WayLine plan={plan} lengthKm={lengthKm} />
      <ul className="space-y-2 border-t-[1.5px] border-ink pt-2 text-[14px] leading-snug">
        <li className="flex gap-2">
          <span className="pt-0.5">
            <StateMark state={plan.wholeWay ? 'fine' : 'look'} size={15} />
          </span>
          <span>
            <b>
              {plan.wholeWay ? 'From the far end' : `From ${turn.text} ${turn.unit}`} you come home with{' '}
              {formatNumber(plan.homePct, 0)} %
            </b>{' '}
            <span className="text-ink2">
              (the reserve of {formatNumber(reserve, 0)} % of the distance is {formatNumber(plan.keptPct, 0)}{' '}
              % of charge, with what is left when help ends); there the pack still shows{' '}
              {formatNumber(plan.turnPct, 0)} %.
            </span>
          </span>
        </li>
        {plan.lastKm * 1000 < routeLengthM(route) - 1 && (
          <li className="flex gap-2">
            <span className="pt-0.5">
              <StateMark state="stop" size={15} />
            </span>
            <span>
              <b>
                Beyond {last.text} {last.unit} there is no way home
              </b>{' '}
              <span className="text-ink2">on the charge: the point of no return.</span>
            </span>
          </li>
        )}
        <li className="flex gap-2">
          <span className="pt-0.5">
            <StateMark state={plan.leftPct === undefined ? 'stop' : 'fine'} size={15} />
          </span>
          <span>
            {plan.leftPct === undefined ? (
              <b>One way the charge does not last to the far end.</b>
            ) : (
              <>
                <b>One way to the far end leaves {formatNumber(plan.leftPct, 0)} %.</b>{' '}
                <span className="text-ink2">Charge there, and the way home begins anew.</span>
              </>
            )}
          </span>
        </li>
      </ul>
      <table className="mt-3 w-full border-collapse text-[14px]">
        <caption className="head border-b-[1.5px] border-ink pb-1.5 text-left text-[14px]">
          What the gauge shows on the way out
        </caption>
        <tbody>
          {plan.marks
            .filter((m) => m.atKm !== undefined)
            .map((m) => {
              const at = shown(m.atKm ?? 0, 'km', 1);
              const beyond = (m.atKm ?? 0) > plan.turnKm;
              return (
                <tr key={m.chargePct} className="border-b border-hair">
                  <th scope="row" className="py-1 pr-2 text-left font-normal">
                    <span className="num">{m.chargePct} %</span> of the charge
                  </th>
                  <td className="num py-1 text-right">
                    {at.text} <span className="text-[12.5px] text-ink3">{at.unit}</span>
                  </td>
                  <td className="w-[200px] py-1 pl-3 text-[12.5px] text-ink2">
                    {beyond ? 'too late to turn with the reserve' : ''}
                  </td>
                </tr>
              );
            })}
        </tbody>
      </table>
      <p className="pt-2 text-[12.5px] text-ink2">
        Charge that is left in the cells, not the bars of a display, which sag with the volts. Grades and wind
        are turned round on the way home.
        {level && ' Without a route a level road is ridden out; choose one at the left.'}
      </p>
    </>
  );
}

/** Longer than any pack lasts, so that a level road shows where to turn, km. */
const OUT_KM = 150;

/** A level road of no length of its own is ridden out as far as it goes; a real one as it is. */
function longEnough(road: Route): Route {
  if (road.name !== 'Level road') return road;
  const [from] = road.profile;
  return from === undefined
    ? road
    : { ...road, andBack: false, profile: [from, { ...from, distanceM: OUT_KM * 1000 }] };
}
