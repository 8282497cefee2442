import { useMemo } from 'react';
import {
  BINDING_WORDS,
  elevationAlong,
  formatNumber,
  msToKmh,
  type Binding,
  type Ride,
  type RidePlan,
  type Route,
  type Trace,
  convert,
  shownUnit,
} from '@apple-cart/core';
import { ChartPanel } from '../charts/chart-panel.tsx';
import { bindingInk, rideChart } from '../charts/ride-chart.ts';
import type { ChartTable } from '../charts/table-csv.ts';
import { useChartInk } from '../charts/use-chart-ink.ts';
import { useSettings } from '../state/settings-store.ts';

/** The trace in SI units with their names, for a table and for files: every column that the ride yields. */
export function traceTable(trace: Trace): ChartTable {
  const columns: readonly (readonly [string, (i: number) => string])[] = [
    ['time_s', (i) => (trace.seconds[i] ?? 0).toFixed(1)],
    ['distance_m', (i) => (trace.metres[i] ?? 0).toFixed(1)],
    ['speed_km_h', (i) => msToKmh(trace.speed[i] ?? 0).toFixed(2)],
    ['grade_pct', (i) => (trace.gradePct[i] ?? 0).toFixed(2)],
    ['wheel_force_N', (i) => (trace.wheelN[i] ?? 0).toFixed(1)],
    ['pack_V', (i) => (trace.volts[i] ?? 0).toFixed(2)],
    ['battery_A', (i) => (trace.batteryA[i] ?? 0).toFixed(2)],
    ['battery_W', (i) => (trace.batteryW[i] ?? 0).toFixed(1)],
    ['phase_A', (i) => (trace.phaseA[i] ?? 0).toFixed(2)],
    ['charge_pct', (i) => (100 * (trace.charge[i] ?? 0)).toFixed(2)],
    ['winding_C', (i) => (trace.windingC[i] ?? 0).toFixed(1)],
    ['shell_C', (i) => (trace.shellC[i] ?? 0).toFixed(1)],
    ['cadence_rpm', (i) => (trace.cadenceRpm[i] ?? 0).toFixed(0)],
    ['cog_teeth', (i) => String(trace.cogTeeth[i] ?? '')],
    ['binds', (i) => BINDING_WORDS[trace.binding[i] ?? 'wish']],
  ];
  return {
    columns: columns.map(([name]) => name),
    rows: trace.seconds.map((_, i) => columns.map(([, cell]) => cell(i))),
  };
}

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
  readonly plan: RidePlan;
  readonly ride: Ride;
  readonly road: Route;
  readonly pinned: Trace | undefined;
}

/** A ride drawn: profile by what binds, speed, power, winding and charge, one cursor through all. */
export function RidePanel({ title, note, name, plan, ride, road, pinned }: Props) {
  const system = useSettings((state) => state.units);
  const ink = useChartInk();
  const { trace } = ride;
  const { thermal } = plan.machine;
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
