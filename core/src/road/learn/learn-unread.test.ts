import { describe, expect, it } from 'vitest';
import type { BuildDocument } from '../../document/document.ts';
import { withValue } from '../../document/quantity-at.ts';
import { longtail, trike } from '../../test/demo.ts';
import { coast, everyday, hill, of, outcome, ride } from '../../test/learn-rides.ts';

const U = { source: 'unknown' } as const;
/** Nobody has chosen the motor, or read anything of it. */
const noMotor: BuildDocument = {
  ...longtail,
  drive: {
    ...longtail.drive,
    name: '',
    ...Object.fromEntries(
      Object.entries(longtail.drive)
        .filter(([, v]) => typeof v === 'object' && 'source' in v)
        .map(([key]) => [key, U]),
    ),
  },
};
/** Whose speed the volts end. */
const free: BuildDocument = withValue(
  withValue(
    { ...trike, controller: { ...trike.controller, limitsSpeed: false, limitsPower: false } },
    'controller.batteryCurrentA',
    80,
  ),
  'controller.phaseCurrentA',
  250,
);
/** Neither volts nor cells of its pack were read. */
const noVolts: BuildDocument = {
  ...free,
  packs: [{ ...free.packs[0], make: 'ready', nominalV: U, cellsInSeries: U }],
};
const truth = { 'donor.cdaM2': 1.2, 'donor.crr': 1.3 };
const rides = [coast(longtail, truth, 1), everyday(longtail, truth, 2), hill(longtail, truth, 3, 1500)];

describe('learning where nobody has read what drives', () => {
  it('of a motor that nobody has chosen nothing is learnt, and no ride under its power tells drag or rolling', () => {
    const told = outcome(noMotor, rides);
    expect(told.standsIn).toBe('with a usual motor');
    // What the leads take is read off volts and amps, whatever turns on them.
    expect(told.values.map((v) => v.path)).toEqual(['donor.cdaM2', 'donor.crr', 'packs.0.wiringMohm']);
    expect(of(told, 'donor.crr').toldBy).toEqual(['coast-down']);
    expect(told.heat).toBeUndefined();
    expect(told.off).toEqual([]);
    expect(told.leftOut.map((l) => l.why)).toEqual(
      Array.from({ length: 2 }, () => 'no motor is chosen, so what it loses is not known'),
    );
  });

  it('nor is the motor’s turns for a volt, where nobody has read the volts', () => {
    const top = { key: 't', ride: ride('top-speed', { topKmh: 34 }), recording: undefined };
    const flat = everyday(trike, truth, 2);
    expect(outcome(free, [top]).values.map((v) => v.path)).toContain('drive.kvRpmPerV');
    const told = outcome(noVolts, [top, flat]);
    expect(told.standsIn).toBe('with a usual pack');
    expect(told.values.map((v) => v.path)).not.toContain('drive.kvRpmPerV');
    expect(told.values.map((v) => v.path)).toContain('donor.crr');
  });

  it('a plan that was read says nothing of the kind', () => {
    expect(outcome(longtail, rides.slice(0, 1)).standsIn).toBe('');
  });
});
