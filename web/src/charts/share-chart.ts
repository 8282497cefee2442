import type { EChartsOption } from 'echarts';
import { formatNumber, type TwoPacks } from '@apple-cart/core';
import { niceMax } from './curve.ts';
import type { ChartInk } from './ink.ts';
import { caption, cased, cursorLine, line, paper, type Xy } from './pieces.ts';

/** Who feeds when: the current of each pack over the ride at a steady power. */
export function shareChart(
  sharing: NonNullable<TwoPacks['sharing']>,
  names: readonly [string, string],
  ink: ChartInk,
): EChartsOption {
  const { steps, hours } = sharing;
  const first = steps.map((s): Xy => [s.hours, s.firstA]);
  const second = steps.map((s): Xy => [s.hours, s.secondA]);
  const all = [...first, ...second].map(([, y]) => y);
  const low = Math.min(0, ...all);
  const frame = paper(
    { max: niceMax(Math.max(hours, 0.1)), title: 'Time, h' },
    {
      max: niceMax(Math.max(...all, 1) * 1.15),
      min: low < -0.5 ? -niceMax(-low * 1.1) : 0,
      title: 'From each pack, A',
    },
    ink,
    (x) => {
      const step = steps.find((s) => s.hours >= x) ?? steps.at(-1);
      if (step === undefined) return '';
      return `${formatNumber(step.hours, 2)} h, ${formatNumber(step.volts, 1)} V<br>${names[0]} <b>${formatNumber(step.firstA, 1)} A</b>, ${formatNumber(100 * step.firstCharge, 0)} %<br>${names[1]} <b>${formatNumber(step.secondA, 1)} A</b>, ${formatNumber(100 * step.secondCharge, 0)} %`;
    },
  );
  const label = (points: readonly Xy[], text: string, color: string, share: number) => {
    const at = points[Math.floor(points.length * share)];
    return at === undefined
      ? []
      : [caption({ at, color, align: 'left', offset: [6, -8], lines: [{ text, style: 'strong' }] }, ink)];
  };
  return {
    ...frame,
    series: [
      ...cased(first, ink.energy.line, ink),
      line(second, { color: ink.slate, width: 3, dash: [7, 4], z: 6 }),
      ...label(first, names[0], ink.energy.text, 0.08),
      ...label(second, names[1], ink.slate, 0.55),
      cursorLine(first),
    ],
  };
}
