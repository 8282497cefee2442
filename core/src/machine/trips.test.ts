import { describe, expect, it } from 'vitest';
import { climb } from '../ride/climb.ts';
import { evaluate } from '../test/evaluate.ts';
import { rideCourse } from '../ride/route-ride.ts';
import { courseOf } from '../ride/course.ts';
import { constantSpeedRange } from '../ride/range.ts';
import { pace } from '../test/rides.ts';
import { sample } from '../test/sample.ts';
import { evenHill } from '../route/route.ts';
import { assemble } from './assemble.ts';
import { Board, opensAfter } from './trips.ts';

describe('a protection board', () => {
  // Worked beforehand: y of the label times 1.5.
  it.each([
    [1.05, 19.5],
    [1.2, 4.5],
    [1.5, 1.6],
    [2, 0.67],
  ])('at %s times what it bears opens after %s s', (y, seconds) => {
    expect(opensAfter(20, y * 1.5 * 20)).toBeCloseTo(seconds, 1);
  });

  it('carries its label for ever, half as much again for now, and opens at once far beyond', () => {
    expect(opensAfter(20, 20)).toBeUndefined();
    expect(opensAfter(20, 30)).toBeUndefined();
    expect(opensAfter(20, 80)).toBe(0);
    expect(opensAfter(Infinity, 1000)).toBeUndefined();
  });

  it('forgets while little flows', () => {
    const board = new Board();
    for (let i = 0; i < 20; i += 1) {
      board.carry(2, 1);
      board.carry(0.25, 3);
    }
    expect(board.open).toBe(false);
    board.carry(2, 3);
    expect(board.open).toBe(true);
  });
});

describe('a controller that asks more than the board bears', () => {
  const strong = (bmsCurrentA: number) =>
    sample({
      brief: { hillGradePct: 12, hillLengthM: 400, riderMassKg: 95, riderPowerW: 0 },
      drive: { massKg: 6, kvRpmPerV: 42 },
      controller: { batteryCurrentA: 40, phaseCurrentA: 110, limitsSpeed: false },
      controls: { throttle: 'full' },
      pack: { bmsCurrentA, capacityAh: 25, cellsInSeries: 13, healthPct: 100 },
    });

  it('cuts out on the hill, in place of a slower speed', () => {
    const weak = climb(assemble(strong(15)), 0.5, 400, 12, 'best');
    const sound = climb(assemble(strong(60)), 0.5, 400, 12, 'best');
    if (!weak.climbs || !sound.climbs) throw new Error('stalls');
    expect(weak.v).toBeCloseTo(sound.v, 9);
    expect(weak.cutsOutAfter).toBeLessThan(10);
    expect(sound.cutsOutAfter).toBeUndefined();
    const figure = evaluate(strong(15)).figures.find((f) => f.id === 'hill');
    expect(figure).toMatchObject({ state: 'stop', words: 'Cuts out', value: undefined });
  });

  it('ends a ride where it opens', () => {
    const machine = assemble(strong(15));
    const hill = courseOf(
      evenHill('', 2000, 12),
      { speed: 0, fromDeg: undefined, otherwise: 'ahead' },
      pace(40),
    );
    const ride = rideCourse(machine, hill, { pace: pace(40), legs: 'resting', gear: 'best', charge: 1 });
    expect(ride.ends).toBe('cut-out');
    expect(ride.metres).toBeLessThan(200);
  });

  it('does not hold a speed that takes so much, and says that it is the protection', () => {
    const range = constantSpeedRange(assemble(strong(4)), 10, 1);
    expect(range.holds).toBe(false);
    expect(range.holds ? '' : range.limit).toBe('pack-protection');
  });

  it('whose label nobody has read opens nothing, and is not fine', () => {
    const unread = sample({ pack: { bmsCurrentA: { source: 'unknown' } } });
    const verdict = evaluate(unread);
    expect(verdict.power.chain.links.find((l) => l.id === 'bms')?.state).toBe('unknown');
    expect(verdict.figures.find((f) => f.id === 'hill')?.words).toBeUndefined();
  });

  it('can be said to have none: then nothing opens, and that is a look', () => {
    const bare = sample({ pack: { board: 'no', bmsCurrentA: 15 }, controller: { batteryCurrentA: 40 } });
    const { power } = evaluate(bare);
    expect(power.chain.links.some((l) => l.id === 'bms')).toBe(false);
    expect(power.checks.find((c) => c.id === 'board')?.state).toBe('look');
    expect(assemble(bare).limits.bmsA).toBe(Infinity);
  });
});
