import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { BuildDocument } from '../../document/document.ts';
import { phraseText } from '../../quantity/phrase.ts';
import { courier, longtail, tandem, tourer, trike } from '../../test/demo.ts';
import { anyBuild, sample, type Changes, runs } from '../../test/sample.ts';
import { holdPointSchema } from './hold-point.ts';
import { pointsOf, keysOf, pointOf, bandOf, hub, leadAcid } from '../../test/bench-points.ts';

describe('a machine with two motors', () => {
  const each = hub({ drive: { motors: 'each-wheel', wheel: 'rear', torqueArms: 2, axleMm: 12 } });
  const pair = hub({ drive: { motors: 'pair', wheel: 'rear', torqueArms: 1, axleMm: 12 } });

  it.each([
    ['each-wheel', each, 'front'],
    ['pair', pair, 'right'],
  ] as const)('has the axle, nuts, arms and direction of both looked at: %s', (_, build, other) => {
    const points = pointsOf(build);
    for (const key of [
      'fitting/seat',
      'fitting/arms',
      'fitting/nuts',
      'fitting/wheel',
      'stand/direction',
      'stand/sound',
    ]) {
      const second = points.find((p) => p.key === `${key}-second`);
      expect(second?.title, key).toMatch(new RegExp(`${other} motor`));
      expect(second?.guards).toBe(pointOf(build, key).guards);
      expect(pointOf(build, key).title).toMatch(/motor$/);
    }
    expect(pointOf(build, 'stand/direction').how).toMatch(/other motor’s plug parted/);
  });

  it('takes both wheels out where each has one', () => {
    expect(pointOf(each, 'removal/wheel').title).toBe('Rear wheel out');
    expect(pointOf(each, 'removal/wheel-second').title).toBe('Front wheel out');
  });

  it('is one motor’s list where there is one', () => {
    expect(keysOf(hub()).filter((k) => k.endsWith('-second'))).toEqual([]);
    expect(pointOf(hub(), 'fitting/seat').title).toBe('Axle seated in both dropouts');
  });
});

describe('what is asked on the bench is there to be looked at', () => {
  const items = (build: BuildDocument, key: string): readonly string[] => {
    const { evidence } = pointOf(build, key);
    if (evidence.kind === 'ticks') return evidence.items;
    return evidence.kind === 'readings' ? evidence.names : [];
  };

  it('brakes: those that are left once the hub is in, and no lever of one that went out with it', () => {
    const drum = hub({
      donor: { brakeFront: 'rim', brakeRear: 'drum' },
      drive: { wheel: 'rear' },
    });
    expect(items(drum, 'ride/brakes')).toEqual(['Front']);
    expect(items(drum, 'cutoffs/brake')).toEqual(['Front']);
    expect(items(drum, 'sensors/brakes')).toEqual(['Front lever']);
    expect(pointOf(drum, 'ride/brakes').title).toBe('The brake at riding speed');
    expect(items(hub({ donor: { brakeFront: 'rim', brakeRear: 'rim' } }), 'ride/brakes')).toEqual([
      'Front',
      'Rear',
      'Both, loaded',
    ]);
    // Before dismantling the donor has what it has.
    expect(items(drum, 'inspection/brakes')).toEqual(['Front brake', 'Rear brake', 'Pads sound']);
  });

  it('without a brake the ride is not asked for: one has to be fitted first', () => {
    const none = hub({ donor: { brakeFront: 'none', brakeRear: 'none' } });
    expect(items(none, 'ride/brakes')).toEqual(['A brake is fitted, and stops it loaded']);
    expect(pointOf(none, 'ride/brakes').guards).toBe(true);
    expect(items(none, 'inspection/brakes')).toEqual(['A brake is fitted']);
  });

  it('torque arms only where the plan has them', () => {
    for (const key of ['ride/again', 'later/again']) {
      expect(items(hub({ drive: { torqueArms: 2 } }), key)).toContain('Torque arms');
      expect(items(hub({ drive: { torqueArms: 0 } }), key)).not.toContain('Torque arms');
    }
  });

  it('of a motor on a drive of its own: its mount, sprockets and chain, and no lock ring', () => {
    const external = sample({}, 'external');
    for (const key of ['ride/again', 'later/again']) {
      expect(items(external, key)).toContain('Motor mount');
      expect(items(external, key).join()).not.toMatch(/Lock ring/);
    }
    expect(items(sample({}, 'mid-drive'), 'later/again')).toContain('Lock ring');
  });

  it('a motor with brushes: its two leads, and no halls, phases or levels of help', () => {
    const brushed = sample(
      { drive: { commutation: 'brushes' }, controls: { assistSensor: 'none', throttle: 'full' } },
      'external',
    );
    expect(pointOf(brushed, 'stand/direction').otherwise).toContain('two leads over');
    const told = ['direction', 'speed', 'idle'].map((key) => {
      const { how, otherwise } = pointOf(brushed, `stand/${key}`);
      return how + otherwise;
    });
    expect(told.join(' ')).not.toMatch(/hall|phase|pole pairs|help/i);
    expect(pointOf(hub(), 'stand/direction').otherwise).toContain('phases and halls');
  });

  it('each charger by itself before it meets its pack: by where its cells end, whatever the plan says, else unheld', () => {
    const bands = (build: BuildDocument) => bandOf(build, 'pack/charger');
    // A 48 V lead-acid pack is absorbed at up to 58.8 V (24 cells of 2.45 V) and floats from 54 V (2.25 V).
    expect(bands(leadAcid)[0]).toBeCloseTo(54, 6);
    expect(bands(leadAcid)[1]).toBeCloseTo(58.8, 6);
    // Thirteen cells end at 54.6 V; a charger of sixteen (67.2 V) in the plan does not make it right.
    for (const volts of [54.6, 67.2]) {
      const [low, high] = bands(hub({ pack: { cellsInSeries: 13, nominalV: 48 }, charger: { volts } }));
      expect(low).toBeGreaterThan(53);
      expect(low).toBeLessThanOrEqual(54.6);
      expect(high).toBeGreaterThanOrEqual(54.6);
      expect(high).toBeLessThan(56);
    }
    expect(bands(hub({ pack: { cellsInSeries: { source: 'unknown' } } }))).toEqual([null, null]);
    expect(pointOf(leadAcid, 'pack/charger').guards).toBe(true);
    expect(keysOf(tandem).filter((key) => /pack\/charger/.test(key))).toHaveLength(tandem.packs.length);
  });

  it('what opens the battery lead: the switch, the breaker, or its plug where only a fuse sits in it', () => {
    const told = (cabling: Changes['cabling']): string => {
      const build = hub({ cabling: { inrush: 'resistor', preChargeOhm: 100, ...cabling } });
      return JSON.stringify([pointOf(build, 'power/pre-charge'), pointOf(build, 'pack/charger')]);
    };
    const breaker = told({ protection: 'breaker', fuseA: 40 });
    expect(breaker).toMatch(/before the breaker.*sides of the open breaker.*breaker stays off.*breaker off/);
    const hand = told({ protection: 'breaker', fuseA: 40, passes: ['pull-plug'], pullPlugA: 60 });
    expect(hand).toMatch(
      /before the main switch.*sides of the open switch.*switch stays off.*main switch off/,
    );
    for (const protection of ['fuse', 'none', 'unknown'] as const) {
      const plug = told({ protection });
      expect(plug).toMatch(
        /before the plug.*sides of the parted plug.*plug stays parted.*battery plug parted/,
      );
      expect(plug).not.toContain('breaker');
    }
  });

  it('whether a switch or diodes keep packs apart, of those that are not joined directly', () => {
    const two = (how: 'switch' | 'combiner' | 'parallel'): BuildDocument =>
      hub({ second: { join: how, nominalV: 48, cellsInSeries: 13, capacityAh: 10 } });
    expect(keysOf(hub())).not.toContain('cold/apart');
    expect(keysOf(two('parallel'))).not.toContain('cold/apart');
    expect(keysOf(two('parallel'))).toContain('pack/together');
    for (const how of ['switch', 'combiner'] as const) {
      const point = pointOf(two(how), 'cold/apart');
      expect(point).toMatchObject({ guards: true, evidence: { names: ['Pack 1 joined', 'Pack 2 joined'] } });
      expect(bandOf(two(how), 'cold/apart')).toEqual([-0.2, 0.5]);
      // It comes before the controller is joined to anything.
      expect(keysOf(two(how)).indexOf('cold/apart')).toBeLessThan(keysOf(two(how)).indexOf('cold/polarity'));
    }
    expect(pointOf(two('combiner'), 'cold/apart').otherwise).toContain('10 kohm');
  });

  it('whether what guards the lead is the one of the plan, at each pack where each has its own', () => {
    const items = (build: BuildDocument): string => JSON.stringify(pointOf(build, 'cold/fuse').evidence);
    const told = (cabling: NonNullable<Changes['cabling']>, more: Changes = {}) =>
      hub({ ...more, cabling, pack: { nominalV: 48, cellsInSeries: 13 } });
    expect(items(told({ protection: 'fuse', fuseA: 30 }))).toMatch(
      /F1: 30 A is printed on it; within a hand’s width of the pack.*direct current of 55\u00a0V or more/,
    );
    // What nobody has read is asked for, and no default is looked for on the bench.
    expect(items(told({ protection: 'breaker', fuseA: { source: 'unknown' } }))).toMatch(
      /Q1: its amps are read/,
    );
    expect(items(told({ protection: 'unknown' }))).toContain('Kind, amps and volts as printed');
    expect(keysOf(told({ protection: 'none' }))).not.toContain('cold/fuse');
    const second = { join: 'parallel', nominalV: 48, cellsInSeries: 13, capacityAh: 10 } as const;
    const each = told({ protection: 'fuse', fuseA: 20 }, { second, joining: { branchFuses: 'yes' } });
    expect(items(each)).toMatch(/F1: 20 A[^"]*pack 1".*F2: 20 A[^"]*pack 2"/);
    expect(pointOf(each, 'cold/fuse')).toMatchObject({
      guards: true,
      title: 'The fuse at each pack is the one of the plan',
    });
    // Whether each pack has its own is asked where nobody has said it, and never reads as one for all.
    const unsaid = told({ protection: 'fuse', fuseA: 20 }, { second });
    expect(items(unsaid)).toMatch(/where the packs meet.*One at each pack, or one for all: looked at/);
    expect(items(each)).not.toContain('one for all');
    expect(pointOf(told({ protection: 'breaker', fuseA: 40 }), 'cold/fuse').how).not.toContain('holder');
    // A fuse that is as planned, and as wrong as the plan, is put right before a pack is joined: asked for once.
    const wrong = told({ protection: 'fuse', fuseA: 100, leadMm2: 1.5 });
    expect(items(wrong)).not.toContain('at most');
    expect(JSON.stringify(pointOf(wrong, 'power/plan'))).toMatch(
      /fuse below what the lead carries: at most \d+/i,
    );
    expect(keysOf(told({ protection: 'fuse', fuseA: 30, leadMm2: 4 }))).not.toContain('power/plan');
    const uncounted = hub({
      cabling: { protection: 'fuse', fuseA: 30 },
      pack: { nominalV: 48, cellsInSeries: { source: 'unknown' } },
    });
    expect(items(uncounted)).toContain('Made for direct current of the full pack’s volts or more');
  });

  it('the lead that is dead, by what parts it: the switch before a fuse behind it', () => {
    const titles = (cabling: NonNullable<Changes['cabling']>): readonly string[] =>
      ['cold/off', 'cold/on'].map((key) =>
        pointOf(hub({ cabling }), key).title.replace('Battery lead, ', ''),
      );
    const passes = ['pull-plug'] as const;
    expect(titles({ protection: 'fuse', passes: [...passes] })).toEqual([
      'main switch off',
      'main switch on',
    ]);
    expect(titles({ protection: 'breaker' })).toEqual(['breaker off', 'breaker on']);
    expect(titles({ protection: 'fuse' })).toEqual(['fuse out', 'fuse in']);
    expect(titles({ protection: 'none' })).toEqual(['pack parted', 'pack joined']);
  });

  it('wherever a meter is held: its two probes, by places of their own, and nowhere else', () => {
    fc.assert(
      fc.property(anyBuild, (build) => {
        for (const { key, instrument, probes } of pointsOf(build)) {
          expect(probes !== null, key).toBe(instrument.startsWith('meter'));
          if (probes !== null) expect(probes.black, key).not.toBe(probes.red);
        }
      }),
      runs(40),
    );
    // Black on minus, red on plus: a meter that is turned shows a minus sign where the plug is right.
    expect(pointOf(hub(), 'cold/off').probes).toEqual({
      black: 'minus of the lead',
      red: 'plus of the lead',
    });
    // What was frozen before the probes were told is read as it was.
    const older: Record<string, unknown> = { ...pointOf(hub(), 'cold/off') };
    delete older['probes'];
    expect(holdPointSchema.parse(older).probes).toBeNull();
  });

  it('help that ends only where something ends it, and levels only where there are any', () => {
    const bare = hub({ controller: { limitsSpeed: false }, controls: { assistSensor: 'none' } });
    expect(items(bare, 'ride/short')).not.toContain('Help ends where it should');
    expect(pointOf(bare, 'ride/short').how).toContain('Throttle barely open');
    const helped = hub({ controller: { limitsSpeed: true }, controls: { assistSensor: 'cadence' } });
    expect(items(helped, 'ride/short')).toContain('Help ends where it should');
    expect(pointOf(helped, 'ride/short').how).toContain('Lowest level');
  });

  it('a chain on one cog by its slack, and a back-pedal brake by the pedals', () => {
    const coaster = sample(
      {
        donor: { brakeRear: 'coaster' },
        gearing: { cogTeeth: [19], hubRatios: [0.75, 1, 1.333] },
        controls: { throttle: 'none' },
      },
      'mid-drive',
    );
    const told = JSON.stringify(pointOf(coaster, 'fitting/chain'));
    expect(told).toMatch(/10 to 15 mm.*Every gear of the hub.*Pedalled back, it brakes/);
    expect(told).not.toMatch(/largest cog|without a jam/i);
    expect(pointOf(coaster, 'inspection/brakes').how).toContain('pedals backwards');
    expect(JSON.stringify(pointOf(coaster, 'fitting/bar'))).not.toContain('Throttle');
    expect(JSON.stringify(pointOf(sample({}, 'mid-drive'), 'fitting/chain'))).toMatch(
      /every gear.*Largest cog not tight/,
    );
  });

  it('a rotor’s bolts unless the motor takes none: not asked, it would read as fine', () => {
    const disc = (discMount: 'yes' | 'no' | 'unknown') =>
      keysOf(hub({ donor: { brakeRear: 'cable-disc' }, drive: { wheel: 'rear', discMount } }));
    expect(disc('yes')).toContain('fitting/rotor');
    expect(disc('unknown')).toContain('fitting/rotor');
    expect(disc('no')).not.toContain('fitting/rotor');
  });

  it('no raw key of a choice stands in its words', () => {
    for (const build of [courier, longtail, tandem, tourer, trike])
      for (const p of pointsOf(build))
        expect(`${p.title} ${p.how} ${p.caution} ${p.otherwise} ${phraseText(p.why)}`, p.key).not.toMatch(
          /\b(cable-disc|hydraulic-disc|direct-drive-hub|geared-hub|quick-release|each-wheel)\b/,
        );
  });
});
