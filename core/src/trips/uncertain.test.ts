import { describe, expect, it } from 'vitest';
import { evenHill } from '../route/route.ts';
import type { Surface } from '../route/surface.ts';
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

describe('the surface of a day', () => {
  const on = (surface: Surface, changes: Changes = {}) => {
    const road = {
      ...evenHill('', 4000, 0),
      spans: [{ fromM: 0, toM: 4000, surface, limitKmh: null }],
    };
    const build = sample({ controls: { assistSensor: 'none', throttle: 'full' }, ...changes });
    const step = rangeBand(build, road, 120, 11, 1000).next();
    if (step.done !== true) throw new Error('unfinished');
    const { band, causes } = step.value;
    const cause = causes.find((c) => c.known.path === 'brief.groundPct');
    return { width: (band.p95 - band.p05) / band.p50, cause, band };
  };

  it('is drawn once a ride where the road gives way (40 %, from memory), and named as what moves it', () => {
    const slush = on('snow');
    expect(slush.cause?.deviation).toBe(40);
    expect(slush.cause?.share).toBeGreaterThan(0.2);
    expect(slush.cause?.further).toBe(false);
    expect(slush.width).toBeGreaterThan(1.2 * on('paved').width);
    expect(on('paved').cause).toBeUndefined();
  });

  it('is narrower where it was measured, and shortens every ride where it is softer', () => {
    const measured = on('snow', { brief: { groundPct: { source: 'measured', value: 100 } } });
    expect(measured.width).toBeLessThan(on('snow').width);
    const softer = on('snow', { brief: { groundPct: { source: 'measured', value: 150 } } });
    expect(softer.band.p50).toBeLessThan(measured.band.p50);
  });
});

describe('how wide a default is', () => {
  it('follows from what is known: Kv by watts and volts 12 %, by the label’s speed 5 % (from memory)', () => {
    const share = (drive: Changes['drive']) =>
      chanceOf({ drive: { kvRpmPerV: UNKNOWN, ...drive } }, 'drive.kvRpmPerV')?.moves[0].share;
    expect(share({ ratedPowerW: 500, labelV: 48 })).toBeCloseTo(0.12, 9);
    expect(share({ noLoadRpm: 300, labelV: 48 })).toBeCloseTo(0.05, 9);
  });

  it('is 30 % for the controller’s own resistance, and that of a trailer’s tyres where one is towed (from memory)', () => {
    const share = (changes: Changes, path: string) => chanceOf(changes, path)?.moves[0].share;
    expect(share({ controller: { resistanceMohm: UNKNOWN } }, 'controller.resistanceMohm')).toBeCloseTo(
      0.3,
      9,
    );
    const towing: Changes = { brief: { trailer: 'child', trailerCrr: UNKNOWN, trailerKg: 14 } };
    expect(share(towing, 'brief.trailerCrr')).toBeCloseTo(0.2, 9);
    expect(share(towing, 'brief.trailerKg')).toBeCloseTo(0.005, 9);
    expect(share({}, 'brief.trailerCrr')).toBeUndefined();
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
