import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { BuildDocument } from '../document/document.ts';
import { withValue } from '../document/quantity-at.ts';
import { wayOf } from '../ride/corners.ts';
import { anyBuild, runs, sample } from '../test/sample.ts';
import { lawFacts, type LawFacts } from './facts.ts';
import { lawCurves } from './law-curves.ts';

const facts = (build: BuildDocument): LawFacts => {
  const [first] = lawFacts(wayOf(build));
  if (first === undefined) throw new Error('no facts');
  return first.facts;
};

describe('the weather of the brief', () => {
  const speeds = (build: BuildDocument): Record<string, number | undefined> => {
    const { motorAloneKmh, throttleAloneKmh, peakWheelW, assistEndKmh } = facts(build);
    return Object.fromEntries(
      Object.entries({ motorAloneKmh, throttleAloneKmh, peakWheelW, assistEndKmh }).map(([k, f]) => [
        k,
        f?.high,
      ]),
    );
  };
  const on = (build: BuildDocument, airC: number, startC?: number): BuildDocument => {
    const day = withValue(build, 'brief.temperatureC', airC);
    return startC === undefined ? day : withValue(day, 'packs.0.startC', startC);
  };
  const free = sample({ controls: { throttle: 'full' }, controller: { limitsSpeed: false } });
  const outside: BuildDocument = { ...free, packs: [{ ...free.packs[0], kept: 'outside' }] };

  it('makes no machine slower than it can be: a frost brings nobody into a class', () => {
    const standard = speeds(on(free, 15));
    expect(speeds(on(outside, -15))).toEqual(speeds(on(outside, 15)));
    expect(speeds(on(free, -15))).toEqual(standard);
    expect(speeds(on(free, 15, -10))).toEqual(standard);
    expect(speeds(on(free, 35)).motorAloneKmh).toBeGreaterThan(standard['motorAloneKmh'] ?? Infinity);
  });

  it('has tyres that are pumped: soft ones bring nobody into a class either', () => {
    const soft = (build: BuildDocument, pct: number) => withValue(build, 'donor.pressurePct', pct);
    expect(speeds(soft(free, 40))).toEqual(speeds(free));
    expect(speeds(soft(on(free, -5), 60))).toEqual(speeds(free));
    expect(speeds(soft(free, 130)).motorAloneKmh).toBeGreaterThan(speeds(free)['motorAloneKmh'] ?? Infinity);
  });

  it('is that of the curves too', () => {
    const peak = (build: BuildDocument): number =>
      Math.max(...(lawCurves(build).ways[0]?.power ?? []).map((p) => p.watts));
    expect(peak(on(outside, -15))).toBe(peak(on(outside, 15)));
    expect(peak(on(outside, -15))).toBeCloseTo(facts(on(outside, -15)).peakWheelW?.high ?? NaN, 6);
  });

  it('leaves a limit that is reached as it is', () => {
    const limited = sample({
      controls: { throttle: 'full' },
      controller: { limitsSpeed: true, assistCutoffKmh: 24, assistTaperKmh: 0 },
    });
    expect(speeds(on(limited, -5)).motorAloneKmh).toBe(24);
  });

  it('moves nothing of any drawn build as it grows colder', () => {
    fc.assert(
      fc.property(anyBuild, fc.integer({ min: -25, max: 14 }), (build, airC) => {
        expect(speeds(on(build, airC))).toEqual(speeds(on(build, 15)));
      }),
      runs(60),
    );
  });
});
