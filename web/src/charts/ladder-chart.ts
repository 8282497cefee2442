import type { EChartsOption } from 'echarts';
import {
  convert,
  formatNumber,
  phraseText,
  shownUnit,
  unitText,
  type Ladder,
  type Unit,
  type UnitSystem,
} from '@apple-cart/core';
import { niceMax } from './curve.ts';
import type { ChartInk } from './ink.ts';
import { numbered } from './numbered.ts';
import { cased, cursorLine, line, paper, type Xy } from './pieces.ts';

interface LadderChartInput {
  readonly found: Ladder;
  /** Of what is gained. */
  readonly unit: Unit;
  /** Of the money. */
  readonly sign: string;
  readonly system: UnitSystem;
}

/** What is gained in all against what is spent in all, rung by rung; beyond where it stops paying the line is broken. */
export function ladderChart({ found, unit, sign, system }: LadderChartInput, ink: ChartInk): EChartsOption {
  const to = shownUnit(unit, system);
  const { rungs, stopsAt } = found;
  const points: readonly Xy[] = [[0, 0], ...rungs.map((r): Xy => [r.cost, convert(r.gain, unit, to)])];
  const xs = points.map(([x]) => x);
  const [least, most] = [Math.min(0, ...xs), Math.max(10, ...xs)];
  const paid = stopsAt === undefined ? points : points.slice(0, stopsAt + 1);
  const beyond = stopsAt === undefined ? [] : points.slice(stopsAt);
  const top = Math.max(...points.map(([, y]) => y), 0.1);
  const frame = paper(
    {
      min: least < 0 ? -niceMax(-least) : 0,
      max: niceMax(most * 1.05),
      title: `Spent in all, ${sign.trim()}`,
    },
    { max: niceMax(top * 1.25), title: `Gained in all, ${unitText(to)}` },
    ink,
    (x) => {
      const rung = [...rungs].reverse().find((r) => r.cost <= x + 1e-9) ?? rungs[0];
      if (rung === undefined) return '';
      return `${phraseText(rung.what, system)}<br><b>${formatNumber(convert(rung.gain, unit, to), 1)} ${unitText(to)}</b> for ${sign}${formatNumber(rung.cost, 0)} in all`;
    },
  );
  return {
    ...frame,
    series: [
      ...cased(paid, ink.ink, ink),
      ...(beyond.length > 1 ? [line(beyond, { color: ink.ink3, width: 3, dash: [5, 4], z: 5 })] : []),
      numbered(
        rungs.map((r): Xy => [r.cost, convert(r.gain, unit, to)]),
        ink,
      ),
      cursorLine(points),
    ],
  };
}
