import { describe, expect, it } from 'vitest';
import { drawnRoute, profileOf, routeLengthM, type Route } from '@apple-cart/core';
import { movedNode, smoothedAnew, splitStretch, stretchesOf, withStretches } from './edit-profile.ts';

const road: Route = {
  ...drawnRoute(
    'Road',
    profileOf(
      [
        { lengthM: 400, gradePct: 0, bearingDeg: 90 },
        { lengthM: 600, gradePct: 5, bearingDeg: null },
      ],
      50,
    ),
  ),
  spans: [{ fromM: 300, toM: 900, surface: 'gravel', limitKmh: null }],
  stops: [{ atM: 950, waitS: 10 }],
};

describe('a drawn road', () => {
  it('made of its own stretches is itself', () => {
    expect(withStretches(road, stretchesOf(road)).profile).toEqual(road.profile);
    expect(withStretches(road, [])).toBe(road);
  });

  it('cut short loses the marks that lie beyond its end', () => {
    const short = withStretches(road, [{ lengthM: 500, gradePct: 1, bearingDeg: null }]);
    expect(short.spans).toEqual([{ fromM: 300, toM: 500, surface: 'gravel', limitKmh: null }]);
    expect(short.stops).toEqual([]);
  });

  it('has a point more where a stretch is cut, at the same height', () => {
    const cut = splitStretch(road, 1);
    expect(cut.profile).toHaveLength(4);
    expect(routeLengthM(cut)).toBe(1000);
    expect(cut.profile[2]?.elevationM).toBeCloseTo(
      ((road.profile[1]?.elevationM ?? 0) + (road.profile[2]?.elevationM ?? 0)) / 2,
      1,
    );
    expect(splitStretch(road, 9)).toBe(road);
  });
});

describe('a point that is dragged', () => {
  it('stays between its neighbours; the first only goes up and down, the last may go on', () => {
    expect(movedNode(road, 1, { distanceM: 5000, elevationM: 60 }).profile[1]).toMatchObject({
      distanceM: 995,
      elevationM: 60,
    });
    expect(movedNode(road, 1, { distanceM: -5, elevationM: 60 }).profile[1]?.distanceM).toBe(5);
    expect(movedNode(road, 0, { distanceM: 80, elevationM: 40 }).profile[0]).toMatchObject({
      distanceM: 0,
      elevationM: 40,
    });
    expect(movedNode(road, 2, { distanceM: 1500, elevationM: 1e6 }).profile[2]).toMatchObject({
      distanceM: 1500,
      elevationM: 8900,
    });
    expect(movedNode(road, 7, { distanceM: 1, elevationM: 1 })).toBe(road);
  });
});

describe('a recorded road', () => {
  const recorded = {
    latDeg: Array.from({ length: 60 }, (_, i) => i / 5000),
    lonDeg: Array.from({ length: 60 }, () => 0),
    elevationM: Array.from({ length: 60 }, (_, i) => 100 + (i % 2) * 3),
    smoothM: 0,
  };
  it('is smoothed anew from what was recorded, and forgets that once it is drawn upon', () => {
    const rough = smoothedAnew({ ...road, recorded }, 0);
    const smooth = smoothedAnew(rough, 200);
    const up = (r: Route): number =>
      r.profile.reduce(
        (sum, p, i) => sum + Math.max(0, p.elevationM - (r.profile[i - 1]?.elevationM ?? p.elevationM)),
        0,
      );
    expect(up(smooth)).toBeLessThan(0.5 * up(rough));
    expect(smooth.recorded?.smoothM).toBe(200);
    expect(smoothedAnew(road, 100)).toBe(road);
    expect(movedNode(smooth, 1, { distanceM: 11, elevationM: 100 }).recorded).toBeNull();
  });
});
