import { init } from './echarts-core.ts';
import type { EChartsOption } from 'echarts';
import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  curveRules,
  evaluate,
  lawCurves,
  newBuild,
  roadForce,
  shippedRules,
  type BuildDocument,
} from '@apple-cart/core';
import { NAMED_INK as INK } from '../test/ink.ts';
import { overlap, placeLabels, type Box } from '../drawing/place-labels.ts';
import { forceChart } from './force-chart.ts';
import { hillChart } from './hill-chart.ts';
import { cutoffChart, ratioChart, wheelPowerChart } from './law-charts.ts';
import { drawOn } from './draw-on.ts';
import { withPlacedLabels } from './placed.ts';

const label = (value: number) => ({ source: 'label' as const, value });

/** Builds as people make them: hub or mid-drive, few or many amps, steep or even hills, limited or not. */
const madeBuild: fc.Arbitrary<BuildDocument> = fc
  .record({
    kind: fc.constantFrom('geared-hub' as const, 'direct-drive-hub' as const, 'mid-drive' as const),
    volts: fc.constantFrom(36, 48, 52, 72),
    amps: fc.integer({ min: 8, max: 45 }),
    watts: fc.constantFrom(250, 500, 750, 1500),
    grade: fc.integer({ min: 2, max: 18 }),
    limits: fc.boolean(),
    held: fc.boolean(),
    name: fc.constantFrom('', 'Crate Lane', 'The long hill behind the brick works'),
  })
  .map(({ kind, volts, amps, watts, grade, limits, held, name }) => {
    const base = newBuild('Lantern round', kind);
    return {
      ...base,
      brief: { ...base.brief, hillGradePct: label(grade), hillName: name },
      drive: { ...base.drive, name: 'Hub', ratedPowerW: label(watts) },
      gearing: { ...base.gearing, heldCogTeeth: held ? 24 : null },
      packs: [{ ...base.packs[0], nominalV: label(volts) }],
      controls: { ...base.controls, assistSensor: 'torque' as const },
      controller: { ...base.controller, batteryCurrentA: label(amps), limitsSpeed: limits },
    };
  });

/** Where the title of the upright axis was drawn, from its middle line and its letters. */
function titleOn(svg: string, option: EChartsOption): readonly Box[] {
  const axis = Array.isArray(option.yAxis) ? option.yAxis[0] : option.yAxis;
  const name = axis?.name ?? '';
  const words = [...svg.matchAll(/<text[^>]*translate\(([\d.]+) ([\d.]+)\)[^>]*>([^<]*)</g)];
  const [, x, y] = words.find(([, , , text]) => text === name) ?? [];
  if (x === undefined || y === undefined) throw new Error(`no title ${name}`);
  return [{ x: Number(x), y: Number(y) - 6, width: 5.5 * name.length, height: 12 }];
}

/** Where the labels of a chart come to stand on a size of paper, and the title of its upright axis. */
function standing(option: EChartsOption, width: number, height: number): readonly Box[] {
  const chart = init(null, null, { renderer: 'svg', ssr: true, width, height });
  const boxes = new Map<number, Box>();
  chart.setOption(
    withPlacedLabels(
      option,
      () => ({ width, height }),
      (box, series) => boxes.set(series, box),
    ),
  );
  const svg = chart.renderToSVGString();
  chart.dispose();
  return [...boxes.values(), ...titleOn(svg, option)];
}

const collisions = (boxes: readonly Box[]): number =>
  boxes.flatMap((a, i) => boxes.slice(i + 1).filter((b) => overlap(a, b, 0) > 0)).length;

function charts(build: BuildDocument, pinned: BuildDocument): Record<string, EChartsOption> {
  const verdict = evaluate(build, shippedRules());
  const before = evaluate(pinned, shippedRules());
  const { known, hill } = verdict;
  const { road } = verdict.study.machine;
  const curves = lawCurves(build);
  const system = 'metric';
  const rules = curveRules(shippedRules()).map((r) => ({ name: r.name, corners: r.clause.corners }));
  return {
    hill: hillChart(
      {
        curves: hill.curves,
        span: hill.span,
        pinned: before.hill.curves.held,
        known,
        hillName: build.brief.hillName === '' ? 'Test hill' : build.brief.hillName,
        gradePct: known.brief.hillGradePct.value,
        cogs: build.gearing.cogTeeth.length,
        oneCog: build.gearing.heldCogTeeth !== null,
        system,
      },
      INK,
    ),
    force: forceChart(
      {
        held: hill.curves.held,
        pinned: before.hill.curves.held,
        known,
        loads: [
          { name: 'the level asks', force: (v) => roadForce(road, v, 0), side: 'left' },
          { name: 'the test hill asks', force: (v) => roadForce(road, v, 9), side: 'right' },
        ],
        system,
      },
      INK,
    ),
    ratio: ratioChart({ curves, rules, system }, INK),
    cutoff: cutoffChart(
      {
        curves,
        limits: [
          { name: 'EPAC', value: 25 },
          { name: 'L1e-B', value: 45 },
        ],
        system,
      },
      INK,
    ),
    power: wheelPowerChart(
      { curves, rated: [{ name: 'EAPC', value: 250 }], peak: [{ name: 'Class 1', value: 750 }], system },
      INK,
    ),
  };
}

describe('labels of a chart', () => {
  it('never stand on each other, at a desk and on a telephone, with a pin', () => {
    fc.assert(
      fc.property(madeBuild, madeBuild, (build, pinned) => {
        for (const [name, option] of Object.entries(charts(build, pinned)))
          for (const [width, height] of [
            [620, 330],
            [350, 280],
          ] as const) {
            const boxes = standing(option, width, height);
            expect(boxes.length, name).toBeGreaterThan(1);
            expect(collisions(boxes), `${name} at ${String(width)}`).toBe(0);
          }
      }),
      { numRuns: 25, seed: 20261128 },
    );
  });

  it('stand after every change, and another size of the page, where they stand on a chart that is drawn anew', () => {
    /** What was drawn, without the names that the drawing gives its own parts. */
    const drawing = (options: readonly EChartsOption[], from = { width: 350, height: 280 }): string => {
      const chart = init(null, null, { renderer: 'svg', ssr: true, ...from });
      for (const option of options) {
        drawOn(chart, option);
        chart.renderToSVGString();
      }
      chart.resize({ width: 350, height: 280 });
      const svg = chart.renderToSVGString().replaceAll(/zr\d+-[\w-]+/g, '');
      chart.dispose();
      return svg;
    };
    const once = (option: EChartsOption): string => {
      const chart = init(null, null, { renderer: 'svg', ssr: true, width: 350, height: 280 });
      drawOn(chart, option);
      const svg = chart.renderToSVGString().replaceAll(/zr\d+-[\w-]+/g, '');
      chart.dispose();
      return svg;
    };
    fc.assert(
      fc.property(madeBuild, madeBuild, (build, pinned) => {
        const [then, now] = [charts(pinned, build), charts(build, pinned)];
        for (const [name, option] of Object.entries(now)) {
          const before = then[name] ?? option;
          expect(drawing([before, option, option]), name).toBe(once(option));
          expect(drawing([option], { width: 620, height: 330 }), name).toBe(once(option));
        }
      }),
      { numRuns: 25, seed: 20261201 },
    );
  });

  it('stay where they are meant to be when nothing is in the way', () => {
    const room = { x: 0, y: 0, width: 300, height: 200 };
    const box = { x: 20, y: 30, width: 80, height: 15 };
    expect(placeLabels([box], room)).toEqual([{ dx: 0, dy: 0 }]);
    expect(placeLabels([{ ...box, x: 280 }], room)).toEqual([{ dx: -60, dy: 0 }]);
  });

  it('are kept apart by the least way', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            x: fc.integer({ min: 0, max: 300 }),
            y: fc.integer({ min: 0, max: 200 }),
            width: fc.integer({ min: 20, max: 90 }),
            height: fc.constantFrom(15, 30),
          }),
          { minLength: 2, maxLength: 7 },
        ),
        (boxes) => {
          const room = { x: 0, y: 0, width: 500, height: 300 };
          const shifts = placeLabels(boxes, room);
          const placed = boxes.map((b, i) => ({
            ...b,
            x: b.x + (shifts[i]?.dx ?? 0),
            y: b.y + (shifts[i]?.dy ?? 0),
          }));
          expect(collisions(placed)).toBe(0);
          for (const b of placed) {
            expect(b.x).toBeGreaterThanOrEqual(0);
            expect(b.y + b.height).toBeLessThanOrEqual(300);
          }
        },
      ),
      { numRuns: 80, seed: 20261128 },
    );
  });
});
