import { describe, expect, it } from 'vitest';
import { knownBuild } from '../document/known.ts';
import type { BuildDocument } from '../document/document.ts';
import { spreadingForceN } from './torque-arms.ts';
import { spacerTrade } from './spacers.ts';
import { rimChange } from './wheel-checks.ts';
import { checks, one, hub, mid } from '../test/fit-builds.ts';

describe('a hub between the dropouts', () => {
  // Common practice, no source: steel may be cold-set about 5 mm in all, aluminium not at all.
  it.each([
    ['steel', 135, 'fine'],
    ['steel', 137, 'look'],
    ['steel', 140, 'look'],
    ['steel', 141, 'stop'],
    ['aluminium', 136, 'stop'],
    ['steel', 134.5, 'fine'],
  ] as const)('of %s, motor %d mm in 135 mm: %s', (frameMaterial, overLocknutMm, state) => {
    expect(one(hub({ donor: { frameMaterial }, drive: { overLocknutMm } }), 'hub-width').state).toBe(state);
  });

  it('names how much is missing, and what to do', () => {
    const check = one(hub({ drive: { overLocknutMm: 145 } }), 'hub-width');
    expect(check).toMatchObject({ state: 'stop', value: 10, unit: 'mm', margin: -9.5 });
    expect(JSON.stringify(check.remedy)).toContain('another donor');
  });

  it('asks for a motor made for it where the axle is a through-axle, and no slot is asked about', () => {
    const build = hub({ donor: { axle: 'through' }, drive: { throughAxle: 'no' } });
    expect(one(build, 'axle-kind').state).toBe('stop');
    expect(checks(build).some((c) => c.id === 'slot-width')).toBe(false);
  });

  // Common practice: look at 0.2 mm, stop beyond 0.5 mm or on aluminium.
  it.each([
    ['steel', 10, 'fine'],
    ['steel', 9.8, 'look'],
    ['steel', 9.5, 'look'],
    ['steel', 9.4, 'stop'],
    ['aluminium', 9.8, 'stop'],
  ] as const)('of %s, flats of 10 in a slot of %d: %s', (frameMaterial, slotWidthMm, state) => {
    expect(one(hub({ donor: { frameMaterial, slotWidthMm } }), 'slot-width').state).toBe(state);
  });

  it('wants the slot as deep as the axle’s radius and a lip', () => {
    expect(one(hub({ donor: { slotDepthMm: 9 } }), 'slot-depth').state).toBe('fine');
    expect(one(hub({ donor: { slotDepthMm: 8.9 } }), 'slot-depth').state).toBe('look');
  });
});

describe('torque at the dropout', () => {
  // By hand: 40 N m over 10 mm across the flats is 4000 N.
  it('spreads the lips by torque over the width across the flats', () => {
    expect(spreadingForceN(40, 10)).toBeCloseTo(4000, 9);
  });

  it('is held by arms, more of them the stronger the motor', () => {
    const strong = { controller: { phaseCurrentA: 90 } };
    expect(one(hub({ ...strong, drive: { torqueArms: 0 } }), 'spread-driving').state).toBe('stop');
    const held = (armHoldsNm: number | { source: 'unknown' }) =>
      one(hub({ ...strong, drive: { torqueArms: 2, armHoldsNm } }), 'spread-driving');
    expect(held(60).state).toBe('fine');
    expect(held(25).state).toBe('stop');
    // What an arm holds goes by its thickness: nobody has read it, and it decides here.
    expect(held({ source: 'unknown' })).toMatchObject({ state: 'unknown', missing: ['drive.armHoldsNm'] });
  });

  it('turns round with regeneration: then arms are wanted whatever the material', () => {
    const build: BuildDocument = {
      ...hub({ controller: { phaseCurrentA: 20, regenerates: 'yes' }, drive: { torqueArms: 0 } }),
    };
    const direct = {
      ...build,
      drive: { ...build.drive, kind: 'direct-drive-hub' as const, freewheel: false },
    };
    expect(one(direct, 'torque-arms').state).toBe('stop');
    expect(checks(direct).some((c) => c.id === 'spread-braking')).toBe(true);
    expect(checks(build).some((c) => c.id === 'spread-braking')).toBe(false);
  });

  // Common practice: a soft suspension fork with a strong front hub is a stop; carbon is a stop.
  it('stops at carbon, and at an alloy suspension fork with a strong front hub', () => {
    expect(one(hub({ donor: { frameMaterial: 'carbon' } }), 'material').state).toBe('stop');
    const front = { drive: { wheel: 'front' as const }, controller: { phaseCurrentA: 80 } };
    const fork = { forkMaterial: 'aluminium' as const, forkKind: 'suspension' as const };
    expect(one(hub({ ...front, donor: fork }), 'material').state).toBe('stop');
    expect(one(hub({ ...front, donor: { ...fork, forkKind: 'rigid' } }), 'material').state).toBe('look');
    expect(one(hub({ ...front }), 'material').state).toBe('fine');
  });
});

describe('another rim', () => {
  // ISO 5775-1: 559 mm and 584 mm beads are 25 mm apart, so the end drops by 12.5 mm.
  it('of 559 in place of 584 drops the end by half the difference and moves the pads as far', () => {
    const change = rimChange(584, 559, 50, 1100, 'rear');
    expect(change.rideHeightMm).toBe(-12.5);
    expect(change.padMoveMm).toBe(12.5);
    // atan(12.5 / 1100) = 0.65 degrees.
    expect(change.steeringDeg).toBeCloseTo(-0.651, 3);
    expect(change.rolloutPct).toBeCloseTo(-3.69, 2);
  });

  it('asks for another brake where it has rims, and none where it has discs', () => {
    const other = { donor: { ownBeadMm: 584, beadMm: 559, brakeRear: 'rim' as const } };
    expect(one(hub(other), 'brake-reach').state).toBe('stop');
    expect(checks(hub({ donor: { ownBeadMm: 584 } })).some((c) => c.id === 'brake-reach')).toBe(false);
    expect(one(hub({}), 'ride-height').state).toBe('fine');
  });
});

describe('a mid-drive at the bracket', () => {
  // Common practice: 68/73 as it comes, wider shells want their own shaft.
  it.each([
    [68, 'fine'],
    [73, 'fine'],
    [83, 'stop'],
    [60, 'look'],
  ] as const)('in a shell of %d mm: %s', (shellWidthMm, state) => {
    expect(one(mid({ donor: { shellWidthMm } }), 'shell-width').state).toBe(state);
  });

  it('wants a sleeve in a 41 mm shell and does not go through a small one', () => {
    expect(one(mid({ donor: { shellBoreMm: 41 } }), 'shell-bore')).toMatchObject({
      state: 'look',
      words: 'sleeve of 3.8 mm wall',
    });
    expect(one(mid({ donor: { shellBoreMm: 33 } }), 'shell-bore').state).toBe('stop');
  });

  it('has two millimetres to the chainstay, or spacers to get them', () => {
    expect(one(mid(), 'gearbox-stay').state).toBe('fine');
    const tight = one(mid({ donor: { stayReachMm: 8.5 } }), 'gearbox-stay');
    expect(tight).toMatchObject({ state: 'stop', value: 0.5 });
    expect(JSON.stringify(tight.remedy)).toContain('1.5');
  });

  it('trades room against chainline: each millimetre of spacer gives one and takes one', () => {
    const known = knownBuild(mid({ donor: { stayReachMm: 8.5 } }));
    const { rows, from, to } = spacerTrade(known);
    for (let i = 1; i < rows.length; i += 1) {
      const [a, b] = [rows[i - 1], rows[i]];
      expect((b?.gapMm ?? 0) - (a?.gapMm ?? 0)).toBeCloseTo(0.5, 9);
      expect((b?.chainlineMm ?? 0) - (a?.chainlineMm ?? 0)).toBeCloseTo(0.5, 9);
    }
    // By hand: gap 9 + s - 8.5 >= 2 from s = 1.5; ring 34 + 14 + s - 48 <= 5 to s = 5.
    expect([from, to]).toEqual([1.5, 5]);
    expect(spacerTrade(knownBuild(mid({ donor: { stayReachMm: 20 } }))).from).toBeUndefined();
  });

  // Common practice: within 5 mm fine, to 10 look, beyond stop.
  it.each([
    [48, 'fine'],
    [53, 'fine'],
    [54, 'look'],
    [58, 'look'],
    [59, 'stop'],
  ] as const)('with the middle cog at %d mm: chainline %s', (chainlineMm, state) => {
    expect(one(mid({ donor: { chainlineMm } }), 'chainline').state).toBe(state);
  });

  it('is told when the chain is too short for a larger ring', () => {
    expect(one(mid(), 'chain-length').state).toBe('fine');
    expect(one(mid({ gearing: { ringTeeth: 52 } }), 'chain-length').state).toBe('stop');
  });
});

describe('the pack', () => {
  const at = (xMm: number, yMm: number, angleDeg = 52) => ({
    boxes: [{ place: 'down-tube' as const, at: { xMm, yMm, angleDeg } }],
  });

  it('has room in the preset triangle, and none where it is pushed into the seat tube', () => {
    expect(one(hub(), 'pack-room').state).toBe('fine');
    const clash = one(hub({ pack: at(430, 420) }), 'pack-room');
    expect(clash.state).toBe('stop');
    expect(JSON.stringify(clash.why)).toContain('runs into');
  });

  it('does not sit on a boss of the other tube; those of its own carry the cradle', () => {
    const bosses = [{ tube: 'seat-tube' as const, alongMm: 180 }];
    const free = one(hub({ donor: { bosses } }), 'pack-boss');
    expect(free.state).toBe('fine');
    const on = one(hub({ donor: { bosses }, pack: at(425, 480) }), 'pack-boss');
    expect(on.state).toBe('stop');
    const own = [{ tube: 'down-tube' as const, alongMm: 300 }];
    expect(one(hub({ donor: { bosses: own } }), 'pack-boss').state).toBe('fine');
  });

  it('is not called fine on a frame whose outline nobody took', () => {
    expect(one(hub({ donor: { outline: 'unknown' } }), 'pack-room').state).toBe('unknown');
  });

  it('is no wider than the knees pass', () => {
    expect(one(hub({ pack: { boxWidthMm: 95 } }), 'pack-knees').state).toBe('fine');
    expect(one(hub({ pack: { boxWidthMm: 140 } }), 'pack-knees').state).toBe('stop');
  });

  it('does not load a carrier beyond its rating', () => {
    const onRack = { boxes: [{ place: 'rear-rack' as const, at: null }], massKg: 8 };
    expect(one(hub({ pack: onRack, donor: { rackLoadKg: 25 } }), 'rack-load').state).toBe('fine');
    expect(one(hub({ pack: onRack, donor: { rackLoadKg: 10 } }), 'rack-load').state).toBe('stop');
    expect(one(hub({ pack: onRack }), 'rack-load').state).toBe('unknown');
  });
});
