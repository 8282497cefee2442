import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { BuildDocument } from '../../document/document.ts';
import {
  NOTHING_MEASURED,
  PIN_WORKS,
  type PinWork,
  type PortDocument,
  type WireColour,
} from '../../document/harness.ts';
import { courier, longtail, tandem, tourer, trike } from '../../test/demo.ts';
import { study } from '../../verdict/study.ts';
import { evaluate } from '../../test/evaluate.ts';
import { RUNS, anyBuild, sample } from '../../test/sample.ts';
import { harnessOf, type Cable } from './components.ts';
import { usualPort } from './ports.ts';
import { faced } from './adapter.ts';
import { cutList } from './cut-list.ts';
import { wiringGraph } from './diagram.ts';
import { PLUG_RULES, plugFindings } from './plug-rules.ts';
import { agrees } from './works.ts';
import { wiringOf, type Wire } from './wiring.ts';

const wiring = (build: BuildDocument) => wiringOf(build, study(build).known, study(build).chain);
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
        [key]: { ...NOTHING_MEASURED, ...cable },
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

describe('the current in a cable', () => {
  const typed = (
    key: string,
    cable: Partial<BuildDocument['harness']['cables'][string]>,
    build = hub,
  ): BuildDocument => ({
    ...build,
    harness: { ...build.harness, cables: { [key]: { ...NOTHING_MEASURED, ...cable } } },
  });
  const found = (build: BuildDocument, key: string) => wiring(build).wires.find((w) => w.cable.key === key);

  it('has on the pack’s leads what its own chemistry gives, empty to full', () => {
    const of = (chemistry: 'nmc' | 'lfp' | 'lead-acid', cellsInSeries: number) =>
      wiring(sample({ pack: { chemistry, cellsInSeries } })).pack.map((volts) => Number(volts.toFixed(2)));
    // Data sheets, from memory: NMC 3.0 to 4.2 V a cell, iron phosphate 2.6 to 3.65 V, lead-acid 1.94 at rest to 2.4 V on charge.
    expect(of('nmc', 13)).toEqual([39, 54.6]);
    expect(of('lfp', 16)).toEqual([41.6, 58.4]);
    expect(of('lead-acid', 24)).toEqual([46.56, 57.6]);
    // Neither cells nor label: any pack, not that of a default.
    const unread = { source: 'unknown' as const };
    expect(wiring(sample({ pack: { cellsInSeries: unread, nominalV: unread } })).pack).toEqual([18, 84]);
    expect(wiring(sample({ pack: { cellsInSeries: unread, nominalV: 48 } })).pack).toEqual([39, 54.6]);
    const two = sample({ pack: { cellsInSeries: 13 }, second: { cellsInSeries: 10, join: 'combiner' } });
    expect(wiring(two).pack).toEqual([30, 54.6]);
  });

  it('loses volts by its length and its conductor (by hand, Ohm)', () => {
    // 1 m and 1 m back of 2.5 mm² at 40 °C: 2 / 58 / 2.5 * (1 + 0.00393 * 20) = 14.88 mohm.
    const build = typed('pack-controller', { alongMm: 900, loopMm: 60, endsMm: 40, mm2: 2.5 });
    const amps = study(build).chain.battery.peakA;
    const drop = found(build, 'pack-controller')?.drop;
    expect(drop?.volts).toBeCloseTo(0.01488 * amps, 3);
    expect(drop?.watts).toBeCloseTo(0.01488 * amps * amps, 2);
    expect(found(build, 'motor-halls')?.drop).toBeUndefined();
  });

  it('is told where it is too much for the drop, the conductor, the plug and the tail', () => {
    const rules = (build: BuildDocument, key: string): readonly string[] =>
      found(build, key)?.way.map((f) => f.rule) ?? [];
    expect(rules(typed('pack-controller', { alongMm: 2500, mm2: 0.75 }), 'pack-controller')).toEqual(
      expect.arrayContaining(['drop', 'carries-leads']),
    );
    expect(rules(typed('pack-controller', { plugA: 2 }), 'pack-controller')).toContain('carries-plug');
    expect(rules(typed('motor-phases', { plugA: 2 }), 'motor-phases')).toContain('carries-phase-plug');
    const half = { ...usualPort('phases', 'phase plug', 'pins', true), tailMm2: 0.25 };
    const thin = { ...hub, harness: { ...hub.harness, ports: { 'motor/phases': half } } };
    expect(rules(thin, 'motor-phases')).toContain('carries-tail');
    expect(rules(typed('pack-controller', { alongMm: 300, mm2: 10, plugA: 90 }), 'pack-controller')).toEqual([
      'tail-unknown',
    ]);
  });

  it('of a conductor that nobody knows loses nothing that is told, and is not fine', () => {
    const open = sample({ cabling: { leadMm2: { source: 'unknown' }, phaseMm2: { source: 'unknown' } } });
    for (const key of ['pack-controller', 'motor-phases']) {
      const wire = found(open, key);
      expect([wire?.mm2, wire?.drop, wire?.state], key).toEqual([undefined, undefined, 'unknown']);
    }
    expect(found(sample({ cabling: { leadMm2: 6 } }), 'pack-controller')?.mm2).toBe(6);
    // Typed for the cable itself it counts, whatever Power knows.
    expect(
      found(typed('pack-controller', { alongMm: 300, mm2: 10 }, open), 'pack-controller')?.drop,
    ).toBeDefined();
  });

  it('of a pack whose volts nobody knows loses no share that reads as fine', () => {
    const [pack] = hub.packs;
    const dim: BuildDocument = { ...hub, packs: [{ ...pack, nominalV: { source: 'unknown' } }] };
    const build = typed('pack-controller', { alongMm: 300, mm2: 10, plugA: 90 }, dim);
    const drop = found(build, 'pack-controller')?.way.find((f) => f.rule === 'drop');
    expect(drop?.state).toBe('unknown');
  });

  it('makes the weakest link name the very plug, in the tray as well', () => {
    const build = typed('pack-controller', { plugA: 2 });
    const { chain } = study(build);
    expect(chain.weakest).toMatchObject({
      id: 'plug',
      cable: 'pack-controller',
      name: 'Plug, pack to controller',
    });
    // The plug in general stands for no cable any more.
    expect(chain.links.filter((l) => l.id === 'plug')).toHaveLength(1);
    const two = sample({ second: { join: 'combiner', nominalV: 48 } });
    const links = study(typed('pack-2-combiner', { plugA: 3 }, two)).chain.links.filter(
      (l) => l.id === 'plug',
    );
    expect(links.map((l) => l.cable)).toEqual(['', 'pack-2-combiner']);
    expect(evaluate(build).figures.find((f) => f.id === 'weakest')?.words).toBe('Plug, pack to controller');
  });
});

describe('an adapter', () => {
  const other = {
    from: { plug: 'round plug', sex: 'pins' as const, pins: pinsOf('ground', 'throttle', 'supply5') },
    to: { plug: 'flat plug', sex: 'pins' as const, pins: pinsOf('supply5', 'ground', 'throttle', 'lock') },
  };
  const key = 'throttle-controller';
  const bare = seen(hub, key, other);
  const joined: BuildDocument = {
    ...bare,
    harness: { ...bare.harness, cables: { [key]: { ...NOTHING_MEASURED, adapter: true } } },
  };

  it('joins like to like, so that family, kind, count and order of the halves need not match', () => {
    expect(rules(bare, key)).toEqual(expect.arrayContaining(['same-sex', 'other-family', 'other-count']));
    expect(faced(cableOf(joined, key))).toEqual([1, 2, 0]);
    expect(rules(joined, key)).toEqual(['adapter-leaves']);
    const [left] = plugFindings(cableOf(joined, key), PACK);
    expect(left?.words).toContain('lock of pin 4');
  });

  it('is drawn from pin to its like, and is no cure for a pin that nobody knows', () => {
    const { edges } = wiringGraph(wiring(joined));
    const right = edges.filter((e) => e.id.startsWith(`${key}/`) && e.id.endsWith('/r'));
    expect(right.map((e) => e.targets[0])).toEqual([1, 2, 0].map((i) => `controller/${key}/${String(i)}`));
    const dim = seen(joined, key, {
      ...other,
      from: { ...other.from, pins: pinsOf('ground', 'unknown', 'supply5') },
    });
    expect(rules(dim, key)).toEqual(expect.arrayContaining(['not-seen']));
  });
});

describe('the cut list', () => {
  const piece = (mm: number, colour: WireColour = 'RD') => ({
    name: String(mm),
    mm,
    mm2: 0.22,
    colour,
    kind: 'signal' as const,
  });

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
          fc.record({
            mm: fc.integer({ min: 10, max: 12_000 }),
            colour: fc.constantFrom<WireColour>('RD', 'BK'),
          }),
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

describe('two motors', () => {
  const two = (
    motors: 'one' | 'pair' | 'each-wheel',
    more: Parameters<typeof sample>[0] = {},
  ): BuildDocument =>
    sample({
      ...more,
      drive: { name: 'Hub', motors, wheel: 'rear', ...more.drive },
      controls: { throttle: 'full', ...more.controls },
      controller: { batteryCurrentA: 15, ...more.controller },
    });

  it('have a controller each, fed by a branch of the battery lead, with the hand and the brakes told to both', () => {
    const { components, cables } = harnessOf(two('pair'));
    expect(components.map((c) => c.id)).toEqual(
      expect.arrayContaining(['controller', 'controller-2', 'motor-2']),
    );
    const of = (key: string) => cables.find((c) => c.key === key);
    expect(of('motor-2-phases')).toMatchObject({ fromComponent: 'controller-2', toComponent: 'motor-2' });
    expect(of('motor-2-halls')).toMatchObject({ toComponent: 'controller-2' });
    expect(of('controller-controller-2')).toMatchObject({ kind: 'power', fromComponent: 'controller' });
    expect(new Set(cables.map((c) => c.name)).size).toBe(cables.length);
    expect(of('controller-2-shared')?.from.pins.map((p) => p.work)).toEqual(['throttle', 'cutoff', 'ground']);
    expect(harnessOf(two('one')).components.map((c) => c.id)).not.toContain('controller-2');
    // Inside its motor each has its own: nothing is branched here.
    expect(
      harnessOf(two('pair', { controller: { place: 'motor' } })).components.map((c) => c.id),
    ).not.toContain('controller-2');
  });

  it('never join two 5 V supplies: what is shared is signals and ground', () => {
    const shared = harnessOf(two('pair')).cables.find((c) => c.key === 'controller-2-shared');
    expect(shared?.from.pins.some((p) => p.work === 'supply5')).toBe(false);
  });

  it('carry their own half on the branch, and both on the way before it', () => {
    const carried = (key: string): number => {
      const v = evaluate({
        ...two('pair'),
        harness: {
          ...two('pair').harness,
          cables: {
            [key]: { ...NOTHING_MEASURED, plugA: 20 },
          },
        },
      });
      return v.power.chain.links.find((l) => l.cable === key)?.demand.peakA ?? NaN;
    };
    expect(carried('pack-controller')).toBeCloseTo(30, 9);
    expect(carried('controller-controller-2')).toBeCloseTo(15, 9);
  });

  it('lie where their wheels are: a pair on one axle, one in each wheel apart', () => {
    const cut = (motors: 'pair' | 'each-wheel', key: string): number =>
      wiring(two(motors)).wires.find((w) => w.cable.key === key)?.run.cut ?? NaN;
    expect(cut('pair', 'motor-2-phases')).toBeCloseTo(cut('pair', 'motor-phases'), 0);
    // The one in front turns with the fork, and lies further from the pack.
    expect(cut('each-wheel', 'motor-2-phases')).toBeGreaterThan(cut('each-wheel', 'motor-phases'));
  });

  it('are bought two controllers, one each', () => {
    const bought = (motors: 'one' | 'pair', place: 'wind' | 'motor' = 'wind'): number | undefined =>
      evaluate(two(motors, { controller: { place } })).list.rows.find((r) => r.key === 'controller')
        ?.quantity;
    expect(bought('one')).toBe(1);
    expect(bought('pair')).toBe(2);
    expect(bought('pair', 'motor')).toBeUndefined();
  });
});
