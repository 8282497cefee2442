import { useMemo, useState } from 'react';
import { convert, formatNumber, shownUnit, type Band, type Cause } from '@apple-cart/core';
import { bandChart } from '../../charts/band-chart.ts';
import { ChartPanel } from '../../charts/chart-panel.tsx';
import { useChartInk } from '../../charts/use-chart-ink.ts';
import { ChoiceRow } from '../../ride/choice-row.tsx';
import { RoadWaits } from '../../ride/route-field.tsx';
import { useRun, type Run } from '../../work/use-run.ts';
import { useSettings } from '../../state/settings-store.ts';
import { useSpread } from '../../state/use-quantity.ts';
import { Button } from '../../ui/button.tsx';
import { PanelHead } from '../../ui/panel.tsx';
import { SourceMark } from '../../ui/source-mark.tsx';
import { useStage } from '../parts/use-stage.ts';
import { useRangeRoad } from './use-range-road.ts';

const RIDES = ['200', '500', '1000'] as const;
/** Any number: the same one draws the same rides. */
const SEED = 20260412;
/** Causes beneath this share are noise of the draw. */
const TELLING = 0.015;

function Causes({ causes }: { causes: readonly Cause[] }) {
  const spread = useSpread();
  const rows = causes.filter((c) => c.share >= TELLING);
  return (
    <table className="w-full border-collapse text-[14px]" data-testid="causes">
      <caption className="sr-only">What makes the band wide, the most telling first</caption>
      <tbody>
        {rows.map((c) => {
          const plain = spread(c.deviation, c.known.unit, c.known.unit === 'C' ? 0 : undefined);
          const give = `${plain.text}${plain.unit === '' ? '' : ` ${plain.unit}`}`;
          return (
            <tr key={c.known.path} className="border-b border-hair">
              <th scope="row" className="w-[200px] py-1 pr-2 text-left font-normal max-tablet:w-[140px]">
                {c.name}
                {c.together.length > 1 && (
                  <span className="block text-[12px] text-ink2">
                    {c.together.length === 2 ? 'both' : `all ${String(c.together.length)}`} as one
                  </span>
                )}
              </th>
              <td className="py-1">
                <span
                  className="block h-3 bg-ink2"
                  style={{ width: `${String(Math.max(1, 100 * c.share))}%` }}
                />
              </td>
              <td className="num w-[52px] py-1 text-right font-semibold">
                {formatNumber(100 * c.share, 0)} %
              </td>
              <td className="num w-[100px] py-1 text-right whitespace-nowrap text-ink2 max-tablet:hidden">
                ± {give}
              </td>
              <td className="w-[104px] py-1 pl-3 max-tablet:hidden">
                <span className="flex items-center gap-1.5 text-[12px] text-ink2">
                  <SourceMark source={c.known.source} />{' '}
                  {c.known.source === 'worked' ? 'worked out' : c.known.source}
                </span>
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

/** The band of all rides, or of those ridden so far. */
function bandSoFar(run: Run<'band'>): Band | undefined {
  switch (run.state) {
    case 'done':
      return run.outcome.band;
    case 'running':
    case 'stopped':
      return run.progress?.band;
    case 'idle':
    case 'failed':
      return undefined;
  }
}

/** What will be done, and by how much each ride differs, before the first is ridden. */
function NotYet({ road }: { road: string }) {
  const spread = useSpread();
  const [wind, air] = [spread(1.5, 'm/s', 1), spread(4, 'C', 0)];
  return (
    <div className="py-4 text-[14px] leading-snug text-ink2">
      <p>
        One number is a promise nobody can keep. Here the same road ({road}) is ridden many times to the end
        of the charge, each time with a little other wind, temperature, rider, load, tyres and pack, and with
        what you have not measured taken a little otherwise.
      </p>
      <p className="pt-2">
        Spreads: wind ±{wind.text} {wind.unit}, of which only the strength counts where nobody has said from
        where it comes; air ±{air.text}&nbsp;{air.unit}, rider’s power ±20 %, load ±15 %, speed ±5 %; parts ±1
        to 20 % by how well they are known. Common practice, no source.
      </p>
    </div>
  );
}

/** The range as a band: many rides, each a little different, and what makes them differ. */
export function BandView() {
  const { document, verdict } = useStage();
  const { road: range, unread } = useRangeRoad();
  const { run, start, stop } = useRun('band');
  const [rides, setRides] = useState<(typeof RIDES)[number]>('200');
  const system = useSettings((state) => state.units);
  const ink = useChartInk();
  const wanted = verdict.known.brief.distanceKm.value;
  const band = bandSoFar(run);
  const option = useMemo(
    () => (band === undefined ? undefined : bandChart({ band, wantedKm: wanted, system }, ink)),
    [band, wanted, system, ink],
  );
  if (range === undefined) return <RoadWaits unread={unread} />;
  const unit = shownUnit('km', system);
  const far = (km: number): string => formatNumber(convert(km, 'km', unit), 0);
  const stale =
    run.state !== 'idle' &&
    run.state !== 'failed' &&
    (run.of.build !== document || run.of.route !== range.road);
  const begin = (): void => {
    start({ build: document, route: range.road, rides: Number(rides), seed: SEED });
  };
  const chance =
    band === undefined ? 0 : band.km.filter((km) => km >= wanted).length / Math.max(1, band.rides);
  return (
    <>
      <div className="flex min-h-11 flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule py-1.5">
        <ChoiceRow
          label="Rides"
          value={rides}
          options={RIDES.map((value) => ({ value, label: value }))}
          onChange={setRides}
        />
        {run.state === 'running' ? (
          <>
            <span className="flex min-w-[160px] flex-1 items-center gap-2 text-[13px]" role="status">
              <progress
                className="h-2.5 flex-1 accent-[var(--ink)]"
                value={run.progress?.done ?? 0}
                max={run.of.rides}
                aria-label="Rides ridden"
              />
              <span className="num">
                {run.progress?.done ?? 0} of {run.of.rides}
              </span>
            </span>
            <Button onClick={stop}>Stop</Button>
          </>
        ) : (
          <Button kind="go" onClick={begin}>
            {run.state === 'idle' || run.state === 'failed' ? 'Ride them' : 'Ride them again'}
          </Button>
        )}
        {stale && (
          <span className="text-[12.5px] text-look" role="status">
            The build has changed since: ride again.
          </span>
        )}
      </div>
      {run.state === 'failed' && (
        <p role="alert" className="my-2 border-[1.5px] border-stop bg-stop-tint px-3 py-2">
          The rides could not be finished: {run.why}. Try again, or look at “On the road” first.
        </p>
      )}
      {band === undefined || option === undefined ? (
        <NotYet road={range.road.name} />
      ) : (
        <>
          <ChartPanel
            title={`${far(band.p05)} to ${far(band.p95)} ${unit}: nine rides in ten`}
            note={
              run.state === 'stopped'
                ? `stopped after ${String(band.rides)} rides`
                : `${String(band.rides)} rides, reserve taken off`
            }
            summary={`Nine rides in ten come between ${far(band.p05)} and ${far(band.p95)} ${unit}; half of them ${far(band.p50)} ${unit} or more. ${formatNumber(100 * chance, 0)} % come the distance wanted.`}
            name={`${document.name} range band`}
            option={option}
            height="h-[240px]"
            table={{
              columns: [{ name: 'Ride' }, { name: `Distance, ${unit}`, digits: 2 }],
              rows: band.km.map((km, i) => [i + 1, convert(km, 'km', unit)]),
            }}
          />
          <p className="pt-1 text-[13.5px]" data-testid="band">
            The {far(wanted)} {unit} wanted are reached by <b>{formatNumber(100 * chance, 0)} %</b> of the
            rides; half come {far(band.p50)} {unit} or further. On {range.road.name}, round and round.
          </p>
          {run.state === 'done' ? (
            <>
              <PanelHead
                title="What makes it wide"
                note="share of the band; measure the first that is not measured"
              />
              <Causes causes={run.outcome.causes} />
            </>
          ) : (
            <p className="pt-2 text-[12.5px] text-ink2">
              {run.state === 'stopped'
                ? 'The causes are ranked when all rides are done.'
                : 'The causes follow at the end.'}
            </p>
          )}
        </>
      )}
    </>
  );
}
