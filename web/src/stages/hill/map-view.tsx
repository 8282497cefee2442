import { useMemo } from 'react';
import {
  shownUnit,
  convert,
  LIMIT_WORDS,
  STATED_CHARGE,
  formatNumber,
  kmhToMs,
  msToKmh,
} from '@apple-cart/core';
import { ChartPanel } from '../../charts/chart-panel.tsx';
import { niceMax } from '../../charts/curve.ts';
import { LASTS, lastsClass, lastsTint, mapChart } from '../../charts/map-chart.ts';
import { useChartInk } from '../../charts/use-chart-ink.ts';
import { Redone } from '../../work/redone.tsx';
import { useStudy } from '../../work/use-study.ts';
import { useSettings } from '../../state/settings-store.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { useDeferredStage } from '../parts/use-stage.ts';

const SPEEDS = 44;
const GRADES = 48;

/** Speed against grade against limit, with how long the motor bears each point. */
export function MapView() {
  const { document, verdict } = useDeferredStage();
  const system = useSettings((state) => state.units);
  const ink = useChartInk();
  const shown = useQuantity();
  const { curves, climb } = verdict.hill;
  const grade = verdict.known.brief.hillGradePct.value;
  const top = verdict.topKmh.full ?? 20;
  const steep = Math.min(30, niceMax(Math.max(grade * 1.6, 12)));
  const input = useMemo(() => {
    const fastest = kmhToMs(niceMax(top * 1.1));
    return {
      build: document,
      charge: STATED_CHARGE,
      speeds: Array.from({ length: SPEEDS }, (_, i) => (fastest * (i + 0.5)) / SPEEDS),
      grades: Array.from({ length: GRADES }, (_, i) => (steep * (i + 0.5)) / GRADES),
    };
  }, [document, top, steep]);
  const { value, busy, why } = useStudy('map', input);
  const hillName = document.brief.hillName === '' ? 'Test hill' : document.brief.hillName;
  const option = useMemo(
    () =>
      mapChart(
        {
          cells: value ?? [],
          speeds: input.speeds,
          grades: input.grades,
          held: curves.held,
          hill: { gradePct: grade, v: climb.climbs ? climb.v : undefined, name: hillName },
          system,
        },
        ink,
      ),
    [value, input, curves.held, grade, climb, hillName, system, ink],
  );
  const lasting = (value ?? []).filter((c) => c.reached && lastsClass(c.bears) === LASTS.length - 1);
  const steepest = Math.max(0, ...lasting.map((c) => c.gradePct));
  const unit = shown(1, 'km/h').unit;
  return (
    <>
      <Redone busy={busy && value !== undefined}>
        <ChartPanel
          title={
            value === undefined
              ? (why ?? 'Working the map out…')
              : `An hour and more on up to ${formatNumber(steepest, 1)} %`
          }
          note="half charge, from cold"
          summary={`Speed against grade. The machine climbs for an hour on up to ${formatNumber(steepest, 1)} %.`}
          name={`${document.name} map of limits`}
          option={option}
          height="h-[430px] max-tablet:h-[340px]"
          table={{
            columns: [
              { name: 'Grade, %', digits: 1 },
              { name: `Speed, ${unit}`, digits: 1 },
              { name: 'Reached' },
              { name: 'Lasts' },
              { name: 'Limit at full help' },
            ],
            rows: (value ?? []).map((c) => [
              c.gradePct,
              convert(msToKmh(c.v), 'km/h', shownUnit('km/h', system)),
              c.reached ? 'yes' : 'no',
              c.reached ? (LASTS[lastsClass(c.bears)]?.name ?? '') : '',
              LIMIT_WORDS[c.limit],
            ]),
          }}
        />
      </Redone>
      <ul
        className="flex flex-wrap gap-x-4 gap-y-1 pt-1 text-[12.5px]"
        aria-label="How long the motor bears it"
      >
        {LASTS.map(({ name }, i) => {
          const { fill, opacity } = lastsTint(i, ink);
          return (
            <li key={name} className="flex items-center gap-1.5">
              <span className="inline-block size-3 border border-rule" aria-hidden>
                <span className="block size-full" style={{ background: fill, opacity }} />
              </span>
              {name}
            </li>
          );
        })}
      </ul>
      <p className="pt-1 text-[12.5px] text-ink2">
        The heavy line is the most that is reached, in the colour of what ends it. Beneath it a speed is held
        on part throttle: the tint says how long, from a cold motor.
      </p>
    </>
  );
}
