import { describe, expect, it } from 'vitest';
import type { BuildDocument } from '../document/document.ts';
import { checks, hub, one, subjectOf, type Changes } from '../test/fit-builds.ts';
import { sample } from '../test/sample.ts';
import { externalDrive } from './external-checks.ts';
import { spokeOf, spokeTensionN } from './spoke-checks.ts';
import { rimChange } from './wheel-checks.ts';

const UNKNOWN = { source: 'unknown' } as const;
const text = (phrase: readonly unknown[]): string =>
  phrase
    .map((part) => (typeof part === 'string' ? part : (part as { value: number }).value.toFixed(1)))
    .join('');
/** Reason and remedy as they are read. */
const heard = (check: { why: readonly unknown[]; remedy: readonly unknown[] }): string =>
  `${text(check.why)} ${text(check.remedy)}`;
const front = (changes: Changes): BuildDocument => {
  const build = hub(changes);
  return { ...build, drive: { ...build.drive, wheel: 'front' } };
};

describe('a hub that is narrower than its dropouts', () => {
  const fat = (overLocknutMm: number, axleLengthMm: number) =>
    front({ donor: { frontOldMm: 150 }, drive: { overLocknutMm, axleLengthMm } });

  it('is never fine: washers, then adapters, and an axle that reaches through them (common practice)', () => {
    expect(one(fat(145, 180), 'hub-narrow').state).toBe('look');
    expect(text(one(fat(145, 180), 'hub-narrow').remedy)).toMatch(/washers/);
    const wide = one(fat(100, 200), 'hub-narrow');
    expect(wide.state).toBe('look');
    expect(wide.value).toBe(50);
    expect(text(wide.remedy)).toMatch(/adapters that fill 25.0/);
    expect(one(fat(90, 200), 'hub-narrow').state).toBe('stop');
    expect(checks(fat(100, 200)).some((c) => c.id === 'hub-width')).toBe(false);
  });

  it('needs 150 + 2 (6 + 12) = 186 mm of axle there', () => {
    expect(one(fat(100, 186), 'axle-length').state).toBe('fine');
    expect(one(fat(100, 183), 'axle-length').state).toBe('look');
    expect(one(fat(100, 170), 'axle-length').state).toBe('stop');
    const unknown = front({
      donor: { frontOldMm: 150 },
      drive: { overLocknutMm: 100, axleLengthMm: UNKNOWN },
    });
    expect(one(unknown, 'axle-length').state).toBe('unknown');
    // One of the right width is asked for no length.
    expect(checks(front({})).some((c) => c.id === 'axle-length' || c.id === 'hub-narrow')).toBe(false);
  });
});

describe('torque arms', () => {
  const arms = (changes: Changes, torqueArms: 0 | 1 | 2, wheel: 'front' | 'rear' = 'rear') => {
    const build = hub({ ...changes, drive: { ...changes.drive, torqueArms } });
    return one({ ...build, drive: { ...build.drive, wheel } }, 'torque-arms');
  };
  const unread: Changes = { controller: { phaseCurrentA: UNKNOWN } };

  it('are wanted on a front hub and in alloy whatever the phase amps are', () => {
    expect(arms(unread, 0, 'front').state).toBe('stop');
    expect(arms({ ...unread, donor: { frameMaterial: 'aluminium' } }, 0).state).toBe('stop');
    expect(arms({ ...unread, donor: { frameMaterial: 'unknown' } }, 0, 'front').state).toBe('stop');
  });

  it('are enough where two are fitted, and not known where one might be too few', () => {
    expect(arms(unread, 2).state).toBe('fine');
    expect(arms({ ...unread, donor: { frameMaterial: 'aluminium' } }, 1).state).toBe('unknown');
    expect(arms({ controller: { phaseCurrentA: 20 } }, 0).state).toBe('fine');
    expect(arms({ controller: { phaseCurrentA: 20 }, donor: { frameMaterial: 'unknown' } }, 0).state).toBe(
      'unknown',
    );
  });
});

describe('what steel would be judged otherwise', () => {
  const at = (
    frameMaterial: 'unknown' | 'steel' | 'aluminium',
    changes: { readonly rearOldMm?: number; readonly slotWidthMm?: number; readonly dropoutMm?: number },
  ) =>
    hub({
      donor: { frameMaterial, rearOldMm: 135, slotWidthMm: 10, dropoutMm: 6, ...changes },
      drive: { overLocknutMm: 135, flatsMm: 10 },
    });

  it.each([
    ['hub-width', { rearOldMm: 135 }, 'fine'],
    ['hub-width', { rearOldMm: 132 }, 'unknown'],
    ['hub-width', { rearOldMm: 120 }, 'stop'],
    ['slot-width', { slotWidthMm: 10 }, 'fine'],
    ['slot-width', { slotWidthMm: 9.7 }, 'unknown'],
    ['slot-width', { slotWidthMm: 9 }, 'stop'],
    ['dropout-plate', { dropoutMm: 7 }, 'fine'],
    ['dropout-plate', { dropoutMm: 5 }, 'unknown'],
    ['dropout-plate', { dropoutMm: 2 }, 'stop'],
  ] as const)('waits for the material only where it turns the answer: %s, %j is %s', (id, changes, state) => {
    expect(one(at('unknown', changes), id).state).toBe(state);
    const known = [one(at('steel', changes), id).state, one(at('aluminium', changes), id).state];
    expect(known[0] === known[1]).toBe(state !== 'unknown');
  });
});

describe('what carries the motor', () => {
  it('is never cast magnesium under a hub’s axle (common practice)', () => {
    const fork = (forkMaterial: 'magnesium' | 'unknown' | 'steel') =>
      one(
        front({ donor: { forkMaterial, forkKind: 'suspension' }, controller: { phaseCurrentA: 10 } }),
        'material',
      );
    expect(fork('magnesium').state).toBe('stop');
    expect(fork('unknown').state).toBe('unknown');
    expect(fork('steel').state).toBe('fine');
    const mid = sample({ donor: { frameMaterial: 'magnesium' } }, 'mid-drive');
    expect(one(mid, 'material').state).toBe('look');
    expect(heard(one(mid, 'material'))).not.toContain('takes the clamps');
  });

  it('stops by what is known, whatever else nobody has looked at', () => {
    const unseen = { frameMaterial: 'unknown', forkMaterial: 'unknown', forkKind: 'unknown' } as const;
    const state = (donor: object, end: 'front' | 'rear' = 'front') =>
      one((end === 'front' ? front : hub)({ donor: { ...unseen, ...donor } }), 'material').state;
    expect(state({ forkMaterial: 'magnesium' })).toBe('stop');
    expect(state({ forkMaterial: 'carbon' })).toBe('stop');
    expect(state({ frameMaterial: 'carbon' })).toBe('stop');
    expect(state({ frameMaterial: 'magnesium' }, 'rear')).toBe('stop');
    // Of a steel fork its kind is still asked, and of the frame its material.
    expect(state({ forkMaterial: 'steel' })).toBe('unknown');
  });

  it('asks an aluminium frame for torque arms only where an axle turns in it (common practice)', () => {
    const donor = { frameMaterial: 'aluminium' as const };
    const inWheel = one(hub({ donor }), 'material');
    expect([inWheel.state, heard(inWheel)]).toEqual(['look', expect.stringContaining('torque arms')]);
    const mid = one(sample({ donor }, 'mid-drive'), 'material');
    expect([mid.state, heard(mid)]).toEqual(['fine', expect.stringContaining('threads')]);
    const outside = one(sample({ donor, drive: { kind: 'external' } }), 'material');
    expect([outside.state, heard(outside)]).toEqual(['look', expect.stringContaining('dent')]);
    for (const check of [mid, outside]) expect(heard(check)).not.toMatch(/torque arm|slot/);
  });
});

describe('another rim', () => {
  it('tilts the steering only by what the ends differ: both changed alike, the bracket drops and nothing tilts', () => {
    expect(rimChange(622, 559, 50, 1050, 'rear', -31.5).steeringDeg).toBeCloseTo(0, 12);
    expect(rimChange(622, 559, 50, 1050, 'rear').steeringDeg).toBeCloseTo(-1.718, 2);
    const both = (bothRims: boolean) =>
      one(
        hub({ donor: { beadMm: 559, otherBeadMm: 559, ownBeadMm: 622, chainstayMm: 430, bothRims } }),
        'ride-height',
      );
    expect(text(both(true).why)).toMatch(/steering axis stays; the bracket drops 31.5 and pedals strike/);
    // By moments 31.5 (1 - 430/1050) = 18.6.
    expect(text(both(false).why)).toMatch(/turns 1.7°; the bracket drops 18.6/);
  });
});

describe('the disc', () => {
  const disc = (donorMm: number | typeof UNKNOWN, motorMm: number | typeof UNKNOWN) =>
    hub({ donor: { rotorMm: donorMm }, drive: { discMount: 'yes', rotorMm: motorMm } });

  it('of another size wants an adapter of half the difference (usual discs 160, 180 and 203 mm)', () => {
    expect(one(disc(160, 160), 'rotor-size').state).toBe('fine');
    const larger = one(disc(160, 203), 'rotor-size');
    expect(larger.state).toBe('look');
    expect(text(larger.why)).toMatch(/21.5 further from the axle/);
    expect(one(disc(UNKNOWN, 203), 'rotor-size').state).toBe('unknown');
    expect(checks(disc(UNKNOWN, UNKNOWN)).some((c) => c.id === 'rotor-size')).toBe(false);
  });
});

describe('cogs and cranks', () => {
  it('a cassette does not go on a motor with a thread', () => {
    const on = (own: 'cassette' | 'unknown', motor: 'freewheel' | 'cassette') => {
      const build = hub({ donor: { cogBody: own } });
      return one({ ...build, drive: { ...build.drive, cogBody: motor } }, 'cog-body').state;
    };
    expect(on('cassette', 'cassette')).toBe('fine');
    expect(on('cassette', 'freewheel')).toBe('look');
    expect(on('unknown', 'freewheel')).toBe('unknown');
    expect(checks(front({})).some((c) => c.id === 'cog-body')).toBe(false);
  });

  it('say what takes them out, and stop a motor in a shell without a thread', () => {
    const with_ = (cranks: 'square' | 'one-piece' | 'cottered' | 'unknown') =>
      one(sample({ donor: { cranks } }, 'mid-drive'), 'crank-tool');
    expect(with_('square')).toMatchObject({ state: 'fine', words: 'extractor, M22 x 1' });
    expect(with_('cottered').state).toBe('look');
    expect(with_('one-piece').state).toBe('stop');
    expect(with_('unknown').state).toBe('unknown');
  });
});

describe('spokes', () => {
  it('of 36 crossed three times on a small hub are 292 mm long (by coordinates)', () => {
    const lacing = { erdMm: 602, flangeMm: 45, flangeGapMm: 70, spokes: 36, crossings: 3 };
    const angle = (2 * Math.PI * 3) / 18;
    const [x, y, z] = [22.5 * Math.cos(angle) - 301, 22.5 * Math.sin(angle), 35];
    expect(spokeOf(lacing).lengthMm).toBeCloseTo(Math.hypot(x, y, z) - 1.3, 9);
    expect(spokeOf({ ...lacing, crossings: 0 }).offRadiusDeg).toBeCloseTo(0, 9);
  });

  it('of a large flange are crossed once at most, or the nipple kinks them', () => {
    const wheel = (crossings: number) => {
      const build = hub({
        donor: { erdMm: 540 },
        drive: { flangeMm: 230, flangeGapMm: 40, spokes: 36, crossings },
      });
      return one({ ...build, drive: { ...build.drive, lacing: 'own' } }, 'spokes').state;
    };
    expect(wheel(3)).toBe('stop');
    expect(wheel(0)).toBe('fine');
    expect(checks(hub()).some((c) => c.id === 'spokes')).toBe(false);
  });

  it('pull 14.5 N more at 60 N m on a flange of 230 mm, 37 N on one of 90 mm, 36 of them (worked by hand)', () => {
    const wheel = { erdMm: 540, flangeGapMm: 40, spokes: 36, crossings: 1 };
    expect(spokeTensionN(60, { ...wheel, flangeMm: 230 })).toBeCloseTo(14.5, 1);
    expect(spokeTensionN(60, { ...wheel, flangeMm: 90 })).toBeCloseTo(37, 0);
  });
});

describe('a rear end that swings', () => {
  const folder = (sprung: 'yes' | 'no' | 'unknown', swingRoomMm: number | typeof UNKNOWN = UNKNOWN) => {
    const build = sample({ donor: { style: 'folding', sprung, swingRoomMm } });
    return {
      ...build,
      packs: [
        { ...build.packs[0], boxes: [{ place: 'seat-tube' as const, at: null }] },
      ] as typeof build.packs,
    };
  };

  it('is looked at on a folder and a recumbent as well, by the room measured through its travel', () => {
    expect(one(folder('unknown'), 'pack-shock').state).toBe('unknown');
    expect(one(folder('yes'), 'pack-shock').state).toBe('unknown');
    expect(one(folder('yes', 4), 'pack-shock').state).toBe('stop');
    expect(one(folder('yes', 15), 'pack-shock').state).toBe('fine');
    expect(checks(folder('no')).some((c) => c.id === 'pack-shock')).toBe(false);
  });
});

describe('chain or belt of an external drive', () => {
  const belt = (changes: Changes['drive'], idler: 'yes' | 'no') => {
    const build = sample(
      { drive: { motorSprocketTeeth: 14, wheelSprocketTeeth: 100, pitchMm: 5, centreMm: 160, ...changes } },
      'external',
    );
    return { ...build, drive: { ...build.drive, medium: 'belt' as const, idler } };
  };

  it('takes the belt that is in hand before one that is sold', () => {
    const own = externalDrive(subjectOf(belt({ lengthPitches: 131 }, 'no')));
    expect(own.stock).toBe(131);
    const sold = externalDrive(subjectOf(belt({ lengthPitches: UNKNOWN }, 'no')));
    // Belts of 5 mm pitch are sold in steps of a tooth in these lengths (from memory).
    expect(sold.stock).toBe(Math.ceil(sold.pitches - 0.01));
  });

  it('credits an idler with the slack it takes up, and with the teeth that are counted', () => {
    const near = { centreMm: 112 };
    expect(one(belt(near, 'no'), 'wrap').state).not.toBe('fine');
    expect(one(belt(near, 'yes'), 'wrap').state).toBe('unknown');
    expect(one(belt({ ...near, meshTeeth: 7 }, 'yes'), 'wrap').state).toBe('fine');
    const slack = { lengthPitches: 138 };
    const without = one(belt(slack, 'no'), 'stock-length');
    expect(without.value).toBeGreaterThan(15);
    expect(one(belt(slack, 'yes'), 'stock-length').margin).toBeCloseTo((without.margin ?? 0) + 20, 9);
  });
});

describe('a donor that was electric already, and one with several cranks', () => {
  const keeping = (...keeps: BuildDocument['donor']['keeps']) =>
    checks(hub({ donor: { keeps } })).find((c) => c.id === 'kept-parts')?.state;

  it('keeps what was made for each other, and says what mixes badly (common practice)', () => {
    expect(keeping()).toBeUndefined();
    expect(keeping('motor', 'controller', 'display', 'pack')).toBe('fine');
    expect(keeping('motor', 'controller')).toBe('stop');
    expect(keeping('motor')).toBe('look');
    expect(keeping('pack')).toBe('look');
    expect(keeping('levers')).toBe('look');
  });

  it('has the motor on the set of cranks that the wheel’s chain leaves from', () => {
    const sets = (crankSets: number) =>
      checks(sample({ donor: { crankSets } }, 'mid-drive')).some((c) => c.id === 'timing-chain');
    expect([sets(1), sets(2)]).toEqual([false, true]);
  });
});
