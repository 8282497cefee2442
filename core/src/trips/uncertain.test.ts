import { describe, expect, it } from 'vitest';
import { evenHill } from '../route/route.ts';
import { sample, type Changes } from '../test/sample.ts';
import { rangeBand } from './range-band.ts';
import { chancesOf } from './uncertain.ts';

const UNKNOWN = { source: 'unknown' } as const;
const at = (source: 'measured' | 'assumed', value: number) => ({ source, value });

const width = (changes: Changes, kind: 'geared-hub' | 'direct-drive-hub' = 'direct-drive-hub'): number => {
  const build = sample({ controls: { assistSensor: 'none', throttle: 'full' }, ...changes }, kind);
  const run = rangeBand(build, evenHill('', 4000, 0), 120, 11, 1000);
  const step = run.next();
  if (step.done !== true) throw new Error('unfinished');
  const { band } = step.value;
  return (band.p95 - band.p05) / band.p50;
};
const chanceOf = (changes: Changes, path: string) =>
  chancesOf(sample(changes)).find((c) => c.moves.some((m) => m.known.path === path));

describe('what is drawn together', () => {
  it('is core drag of one motor, and health of packs that are of one age', () => {
    const drag = chanceOf({ drive: { hysteresisNm: UNKNOWN, eddyNms: UNKNOWN } }, 'drive.eddyNms');
    expect(drag?.name).toBe('Core drag of the motor');
    expect(drag?.moves.map((m) => m.known.path)).toEqual(['drive.hysteresisNm', 'drive.eddyNms']);
  });

  it('is everything that follows from the mass of a motor which nobody has weighed', () => {
    const guessed = chanceOf({ drive: { massKg: UNKNOWN } }, 'drive.massKg');
    expect(guessed?.name).toBe('Size of the motor');
    expect(chanceOf({ drive: { massKg: 6 } }, 'drive.massKg')?.name).toBe('Motor');
  });

  it('is a resistance that follows from Kv: one that was entered stays where it is', () => {
    const of = (resistanceOhm: Changes['drive']) =>
      chanceOf({ drive: { kvRpmPerV: UNKNOWN, ...resistanceOhm } }, 'drive.resistanceOhm')?.moves[0].follows;
    expect(of({ resistanceOhm: UNKNOWN })).toBe(true);
    expect(of({ resistanceOhm: 0.2 })).toBe(false);
  });

  it('is drag and rolling of one coast-down: nearly what is too much of the one is too little of the other', () => {
    const link = (source: 'measured' | 'assumed') =>
      chanceOf({ donor: { cdaM2: at(source, 0.5), crr: at(source, 0.008) } }, 'donor.crr')?.with;
    expect(link('measured')?.rho).toBe(-0.95);
    expect(link('assumed')).toBeUndefined();
  });

  it('makes a band from one coast-down narrower than the same errors apart', () => {
    const pair = width({ donor: { cdaM2: at('measured', 0.5), crr: at('measured', 0.008) } });
    // The one measured, the other by its label at the same spread: not of one coast-down.
    const apart = width({ donor: { cdaM2: at('measured', 0.5), crr: at('assumed', 0.008) } });
    expect(pair).toBeLessThan(apart);
  });
});

describe('how wide a default is', () => {
  it('follows from what is known: Kv by watts and volts 12 %, by the label’s speed 5 % (from memory)', () => {
    const share = (drive: Changes['drive']) =>
      chanceOf({ drive: { kvRpmPerV: UNKNOWN, ...drive } }, 'drive.kvRpmPerV')?.moves[0].share;
    expect(share({ ratedPowerW: 500, labelV: 48 })).toBeCloseTo(0.12, 9);
    expect(share({ noLoadRpm: 300, labelV: 48 })).toBeCloseTo(0.05, 9);
  });

  it('is that of posture and tyre where they are said, and wider by the style alone', () => {
    const share = (donor: Changes['donor'], path: string) =>
      chanceOf({ donor: { cdaM2: UNKNOWN, crr: UNKNOWN, ...donor } }, path)?.moves[0].share;
    expect(share({ posture: 'hoods' }, 'donor.cdaM2')).toBeCloseTo(0.1, 9);
    expect(share({}, 'donor.cdaM2')).toBeCloseTo(0.15, 9);
    expect(share({ tyre: 'tourer' }, 'donor.crr')).toBeCloseTo(0.15, 9);
    expect(share({}, 'donor.crr')).toBeCloseTo(0.2, 9);
  });
});
