import { describe, expect, it } from 'vitest';
import { knownBuild } from '../document/known.ts';
import type { BuildDocument } from '../document/document.ts';
import { assemble } from '../machine/assemble.ts';
import { sample } from '../test/sample.ts';
import { externalDrive } from './external-checks.ts';
import { fitChecks } from './fit.ts';
import { axleTorqueNm } from './axle-torque.ts';
import { gripGrades } from './load-checks.ts';
import { bossPoints, feetRoom, nearestRooms, seatedMm } from './pack-room.ts';
import { subject } from './subject.ts';

const subjectOf = (build: BuildDocument) => subject(build, knownBuild(build), assemble(build), 7);
const stateOf = (build: BuildDocument, id: string) => fitChecks(subjectOf(build)).find((c) => c.id === id);

const taken = { outline: 'measured' as const, bosses: [] };
const box = (xMm: number, yMm: number, angleDeg = 0, place = 'free' as const) => ({
  boxes: [{ place, at: { xMm, yMm, angleDeg } }],
  boxLengthMm: 300,
  boxHeightMm: 90,
  boxWidthMm: 90,
});

describe('room round a free box', () => {
  it('names the wheel that it runs into', () => {
    const near = nearestRooms(subjectOf(sample({ donor: taken, pack: box(-100, 500) })))[0];
    expect(near?.what).toBe('rear wheel');
    expect(near?.mm).toBeLessThan(0);
    expect(stateOf(sample({ donor: taken, pack: box(-100, 500) }), 'pack-room')?.state).toBe('stop');
  });

  it('is plenty far above everything', () => {
    const check = stateOf(sample({ donor: taken, pack: box(500, 1700) }), 'pack-room');
    expect(check?.state).toBe('fine');
    expect(check?.margin ?? 0).toBeGreaterThan(300);
  });

  it('does not count wheels that stand in pairs beside the box', () => {
    const boxes = [{ place: 'cargo-box' as const, at: null }];
    const trike = subjectOf(sample({ donor: { ...taken, style: 'trike' }, pack: { boxes } }));
    expect(nearestRooms(trike)[0]?.what).not.toBe('front wheel');
  });

  it('has no tube to sit on', () => {
    const s = subjectOf(sample({ pack: box(500, 900) }));
    const [first] = s.boxes;
    expect(first === undefined ? 0 : seatedMm(s, first, 'free')).toBeUndefined();
  });
});

describe('feet', () => {
  const wide = (xMm: number, yMm: number) =>
    sample({ donor: { ...taken, bracketHeightMm: 285 }, pack: { ...box(xMm, yMm), boxWidthMm: 220 } });

  // Statics of a foot: a 170 mm crank and a heel 180 mm behind the pedal reach 350 mm behind the bracket.
  it('strike a wide box within crank and heel of the bracket, and none beyond', () => {
    const s = subjectOf(wide(500, 900));
    const [first] = s.boxes;
    if (first === undefined) throw new Error('no box');
    const behind = (mm: number) => ({
      ...first,
      lengthMm: 1,
      heightMm: 1,
      x: s.frame.bracket.x - mm,
      y: s.frame.bracket.y,
    });
    expect(feetRoom(s, behind(340))).toBeLessThan(0);
    expect(feetRoom(s, behind(380))).toBeGreaterThan(20);
    expect(stateOf(wide(430, 300), 'pack-feet')?.state).toBe('stop');
  });

  it('pass a box no wider than 100 mm', () => {
    expect(
      stateOf(sample({ donor: { ...taken, bracketHeightMm: 285 }, pack: box(430, 300) }), 'pack-feet')?.state,
    ).toBe('fine');
  });
});

describe('bottle bosses', () => {
  it('stand out from the tube into the triangle, two of them 64 mm apart', () => {
    const s = subjectOf(sample({ donor: { ...taken, bosses: [{ tube: 'seat-tube', alongMm: 200 }] } }));
    const [low, high] = bossPoints(s);
    if (low === undefined || high === undefined) throw new Error('two');
    expect(Math.hypot(high.x - low.x, high.y - low.y)).toBeCloseTo(64, 6);
    // Ahead of the seat tube: the triangle is in front of it.
    const axis = s.frame.bracket.x + ((s.frame.points.seatTop?.x ?? 0) - s.frame.bracket.x) * 0.37;
    expect(low.x).toBeGreaterThan(axis);
  });

  it('are not called fine before anybody has looked for them', () => {
    expect(stateOf(sample({ donor: { outline: 'measured' } }), 'pack-boss')?.unanswered).toContain(
      'bottle bosses',
    );
  });
});

describe('a frame that swings', () => {
  const trail = (shockStrokeMm: number, xMm: number) =>
    sample({
      donor: { ...taken, style: 'full-suspension', shockStrokeMm, beadMm: 622 },
      pack: box(xMm, 600, 50),
    });

  it('keeps the pack ten millimetres off shock and rocker through the travel', () => {
    expect(stateOf(trail(50, 900), 'pack-shock')?.state).toBe('fine');
    expect(stateOf(trail(50, 470), 'pack-shock')?.state).toBe('stop');
  });

  it('asks for the stroke before it answers', () => {
    const build = sample({ donor: { ...taken, style: 'full-suspension' } });
    expect(stateOf(build, 'pack-shock')?.missing).toContain('donor.shockStrokeMm');
  });
});

describe('two boxes', () => {
  const two = (gap: number) =>
    sample({
      donor: taken,
      pack: {
        ...box(0, 0),
        boxes: [
          { place: 'free', at: { xMm: 500, yMm: 1500, angleDeg: 0 } },
          { place: 'free', at: { xMm: 800 + gap, yMm: 1500, angleDeg: 0 } },
        ],
      },
    });

  it.each([
    [5, 'fine'],
    [1, 'look'],
    [-20, 'stop'],
  ] as const)('%d mm apart: %s', (gap, state) => {
    expect(stateOf(two(gap), 'pack-apart')?.state).toBe(state);
  });
});

describe('balance', () => {
  const at = { wheelbaseMm: 1000, massAheadMm: 450, massHeightMm: 1000, tyreGrip: 0.7, tyreGripWet: 0.4 };

  // Statics by hand, rear drive: lift at a/h = 45 %; slip at mu (L - a)/(L - mu h) = 0.7 x 0.55 / 0.3 = 128 %
  // dry and 0.4 x 0.55 / 0.6 = 36.7 % wet.
  it('looks at the rear wheel where little rests on it, and stops where nothing does (moments by hand)', () => {
    const on = (massAheadMm: number) =>
      stateOf(sample({ donor: { massAheadMm, wheelbaseMm: 1000 } }), 'rear-rests');
    expect(on(600)).toBeUndefined();
    expect(on(900)).toMatchObject({ state: 'look', title: 'Weight on the rear wheel' });
    expect(on(900)?.value).toBeCloseTo(10, 9);
    expect(on(1200)).toMatchObject({ state: 'stop' });
  });

  it('lifts and slips at the grades that moments give, rear drive', () => {
    const grades = gripGrades(subjectOf(sample({ donor: at })));
    expect(grades.liftPct).toBeCloseTo(45, 9);
    expect(grades.dryPct).toBeCloseTo(128.33, 2);
    expect(grades.wetPct).toBeCloseTo(36.67, 2);
  });

  // Front drive: mu a / (L + mu h) = 0.7 x 0.45 / 1.7 = 18.5 % dry, 0.4 x 0.45 / 1.4 = 12.9 % wet.
  it('slips far sooner with front drive', () => {
    const grades = gripGrades(subjectOf(sample({ donor: at, drive: { wheel: 'front' } })));
    expect(grades.dryPct).toBeCloseTo(18.53, 2);
    expect(grades.wetPct).toBeCloseTo(12.86, 2);
  });

  it('is held against the test hill', () => {
    const front = (hillGradePct: number) =>
      stateOf(sample({ brief: { hillGradePct }, donor: at, drive: { wheel: 'front' } }), 'slip-dry')?.state;
    expect(front(10)).toBe('fine');
    expect(front(17)).toBe('look');
    expect(front(20)).toBe('stop');
  });
});

describe('torque at the axle', () => {
  // By hand: Kt = 60/(2 pi 9.5) = 1.005 N m/A; 40 A less 0.55 N m of core drag is 39.7 N m on a direct drive.
  it('is all the phase current through the gears, less the core’s drag', () => {
    const direct = sample(
      {
        drive: { kvRpmPerV: 9.5, hysteresisNm: 0.55, reduction: 1, efficiency: 1 },
        controller: { phaseCurrentA: 40 },
      },
      'direct-drive-hub',
    );
    expect(axleTorqueNm(subjectOf(direct))).toBeCloseTo(39.66, 2);
  });
});

describe('controls', () => {
  it.each([
    [22.2, 'fine'],
    [22.5, 'fine'],
    [23.8, 'look'],
    [31.8, 'stop'],
  ] as const)('on a bar of %d mm: %s', (barClampMm, state) => {
    expect(stateOf(sample({ donor: { barClampMm } }), 'bar-clamp')?.state).toBe(state);
  });

  it.each([
    [17, 18, 'fine'],
    [17, 22, 'look'],
    [24, 18, 'stop'],
  ] as const)('a spindle of %d mm in a sensor ring of %d mm: %s', (spindleMm, sensorBoreMm, state) => {
    expect(stateOf(sample({ donor: { spindleMm }, drive: { sensorBoreMm } }), 'sensor-ring')?.state).toBe(
      state,
    );
  });

  it('a mid-drive brings its own sensor', () => {
    expect(stateOf(sample({}, 'mid-drive'), 'sensor-ring')).toBeUndefined();
  });

  // Common practice: a twist throttle is easily turned by accident, a thumb throttle is the careful choice.
  it('a twist throttle is looked at and takes more of the bar', () => {
    const with_ = (throttleKind: 'thumb' | 'half-grip' | 'twist') =>
      sample({ donor: { barRoomMm: 100 }, controls: { throttle: 'full', throttleKind } });
    expect(stateOf(with_('thumb'), 'throttle')?.state).toBe('fine');
    expect(stateOf(with_('twist'), 'throttle')?.state).toBe('look');
    expect(stateOf(with_('half-grip'), 'throttle')?.state).toBe('look');
    expect(stateOf(with_('thumb'), 'bar-room')?.state).toBe('fine');
    expect(stateOf(with_('twist'), 'bar-room')?.state).toBe('stop');
    expect(stateOf(sample(), 'throttle')).toBeUndefined();
  });

  it('hydraulic and combined levers want an add-on sensor', () => {
    const levers = (kind: 'hydraulic' | 'shift-brake' | 'plain', brakeCutoffs: 'yes' | 'no') =>
      stateOf(sample({ donor: { levers: kind }, controls: { brakeCutoffs } }), 'cutoffs');
    expect(levers('hydraulic', 'yes')).toMatchObject({ state: 'fine', words: 'add-on sensors' });
    expect(levers('shift-brake', 'no')).toMatchObject({ state: 'look' });
    expect(JSON.stringify(levers('shift-brake', 'no')?.remedy)).toContain('add-on');
    expect(JSON.stringify(levers('plain', 'no')?.remedy)).toContain('levers with a switch');
  });

  it('a folder wants more spare cable, and places of its own', () => {
    const slack = (style: 'diamond' | 'folding') =>
      stateOf(sample({ donor: { style, cableSlackMm: 150 } }), 'cable-slack')?.state;
    expect(slack('diamond')).toBe('fine');
    expect(slack('folding')).not.toBe('fine');
    expect(stateOf(sample({ donor: { style: 'folding' } }), 'control-place')?.state).toBe('look');
    expect(stateOf(sample(), 'control-place')).toBeUndefined();
  });
});

describe('spare cable to a wheel that swings', () => {
  const slack = (sprung: 'yes' | 'no' | 'unknown', cableSlackMm: number, more: object = {}) =>
    stateOf(sample({ donor: { style: 'recumbent', sprung, cableSlackMm, ...more } }), 'cable-slack');

  it('is asked of every style that is sprung behind, not only of the one that is drawn so', () => {
    // 100 mm for the bar and 60 mm for the swing.
    expect(slack('no', 120)?.state).toBe('fine');
    expect(slack('yes', 120)?.state).toBe('look');
    expect(slack('yes', 160)?.state).toBe('fine');
    expect(slack('yes', 90)?.state).toBe('stop');
    // A mid-drive sits on the frame, and moves with nothing.
    const middle = sample({ donor: { style: 'recumbent', sprung: 'yes', cableSlackMm: 120 } }, 'mid-drive');
    expect(stateOf(middle, 'cable-slack')?.state).toBe('fine');
  });

  it('cannot be told while nobody has said whether it is, unless there is enough for both', () => {
    expect(slack('unknown', 120)).toMatchObject({
      state: 'unknown',
      unanswered: ['whether the rear end is sprung'],
    });
    expect(slack('unknown', 170)?.state).toBe('fine');
    // A diamond frame is not sprung unless somebody says so.
    expect(slack('unknown', 120, { style: 'diamond' })?.state).toBe('fine');
    expect(slack('yes', 120, { style: 'diamond' })?.state).toBe('look');
  });
});

describe('an external drive', () => {
  const drive = (changes: object) =>
    sample(
      {
        drive: {
          motorSprocketTeeth: 11,
          wheelSprocketTeeth: 44,
          pitchMm: 12.7,
          centreMm: 320,
          idler: 'no',
          ...changes,
        },
      },
      'external',
    );

  it('wants six teeth in mesh on the small sprocket (common practice)', () => {
    expect(stateOf(drive({}), 'wrap')?.state).toBe('stop');
    expect(stateOf(drive({ motorSprocketTeeth: 15 }), 'wrap')?.state).toBe('fine');
  });

  it('moves the motor to the next length sold, never nearer', () => {
    const out = externalDrive(subjectOf(drive({})));
    expect(out.stock).toBeGreaterThanOrEqual(out.pitches - 0.01);
    expect(out.moveMm).toBeGreaterThanOrEqual(-0.2);
    expect(out.moveMm).toBeLessThan(13);
  });

  it('has no dropout to spread, and no bracket to fit', () => {
    const ids = fitChecks(subjectOf(drive({}))).map((c) => c.id);
    for (const id of ['hub-width', 'spread-driving', 'shell-width', 'torque-arms'])
      expect(ids).not.toContain(id);
    expect(ids).toContain('idler');
  });

  it('without an idler is looked at', () => {
    expect(stateOf(drive({ idler: 'no' }), 'idler')?.state).toBe('look');
    expect(stateOf(drive({ idler: 'unknown' }), 'idler')?.state).toBe('unknown');
  });
});
