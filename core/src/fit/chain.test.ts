import { describe, expect, it } from 'vitest';
import { chainLinks, lengthInPitches, pitchDiameterMm, teethInMesh } from './chain.ts';
import { centreFor, nextStock } from './external-checks.ts';

/** The exact length of a belt round two circles: two tangents and two arcs, in pitches. Plain geometry. */
function exact(n1: number, n2: number, centre: number, pitch: number): number {
  const [r1, r2] = [n1, n2].map((n) => (n * pitch) / (2 * Math.PI)) as [number, number];
  const lean = Math.asin((r2 - r1) / centre);
  const tangents = 2 * centre * Math.cos(lean);
  return (tangents + r1 * (Math.PI - 2 * lean) + r2 * (Math.PI + 2 * lean)) / pitch;
}

describe('length round two sprockets', () => {
  // Worked by hand with ISO 606 pitch 12.7 mm: 2 x 430/12.7 = 67.72; (44+34)/2 = 39; (10/2 pi)^2/33.86 = 0.07.
  it('is 106.79 links for 44 on 34 at 430 mm', () => {
    expect(lengthInPitches(34, 44, 430, 12.7)).toBeCloseTo(106.79, 2);
  });

  // By hand: 2 x 440/12.7 = 69.29; (42+18)/2 = 30; (24/2 pi)^2/34.65 = 0.42.
  it('is 99.71 links for 42 on 18 at 440 mm', () => {
    expect(lengthInPitches(18, 42, 440, 12.7)).toBeCloseTo(99.71, 2);
  });

  it.each([
    [11, 44, 320, 12.7],
    [18, 42, 440, 12.7],
    [34, 38, 801, 12.7],
    [22, 72, 400, 5],
  ])('is within a tenth of a pitch of the exact tangents: %d and %d at %d mm', (n1, n2, centre, pitch) => {
    expect(lengthInPitches(n1, n2, centre, pitch)).toBeCloseTo(exact(n1, n2, centre, pitch), 1);
  });
});

describe('links of chain', () => {
  it('are even, and an inch more for a rear mechanism (common practice: largest on largest and two links)', () => {
    expect(chainLinks(44, 34, 430, true)).toBe(110);
    expect(chainLinks(42, 18, 440, false)).toBe(100);
  });

  // Common practice, no source: a bigger ring by four teeth wants two links more.
  it('grow by two for four teeth more', () => {
    expect(chainLinks(46, 18, 440, false) - chainLinks(42, 18, 440, false)).toBe(2);
  });

  it('never shrink with ring, cog or chainstay', () => {
    for (let ring = 22; ring < 60; ring += 1) {
      expect(chainLinks(ring + 1, 34, 440, true)).toBeGreaterThanOrEqual(chainLinks(ring, 34, 440, true));
      expect(chainLinks(42, 34, 400 + ring + 1, true)).toBeGreaterThanOrEqual(
        chainLinks(42, 34, 400 + ring, true),
      );
    }
  });
});

describe('sprockets', () => {
  // ISO 606: pitch diameter p / sin(180/N); 12.7 mm and 18 teeth give 73.14 mm, 42 teeth 169.94 mm.
  it.each([
    [18, 73.14],
    [42, 169.94],
  ])('of %d teeth have a pitch diameter of %d mm', (teeth, mm) => {
    expect(pitchDiameterMm(teeth, 12.7)).toBeCloseTo(mm, 2);
  });

  it('have half their teeth in mesh when they are alike, and fewer on the smaller when they are not', () => {
    expect(teethInMesh(20, 20, 300, 12.7)).toBeCloseTo(10, 9);
    expect(teethInMesh(11, 44, 320, 12.7)).toBeLessThan(5.5);
    expect(teethInMesh(11, 44, 900, 12.7)).toBeGreaterThan(teethInMesh(11, 44, 320, 12.7));
  });
});

describe('the next length sold', () => {
  it('is even for a chain, and from the list for a belt of 5 or 8 mm pitch', () => {
    expect(nextStock(99.7, 'chain', 12.7)).toBe(100);
    expect(nextStock(100.3, 'chain', 12.7)).toBe(102);
    expect(nextStock(101, 'belt', 8)).toBe(110);
    expect(nextStock(87.2, 'belt', 3)).toBe(88);
  });

  it('runs at a centre distance that gives just that length', () => {
    for (const [n1, n2, pitches] of [
      [11, 44, 90],
      [22, 72, 200],
      [18, 42, 100],
    ] as const) {
      const centre = centreFor(pitches, n1, n2, 8);
      expect(lengthInPitches(n1, n2, centre, 8)).toBeCloseTo(pitches, 9);
    }
  });
});
