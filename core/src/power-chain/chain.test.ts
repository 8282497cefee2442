import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { inUse } from '../document/known.ts';
import { withFurtherPack } from '../document/further-pack.ts';
import { withQuantity, withValue } from '../document/quantity-at.ts';
import type { BuildDocument } from '../document/document.ts';
import { evaluate } from '../test/evaluate.ts';
import { RUNS, anyBuild, sample } from '../test/sample.ts';
import { isPhaseLink, isShare } from './link.ts';

/** A build with a whole, sound current chain. */
const whole = (changes: Parameters<typeof sample>[0] = {}): BuildDocument =>
  sample({
    ...changes,
    pack: {
      bmsCurrentA: 30,
      cellsContinuousA: 32,
      cellsPeakA: 45,
      maxChargeA: 7,
      cellsInSeries: 13,
      ...changes.pack,
    },
    controller: {
      batteryCurrentA: 20,
      phaseCurrentA: 45,
      ratedV: 63,
      lowVoltageCutoffV: 40,
      capacitorUf: 1000,
      ...changes.controller,
    },
    cabling: {
      leadMm: 800,
      leadMm2: 4,
      connectorA: 45,
      fuseA: 30,
      fuseV: 80,
      breaks: 'direct',
      phaseMm: 300,
      phaseMm2: 8,
      phaseConnectorA: 60,
      protection: 'fuse',
      inrush: 'anti-spark',
      ...changes.cabling,
    },
    charger: { volts: 54.6, currentA: 3, ...changes.charger },
  });
const chainOf = (build: BuildDocument) => evaluate(build).power.chain;
const link = (build: BuildDocument, id: string) => {
  const found = chainOf(build).links.find((l) => l.id === id);
  if (found === undefined) throw new Error(id);
  return found;
};
const check = (build: BuildDocument, id: string) => evaluate(build).power.checks.find((c) => c.id === id);

describe('the current chain', () => {
  it('ends at a controller that is in its motor: nobody asks for leads that are its maker’s', () => {
    const phases = (build: BuildDocument) =>
      chainOf(build)
        .links.filter(isPhaseLink)
        .map(({ id }) => id);
    const cabling = { phaseMm2: { source: 'unknown' }, phaseConnectorA: { source: 'unknown' } } as const;
    const beside = whole({ cabling });
    expect(phases(beside)).toEqual(['phase-leads', 'phase-plug']);
    const inside = whole({ cabling, controller: { place: 'motor' } });
    expect(phases(inside)).toEqual([]);
    expect(chainOf(inside).unknown).toEqual([]);
    // A motor with brushes has no phases.
    const brushed = chainOf(whole({ drive: { commutation: 'brushes' } })).links.filter(isPhaseLink);
    expect(brushed.map(({ name }) => name)).toEqual(['Motor leads', 'Motor plug']);
    for (const path of ['cabling.phaseMm', 'cabling.phaseMm2', 'cabling.phaseConnectorA'] as const)
      expect([inUse(beside, path), inUse(inside, path)]).toEqual([true, false]);
  });

  it('names the weakest: the least of the margins, worked by hand', () => {
    const build = whole();
    const chain = chainOf(build);
    expect(chain.weakest?.id).toBe('bms');
    // 30 A for the controller's 20 A: half as much again.
    expect(chain.weakest?.margin).toBeCloseTo(0.5, 9);
    expect(chain.battery.peakA).toBe(20);
  });

  it('has as its weakest the minimum of the margins, whatever the build', () => {
    fc.assert(
      fc.property(anyBuild, (build) => {
        const chain = chainOf(build);
        const margins = chain.links.flatMap((l) => (l.margin === undefined ? [] : [l.margin]));
        for (const margin of margins) expect(Number.isNaN(margin)).toBe(false);
        // A pack that carries its share and not all stands before whatever carries what it is asked.
        if (chain.weakest === undefined || !isShare(chain.weakest))
          expect(chain.weakest?.margin).toBe(margins.length === 0 ? undefined : Math.min(...margins));
        else expect(Math.min(...margins)).toBeGreaterThanOrEqual(0);
        for (const l of chain.links) {
          const shares = build.joining.how === 'combiner' && l.state !== 'fine';
          // An unknown input is never fine; a share that rests on one is looked at, or too much.
          if (l.inputs.some((k) => k.source === 'unknown'))
            expect(shares || l.state === 'unknown').toBe(true);
          else if (l.id === 'controller') continue;
          // A pack that carries its share behind a diode may not carry all.
          else if (shares) continue;
          // Nothing asked is borne by anything, and has no margin.
          else if (l.demand.peakA === 0) expect(l.state).toBe('fine');
          else expect(l.state === 'fine').toBe((l.margin ?? -1) >= 0);
        }
      }),
      RUNS,
    );
  });

  // Common practice: protection below the controller's limit cuts out on a hill.
  it('looks at a protection below the controller, by how much the controller asks and not by what it lets through', () => {
    expect(link(whole({ pack: { bmsCurrentA: 18 }, brief: { hillGradePct: 0.5 } }), 'bms').state).toBe(
      'look',
    );
    const steep = whole({
      pack: { bmsCurrentA: 6 },
      brief: { hillGradePct: 14, hillLengthM: 400 },
      controls: { throttle: 'full' },
    });
    const tripped = link(steep, 'bms');
    // It cuts out, it does not burn.
    expect(tripped.state).toBe('look');
    expect(tripped.demand.continuousA).toBeGreaterThan(15);
    expect(tripped.margin).toBeLessThan(6 / 15 - 1);
  });

  it('is the cells once they are too few: 2 of 8 A side by side for 20 A', () => {
    const build = whole({
      pack: { make: 'cells', cellsInSeries: 13, healthPct: 100, startC: 25 },
      cell: { parallel: 2, continuousA: 8, peakA: 9, capacityAh: 3.4 },
    });
    expect(chainOf(build).weakest?.id).toBe('cells');
    // The cells sag so far that the hill has a little less than the whole.
    expect(link(build, 'cells').margin).toBeCloseTo(16 / 20 - 1, 3);
    expect(evaluate(build).figures.find((f) => f.id === 'weakest')).toMatchObject({
      words: 'Cells',
      state: 'stop',
    });
  });

  it('counts two plugs in parallel for a fifth less than double (common practice)', () => {
    const one = link(whole({ cabling: { connectorA: 20 } }), 'plug').continuousA ?? 0;
    expect(link(whole({ cabling: { connectorA: 20, connectors: 2 } }), 'plug').continuousA).toBeCloseTo(
      1.6 * one,
      9,
    );
  });

  it('asks phase leads for more than the battery leads at standstill', () => {
    const { battery, phase } = chainOf(whole());
    expect(phase.startA).toBeGreaterThan(battery.startA);
    // Equal copper loss: 45 A of the direct-current equivalent are 36.7 A effective in each of three phases.
    expect(phase.peakA).toBeCloseTo(45 * Math.sqrt(2 / 3), 9);
  });

  it('shares between two packs joined directly: 2 packs of 4.4 Ah at 36 V are 8.8 Ah, 316.8 Wh', () => {
    const cells = { nominalV: 36, cellsInSeries: 10, capacityAh: 4.4, bmsCurrentA: 10, cellsContinuousA: 9 };
    const build = sample({
      pack: { ...cells, cellsPeakA: 13, healthPct: 100 },
      second: { ...cells, cellsPeakA: 13, join: 'parallel', healthPct: 100, chargeLimitPct: 100, massKg: 2 },
      controller: { batteryCurrentA: 14, lowVoltageCutoffV: 31 },
    });
    const verdict = evaluate(build);
    expect(verdict.power.energyWh).toBeCloseTo(316.8, 9);
    expect(link(build, 'bms').continuousA).toBe(20);
    expect(link(build, 'cells').continuousA).toBe(18);
  });
});

describe('the charger of four lead-acid blocks', () => {
  // 13.5 to 13.8 V float, 14.4 to 14.7 V absorption a block: common practice.
  it.each([
    [55.2, 'fine'],
    [57.6, 'fine'],
    [58, 'fine'],
    [58.8, 'fine'],
    [60, 'stop'],
    [48, 'stop'],
  ])('may end anywhere from float to absorption: %s V is %s', (volts, state) => {
    const build = whole({
      pack: { chemistry: 'lead-acid', cellsInSeries: 24, nominalV: 48 },
      charger: { volts },
    });
    expect(check(build, 'charger-volts')?.state).toBe(state);
  });
});

describe('the charger of thirteen lithium cells', () => {
  // 4.20 V a cell, and a few tenths of a volt (common practice); to 85 % they rest at about 52 V.
  it.each([
    [54.6, 100, 'fine'],
    [58.8, 100, 'stop'],
    [52, 100, 'look'],
    [52, 85, 'fine'],
    [54.6, 85, 'fine'],
    [58.8, 85, 'stop'],
    [42, 100, 'stop'],
    [42, 85, 'stop'],
  ])('of %s V, charged to %s %%, is %s', (volts, chargeLimitPct, state) => {
    const build = whole({ pack: { cellsInSeries: 13, nominalV: 48, chargeLimitPct }, charger: { volts } });
    expect(check(build, 'charger-volts')?.state).toBe(state);
  });

  it('of 3.5 V a cell fills iron phosphate, whose volts hardly rise before they are full', () => {
    const pack = { chemistry: 'lfp', cellsInSeries: 16, nominalV: 51.2, chargeLimitPct: 100 } as const;
    const of = (volts: number) => check(whole({ pack, charger: { volts } }), 'charger-volts')?.state;
    // 3.65 V a cell at the most (common practice): 58.4 V.
    expect([56, 58.4, 60, 40].map(of)).toEqual(['fine', 'fine', 'stop', 'stop']);
  });

  it('is not known to suit cells that nobody has counted, unless no count could stand it', () => {
    const uncounted = (volts: number) =>
      check(whole({ pack: { cellsInSeries: { source: 'unknown' } }, charger: { volts } }), 'charger-volts');
    expect(uncounted(54.6)).toMatchObject({ state: 'unknown', missing: ['packs.0.cellsInSeries'] });
    expect(uncounted(58.8)?.state).toBe('unknown');
    expect(uncounted(67.2)?.state).toBe('stop');
  });
});

describe('a cut-off', () => {
  // Common practice: 2.8 to 3.4 V a cell under load. By hand: 13 of them from 36.4 to 44.2 V.
  it.each([
    [36, 'stop'],
    [36.4, 'fine'],
    [44.2, 'fine'],
    [44.3, 'stop'],
  ] as const)('of %d V for thirteen cells is %s', (lowVoltageCutoffV, state) => {
    expect(check(whole({ controller: { lowVoltageCutoffV } }), 'cutoff-cells')).toMatchObject({
      state,
      at: 'controller.lowVoltageCutoffV',
    });
  });

  it('is held against the cells of every pack that it may be left to guard, and fine for none that nobody has counted', () => {
    const one = whole({ controller: { lowVoltageCutoffV: 30.7 }, pack: { cellsInSeries: 10 } });
    expect(check(one, 'cutoff-cells')?.state).toBe('fine');
    const two = withValue(withFurtherPack(one), 'packs.1.cellsInSeries', 13);
    expect(check(two, 'cutoff-cells')?.state).toBe('fine');
    expect(check(two, 'cutoff-cells-2')).toMatchObject({
      state: 'stop',
      title: 'Low-voltage cut-off for these cells, pack 2',
    });
    expect(check(withFurtherPack(one), 'cutoff-cells-2')?.state).toBe('unknown');
    const unread = withQuantity(one, 'controller.lowVoltageCutoffV', { source: 'unknown' });
    expect(check(unread, 'cutoff-cells')?.state).toBe('unknown');
  });
});

describe('a controller that is limited in watts', () => {
  it('asks the amps of the lowest volts of every link', () => {
    const build = whole({
      controller: { limitsPower: true, powerLimitW: 500, batteryCurrentA: 40, lowVoltageCutoffV: 40 },
    });
    expect(chainOf(build).battery.peakA).toBeCloseTo(12.5, 9);
  });
});

describe('checks of the power chain', () => {
  it('are all fine on a sound build', () => {
    for (const c of evaluate(whole()).power.checks) expect(c.state, c.id).toBe('fine');
  });

  it('never turn fine on an unknown', () => {
    fc.assert(
      fc.property(anyBuild, (build) => {
        for (const c of evaluate(build).power.checks) {
          if (c.missing.length > 0 || c.unanswered.length > 0) expect(c.state, c.id).toBe('unknown');
          if (c.value !== undefined) expect(Number.isFinite(c.value), c.id).toBe(true);
        }
      }),
      RUNS,
    );
  });

  it.each([
    ['a charger of other volts', 'charger-volts', { charger: { volts: 58.8 } }, 'stop'],
    ['a charger a tenth of a volt off', 'charger-volts', { charger: { volts: 54.5 } }, 'fine'],
    ['a charger too strong for the cells', 'charger-amps', { charger: { currentA: 9 } }, 'stop'],
    [
      '63 V capacitors at a full 14 in series',
      'controller-volts',
      { pack: { cellsInSeries: 14, nominalV: 52 } },
      'fine',
    ],
    ['63 V capacitors at their edge', 'controller-volts', { controller: { ratedV: 56 } }, 'look'],
    ['48 V capacitors under a full 13 in series', 'controller-volts', { controller: { ratedV: 48 } }, 'stop'],
    ['no fuse', 'fuse-present', { cabling: { protection: 'none' } }, 'stop'],
    [
      'a fuse above what the lead carries',
      'fuse-below-lead',
      { cabling: { fuseA: 80, leadMm2: 1.5 } },
      'stop',
    ],
    ['a fuse for 32 V direct current', 'fuse-volts', { cabling: { fuseV: 32 } }, 'stop'],
    [
      'a 400 V breaker for alternating current only',
      'fuse-volts',
      { cabling: { fuseV: 400, breaks: 'alternating' } },
      'stop',
    ],
    [
      'a breaker of which nobody knows the current',
      'fuse-volts',
      { cabling: { fuseV: 400, breaks: 'unknown' } },
      'unknown',
    ],
    ['a bare plug above 48 V', 'inrush', { cabling: { inrush: 'none' } }, 'look'],
    ['a long thin lead', 'lead-drop', { cabling: { leadMm: 2500, leadMm2: 1 } }, 'look'],
  ] as const)('%s: %s', (_what, id, changes, state) => {
    expect(check(whole(changes as Parameters<typeof sample>[0]), id)?.state).toBe(state);
  });

  it('a drop above a twentieth of the volts stops: 5 m of 0.75 mm² at 20 A', () => {
    expect(check(whole({ cabling: { leadMm: 5000, leadMm2: 0.75 } }), 'lead-drop')?.state).toBe('stop');
  });

  it('unlike packs are stopped only where they are joined directly', () => {
    const other = {
      cellsInSeries: 14,
      nominalV: 52,
      capacityAh: 10,
      bmsCurrentA: 30,
      chargeLimitPct: 100,
    };
    const joined = (join: 'parallel' | 'combiner' | 'switch') => whole({ second: { ...other, join } });
    expect(check(joined('parallel'), 'parallel-kind')?.state).toBe('stop');
    expect(check(joined('parallel'), 'parallel-volts')?.state).toBe('stop');
    expect(check(joined('combiner'), 'parallel-kind')).toBeUndefined();
    expect(check(joined('switch'), 'above-cutoff')?.state).toBe('fine');
  });

  it('several packs are guarded each by its own fuse, or that is looked at (common practice)', () => {
    const other = { cellsInSeries: 13, nominalV: 48, capacityAh: 10, bmsCurrentA: 30 };
    const joined = (join: 'parallel' | 'combiner' | 'switch', branchFuses?: 'yes' | 'no') =>
      check(
        whole({
          second: { ...other, join },
          ...(branchFuses === undefined ? {} : { joining: { branchFuses } }),
        }),
        'branch-fuses',
      )?.state;
    expect(check(whole({}), 'branch-fuses')).toBeUndefined();
    for (const join of ['parallel', 'combiner', 'switch'] as const) {
      expect(joined(join), join).toBe('unknown');
      expect(joined(join, 'yes'), join).toBe('fine');
      // A pack that fails inside is fed by the others where nothing stands between them.
      expect(joined(join, 'no'), join).toBe(join === 'parallel' ? 'stop' : 'look');
    }
  });

  it('like packs may differ by a tenth of a volt a cell before they are joined, no more (common practice)', () => {
    const like = {
      cellsInSeries: 13,
      nominalV: 48,
      capacityAh: 10,
      bmsCurrentA: 30,
      join: 'parallel' as const,
    };
    expect(check(whole({ second: { ...like, chargeLimitPct: 95 } }), 'parallel-volts')?.state).toBe('fine');
    expect(check(whole({ second: { ...like, chargeLimitPct: 40 } }), 'parallel-volts')?.state).toBe('stop');
  });

  it('a full pack has no room for braking; one charged to 85 % has', () => {
    const brakes = { drive: { freewheel: false }, controller: { regenerates: 'yes' as const, regenA: 8 } };
    expect(check(whole({ ...brakes, pack: { chargeLimitPct: 100 } }), 'regen-full')?.state).toBe('look');
    expect(check(whole({ ...brakes, pack: { chargeLimitPct: 85 } }), 'regen-full')?.state).toBe('fine');
  });

  it('a resistor before the lamps asks for a converter', () => {
    const lamp = { name: 'lamp', volts: 12, watts: 6, onPct: 100, light: true };
    expect(check(whole({ supply: { means: 'resistor', accessories: [lamp] } }), 'dropper')?.state).toBe(
      'look',
    );
    const small = { means: 'converter' as const, accessories: [lamp], ratedW: 5, maxInV: 75 };
    expect(check(whole({ supply: small }), 'converter-watts')?.state).toBe('stop');
  });
});
