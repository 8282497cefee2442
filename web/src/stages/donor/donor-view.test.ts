import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { overlap } from '../../drawing/place-labels.ts';
import { massLabels } from './mass-mark.tsx';
import {
  WALK,
  withValues,
  applyPart,
  evaluate,
  shippedRules,
  newBuild,
  type BuildDocument,
} from '@apple-cart/core';
import { withSection } from '../../state/paths.ts';
import { droppedAt, typedAt, withBox } from './pack-boxes.ts';
import { px, points, scaleFor, GROUND, HEIGHT, WIDTH } from './page-scale.ts';
import { measureOf, walkFor } from './measures.ts';
import { STYLE_NAMES } from './donor-styles.ts';

const build = newBuild('Build', 'geared-hub');
const { fit } = evaluate(build, shippedRules());
const [box] = fit.boxes;
if (box === undefined) throw new Error('no box');

describe('the page of the side view', () => {
  const page = { scale: 0.25, left: 100 };

  it('puts millimetres on the page with y upwards from the ground', () => {
    expect(px(page, { x: 400, y: 200 })).toEqual({ x: 200, y: GROUND - 50 });
    expect(
      points(page, [
        { x: 0, y: 0 },
        { x: 40, y: 40 },
      ]),
    ).toBe(`100.0,${GROUND.toFixed(1)} 110.0,${(GROUND - 10).toFixed(1)}`);
  });

  it.each(STYLE_NAMES.map((s) => s.value))('holds a whole %s', (style) => {
    const other = withSection(build, 'donor', { style });
    const { frame } = evaluate(other, shippedRules()).fit;
    const scale = scaleFor(frame, WIDTH, HEIGHT);
    const ends = frame.tubes.flatMap((t) => [t.a, t.b]);
    const wide =
      Math.max(...ends.map((p) => p.x), frame.front.x + frame.frontRadius) -
      Math.min(...ends.map((p) => p.x), -frame.rearRadius);
    expect(wide * scale).toBeLessThanOrEqual(WIDTH);
    expect(Math.max(...ends.map((p) => p.y)) * scale).toBeLessThanOrEqual(HEIGHT);
    // A drawing that is far smaller than its paper helps nobody.
    expect(
      Math.max((wide * scale) / WIDTH, (Math.max(...ends.map((p) => p.y)) * scale) / HEIGHT),
    ).toBeGreaterThan(0.6);
  });
});

describe('the names of what weighs', () => {
  it('never stand on each other or off the page, wherever the points lie', () => {
    const at = fc.record({ x: fc.integer({ min: -400, max: 1700 }), y: fc.integer({ min: 100, max: 1150 }) });
    fc.assert(
      fc.property(at, at, at, (centre, rider, load) => {
        const boxes = massLabels({ scale: 0.25, left: 130 }, [
          { at: centre, label: 'centre of mass, 1,024 mm up', ring: true },
          { at: rider, label: 'rider 104.0 kg' },
          { at: load, label: 'load 75.0 kg' },
        ]);
        for (const [i, a] of boxes.entries()) {
          expect(a.x).toBeGreaterThanOrEqual(0);
          expect(a.x + a.width).toBeLessThanOrEqual(WIDTH);
          for (const b of boxes.slice(i + 1)) expect(overlap(a, b, 0)).toBe(0);
        }
      }),
    );
  });
});

describe('a box of the pack', () => {
  it('let go beside a tube takes hold of it; let go in the air it lies free', () => {
    expect(droppedAt(fit.frame, box, box.x + 10, box.y + 10, 'hand').place).toBe('down-tube');
    expect(droppedAt(fit.frame, box, 500, 1600, 'hand').place).toBe('free');
  });

  it('leaves its tube by one step of the arrow keys across it, and comes back by one', () => {
    const turn = ((box.angleDeg + 90) * Math.PI) / 180;
    const [dx, dy] = [5 * Math.cos(turn), 5 * Math.sin(turn)];
    const off = droppedAt(fit.frame, box, box.x + dx, box.y + dy, 'keys');
    expect(off.place).toBe('free');
    const back = droppedAt(fit.frame, box, (off.at?.xMm ?? 0) - dx, (off.at?.yMm ?? 0) - dy, 'keys');
    expect(back.place).toBe('down-tube');
  });

  it('typed stays just where it was put, within what the document allows', () => {
    expect(typedAt('down-tube', { ...box, x: 123.456, y: 9999, angleDeg: 45 })).toEqual({
      place: 'down-tube',
      at: { xMm: 123.5, yMm: 3000, angleDeg: 45 },
    });
  });

  it('is replaced alone: the others stay', () => {
    const two = withValues(build, 'packs.0', {
      boxes: [
        { place: 'down-tube', at: null },
        { place: 'rear-rack', at: null },
      ],
    });
    const moved = withBox(two, { pack: 0, nth: 1 }, { place: 'free', at: { xMm: 1, yMm: 2, angleDeg: 3 } });
    expect(moved.packs[0].boxes[0]).toBe(two.packs[0].boxes[0]);
    expect(moved.packs[0].boxes[1]).toMatchObject({ place: 'free' });
    expect(two.packs[0].boxes[1]).toMatchObject({ place: 'rear-rack' });
  });
});

describe('the walk of a build', () => {
  const paths = (b: BuildDocument) => walkFor(b).flatMap((s) => s.measures.map((m) => m.path));

  it('asks a hub for its dropouts and a mid-drive for its bracket', () => {
    expect(paths(build)).toContain('donor.rearOldMm');
    expect(paths(build)).not.toContain('donor.shellWidthMm');
    const middle = paths(newBuild('Build', 'mid-drive'));
    expect(middle).toContain('donor.shellWidthMm');
    expect(middle).not.toContain('donor.rearOldMm');
  });

  it('keeps the order of the whole walk, without empty stations', () => {
    const whole = WALK.flatMap((s) => s.measures.map((m) => m.path));
    const mine = paths(build);
    expect(mine.map((p) => whole.indexOf(p))).toEqual(
      [...mine.map((p) => whole.indexOf(p))].sort((a, b) => a - b),
    );
    for (const station of walkFor(build)) expect(station.measures.length).toBeGreaterThan(0);
  });

  it('knows how a measure is taken, and that some are none', () => {
    expect(measureOf('donor.slotWidthMm')).toMatchObject({ tool: 'caliper' });
    expect(measureOf('brief.riderMassKg')).toBeUndefined();
  });
});

describe('another donor from the shelf', () => {
  it('forgets what was measured on the one before, and puts the pack where its style has it', () => {
    const measured = withSection(build, 'donor', {
      points: { saddle: { xMm: 1, yMm: 2 } },
      bosses: [],
      outline: 'measured',
    });
    const next = applyPart(measured, {
      id: 'donor-x',
      type: 'donor',
      name: 'Test trike',
      maker: 'Test',
      price: null,
      priceTo: null,
      leadDays: null,
      ports: {},
      currency: 'GBP',
      massKg: 40,
      style: 'trike',
      wheelCount: 3,
      beadMm: 559,
      tyreMm: 50,
      wheelbaseMm: 1400,
      frameMaterial: 'steel',
      forkMaterial: 'steel',
      forkKind: 'none',
      axle: 'solid',
      shell: 'threaded',
      brakeFront: 'drum',
      brakeRear: 'coaster',
      pairBrakes: 'unknown',
      levers: 'plain',
      otherBeadMm: 406,
      otherTyreMm: 50,
      chainstayMm: null,
      bracketHeightMm: null,
      frontOldMm: null,
      rearOldMm: null,
      slotWidthMm: null,
      slotDepthMm: null,
      dropoutMm: null,
      shellWidthMm: null,
      shellBoreMm: null,
      chainlineMm: null,
      permittedKg: null,
      rackLoadKg: null,
      shockStrokeMm: null,
    });
    expect(next.donor).toMatchObject({
      points: {},
      bosses: null,
      outline: 'unknown',
      rearOldMm: { source: 'unknown' },
    });
    expect(next.packs[0].boxes).toEqual([{ place: 'cargo-box', at: null }]);
  });
});
