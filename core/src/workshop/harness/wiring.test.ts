import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { BuildDocument } from '../../document/document.ts';
import { NOTHING_MEASURED, PIN_WORKS, type WireColour } from '../../document/harness.ts';
import { courier, longtail, tandem, trike } from '../../test/demo.ts';
import { evaluate } from '../../test/evaluate.ts';
import { RUNS, anyBuild, sample } from '../../test/sample.ts';
import { harnessOf } from './components.ts';
import { usualPort } from './ports.ts';
import { faced } from './adapter.ts';
import { cutList } from './cut-list.ts';
import { wiringGraph } from './diagram.ts';
import { PLUG_RULES, plugFindings } from './plug-rules.ts';
import { agrees } from './works.ts';
import { wiring, hub, cableOf, seen, PACK, rules, pinsOf } from '../../test/harnesses.ts';

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
    // What sets the controller goes into a plug of its own, or into none.
    const set = (reached: 'lead' | 'radio') => keys({ ...hub, controller: { ...hub.controller, reached } });
    expect(set('lead')).toContain('programmer-controller');
    expect(set('radio')).not.toContain('programmer-controller');
    // A display that stays is joined as well.
    expect(keys(sample({ donor: { keeps: ['display'] } }))).toContain('display-controller');
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
