import type { SeriesOption } from 'echarts';

/** The series of a chart's option. */
export const series = (option: { series?: unknown }): readonly SeriesOption[] =>
  option.series as readonly SeriesOption[];

/** Words of every direct label of a chart. */
export const words = (option: { series?: unknown }): string =>
  series(option)
    .map((s) => (s as { label?: { formatter?: string } }).label?.formatter ?? '')
    .join(' ');

/** What the cursor says at an x. */
export const tooltip = (option: { tooltip?: unknown }, x: number): string =>
  (option.tooltip as { formatter: (params: unknown) => string }).formatter([{ axisValue: x }]);
