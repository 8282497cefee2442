import { withValues } from '../document/quantity-at.ts';
import { describe, expect, it } from 'vitest';
import * as fc from 'fast-check';
import { RUNS, anyBuild, sample } from '../test/sample.ts';
import { boxesOf, frameOf, ladenCentre } from '../document/frame-of.ts';
import { knownBuild } from '../document/known.ts';
import { clearance, type Box } from './box.ts';
import { frame, anchors } from './frame.ts';
import { centreOfMass } from './mass.ts';
import { FRAME_STYLES, type FrameStyle } from './names.ts';
import { boxOn, settle, SNAP_MM } from './places.ts';
import { directionDeg, distance } from './point.ts';
import { swingClearance, swungTubes } from './swing.ts';

const of = (style: FrameStyle, changes: Parameters<typeof sample>[0] = {}) => {
  const build = sample({ ...changes, donor: { style, outline: 'measured', ...changes.donor } });
  const known = knownBuild(build);
  return { build, known, frame: frameOf(build, known) };
};

describe('anchors', () => {
  it('put the bracket a chainstay from the rear axle, at its height (Pythagoras)', () => {
    const { rear, bracket } = anchors({
      wheelbase: 1050,
      rearRadius: 350,
      frontRadius: 350,
      chainstay: 440,
      bracketHeight: 280,
    });
    expect(distance(rear, bracket)).toBeCloseTo(440, 9);
    expect(bracket.y).toBe(280);
  });
});

describe.each(FRAME_STYLES)('a %s', (style) => {
  const { frame: drawn, build, known } = of(style);
  const ends = drawn.tubes.flatMap((t) => [t.a, t.b]);

  it('stands on the ground with everything above it and nothing far outside its wheels', () => {
    for (const { x, y } of ends) {
      expect(y).toBeGreaterThan(100);
      expect(y).toBeLessThan(1700);
      expect(x).toBeGreaterThan(-400);
      expect(x).toBeLessThan(known.donor.wheelbaseMm.value + 450);
    }
  });

  it('hangs together: every tube but a carrier’s ends on another or on an axle', () => {
    for (const tube of drawn.tubes) {
      if (tube.name === 'rail' || tube.name === 'deck' || tube.name === 'steering column') continue;
      for (const end of [tube.a, tube.b]) {
        if (tube.name === 'seat post' || tube.name === 'head tube' || tube.name === 'seat frame') continue;
        const joined =
          distance(end, drawn.rear) < 1 ||
          distance(end, drawn.front) < 1 ||
          distance(end, drawn.bracket) < 1 ||
          drawn.tubes.some(
            (other) =>
              other !== tube && clearance(nearly(end), other.a, other.b, other.radius + tube.radius + 12) < 0,
          );
        expect(joined, `${tube.name} at ${end.x.toFixed(0)}, ${end.y.toFixed(0)}`).toBe(true);
      }
    }
  });

  it('has a first place for a pack where a usual box neither cuts its tube nor leaves it', () => {
    const place = drawn.places[0];
    const placed = of(style, { pack: { boxes: [{ place: place?.place ?? 'free', at: null }] } });
    const [box] = boxesOf(placed.build, placed.known, placed.frame);
    if (box === undefined || place === undefined) throw new Error('no place');
    const off = placed.frame.tubes
      .filter((t) => t.name === place.bears)
      .map((t) => clearance(box, t.a, t.b, t.radius));
    expect(Math.min(...off)).toBeGreaterThan(-0.5);
    // A seat's mesh sags towards a pack behind it.
    expect(Math.min(...off)).toBeLessThan(50);
  });

  it('keeps the laden centre of mass between the axles, at a height a rider has', () => {
    const centre = ladenCentre(build, known);
    expect(centre.x).toBeGreaterThan(0.2 * known.donor.wheelbaseMm.value);
    expect(centre.x).toBeLessThan(0.8 * known.donor.wheelbaseMm.value);
    // From memory: 0.6 m lying back to 1.1 m sitting upright.
    expect(centre.y).toBeGreaterThan(500);
    expect(centre.y).toBeLessThan(1150);
  });
});

const nearly = (p: { x: number; y: number }): Box => ({ ...p, lengthMm: 0.1, heightMm: 0.1, angleDeg: 0 });

describe('a moved point', () => {
  it('takes its tubes with it, and the others stay', () => {
    const input = {
      style: 'diamond',
      wheelbase: 1050,
      rearRadius: 350,
      frontRadius: 350,
      chainstay: 440,
      bracketHeight: 280,
      occupied: [],
    } as const;
    const preset = frame({ ...input, moved: {} });
    const moved = frame({ ...input, moved: { downFront: { x: 800, y: 700 } } });
    const tube = (f: typeof preset, name: string) => f.tubes.find((t) => t.name === name);
    expect(tube(moved, 'down tube')?.b).toEqual({ x: 800, y: 700 });
    expect(tube(moved, 'seat tube')).toEqual(tube(preset, 'seat tube'));
  });
});

describe('a dragged box', () => {
  const { frame: drawn } = of('diamond');
  const size = { lengthMm: 340, heightMm: 86 };

  it('takes hold of the tube that it is let go beside, and lies along it', () => {
    const place = drawn.places.find((p) => p.place === 'down-tube');
    if (place === undefined) throw new Error('no place');
    const wanted = boxOn(place, size, 300);
    const settled = settle(drawn, size, { x: wanted.x + 15, y: wanted.y - 12 }, 0);
    expect(settled.place).toBe('down-tube');
    expect(settled.box.angleDeg).toBeCloseTo(directionDeg(place.a, place.b), 9);
  });

  it('stays free further than a hand’s breadth from every place', () => {
    const settled = settle(drawn, size, { x: 500, y: 1600 }, 33);
    expect(settled).toEqual({ place: 'free', box: { ...size, x: 500, y: 1600, angleDeg: 33 } });
    expect(SNAP_MM).toBeLessThan(100);
  });

  it('never slides past the end of its tube', () => {
    const place = drawn.places.find((p) => p.place === 'down-tube');
    if (place === undefined) throw new Error('no place');
    const end = boxOn(place, size, distance(place.a, place.b));
    const settled = settle(drawn, size, { x: end.x + 40, y: end.y + 30 }, 0);
    expect(distance(settled.box, end)).toBeLessThan(1e-6);
  });
});

describe('a rear end that swings', () => {
  const { frame: drawn } = of('full-suspension');

  it('shortens the shock by about its stroke at full travel', () => {
    const length = (inMm: number): number => {
      const shock = swungTubes(drawn, inMm).find((t) => t.name === 'shock');
      return shock === undefined ? 0 : distance(shock.a, shock.b);
    };
    expect(length(0) - length(50)).toBeGreaterThan(30);
    expect(length(0) - length(50)).toBeLessThan(55);
  });

  it('leaves less room, never more, the longer the stroke', () => {
    const box: Box = { x: 600, y: 560, lengthMm: 300, heightMm: 90, angleDeg: 45 };
    const room = [0, 20, 40, 60].map((stroke) => swingClearance(drawn, stroke, box) ?? 0);
    for (let i = 1; i < room.length; i += 1) expect(room[i]).toBeLessThanOrEqual((room[i - 1] ?? 0) + 0.05);
  });

  it('is no matter for a frame without a shock', () => {
    expect(swingClearance(of('diamond').frame, 50, nearly({ x: 0, y: 0 }))).toBeUndefined();
  });
});

describe('centre of mass', () => {
  // Statics by hand: 10 kg at 0 and 30 kg at 1000 balance at 750.
  it('is where the moments cancel', () => {
    expect(
      centreOfMass([
        { name: 'a', kg: 10, x: 0, y: 200 },
        { name: 'b', kg: 30, x: 1000, y: 600 },
      ]),
    ).toEqual({ kg: 40, x: 750, y: 500 });
    expect(centreOfMass([])).toBeUndefined();
  });

  it('moves back when the pack does, over many builds: the front axle never gains', () => {
    fc.assert(
      fc.property(anyBuild, fc.double({ min: 0, max: 600, noNaN: true }), (any, back) => {
        const at = { xMm: 600, yMm: 500, angleDeg: 0 };
        const lying = (x: number) =>
          withValues(any, 'packs.0', { boxes: [{ place: 'free', at: { ...at, xMm: x } }] });
        const [build, moved] = [lying(at.xMm), lying(at.xMm - back)];
        const [before, after] = [build, moved].map((b) => ladenCentre(b, knownBuild(b)).x);
        expect(after).toBeLessThanOrEqual((before ?? 0) + 1e-9);
      }),
      RUNS,
    );
  });
});
