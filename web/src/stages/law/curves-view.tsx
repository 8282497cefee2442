import { useMemo } from 'react';
import {
  convert,
  curveRules,
  formatNumber,
  lawCurves,
  limitLines,
  msToKmh,
  shownUnit,
  unitText,
} from '@apple-cart/core';
import { ChartPanel } from '../../charts/chart-panel.tsx';
import { cutoffChart, ratioChart, wheelPowerChart } from '../../charts/law-charts.ts';
import { useChartInk } from '../../charts/use-chart-ink.ts';
import { useBook } from '../../state/rules.ts';
import { useSettings } from '../../state/settings-store.ts';
import { useDeferredStage } from '../parts/use-stage.ts';

const wayName = (profile: string): string => (profile === '' ? 'as set' : profile);

/** Where the rule is a curve, or looks at one: the cut-off and its fade, power against speed, help per rider force. */
export function CurvesView() {
  const { document, verdict } = useDeferredStage();
  const system = useSettings((state) => state.units);
  const ink = useChartInk();
  const book = useBook();
  const { here } = verdict.law;
  const curves = useMemo(() => lawCurves(document), [document]);
  const ends = useMemo(() => limitLines(here, 'assistEndKmh'), [here]);
  const rated = useMemo(() => limitLines(here, 'ratedPowerW'), [here]);
  const peak = useMemo(() => limitLines(here, 'peakWheelW'), [here]);
  const rules = useMemo(() => curveRules(book), [book]);
  const unit = shownUnit('km/h', system);
  const speedColumn = { name: `Speed, ${unitText(unit)}`, digits: 1 };
  const speed = (kmh: number): string => formatNumber(convert(kmh, 'km/h', unit), 1);
  const cutoff = useMemo(
    () => cutoffChart({ curves, limits: ends, system }, ink),
    [curves, ends, system, ink],
  );
  const power = useMemo(
    () => wheelPowerChart({ curves, rated, peak, system }, ink),
    [curves, rated, peak, system, ink],
  );
  const ratio = useMemo(
    () =>
      ratioChart(
        { curves, rules: rules.map((r) => ({ name: r.name, corners: r.clause.corners })), system },
        ink,
      ),
    [curves, rules, system, ink],
  );
  const end = Math.max(...curves.ways.map((w) => w.share.at(-1)?.kmh ?? 0));
  const best = curves.ways[0]?.power.reduce((a, b) => (b.watts > a.watts ? b : a), { v: 0, watts: 0 });
  const proportional = curves.ways.every((w) => w.ratio !== undefined);
  const name = document.name;
  return (
    <>
      <ChartPanel
        title={`Help ends at ${speed(end)} ${unitText(unit)}`}
        note={curves.ways.length > 1 ? 'in the fastest profile' : here.place.name}
        summary={`Share of the help left against speed. It ends at ${speed(end)} ${unitText(unit)}.`}
        name={`${name} cut-off`}
        option={cutoff}
        height="h-[230px]"
        table={{
          columns: [{ name: 'Profile' }, speedColumn, { name: 'Help left, %' }],
          rows: curves.ways.flatMap((w) =>
            w.share.map((p) => [wayName(w.profile), convert(p.kmh, 'km/h', unit), 100 * p.share]),
          ),
        }}
      />
      <ChartPanel
        title={`At most ${formatNumber(best?.watts ?? 0, 0)} W at the wheel, at ${speed(msToKmh(best?.v ?? 0))} ${unitText(unit)}`}
        note="full charge, cold, throttle open"
        summary={`Most mechanical power at the wheel against speed, with the limits of ${here.place.name} on rated power.`}
        name={`${name} power at the wheel`}
        option={power}
        height="h-[260px]"
        table={{
          columns: [{ name: 'Profile' }, speedColumn, { name: 'Power, W' }],
          rows: curves.ways.flatMap((w) =>
            w.power.map((p) => [wayName(w.profile), convert(msToKmh(p.v), 'km/h', unit), p.watts]),
          ),
        }}
      />
      <p className="pb-1 text-[12.5px] text-ink2">
        Three different watts: the rating is the maker’s and judged where a law says rated; what is held for
        thirty minutes is an estimate of the heat model within the controller’s limits; the curve is the most
        the machine can do for a moment.
      </p>
      <ChartPanel
        title={proportional ? 'Help in proportion to the rider' : 'The help does not follow the rider'}
        note={proportional ? 'at any effort' : 'a light foot has all of it: no curve to show'}
        summary="Motor force per rider force against speed, beside the curves that rules allow."
        name={`${name} help per rider force`}
        option={ratio}
        height="h-[230px]"
        table={{
          columns: [{ name: 'Curve' }, speedColumn, { name: 'Motor force per rider force', digits: 2 }],
          rows: [
            ...curves.ways.flatMap((w) =>
              (w.ratio ?? []).map((c) => [wayName(w.profile), convert(c.kmh, 'km/h', unit), c.ratio]),
            ),
            ...rules.flatMap((r) =>
              r.clause.corners.map((c) => [r.name, convert(c.kmh, 'km/h', unit), c.ratio]),
            ),
          ],
        }}
      />
    </>
  );
}
