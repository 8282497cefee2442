import type { EChartsOption } from 'echarts';
import type { EChartsType } from 'echarts/core';
import { withPlacedLabels } from './placed.ts';

/** What an option says whole. The box beside the cursor stays as it is: to set it up anew costs the page a layout. */
const DRAWN_ANEW = ['grid', 'xAxis', 'yAxis', 'series', 'dataZoom'];

/** Draws an option on a chart, whatever stood there before, with its labels kept off each other. */
export function drawOn(chart: EChartsType, option: EChartsOption): void {
  const size = (): { width: number; height: number } => ({
    width: chart.getWidth(),
    height: chart.getHeight(),
  });
  chart.setOption(withPlacedLabels(option, size), { replaceMerge: DRAWN_ANEW });
}
