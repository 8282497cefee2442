import { BINDING_WORDS, msToKmh, type Trace } from '@apple-cart/core';
import type { ChartTable } from '../charts/table-csv.ts';

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
