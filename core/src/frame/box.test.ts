import { Line, Point as RefPoint, Polygon, Segment } from '@flatten-js/core';
import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { RUNS } from '../test/sample.ts';
import {
  boxDistance,
  clearance,
  corners,
  distanceToSegment,
  nearestBar,
  signedDistance,
  type Box,
} from './box.ts';
import type { Point } from './point.ts';

const box = (changes: Partial<Box> = {}): Box => ({
  x: 0,
  y: 0,
  lengthMm: 200,
  heightMm: 100,
  angleDeg: 0,
  ...changes,
});

const anyBox = fc.record({
  x: fc.integer({ min: -500, max: 1500 }),
  y: fc.integer({ min: 0, max: 1200 }),
  lengthMm: fc.integer({ min: 30, max: 600 }),
  heightMm: fc.integer({ min: 20, max: 250 }),
  angleDeg: fc.integer({ min: -180, max: 180 }),
});
const anyPoint = fc.record({
  x: fc.integer({ min: -500, max: 1500 }),
  y: fc.integer({ min: 0, max: 1200 }),
});

const polygon = (b: Box): Polygon => new Polygon(corners(b).map(({ x, y }) => [x, y] as [number, number]));

describe('a box', () => {
  it('has its corners where its centre, length, height and turn put them', () => {
    expect(corners(box())).toEqual([
      { x: -100, y: -50 },
      { x: 100, y: -50 },
      { x: 100, y: 50 },
      { x: -100, y: 50 },
    ]);
    // A quarter turn stands it on end.
    const [first] = corners(box({ angleDeg: 90 }));
    expect(first.x).toBeCloseTo(50, 9);
    expect(first.y).toBeCloseTo(-100, 9);
  });

  // Worked by hand: beside a face the distance is straight out, off a corner by Pythagoras (3, 4, 5).
  it.each([
    [{ x: 160, y: 0 }, 60],
    [{ x: 0, y: 80 }, 30],
    [{ x: 130, y: 90 }, 50],
    [{ x: 0, y: 0 }, -50],
    [{ x: 90, y: 0 }, -10],
  ])('is as far from %o as the hand says', (point, mm) => {
    expect(signedDistance(box(), point)).toBeCloseTo(mm, 9);
  });

  it('has its nearest bar found without searching along the others', () => {
    const bar = fc.record({ a: anyPoint, b: anyPoint, radius: fc.integer({ min: 5, max: 30 }) });
    fc.assert(
      fc.property(anyBox, fc.array(bar, { minLength: 1, maxLength: 8 }), (b, bars) => {
        const rooms = bars.map((one) => clearance(b, one.a, one.b, one.radius));
        const nearest = nearestBar(b, bars);
        expect(nearest?.mm).toBe(Math.min(...rooms));
        expect(nearest?.bar).toBe(bars[rooms.indexOf(Math.min(...rooms))]);
      }),
      RUNS,
    );
    expect(nearestBar(box(), [])).toBeUndefined();
  });

  it('keeps off a round bar by its radius', () => {
    expect(clearance(box(), { x: -300, y: 80 }, { x: 300, y: 80 }, 14)).toBeCloseTo(16, 6);
    expect(clearance(box(), { x: -300, y: 40 }, { x: 300, y: 40 }, 14)).toBeLessThan(0);
  });

  it('stands from another by the gap between them, and less than nothing when they overlap', () => {
    expect(boxDistance(box(), box({ x: 220 }))).toBeCloseTo(20, 6);
    expect(boxDistance(box(), box({ x: 150 }))).toBeLessThan(-40);
  });
});

describe('against a general-purpose geometry library (@flatten-js/core)', () => {
  it('agrees on the distance to a segment wherever they do not touch, over many boxes', () => {
    let apart = 0;
    fc.assert(
      fc.property(anyBox, anyPoint, anyPoint, (b: Box, p: Point, q: Point) => {
        if (Math.hypot(p.x - q.x, p.y - q.y) < 1) return;
        const ours = distanceToSegment(b, p, q);
        const segment = new Segment(new RefPoint(p.x, p.y), new RefPoint(q.x, q.y));
        const [theirs] = polygon(b).distanceTo(segment);
        // A touch or an overlap is nought there and nought or less here.
        if (ours > 1e-3) {
          apart += 1;
          expect(ours).toBeCloseTo(theirs, 3);
        } else {
          // A segment wholly inside is off the outline there, and inside here.
          expect(theirs < 2e-3 || polygon(b).contains(segment)).toBe(true);
        }
      }),
      RUNS,
    );
    expect(apart).toBeGreaterThan(40);
  });

  it('agrees on which points are inside', () => {
    fc.assert(
      fc.property(anyBox, anyPoint, (b: Box, p: Point) => {
        const ours = signedDistance(b, p);
        if (Math.abs(ours) < 1e-3) return;
        expect(polygon(b).contains(new RefPoint(p.x, p.y))).toBe(ours < 0);
      }),
      RUNS,
    );
  });

  it('agrees that the line through its centre along its axis leaves by the middle of its ends', () => {
    const b = box({ x: 300, y: 400, angleDeg: 30 });
    const direction = { x: Math.cos(Math.PI / 6), y: Math.sin(Math.PI / 6) };
    const line = new Line(new RefPoint(b.x, b.y), new RefPoint(b.x + direction.x, b.y + direction.y));
    const hits = line.intersect(polygon(b));
    expect(hits).toHaveLength(2);
    for (const hit of hits) expect(Math.hypot(hit.x - b.x, hit.y - b.y)).toBeCloseTo(100, 6);
  });
});

describe('room', () => {
  it('never grows with the box', () => {
    fc.assert(
      fc.property(
        anyBox,
        anyPoint,
        anyPoint,
        fc.integer({ min: 0, max: 200 }),
        fc.integer({ min: 0, max: 200 }),
        (b: Box, p: Point, q: Point, longer, higher) => {
          const bigger = { ...b, lengthMm: b.lengthMm + longer, heightMm: b.heightMm + higher };
          expect(clearance(bigger, p, q, 15)).toBeLessThanOrEqual(clearance(b, p, q, 15) + 1e-6);
        },
      ),
      RUNS,
    );
  });
});
