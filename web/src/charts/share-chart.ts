import type { EChartsOption } from 'echarts';
import { formatNumber, type PacksStudy } from '@apple-cart/core';
import { niceMax } from './curve.ts';
import type { ChartInk } from './ink.ts';
import { caption, cased, cursorLine, line, paper, type Xy } from './pieces.ts';

/** Lines are told apart by colour and dash: the first pack whole, the others broken, each in its own way. */
const DASHES = [undefined, [7, 4], [2, 4], [10, 3, 2, 3]] as const;

/** Who feeds when: the current of each pack over the ride at a steady power. */
export function shareChart(
  sharing: NonNullable<PacksStudy['sharing']>,
  names: readonly string[],
  ink: ChartInk,
): EChartsOption {
  const { steps, hours } = sharing;
  const lines = names.map((_, i) => steps.map((s): Xy => [s.hours, s.amps[i] ?? 0]));
  const all = lines.flat().map(([, y]) => y);
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
      const each = names.map(
        (name, i) =>
          `${name} <b>${formatNumber(step.amps[i] ?? 0, 1)} A</b>, ${formatNumber(100 * (step.charges[i] ?? 0), 0)} %`,
      );
      return `${formatNumber(step.hours, 2)} h, ${formatNumber(step.volts, 1)} V<br>${each.join('<br>')}`;
    },
  );
  const colors = [ink.energy.line, ink.slate, ink.ink, ink.slate];
  const texts = [ink.energy.text, ink.slate, ink.ink, ink.slate];
  const label = (points: readonly Xy[], text: string, color: string, share: number) => {
    const at = points[Math.floor(points.length * share)];
    return at === undefined
      ? []
      : [caption({ at, color, align: 'left', offset: [6, -8], lines: [{ text, style: 'strong' }] }, ink)];
  };
  const [first = [], ...others] = lines;
  return {
    ...frame,
    series: [
      ...cased(first, ink.energy.line, ink),
      ...others.map((points, i) =>
        line(points, { color: colors[i + 1] ?? ink.slate, width: 3, dash: [...(DASHES[i + 1] ?? [])], z: 6 }),
      ),
      ...lines.flatMap((points, i) => label(points, names[i] ?? '', texts[i] ?? ink.slate, 0.08 + 0.28 * i)),
      cursorLine(first),
    ],
  };
}
