import { useMemo } from 'react';
import {
  BINDING_WORDS,
  elevationAlong,
  formatNumber,
  msToKmh,
  type Binding,
  type HillRidden,
  type Ride,
  type Route,
  type Trace,
  convert,
  shownUnit,
} from '@apple-cart/core';
import { ChartPanel } from '../charts/chart-panel.tsx';
import { bindingInk, rideChart } from '../charts/ride-chart.ts';
import { useChartInk } from '../charts/use-chart-ink.ts';
import { useSettings } from '../state/settings-store.ts';
import { traceTable } from './trace-table.ts';

/** How long each thing bound, the longest first, as a legend of the profile's colours. */
export function RideLegend({ ride }: { ride: Ride }) {
  const ink = useChartInk();
  const all = Object.entries(ride.bound) as [Binding, number][];
  const rows = all.filter(([, s]) => s > 0.006 * ride.seconds).sort((a, b) => b[1] - a[1]);
  return (
    <ul
      className="flex flex-wrap gap-x-4 gap-y-0.5 pt-1 text-[12.5px]"
      aria-label="What binds, share of the time"
    >
      {rows.map(([binding, seconds]) => (
        <li key={binding} className="flex items-center gap-1.5">
          <span
            className="inline-block size-2.5"
            style={{ background: bindingInk(binding, ink) }}
            aria-hidden
          />
          {BINDING_WORDS[binding]}{' '}
          <span className="num">{formatNumber((100 * seconds) / ride.seconds, 0)} %</span>
        </li>
      ))}
    </ul>
  );
}

interface Props {
  readonly title: string;
  readonly note?: string;
  readonly name: string;
  readonly thermal: HillRidden['thermal'];
  readonly ride: Ride;
  readonly road: Route;
  readonly pinned: Trace | undefined;
}

/** A ride drawn: profile by what binds, speed, power, winding and charge, one cursor through all. */
export function RidePanel({ title, note, name, thermal, ride, road, pinned }: Props) {
  const system = useSettings((state) => state.units);
  const ink = useChartInk();
  const { trace } = ride;
  const option = useMemo(
    () =>
      trace === undefined
        ? {}
        : rideChart(
            {
              trace,
              elevationM: trace.metres.map((x) => elevationAlong(road, x)),
              pinned,
              rollbackC: Number.isFinite(thermal.rollbackStartC) ? thermal.rollbackStartC : undefined,
              damageC: thermal.damageC,
              system,
            },
            ink,
          ),
    [trace, road, pinned, thermal, system, ink],
  );
  if (trace === undefined) return null;
  const unit = shownUnit('km/h', system);
  const mean = convert(msToKmh(ride.metres / Math.max(1, ride.movingSeconds)), 'km/h', unit);
  return (
    <ChartPanel
      title={title}
      {...(note === undefined ? {} : { note })}
      summary={`${title}. Mean speed ${formatNumber(mean, 1)} ${unit}, hottest winding ${formatNumber(ride.hottestC, 0)} °C, ${formatNumber(ride.charge * 100, 0)} % charge at the end.`}
      name={name}
      option={option}
      height="h-[428px] max-tablet:h-[440px]"
      table={traceTable(trace)}
    />
  );
}
