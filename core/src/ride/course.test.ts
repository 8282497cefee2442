import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { drawnRoute, profileOf } from '../route/drawn.ts';
import { evenHill, type Route } from '../route/route.ts';
import { SURFACES, SURFACE_DATA } from '../route/surface.ts';
import { runs } from '../test/sample.ts';
import { EVERYDAY, courseOf, type Pace, type Wind } from './course.ts';

const PACE: Pace = { cruise: 6, descent: 9, ...EVERYDAY };
const STILL: Wind = { speed: 0, fromDeg: undefined, otherwise: 'ahead' };
const level = (lengths: readonly number[], more: Partial<Route> = {}): Route => ({
  ...drawnRoute(
    'Level',
    profileOf(
      lengths.map((lengthM) => ({ lengthM, gradePct: 0, bearingDeg: null })),
      0,
    ),
  ),
  ...more,
});
const list = (column: Float64Array): number[] => [...column];

describe('a course', () => {
  it('is cut at every change of grade, surface and limit, and at every stop', () => {
    const course = courseOf(
      level([400, 600], {
        spans: [{ fromM: 100, toM: 500, surface: 'gravel', limitKmh: 18 }],
        stops: [{ atM: 800, waitS: 12 }],
      }),
      STILL,
      PACE,
    );
    expect(list(course.end)).toEqual([100, 400, 500, 800, 1000]);
    expect(list(course.soft)).toEqual([0, 0.004, 0.004, 0, 0]);
    expect(list(course.limit)).toEqual([Infinity, 5, 5, Infinity, Infinity]);
    expect(list(course.wait)).toEqual([NaN, NaN, NaN, 12, NaN]);
    expect(course.metres).toBe(1000);
  });

  it('lets a later span lie over an earlier one', () => {
    const course = courseOf(
      level([100], {
        spans: [
          { fromM: 0, toM: 100, surface: 'gravel', limitKmh: null },
          { fromM: 40, toM: 60, surface: 'snow', limitKmh: null },
        ],
      }),
      STILL,
      PACE,
    );
    expect(list(course.soft)).toEqual([0.004, 0.028, 0.004]);
  });

  it('has on every piece the ground of the span that was written last, however they lie (property)', () => {
    const span = fc
      .tuple(fc.integer({ min: 0, max: 900 }), fc.integer({ min: 1, max: 400 }), fc.constantFrom(...SURFACES))
      .map(([fromM, long, surface]) => ({ fromM, toM: fromM + long, surface, limitKmh: null }));
    const stop = fc.record({ atM: fc.integer({ min: 1, max: 1000 }), waitS: fc.integer({ min: 1, max: 9 }) });
    fc.assert(
      fc.property(
        fc.array(span, { maxLength: 12 }),
        fc.uniqueArray(stop, { maxLength: 6, selector: (one) => one.atM }),
        (spans, stops) => {
          const { count, end, soft, wait } = courseOf(level([400, 600], { spans, stops }), STILL, PACE);
          for (let i = 0; i < count; i += 1) {
            const middle = ((end[i - 1] ?? 0) + (end[i] ?? 0)) / 2;
            const last = spans.findLast((s) => s.fromM <= middle && s.toM >= middle);
            expect(soft[i]).toBe(SURFACE_DATA[last?.surface ?? 'paved'].adds);
            expect(wait[i]).toBe(stops.find((s) => s.atM === end[i])?.waitS ?? NaN);
          }
        },
      ),
      runs(300),
    );
  });

  it('is the same road in every wind, and however hard is braked', () => {
    const bent = { ...evenHill('Up', 300, 4), andBack: true };
    const calm = courseOf(bent, STILL, PACE);
    const blown = courseOf(bent, { speed: 5, fromDeg: undefined, otherwise: 'ahead' }, { ...PACE, brake: 3 });
    expect(list(blown.ahead).every((v) => v === 5)).toBe(true);
    expect(list(calm.ahead).every((v) => v === 0)).toBe(true);
    expect(list(blown.sine)).toEqual(list(calm.sine));
    expect(list(courseOf(bent, STILL, PACE).endLimit)).toEqual(list(calm.endLimit));
  });

  it('says how fast a piece may end, so that the brakes do for everything after it (v^2 = 2 b x)', () => {
    const course = courseOf(level([500, 30], { stops: [{ atM: 530, waitS: 5 }] }), STILL, PACE);
    expect(list(course.endLimit)).toEqual([Math.sqrt(2 * 1.2 * 30), 0]);
    // A bend of nothing and the end of the road hold nobody back.
    expect(list(courseOf(level([100]), STILL, PACE).endLimit)).toEqual([Infinity]);
  });

  it('goes there and back as often as it is ridden; stops stay where they are', () => {
    const route: Route = {
      ...evenHill('Up', 300, 4),
      stops: [{ atM: 100, waitS: 7 }],
      andBack: true,
      times: 2,
    };
    const course = courseOf(route, STILL, PACE);
    expect(list(course.end).map(Math.round)).toEqual([100, 300, 500, 600, 700, 900, 1100, 1200]);
    expect(list(course.wait)).toEqual([7, NaN, 7, NaN, 7, NaN, 7, NaN]);
    const up = course.sine[0] ?? 0;
    expect(list(course.sine).map((s) => Math.sign(s / up))).toEqual([1, 1, -1, -1, 1, 1, -1, -1]);
    expect(course.sine[0]).toBeCloseTo(Math.sin(Math.atan(0.04)), 9);
    expect(course.cosine[0]).toBeCloseTo(Math.cos(Math.atan(0.04)), 9);
  });

  it('meets the wind as its bearing has it', () => {
    const at = (bearingDeg: number): [number, number] => {
      const route = drawnRoute('One way', profileOf([{ lengthM: 100, gradePct: 0, bearingDeg }], 0));
      const { ahead, across } = courseOf(route, { speed: 6, fromDeg: 90, otherwise: 'ahead' }, PACE);
      return [ahead[0] ?? NaN, Math.abs(across[0] ?? NaN)];
    };
    expect(at(90)[0]).toBeCloseTo(6, 12);
    expect(at(270)[0]).toBeCloseTo(-6, 12);
    expect(at(0)[1]).toBeCloseTo(6, 12);
    expect(at(45)[0]).toBeCloseTo(6 * Math.SQRT1_2, 12);
  });

  it('has a wind from all sides where its direction, or that of the road, is not known', () => {
    const at = (bearingDeg: number | null, fromDeg: number | undefined): readonly number[] => {
      const route = drawnRoute('One way', profileOf([{ lengthM: 100, gradePct: 0, bearingDeg }], 0));
      const c = courseOf(route, { speed: -6, fromDeg, otherwise: 'all-sides' }, PACE);
      return [c.ahead[0] ?? NaN, c.across[0] ?? NaN, c.allSides[0] ?? NaN].map((x) => x + 0);
    };
    expect(at(90, undefined)).toEqual([0, 0, 6]);
    expect(at(null, 90)).toEqual([0, 0, 6]);
    expect(at(90, 90)[0]).toBeCloseTo(-6, 12);
    expect(at(90, 90)[2]).toBe(0);
  });
});
