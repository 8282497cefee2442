import { describe, expect, it } from 'vitest';
import { assemble } from '../machine/assemble.ts';
import { drawnRoute, profileOf } from '../route/drawn.ts';
import { SURFACES, type Surface } from '../route/surface.ts';
import { pace } from '../test/rides.ts';
import { sample } from '../test/sample.ts';
import { courseOf } from './course.ts';
import { Road } from './road.ts';

/** Rolling coefficient as ridden: the load at a standstill in still air on the level over the weight. */
function rolls(surface: Surface, tyreMm: number, crr: number, temperatureC = 20): number {
  const machine = assemble(sample({ brief: { temperatureC }, donor: { tyreMm, crr } }));
  const level = drawnRoute('Level', profileOf([{ lengthM: 1000, gradePct: 0, bearingDeg: null }], 0));
  const course = courseOf(
    { ...level, spans: [{ fromM: 0, toM: 1000, surface, limitKmh: null }] },
    { speed: 0, fromDeg: undefined, otherwise: 'ahead' },
    pace(20),
  );
  return new Road(machine, course, 1).load(0) / (machine.road.massKg * 9.80665);
}

describe('soft ground', () => {
  it('adds to what the tyre takes on paving, so that a racing tyre is not the better one in snow', () => {
    // From memory: snow and sand sink any tyre, a narrow one more.
    expect(rolls('paved', 28, 0.005)).toBeCloseTo(0.005, 9);
    expect(rolls('snow', 50, 0.008)).toBeCloseTo(0.036, 9);
    expect(rolls('snow', 28, 0.005)).toBeGreaterThan(rolls('snow', 100, 0.012));
    expect(rolls('sand', 100, 0.012)).toBeCloseTo(0.012 + 0.06 / Math.SQRT2, 9);
  });

  it('is never easier than paving', () => {
    for (const surface of SURFACES)
      expect(rolls(surface, 40, 0.006)).toBeGreaterThanOrEqual(rolls('paved', 40, 0.006));
  });

  it('is as soft as somebody has found it: it adds so many times what is usual', () => {
    const { road } = assemble(sample({ donor: { tyreMm: 50 } }));
    const found = assemble(sample({ donor: { tyreMm: 50 }, brief: { groundPct: 150 } })).road;
    expect(road.sinks).toBeCloseTo(1, 9);
    expect(found.sinks).toBeCloseTo(1.5, 9);
  });

  it('is rolled on by tyres that are harder in the cold: 1.1 % a degree from 20 C, from memory', () => {
    expect(rolls('paved', 40, 0.006, 0) / 0.006).toBeCloseTo(1.22, 9);
    expect(rolls('paved', 40, 0.006, -40) / 0.006).toBeCloseTo(1.5, 9);
    expect(rolls('paved', 40, 0.006, 45) / 0.006).toBeCloseTo(0.8, 9);
  });
});
