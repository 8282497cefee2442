import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { BuildDocument } from '../../document/document.ts';
import { NOTHING_MEASURED, type ControllerSits } from '../../document/harness.ts';
import { courier, longtail, tandem, tourer, trike } from '../../test/demo.ts';
import { RUNS, anyBuild } from '../../test/sample.ts';
import { type Wire } from './wiring.ts';
import { wiring, hub, seen } from '../../test/harnesses.ts';

describe('the length of a cable', () => {
  const wire = (build: BuildDocument, key: string): Wire => {
    const found = wiring(build).wires.find((w) => w.cable.key === key);
    if (found === undefined) throw new Error(key);
    return found;
  };
  const said = (
    build: BuildDocument,
    key: string,
    cable: Partial<BuildDocument['harness']['cables'][string]>,
  ): BuildDocument => ({
    ...build,
    harness: {
      ...build.harness,
      cables: {
        [key]: { ...NOTHING_MEASURED, ...cable },
      },
    },
  });

  it('has slack for what it moves with: bar, fork, a sprung fork, a rear end that swings', () => {
    const slack = (
      donor: Partial<BuildDocument['donor']>,
      key = 'motor-halls',
      wheel: 'front' | 'rear' = 'rear',
    ) => wire({ ...hub, drive: { ...hub.drive, wheel }, donor: { ...hub.donor, ...donor } }, key).run.slack;
    expect(slack({ sprung: 'no' })).toBe(0);
    // Sprung behind whatever its style; not known of a style that often is counts as if it were.
    expect(slack({ style: 'recumbent', sprung: 'yes' })).toBe(60);
    expect(slack({ style: 'recumbent', sprung: 'unknown' })).toBe(60);
    expect(slack({ style: 'diamond', sprung: 'unknown' })).toBe(0);
    // A front motor turns with the fork, and dives with a sprung one.
    expect(slack({ style: 'diamond', forkKind: 'rigid' }, 'motor-halls', 'front')).toBe(120);
    expect(slack({ style: 'diamond', forkKind: 'suspension' }, 'motor-halls', 'front')).toBe(180);
    expect(slack({ style: 'diamond', forkKind: 'suspension' })).toBe(0);
  });

  it('is the string’s measure with slack, loop and ends, and what there is of it (by hand)', () => {
    // 1,210 along the stay, no bar between, 60 of loop, 40 of ends: 1,310; the motor brings 860: extend by 450.
    const tail = seen(said(hub, 'motor-halls', { alongMm: 1210 }), 'motor-halls', {
      from: { tailMm: 860 },
      to: { tailMm: 0 },
    });
    expect(wire(tail, 'motor-halls').run).toMatchObject({
      cut: 1310,
      supplied: 860,
      extend: 450,
      then: 'extend',
      alongFrom: 'measured',
    });
    const long = seen(said(hub, 'motor-halls', { alongMm: 500 }), 'motor-halls', {
      from: { tailMm: 660 },
      to: { tailMm: 0 },
    });
    expect(wire(long, 'motor-halls').run.then).toBe('fold');
  });

  it('is not told where one of the two tails is not measured: none is taken as nought', () => {
    const half = seen(said(hub, 'motor-halls', { alongMm: 1210 }), 'motor-halls', { from: { tailMm: 860 } });
    const told = wire(half, 'motor-halls');
    expect(told.run).toMatchObject({ supplied: undefined, then: 'unknown' });
    expect(told.way.map((f) => f.rule)).toContain('tail-unknown');
    expect(told.state).not.toBe('fine');
  });

  const sitting = (build: BuildDocument, controllerSits: ControllerSits): BuildDocument => ({
    ...build,
    harness: { ...build.harness, controllerSits },
  });

  it('is drawn from where the controller sits', () => {
    const [rack, pack] = [sitting(tourer, 'rear-rack'), sitting(tourer, 'pack')];
    const along = (build: BuildDocument, key: string): number => wire(build, key).run.along;
    // The motor stands in the rear wheel, its pack on the down tube.
    expect(along(rack, 'motor-phases')).toBeLessThan(along(pack, 'motor-phases'));
    expect(along(rack, 'pack-controller')).toBeGreaterThan(along(pack, 'pack-controller') + 300);
    expect(along(rack, 'display-controller')).toBeGreaterThan(along(pack, 'display-controller') + 300);
    // A diamond frame has no load box: it stays beside the pack.
    expect(along(sitting(tourer, 'cargo-box'), 'motor-phases')).toBe(along(pack, 'motor-phases'));
    const far = along(sitting(tourer, 'head'), 'display-controller');
    expect(far).toBeLessThan(along(sitting(tourer, 'bracket'), 'display-controller'));
  });

  it('says that nobody has said where the controller sits, until a string or somebody has', () => {
    const rules = (build: BuildDocument, key: string): readonly string[] =>
      wire(build, key).way.map((f) => f.rule);
    const bare = sitting(tourer, 'unknown');
    for (const key of ['motor-phases', 'pack-controller', 'display-controller'])
      expect(rules(bare, key), key).toContain('controller-place');
    expect(rules(bare, 'pack-charger')).not.toContain('controller-place');
    expect(rules(said(bare, 'motor-phases', { alongMm: 700 }), 'motor-phases')).not.toContain(
      'controller-place',
    );
    expect(rules(sitting(tourer, 'pack'), 'motor-phases')).not.toContain('controller-place');
    // In the motor's shell it sits where the motor does.
    expect(rules(sitting(longtail, 'unknown'), 'pack-controller')).not.toContain('controller-place');
  });

  it('has slack for the bar, for a fold and for nothing that stands still', () => {
    expect(wire(hub, 'brake-front-controller').run.slack).toBe(120);
    expect(wire(hub, 'motor-halls').run.slack).toBe(0);
    const fold = { ...hub, donor: { ...hub.donor, style: 'folding' as const } };
    expect(wire(fold, 'brake-front-controller').run.slack).toBe(200);
  });

  /**
   * Ways measured by hand: joints and places read off the scale drawing with a ruler to the nearest 10 mm (from the axle of the rear
   * wheel, up from the road), the way a mechanic would tie the cable, 350 mm of stem and bar where it goes up to the bar.
   */
  const BY_HAND: readonly (readonly [
    string,
    BuildDocument,
    string,
    readonly (readonly [number, number])[],
    number,
  ])[] = [
    [
      'tourer',
      tourer,
      'motor-phases',
      [
        [610, 580],
        [660, 540],
        [430, 270],
        [0, 340],
      ],
      0,
    ],
    [
      'tourer',
      tourer,
      'display-controller',
      [
        [820, 880],
        [860, 770],
        [660, 540],
        [610, 580],
      ],
      350,
    ],
    [
      'longtail',
      longtail,
      'brake-front-controller',
      [
        [1200, 890],
        [1240, 770],
        [800, 300],
      ],
      350,
    ],
    [
      'longtail',
      longtail,
      'shift-controller',
      [
        [0, 330],
        [800, 300],
      ],
      0,
    ],
    [
      'longtail',
      longtail,
      'pack-controller',
      [
        [1000, 620],
        [1060, 580],
        [800, 300],
      ],
      0,
    ],
    [
      'tandem',
      tandem,
      'display-controller',
      [
        [1580, 890],
        [1610, 780],
        [790, 430],
        [770, 490],
      ],
      350,
    ],
    [
      'tandem',
      tandem,
      'assist-controller',
      [
        [430, 280],
        [790, 430],
        [770, 490],
      ],
      0,
    ],
    [
      'courier',
      courier,
      'throttle-controller',
      [
        [840, 840],
        [910, 620],
        [430, 290],
      ],
      350,
    ],
    [
      'courier',
      courier,
      'pack-controller',
      [
        [-60, 590],
        [-50, 550],
        [0, 250],
        [430, 290],
      ],
      0,
    ],
    [
      'trike',
      trike,
      'display-controller',
      [
        [910, 1030],
        [1050, 430],
        [1060, 390],
        [1140, 390],
        [1140, 480],
      ],
      350,
    ],
    [
      'trike',
      trike,
      'assist-controller',
      [
        [500, 290],
        [390, 600],
        [1030, 390],
        [1140, 390],
        [1140, 480],
      ],
      0,
    ],
  ];
  it.each(BY_HAND)(
    'of the %s is within a tenth of a polyline measured by hand',
    (_, build, key, points, bar) => {
      const ruler = points.slice(1).reduce((sum, [x, y], i) => {
        const [px, py] = points[i] ?? [x, y];
        return sum + Math.hypot(x - px, y - py);
      }, bar);
      const { run } = wire({ ...build, harness: { ...build.harness, cables: {} } }, key);
      expect(run.alongFrom).toBe('drawing');
      expect(Math.abs(run.along - ruler) / ruler).toBeLessThan(0.1);
    },
  );

  it('is never nought between two places, whatever the machine', () => {
    fc.assert(
      fc.property(anyBuild, (build) => {
        for (const { run } of wiring(build).wires) {
          const [a, b] = [run.way[0], run.way.at(-1)];
          expect(a).toBeDefined();
          if (a !== undefined && b !== undefined)
            expect(run.along).toBeGreaterThanOrEqual(Math.hypot(a.x - b.x, a.y - b.y) - 1);
        }
        // A way of one point is between parts at one place.
        for (const { run, cable } of wiring(build).wires)
          if (run.way.length < 2) expect(run.along % 350, cable.key).toBe(0);
      }),
      RUNS,
    );
    const column = wire({ ...trike, harness: { ...trike.harness, cables: {} } }, 'display-controller');
    expect(column.run.way.length).toBeGreaterThan(2);
  });

  it('asks whether it is clear of what turns and folds beside it, until somebody has looked', () => {
    const at = (build: BuildDocument, key: string): readonly string[] =>
      wire(build, key)
        .way.map((f) => f.rule)
        .filter((r) => r.startsWith('clear-of'));
    const disc = { ...hub, donor: { ...hub.donor, brakeRear: 'cable-disc' as const } };
    expect(at(disc, 'motor-halls')).toContain('clear-of-rotor');
    expect(at({ ...hub, donor: { ...hub.donor, brakeRear: 'rim' } }, 'motor-halls')).not.toContain(
      'clear-of-rotor',
    );
    expect(at(said(disc, 'motor-halls', { clearOf: ['rotor', 'chain', 'crank'] }), 'motor-halls')).toEqual(
      [],
    );
    expect(at(disc, 'assist-controller')).toContain('clear-of-crank');
    expect(at(disc, 'brake-front-controller')).not.toContain('clear-of-fold');
    expect(at({ ...disc, donor: { ...disc.donor, style: 'folding' } }, 'brake-front-controller')).toContain(
      'clear-of-fold',
    );
    expect(wire(disc, 'motor-halls').state).not.toBe('fine');
  });

  it('tells phases beside sensors, and a plug that does not pass its hole', () => {
    const of = (build: BuildDocument, key: string): readonly string[] =>
      wire(build, key).way.map((f) => f.rule);
    expect(of(hub, 'motor-halls')).toContain('beside-phases');
    expect(of(said(hub, 'motor-halls', { apartMm: 25 }), 'motor-halls')).not.toContain('beside-phases');
    expect(of(said(hub, 'motor-halls', { screened: true }), 'motor-halls')).not.toContain('beside-phases');
    expect(of(said(hub, 'motor-halls', { holeMm: 8, plugMm: 14, grommet: true }), 'motor-halls')).toContain(
      'plug-through-hole',
    );
    expect(of(said(hub, 'motor-halls', { holeMm: 16, plugMm: 14 }), 'motor-halls')).toContain('grommet');
    expect(of(said(hub, 'motor-phases', { alongMm: 2000 }), 'motor-phases')).toContain('sensors-short');
  });
});
