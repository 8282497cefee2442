import { describe, expect, it } from 'vitest';
import { boxDistance } from '../frame/box.ts';
import { distance } from '../frame/point.ts';
import { sample } from '../test/sample.ts';
import { boxesOf, frameOf, massPoints, motorAt } from './frame-of.ts';
import { knownBuild } from './known.ts';

const of = (...args: Parameters<typeof sample>) => {
  const build = sample(...args);
  const known = knownBuild(build);
  const frame = frameOf(build, known);
  const boxes = boxesOf(build, known, frame);
  return { build, known, frame, boxes, masses: massPoints(build, known, frame, boxes) };
};

describe('the wheels of the side view', () => {
  // ISO 5775-1: 622 mm bead and 42 mm tyre make a wheel of 706 mm, 406 and 50 one of 506 mm.
  it('have their radius from bead and tyre, the driven one at the end that is driven', () => {
    const sizes = { beadMm: 622, tyreMm: 42, otherBeadMm: 406, otherTyreMm: 50 };
    expect(of({ donor: sizes }).frame).toMatchObject({ rearRadius: 353, frontRadius: 253 });
    expect(of({ donor: sizes, drive: { wheel: 'front' } }).frame).toMatchObject({
      rearRadius: 253,
      frontRadius: 353,
    });
    expect(of({ donor: sizes, drive: { wheel: 'front' } }, 'mid-drive').frame.rearRadius).toBe(353);
  });

  it('are alike until the other one is measured, but small in front of a recumbent and a load trike', () => {
    expect(of({ donor: { beadMm: 559 } }).known.donor.otherBeadMm).toMatchObject({
      value: 559,
      source: 'unknown',
    });
    expect(of({ donor: { style: 'trike', beadMm: 559 } }).known.donor.otherBeadMm.value).toBe(406);
  });

  it('stand a wheelbase apart on the ground', () => {
    const { frame } = of({ donor: { wheelbaseMm: 1111 } });
    expect(frame.front.x - frame.rear.x).toBe(1111);
    expect(frame.front.y).toBe(frame.frontRadius);
  });
});

describe('what weighs', () => {
  const at = (kind: Parameters<typeof sample>[1], wheel: 'front' | 'rear') => {
    const { masses, frame } = of({ drive: { wheel, centreMm: 300 } }, kind);
    return { frame, motor: masses.machine.find((m) => m.name === 'motor') };
  };

  it('has its motor in the wheel, at the bracket or beside the wheel', () => {
    const rear = at('geared-hub', 'rear');
    expect(rear.motor).toMatchObject(rear.frame.rear);
    const front = at('direct-drive-hub', 'front');
    expect(front.motor).toMatchObject(front.frame.front);
    const middle = at('mid-drive', 'front');
    expect(distance(middle.motor ?? middle.frame.rear, middle.frame.bracket)).toBeLessThan(60);
    const external = at('external', 'rear');
    expect((external.motor?.x ?? 0) - external.frame.rear.x).toBe(300);
  });

  it('shares the pack’s mass over its boxes, and adds up to the machine', () => {
    const boxes = [
      { place: 'down-tube' as const, at: null },
      { place: 'rear-rack' as const, at: null },
    ];
    const { masses, known } = of({ pack: { massKg: 8, boxes } });
    const boxesOfIt = masses.machine.filter((m) => m.name.startsWith('pack'));
    expect(boxesOfIt.map((m) => m.kg)).toEqual([4, 4]);
    const sum = masses.machine.reduce((total, m) => total + m.kg, 0);
    const { donor, drive, packs, controller } = known;
    expect(sum).toBeCloseTo(
      donor.massKg.value + drive.massKg.value + packs[0].massKg.value + controller.massKg.value,
      9,
    );
  });

  it('pulls where its kind pulls', () => {
    expect(motorAt(sample({ drive: { wheel: 'front' } }, 'mid-drive'))).toBe('middle');
    expect(motorAt(sample({ drive: { wheel: 'front' } }, 'external'))).toBe('front');
  });
});

describe('boxes of the pack', () => {
  it('of one place lie one behind the other with room between', () => {
    const boxes = [1, 2, 3].map(() => ({ place: 'deck' as const, at: null }));
    const laid = of({
      donor: { style: 'longtail' },
      pack: { boxes, boxLengthMm: 150, boxWidthMm: 150 },
    }).boxes;
    expect(laid).toHaveLength(3);
    const [a, b, c] = laid.toSorted((p, q) => p.x - q.x);
    if (a === undefined || b === undefined || c === undefined) throw new Error('three');
    expect(boxDistance(a, b)).toBeCloseTo(20, 6);
    expect(boxDistance(b, c)).toBeCloseTo(20, 6);
  });

  it('put by hand lie just there', () => {
    const at = { xMm: 612, yMm: 555, angleDeg: 12 };
    expect(
      of({ pack: { boxes: [{ place: 'free', at }], boxLengthMm: 300, boxHeightMm: 80 } }).boxes,
    ).toMatchObject([{ x: 612, y: 555, angleDeg: 12, lengthMm: 300, heightMm: 80 }]);
  });

  it('in a place that the style does not have lie in the first that it has', () => {
    const wrong = of({ donor: { style: 'trike' }, pack: { boxes: [{ place: 'lateral-tube', at: null }] } });
    const right = of({ donor: { style: 'trike' }, pack: { boxes: [{ place: 'cargo-box', at: null }] } });
    expect(wrong.boxes.map(({ x, y }) => [x, y])).toEqual(right.boxes.map(({ x, y }) => [x, y]));
  });

  it('stand beside each other on a floor as far as it is wide: four blocks of 181 mm are two rows of two', () => {
    const boxes = Array.from({ length: 4 }, () => ({ place: 'cargo-box' as const, at: null }));
    const block = { boxes, boxLengthMm: 77, boxHeightMm: 167, boxWidthMm: 230 };
    const laid = of({ donor: { style: 'trike' }, pack: block }).boxes;
    expect(laid.map((b) => b.beside)).toEqual([0, 1, 0, 1]);
    expect(laid[0]?.x).toBe(laid[1]?.x);
    expect((laid[2]?.x ?? 0) - (laid[0]?.x ?? 0)).toBeCloseTo(97, 6);
  });
});

describe('the centre of mass', () => {
  it('is worked out where nobody entered it, and taken as entered otherwise', () => {
    expect(of({}).known.donor.massAheadMm.source).toBe('worked');
    expect(of({ donor: { massAheadMm: 444 } }).known.donor.massAheadMm).toMatchObject({
      value: 444,
      source: 'measured',
    });
  });

  it('goes up and back with a load on the rack (statics)', () => {
    const light = of({ brief: { loadMassKg: 0 } }).known.donor;
    const laden = of({ brief: { loadMassKg: 25 } }).known.donor;
    expect(laden.massAheadMm.value).toBeLessThan(light.massAheadMm.value);
    expect(laden.massHeightMm.value).not.toBe(light.massHeightMm.value);
  });
});
