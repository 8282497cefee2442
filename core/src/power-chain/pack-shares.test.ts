import { describe, expect, it } from 'vitest';
import { evaluate } from '../test/evaluate.ts';
import { sample } from '../test/sample.ts';
import { withQuantity } from '../document/quantity-at.ts';
import { phraseText } from '../quantity/phrase.ts';

/** Two packs behind diodes that each carry 15 A; the controller takes 25 A. */
const PACK = {
  nominalV: 48,
  cellsInSeries: 13,
  capacityAh: 10,
  bmsCurrentA: 15,
  cellsContinuousA: 15,
  cellsPeakA: 18,
  wiringMohm: 25,
  chargeLimitPct: 100,
  massKg: 3,
};
const links = (second: object, first: object = {}, join: 'combiner' | 'switch' = 'combiner') =>
  evaluate(
    sample({
      // A hill that takes all the controller gives.
      brief: { hillGradePct: 18, riderPowerW: 0 },
      pack: { ...PACK, ...first },
      controller: { batteryCurrentA: 25, phaseCurrentA: 60, lowVoltageCutoffV: 39 },
      second: { ...PACK, ...second, join },
    }),
  ).power.chain.links;
const of = (all: ReturnType<typeof links>, id: string) =>
  [0, 1].map((pack) => all.find((l) => l.id === id && l.pack === pack));

describe('packs behind diodes', () => {
  it('that are alike carry half each: not stopped, but looked at for the ride on one of them', () => {
    const all = links({});
    for (const id of ['cells', 'bms'])
      for (const link of of(all, id)) {
        expect(link?.demand.peakA).toBeCloseTo(12.5, 6);
        expect(link?.state).toBe('look');
        expect(link?.margin).toBeGreaterThan(0);
        expect(phraseText(link?.why ?? [])).toMatch(/Alone, .* asked 25/);
      }
    // One at a time each is asked all.
    for (const link of of(links({}, {}, 'switch'), 'cells')) {
      expect(link?.demand.peakA).toBe(25);
      expect(link?.state).toBe('stop');
    }
  });

  it('tell what their share rests on that nobody has read; nothing, where all is read', () => {
    const why = (second: object, first: object) =>
      of(links(second, first), 'cells').map((link) => phraseText(link?.why ?? []));
    for (const words of why({ wiringMohm: { source: 'unknown' } }, { healthPct: 95 }))
      expect(words).toMatch(/Its share rests on what nobody has read: leads, plugs and protection, capacity/);
    for (const words of why({ healthPct: 95 }, { healthPct: 95 })) expect(words).not.toContain('rests on');
    // Of a pack from cells, on what they resist.
    const [fromCells] = of(links({ make: 'cells' }, { healthPct: 95 }), 'cells');
    expect(phraseText(fromCells?.why ?? [])).toMatch(/rests on .*resistance/);
    // And so does a share that is too much.
    const [cells] = of(links({ cellsContinuousA: 8 }, { cellsContinuousA: 8 }), 'cells');
    expect(phraseText(cells?.why ?? [])).toMatch(/^Its share of the hill is .*nobody has read: capacity/);
    expect(cells?.inputs.map(({ path }) => path)).toContain('packs.1.healthPct');
  });

  it('are asked no less the weaker the others are, though they sag on more amps than they can give', () => {
    // 2 Ah of old cells give their most at some thirty amps: what is asked beyond comes from the other, never back into it.
    const weak = { capacityAh: 2, healthPct: 50, cellsPeakA: 100, bmsCurrentA: 100 };
    const strong = { ...PACK, cellsPeakA: 100, bmsCurrentA: 100 };
    const asked = (startC: number): readonly number[] =>
      of(
        evaluate(
          sample({
            brief: { hillGradePct: 3, riderPowerW: 0 },
            pack: { ...strong, ...weak, startC },
            controller: { batteryCurrentA: 90, phaseCurrentA: 200, lowVoltageCutoffV: 20 },
            second: { ...strong, ...weak, startC: 20, join: 'combiner' },
          }),
        ).power.chain.links,
        'cells',
      ).map((link) => link?.demand.peakA ?? NaN);
    const [warm, cold] = [asked(20), asked(-15)];
    for (const amps of [...warm, ...cold]) expect(amps).toBeGreaterThan(0);
    expect(warm[1]).toBeCloseTo(45, 6);
    expect(cold[1]).toBeGreaterThan(45);
    expect((cold[0] ?? 0) + (cold[1] ?? 0)).toBeGreaterThan(89.9);
  });

  it('are the weakest link, which is looked at, whatever else has less in hand', () => {
    const build = sample({
      brief: { hillGradePct: 18, riderPowerW: 0 },
      pack: PACK,
      controller: { batteryCurrentA: 25, phaseCurrentA: 60, lowVoltageCutoffV: 39 },
      cabling: { connectorA: 26, fuseA: 25, leadMm2: 6, protection: 'fuse' },
      second: { ...PACK, join: 'combiner' },
    });
    const { power, figures, findings } = evaluate(build);
    const told = findings.filter(({ code }) => code.startsWith('link-')).map(({ title }) => title);
    expect(told).toContain('Cells 1: enough for its share, not for all alone');
    expect(power.chain.weakest?.id).toBe('cells');
    const figure = figures.find(({ id }) => id === 'weakest');
    expect(phraseText(figure?.condition ?? [])).toMatch(/^15\sA for a share of 13\sA$/);
  });

  it('whose cells nobody has counted are each asked all: which of them feeds is not known', () => {
    for (const cells of of(links({ cellsInSeries: { source: 'unknown' } }), 'cells')) {
      expect(cells?.demand.peakA).toBe(25);
      expect(cells?.state).toBe('stop');
    }
  });

  it('that carry all alone are fine', () => {
    const strong = { bmsCurrentA: 30, cellsContinuousA: 30, cellsPeakA: 40 };
    for (const id of ['cells', 'bms'])
      for (const link of of(links(strong, strong), id)) expect(link?.state).toBe('fine');
  });

  it('the higher one feeds alone at first: it is asked all, and so is one that begins fuller', () => {
    for (const second of [{ cellsInSeries: 10, nominalV: 36 }, { chargeLimitPct: 30 }]) {
      const [first] = of(links(second), 'cells');
      expect(first?.demand.continuousA).toBeCloseTo(25, 6);
      expect(first?.state).toBe('stop');
    }
  });

  it('one that is so low that it waits until the other is empty is asked all in its turn', () => {
    const [, low] = of(links({ cellsInSeries: 11, nominalV: 40 }), 'cells');
    expect(low?.demand.continuousA).toBeCloseTo(25, 6);
    expect(low?.state).toBe('stop');
  });

  it('of unlike ohms share by their conductance (Millman, by hand)', () => {
    // Bare cells: twice the amp-hours have half the ohms, so that two thirds come from them.
    const bare = { wiringMohm: 0 };
    const [small, large] = of(links({ ...bare, capacityAh: 20 }, bare), 'cells');
    for (const [link, share] of [
      [small, 1 / 3],
      [large, 2 / 3],
    ] as const) {
      // The most along the way: their volts drift apart a little, as the smaller one warms more.
      expect((link?.demand.peakA ?? 0) / 25).toBeGreaterThan(share - 0.005);
      expect((link?.demand.peakA ?? 0) / 25).toBeLessThan(share + 0.1);
    }
  });
});

describe('sag of one of several packs', () => {
  const alike = { nominalV: 48, cellsInSeries: 13, capacityAh: 10, wiringMohm: 25, chargeLimitPct: 100 };
  const sag = (join: 'combiner' | 'parallel' | 'switch', dropV = 0): number => {
    const { packs } = evaluate(
      withQuantity(
        sample({
          pack: alike,
          controller: { batteryCurrentA: 20, lowVoltageCutoffV: 39 },
          second: { ...alike, join },
        }),
        'joining.diodeDropV',
        { source: 'measured', value: dropV },
      ),
    ).power;
    return (packs[1]?.halfV ?? NaN) - (packs[1]?.loadedV ?? NaN);
  };

  it('is that of its half of the current where both feed, and of all of it where one does', () => {
    expect(sag('parallel')).toBeCloseTo(sag('switch') / 2, 9);
    // The diode's own drop is not the pack's.
    expect(sag('combiner')).toBeCloseTo(sag('switch') / 2, 9);
    expect(sag('combiner', 0.5)).toBeCloseTo(sag('switch') / 2, 9);
  });
});
