import { BINDING_WORDS, msToKmh, type Trace } from '@apple-cart/core';
import type { Cell, ChartTable, Column } from '../files/table-csv.ts';

type Of = (trace: Trace, i: number) => Cell;

/** The columns of a ride with the decimals shown, and how each is read off a trace. */
const COLUMNS: readonly (Column & { readonly of: Of })[] = [
  { name: 'time_s', digits: 1, of: (t, i) => t.seconds[i] },
  { name: 'distance_m', digits: 1, of: (t, i) => t.metres[i] },
  { name: 'speed_km_h', digits: 2, of: (t, i) => msToKmh(t.speed[i] ?? 0) },
  { name: 'grade_pct', digits: 2, of: (t, i) => t.gradePct[i] },
  { name: 'wheel_force_N', digits: 1, of: (t, i) => t.wheelN[i] },
  { name: 'pack_V', digits: 2, of: (t, i) => t.volts[i] },
  { name: 'battery_A', digits: 2, of: (t, i) => t.batteryA[i] },
  { name: 'battery_W', digits: 1, of: (t, i) => t.batteryW[i] },
  { name: 'phase_A', digits: 2, of: (t, i) => t.phaseA[i] },
  { name: 'charge_pct', digits: 2, of: (t, i) => 100 * (t.charge[i] ?? 0) },
  { name: 'winding_C', digits: 1, of: (t, i) => t.windingC[i] },
  { name: 'shell_C', digits: 1, of: (t, i) => t.shellC[i] },
  { name: 'cadence_rpm', of: (t, i) => t.cadenceRpm[i] },
  { name: 'cog_teeth', of: (t, i) => t.cogTeeth[i] },
  { name: 'hub_gear', of: (t, i) => t.hubGear[i] ?? '' },
  { name: 'binds', of: (t, i) => BINDING_WORDS[t.binding[i] ?? 'wish'] },
];

/** The trace in SI units with their names, for a table and for files: every column that the ride yields. */
export const traceTable = (trace: Trace): ChartTable => ({
  columns: COLUMNS,
  rows: trace.seconds.map((_, i) => COLUMNS.map(({ of }) => of(trace, i))),
});
