import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { BuildDocument } from '../../document/document.ts';
import { PIN_WORKS, type PinWork, type PortDocument } from '../../document/harness.ts';
import { knownBuild } from '../../document/known.ts';
import { frameOf } from '../../document/frame-of.ts';
import { courier, longtail, tandem, trike } from '../../test/demo.ts';
import { RUNS, anyBuild, sample } from '../../test/sample.ts';
import { harnessOf, usualPort, type Cable } from './components.ts';
import { cutList } from './cut-list.ts';
import { PLUG_RULES, plugFindings } from './plug-rules.ts';
import { agrees } from './works.ts';
import { wiringOf, type Wire } from './wiring.ts';

const wiring = (build: BuildDocument) => wiringOf(build, knownBuild(build));
const hub = sample({ drive: { name: 'Hub' }, controls: { throttle: 'full' } });
const cableOf = (build: BuildDocument, key: string): Cable => {
  const found = harnessOf(build).cables.find((c) => c.key === key);
  if (found === undefined) throw new Error(key);
  return found;
};
/** The usual halves of a cable, looked at. */
function seen(
  build: BuildDocument,
  key: string,
  change: { from?: Partial<PortDocument>; to?: Partial<PortDocument> } = {},
): BuildDocument {
  const { spec, from, to } = cableOf(build, key);
  return {
    ...build,
    harness: {
      ...build.harness,
      ports: {
        ...build.harness.ports,
        [from.key]: { ...usualPort(spec.set, spec.plug, spec.from.sex, false), ...change.from },
        [to.key]: { ...usualPort(spec.set, spec.plug, spec.to.sex, true), ...change.to },
      },
    },
  };
}
const PACK = [39, 54.6] as const;
const rules = (build: BuildDocument, key: string): readonly string[] =>
  plugFindings(cableOf(build, key), PACK).map((f) => f.rule);
const pinsOf = (...works: readonly PinWork[]): PortDocument['pins'] =>
  works.map((work) => ({ work, colour: '' }));

describe('the harness of a build', () => {
  it('has a box and a cable for everything that is joined, with keys of their own', () => {
    for (const build of [longtail, tandem, trike, courier, hub]) {
      const { components, cables } = harnessOf(build);
      const ids = components.map((c) => c.id);
      expect(new Set(ids).size).toBe(ids.length);
      expect(new Set(cables.map((c) => c.key)).size).toBe(cables.length);
      for (const c of cables) expect(ids).toEqual(expect.arrayContaining([c.fromComponent, c.toComponent]));
      expect(cables.map((c) => c.number)).toEqual(cables.map((_, i) => i + 1));
    }
  });

  it('follows the build: motor, packs, brushes, lights, levers', () => {
    const keys = (build: BuildDocument): readonly string[] => harnessOf(build).cables.map((c) => c.key);
    expect(keys(hub)).toEqual(
      expect.arrayContaining([
        'pack-controller',
        'motor-phases',
        'motor-halls',
        'throttle-controller',
        'key-controller',
      ]),
    );
    // Phases and sensors of a motor with its controller inside are nobody's plugs.
    expect(keys({ ...hub, controller: { ...hub.controller, place: 'motor' } })).not.toContain('motor-phases');
    expect(keys(sample({ drive: { commutation: 'brushes' } }))).not.toContain('motor-halls');
    expect(keys(sample({ second: { join: 'combiner', nominalV: 48 } }))).toEqual(
      expect.arrayContaining(['pack-combiner', 'pack-2-combiner', 'combiner-controller']),
    );
    expect(keys(sample({ donor: { keeps: ['display'] } }))).not.toContain('display-controller');
    const both = { ...hub, drive: { ...hub.drive, motors: 'each-wheel' as const } };
    expect(keys(both)).toContain('motor-2-halls');
  });

  it('is worked out of every build, and never fine before somebody has looked', () => {
    fc.assert(
      fc.property(anyBuild, (build) => {
        for (const { plugState, run } of wiring(build).wires) {
          expect(plugState).not.toBe('fine');
          expect(Number.isFinite(run.cut)).toBe(true);
          expect(run.cut).toBeGreaterThan(0);
          expect(run.cut).toBeLessThan(20_000);
        }
      }),
      RUNS,
    );
  });

  it('is fine once both halves of a cable were looked at and agree', () => {
    for (const key of ['pack-controller', 'motor-halls', 'throttle-controller', 'display-controller'])
      expect(rules(seen(hub, key), key), key).toEqual([]);
  });
});

/** For each rule a plug pair that breaks it. Common practice, no source. */
const WRONG: Readonly<Record<string, readonly [key: string, change: Parameters<typeof seen>[2]]>> = {
  'same-sex': ['throttle-controller', { from: { sex: 'sockets' } }],
  'other-family': ['throttle-controller', { from: { plug: 'round plug' } }],
  'other-count': ['throttle-controller', { from: { pins: pinsOf('supply5', 'ground', 'throttle', 'none') } }],
  'supply-on-signal': ['throttle-controller', { from: { pins: pinsOf('throttle', 'ground', 'supply5') } }],
  'two-supplies': ['throttle-controller', { from: { pins: pinsOf('supply12', 'ground', 'throttle') } }],
  'ground-missing': ['brake-front-controller', { from: { pins: pinsOf('cutoff', 'unknown') } }],
  'too-many-volts': ['throttle-controller', { from: { pins: pinsOf('switched', 'ground', 'throttle') } }],
  polarity: ['pack-controller', { from: { pins: pinsOf('pack-minus', 'pack-plus') } }],
  crossed: [
    'motor-halls',
    { from: { pins: pinsOf('supply5', 'ground', 'hall-a', 'hall-c', 'hall-b', 'heat') } },
  ],
  'bare-live': ['pack-controller', { from: { sex: 'bare' } }],
  'anti-spark': ['pack-controller', { from: { plug: 'anti-spark 90' } }],
  'not-seen': [
    'motor-halls',
    { to: { pins: pinsOf('supply5', 'ground', 'hall-a', 'hall-b', 'unknown', 'heat') } },
  ],
};

describe('the rules of the plugs', () => {
  it('are all tried', () => {
    expect(PLUG_RULES.map((r) => r.id).filter((id) => WRONG[id] === undefined)).toEqual([]);
  });

  it.each(Object.entries(WRONG))(
    '%s finds its wrong example, and nothing in the right one',
    (id, [key, change]) => {
      expect(rules(seen(hub, key, change), key)).toContain(id);
      expect(rules(seen(hub, key), key)).not.toContain(id);
    },
  );

  it('find every two works that do not belong together, whatever they are', () => {
    const used = PIN_WORKS.filter((w) => w !== 'none' && w !== 'unknown');
    for (const a of used)
      for (const b of used) {
        const build = seen(hub, 'brake-front-controller', {
          from: { pins: pinsOf(a, 'ground') },
          to: { pins: pinsOf(b, 'ground') },
        });
        const found = plugFindings(cableOf(build, 'brake-front-controller'), PACK);
        const stops = found.some((f) => f.state === 'stop' && f.pins.includes(1));
        expect(stops, `${a} meets ${b}`).toBe(!agrees(a, b));
      }
  });

  it('name the pins of a crossed hall pair, and that the work decides and not the colour', () => {
    const halls = usualPort('halls', 'sensor plug', 'pins', false);
    const swap = halls.pins.map((p, i) => ({
      ...p,
      work: halls.pins[{ 3: 4, 4: 3 }[i] ?? i]?.work ?? p.work,
    }));
    const [found] = plugFindings(
      cableOf(seen(hub, 'motor-halls', { from: { pins: swap } }), 'motor-halls'),
      PACK,
    );
    expect(found).toMatchObject({ rule: 'crossed', pins: [4, 5], state: 'stop' });
    expect(found?.words).toContain('Same colour, other work');
  });

  it('let a side that sends face the one that hears, and not the one that sends', () => {
    expect(rules(seen(hub, 'display-controller'), 'display-controller')).toEqual([]);
    const mute = seen(hub, 'display-controller', {
      from: { pins: pinsOf('switched', 'lock', 'ground', 'hears', 'sends') },
    });
    expect(rules(mute, 'display-controller')).toContain('crossed');
  });
});

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
        [key]: {
          alongMm: null,
          loopMm: null,
          endsMm: null,
          mm2: null,
          way: '',
          apartMm: null,
          screened: false,
          holeMm: null,
          plugMm: null,
          grommet: false,
          ...cable,
        },
      },
    },
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

  it('has slack for the bar, for a fold and for nothing that stands still', () => {
    expect(wire(hub, 'brake-front-controller').run.slack).toBe(120);
    expect(wire(hub, 'motor-halls').run.slack).toBe(0);
    const fold = { ...hub, donor: { ...hub.donor, style: 'folding' as const } };
    expect(wire(fold, 'brake-front-controller').run.slack).toBe(200);
  });

  /**
   * The shortest way along the tubes against a polyline measured by hand on the drawing: the points of the frame that a mechanic
   * would follow from the pack on the down tube to the rear axle (its place, the bracket, the axle), added up with a ruler.
   */
  it.each([
    ['longtail', longtail],
    ['tandem', tandem],
    ['courier', courier],
    ['trike', trike],
  ] as const)('follows the tubes of the %s within a tenth of the straight way along them', (_, build) => {
    const known = knownBuild(build);
    const frame = frameOf(build, known);
    for (const { run, cable } of wiringOf(build, known).wires) {
      if (run.way.length < 2 || run.alongFrom === 'measured') continue;
      const polyline = run.way.slice(1).reduce((sum, p, i) => {
        const q = run.way[i];
        return sum + (q === undefined ? 0 : Math.hypot(p.x - q.x, p.y - q.y));
      }, 0);
      const bar = run.along - polyline;
      expect(Math.min(...[0, 350, 700].map((b) => Math.abs(bar - b))), cable.key).toBeLessThan(
        0.1 * polyline + 1,
      );
      const straight = Math.hypot(
        (run.way[0]?.x ?? 0) - (run.way.at(-1)?.x ?? 0),
        (run.way[0]?.y ?? 0) - (run.way.at(-1)?.y ?? 0),
      );
      expect(polyline).toBeGreaterThanOrEqual(straight - 1);
      // No way is longer than twice round the frame.
      expect(polyline).toBeLessThan(2 * (frame.front.x + 1500));
    }
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

describe('the cut list', () => {
  const piece = (mm: number, colour = 'RD') => ({ name: String(mm), mm, mm2: 0.22, colour });

  it('packs pieces into stock lengths, the longest first (by hand)', () => {
    const [red] = cutList([piece(400), piece(700), piece(300), piece(550)]);
    // 700 + 300 fill a metre, 550 + 400 the next.
    expect(red?.stock.map((s) => [s.mm, s.pieces.map((p) => p.mm), s.left])).toEqual([
      [1000, [700, 300], 0],
      [1000, [550, 400], 50],
    ]);
  });

  it('cuts everything once, out of nothing shorter, and keeps colours apart', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({ mm: fc.integer({ min: 10, max: 12_000 }), colour: fc.constantFrom('RD', 'BK') }),
          { maxLength: 30 },
        ),
        (list) => {
          const groups = cutList(list.map(({ mm, colour }) => piece(mm, colour)));
          expect(groups.flatMap((g) => g.stock.flatMap((s) => s.pieces)).length).toBe(list.length);
          for (const g of groups)
            for (const s of g.stock) {
              expect(s.pieces.reduce((sum, p) => sum + p.mm, 0) + s.left).toBe(s.mm);
              expect(s.left).toBeGreaterThanOrEqual(0);
              expect(s.pieces.every((p) => p.colour === g.colour)).toBe(true);
            }
        },
      ),
      { numRuns: 100, seed: 20261128 },
    );
  });
});
