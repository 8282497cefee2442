import type { EChartsOption } from 'echarts';
import { formatNumber, type ChargeOutcome } from '@apple-cart/core';
import { niceMax } from './curve.ts';
import type { ChartInk } from './ink.ts';
import { caption, cased, cursorLine, line, paper, type Xy } from './pieces.ts';

/** A charge that begins at all. */
export type ChargeShown = Exclude<ChargeOutcome, { endsAt: undefined }>;

/** Amps over the hours of a charge, with the charge reached beside it as a share of the paper's height. */
export function chargeChart(run: ChargeShown, to85: ChargeOutcome, ink: ChartInk): EChartsOption {
  const { steps } = run;
  const xMax = niceMax(Math.max(run.hours, 0.5) * 1.05);
  const yMax = niceMax(Math.max(...steps.map((s) => s.amps), 1) * 1.25);
  const amps = steps.map((s): Xy => [s.hours, s.amps]);
  const charge = steps.map((s): Xy => [s.hours, (s.charge * yMax) / 1.1]);
  const frame = paper({ max: xMax, title: 'Time, h' }, { max: yMax, title: 'Charger, A' }, ink, (x) => {
    const step = steps.find((s) => s.hours >= x) ?? steps.at(-1);
    if (step === undefined) return '';
    return `${formatNumber(step.hours, 2)} h<br><b>${formatNumber(step.amps, 2)} A</b>, ${formatNumber(step.volts, 1)} V<br>${formatNumber(100 * step.charge, 0)} % charged`;
  });
  const at85 = to85.arrives ? steps.find((s) => s.charge >= 0.85) : undefined;
  const taper = run.arrives && run.taperFrom < 1 ? steps.find((s) => s.charge >= run.taperFrom) : undefined;
  const middle = charge[Math.floor(charge.length * 0.4)];
  return {
    ...frame,
    series: [
      line(charge, { color: ink.limit.voltage.line, width: 1.6, dash: [5, 4], z: 3 }),
      ...cased(amps, ink.energy.line, ink),
      ...(middle === undefined
        ? []
        : [
            caption(
              {
                at: middle,
                color: ink.limit.voltage.text,
                align: 'right',
                offset: [-6, -6],
                lines: [
                  { text: run.arrives ? 'charge, empty to full' : 'charge, from empty', style: 'thin' },
                ],
              },
              ink,
            ),
          ]),
      ...(at85 === undefined
        ? []
        : [
            line(
              [
                [at85.hours, 0],
                [at85.hours, yMax],
              ],
              { color: ink.ink3, width: 1, dash: [2, 3], z: 2 },
            ),
            caption(
              {
                at: [at85.hours, 0],
                color: ink.ink2,
                align: 'right',
                offset: [-5, -6],
                lines: [{ text: '85 %', style: 'plain' }],
              },
              ink,
            ),
          ]),
      ...(taper === undefined
        ? []
        : [
            caption(
              {
                at: [taper.hours, taper.amps],
                color: ink.energy.text,
                align: 'right',
                offset: [-4, -8],
                lines: [{ text: 'Volts reached: the amps fall', style: 'strong' }],
              },
              ink,
            ),
          ]),
      cursorLine(amps),
    ],
  };
}
