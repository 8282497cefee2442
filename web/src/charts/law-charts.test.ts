import { describe, expect, it } from 'vitest';
import { curveRules, lawCurves, newBuild, shippedRules, type BuildDocument } from '@apple-cart/core';
import { NAMED_INK as INK } from '../test/ink.ts';
import { series, tooltip, words } from '../test/options.ts';
import { cutoffChart, ratioChart, wheelPowerChart } from './law-charts.ts';

const label = (value: number) => ({ source: 'label' as const, value });
function build(change: (b: BuildDocument) => BuildDocument = (b) => b): BuildDocument {
  const base = newBuild('Lantern round');
  return change({
    ...base,
    drive: { ...base.drive, ratedPowerW: label(250) },
    controls: { ...base.controls, assistSensor: 'torque', assistRatio: label(2) },
    controller: {
      ...base.controller,
      limitsSpeed: true,
      assistCutoffKmh: label(25),
      assistTaperKmh: label(2),
    },
  });
}
const fast = (b: BuildDocument): BuildDocument => ({
  ...b,
  controller: {
    ...b.controller,
    profiles: [
      { name: 'Trail', reach: 'rider', limitsSpeed: true, cutoffKmh: 40, batteryA: 30, throttle: 'same' },
    ],
  },
});
const limits = [
  { name: 'EPAC', value: 25 },
  { name: 'L1e-B', value: 45 },
];

describe('the chart of the cut-off', () => {
  it('names where the help ends, in every profile, beside the classes’ limits', () => {
    const option = cutoffChart({ curves: lawCurves(build(fast)), limits, system: 'metric' }, INK);
    expect(words(option)).toContain('Ends at 25.0 km/h');
    expect(words(option)).toContain('Ends at 40.0 km/h');
    expect(words(option)).toContain('“Trail”');
    expect(words(option)).toContain('EPAC 25.0');
    expect(words(option)).toContain('L1e-B 45.0');
  });

  it('fades straight from two kilometres an hour below', () => {
    const [own] = lawCurves(build()).ways;
    expect(own?.share.map((p) => [Math.round(p.kmh), p.share])).toEqual([
      [0, 1],
      [23, 1],
      [25, 0],
    ]);
  });

  it('has room for the fastest limit, in miles too', () => {
    const option = cutoffChart({ curves: lawCurves(build()), limits, system: 'imperial' }, INK);
    expect((option.xAxis as { max: number }).max).toBeGreaterThan(45 / 1.609344);
    expect(words(option)).toContain('mph');
    expect(tooltip(option, 10)).toContain('10.0 mph');
  });
});

describe('the chart of power at the wheel', () => {
  const curves = lawCurves(build(fast));
  const rated = [
    { name: 'EPAC', value: 250 },
    { name: 'L1e-B', value: 4000 },
  ];
  const option = wheelPowerChart({ curves, rated, peak: [], system: 'metric' }, INK);

  it('shows the rating, what is held, and the limits that are near, not those far above', () => {
    expect(words(option)).toContain('rated 250 W');
    expect(words(option)).toContain('held thirty minutes');
    expect(words(option)).toContain('EPAC: 250 W');
    expect(words(option)).not.toContain('L1e-B');
  });

  it('keeps every curve under the end of its axis', () => {
    const top = (option.yAxis as { max: number }).max;
    for (const way of curves.ways) for (const p of way.power) expect(p.watts).toBeLessThan(top);
    expect(tooltip(option, 12)).toMatch(/W<\/b> at the wheel/);
  });
});

describe('the chart of help per rider force', () => {
  const rules = curveRules(shippedRules()).map((r) => ({ name: r.name, corners: r.clause.corners }));

  it('draws the build beside the curves that rules allow, with their values at the cursor', () => {
    const option = ratioChart({ curves: lawCurves(build()), rules, system: 'metric' }, INK);
    expect(words(option)).toContain('This build, as set');
    expect(words(option)).toContain('Japan, Assisted bicycle allows');
    // 2 - (17 - 10)/7 = 1 at 17 km/h.
    expect(tooltip(option, 17)).toContain('Japan, Assisted bicycle: <b>1.00</b>');
  });

  it('draws the rules alone where the help does not follow the rider', () => {
    const cadence = lawCurves(build((b) => ({ ...b, controls: { ...b.controls, assistSensor: 'cadence' } })));
    const option = ratioChart({ curves: cadence, rules, system: 'metric' }, INK);
    expect(words(option)).not.toContain('This build');
    expect(series(option).length).toBeGreaterThan(2);
  });
});
