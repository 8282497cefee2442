import { describe, expect, it } from 'vitest';
import { knownBuild } from '../document/known.ts';
import { assemble } from '../machine/assemble.ts';
import { phraseText } from '../quantity/phrase.ts';
import { sample, type Changes } from '../test/sample.ts';
import type { DriveKind } from '../document/choices.ts';
import { ratingChecks } from './over-rating.ts';

const UNKNOWN = { source: 'unknown' } as const;
function checksOf(changes: Changes, kind: DriveKind = 'geared-hub') {
  const build = sample(changes, kind);
  return ratingChecks(build, knownBuild(build), assemble(build));
}
const at = (id: string, changes: Changes, kind?: DriveKind) =>
  checksOf(changes, kind).find((c) => c.id === id);
const legal = (nominalV: number, labelV: number | typeof UNKNOWN = 36): Changes => ({
  drive: {
    ratedPowerW: 250,
    labelV,
    massKg: UNKNOWN,
    kvRpmPerV: UNKNOWN,
    resistanceOhm: UNKNOWN,
    hysteresisNm: UNKNOWN,
    eddyNms: UNKNOWN,
    reduction: UNKNOWN,
  },
  pack: { nominalV, cellsInSeries: Math.round(nominalV / 3.6) },
});

describe('the turns of the field', () => {
  const can = (kvRpmPerV: number, polePairs: number | typeof UNKNOWN): Changes => ({
    drive: { kvRpmPerV, polePairs, reduction: 1 },
    pack: { nominalV: 48, cellsInSeries: 13 },
  });

  it.each([
    // By hand: 54.6 V full, less what drags: some 142 x 54 x 7 = 53,700 a minute, 890 a second.
    [142, 7, 'look'],
    [60, 7, undefined],
    [200, 7, 'stop'],
    [142, UNKNOWN, undefined],
  ] as const)(
    'of an outrunner of %s rpm/V and %s pole pairs: %s (common practice: 400 and 1000 a second)',
    (kv, pairs, state) => {
      expect(at('field-turns', can(kv, pairs), 'external')?.state).toBe(state);
    },
  );

  it('are asked of no brushes', () => {
    const brushed = can(200, 7);
    expect(
      at(
        'field-turns',
        { drive: { ...brushed.drive, commutation: 'brushes' }, pack: { nominalV: 48 } },
        'external',
      ),
    ).toBeUndefined();
  });
});

describe('a motor on more volts than its label’s', () => {
  it.each([
    [36, 'fine'],
    [48, 'fine'],
    [60, 'look'],
    [72, 'stop'],
  ] as const)('a geared 36 V hub on %s V: %s (common practice: 1.35 and 1.7 times)', (volts, state) => {
    expect(at('over-volts', legal(volts))?.state).toBe(state);
  });

  it('lets a direct drive have twice (common practice)', () => {
    expect(at('over-volts', legal(70), 'direct-drive-hub')?.state).toBe('look');
    expect(at('over-volts', legal(75), 'direct-drive-hub')?.state).toBe('stop');
  });

  it('says speed, core loss and what it holds: twice the loss, 420 W in place of 270 at 1.67 times', () => {
    const why = at('over-volts', { ...legal(60), brief: { temperatureC: 25 } })?.why ?? [];
    expect(JSON.stringify(why)).toMatch(/1\.67 times the speed/);
    const watts = why.flatMap((part) => (typeof part !== 'string' && part.unit === 'W' ? [part.value] : []));
    const [core, more, holds, held] = watts;
    // The core's loss goes with about k^1.5, never with k^2.
    expect((more ?? 0) / (core ?? 1)).toBeGreaterThan(1.67);
    expect((more ?? 0) / (core ?? 1)).toBeLessThan(1.67 ** 2);
    expect((holds ?? 0) / (held ?? 1)).toBeGreaterThan(1.3);
    expect((holds ?? 0) / (held ?? 1)).toBeLessThan(1.7);
  });

  it('is asked for its label only where the pack is above what is usual for its watts', () => {
    expect(at('over-volts', legal(48, UNKNOWN))?.state).toBe('unknown');
    expect(at('over-volts', legal(36, UNKNOWN))).toBeUndefined();
  });
});

describe('a motor on more amps, and more turns, than its own', () => {
  it('is fine to one and a half times and looked at beyond: a rating is often what the law wrote (common practice)', () => {
    // 250 W over 0.8 x 36 V are 8.7 A.
    const amps = (batteryCurrentA: number) =>
      at('over-amps', { ...legal(36), controller: { batteryCurrentA } })?.state;
    // 250 W is what the law asks for: such motors take 14 to 17 A at 36 V (from memory).
    expect([amps(12), amps(17), amps(20)]).toEqual(['fine', 'fine', 'look']);
    expect(at('over-amps', legal(36, UNKNOWN))).toBeUndefined();
    // With brushes 250 W is what the motor bears: 17 A of 24 V are 1.3 times its 13 A, 25 A nearly twice.
    const brushed = (batteryCurrentA: number) =>
      at('over-amps', {
        ...legal(24, 24),
        drive: { ...legal(24, 24).drive, commutation: 'brushes' },
        controller: { batteryCurrentA },
      })?.state;
    expect([brushed(17), brushed(25)]).toEqual(['fine', 'look']);
    // Never more for minutes than for a launch.
    const weak = at('over-amps', {
      ...legal(36),
      drive: { ...legal(36).drive, ratedPowerW: 200 },
      controller: { batteryCurrentA: 16 },
    });
    expect(phraseText(weak?.limit ?? [])).toBe('at most 2.4 times for minutes, 2.4 for a launch');
  });

  it('is said beyond 3000 turns of planets in a hub', () => {
    expect(at('motor-turns', legal(36))).toBeUndefined();
    const fast = at('motor-turns', { ...legal(72), drive: { ...legal(72).drive, kvRpmPerV: 50 } });
    expect(fast?.state).not.toBe('fine');
  });
});
