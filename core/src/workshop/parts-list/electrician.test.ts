import type { PartOf } from '../../parts/part.ts';
import { describe, expect, it } from 'vitest';
import type { BuildDocument } from '../../document/document.ts';
import { phraseText } from '../../quantity/phrase.ts';
import { evaluate } from '../../test/evaluate.ts';
import { type Changes } from '../../test/sample.ts';
import { line, made, words, box, light, hub, fromCells, laidDown } from '../../test/parts-lists.ts';

const CHARGER: PartOf<'charger'> = {
  id: 'charger',
  type: 'charger',
  name: 'Charger',
  maker: 'Arden',
  price: null,
  priceTo: null,
  currency: 'GBP',
  massKg: 0.6,
  leadDays: null,
  ports: {},
  volts: 42,
  currentA: 2,
  efficiencyPct: 88,
};

describe('what an electrician looks for on the list', () => {
  it('asks of a pack what is asked of its kind', () => {
    expect(line(made([{}]), 'pack')?.ask).toContain('Lithium');
    expect(line(made(laidDown), 'pack')?.ask).toContain('one batch');
  });

  it('says what is fed by the pack’s own volts', () => {
    const horn = { name: 'Horn', volts: 0, watts: 20, onPct: 1, light: false };
    expect(
      words(made([{ supply: { means: 'converter', accessories: [horn] } }]), 'accessories/horn'),
    ).toMatch(/^Horn, at the pack’s volts, 20.W/);
  });

  it('asks for the spare fuse at the rating of the fuse', () => {
    const build = made([{ cabling: { protection: 'fuse', fuseA: 25 } }]);
    expect(words(build, 'fuse')).toMatch(/25.A/);
    expect(words(build, 'spare-fuse')).toMatch(/25.A/);
  });

  it('asks for a charger and a board of the pack’s own chemistry, and offers no other', () => {
    const built = (chemistry: 'nmc' | 'lfp' | 'lead-acid', cellsInSeries: number) =>
      made([{ pack: { make: 'cells', chemistry, cellsInSeries }, cell: { parallel: 2 } }]);
    const offers = (build: BuildDocument, volts: number): boolean | undefined =>
      line(build, 'charger')?.from?.suits({ ...CHARGER, volts });
    // Sixteen cells of iron phosphate end at 58.4 V, sixteen of NMC at 67.2 V, fourteen at 58.8 V.
    const lfp = built('lfp', 16);
    expect(words(lfp, 'charger')).toMatch(/ends at 58\.4.V/);
    expect([58.4, 58.8, 67.2].map((volts) => offers(lfp, volts))).toEqual([true, false, false]);
    expect(offers(built('nmc', 16), 67.2)).toBe(true);
    expect(words(lfp, 'board')).toMatch(/16S.*lithium iron phosphate.*3\.65.V a cell/);
    expect(words(built('nmc', 13), 'board')).toMatch(/13S.*4\.20.V a cell/);
    // Four 12 V blocks: from float to absorption.
    const lead = made([{ pack: { chemistry: 'lead-acid', cellsInSeries: 24, ...box('deck', 4) } }]);
    expect(words(lead, 'charger')).toMatch(/lead-acid.*54\.0.*58\.8.V/);
    expect([54.6, 57.6, 67.2].map((volts) => offers(lead, volts))).toEqual([true, true, false]);
    // Cells that nobody has counted are no ground to order on.
    const uncounted = made([{ pack: { cellsInSeries: { source: 'unknown' } } }]);
    expect(words(uncounted, 'charger')).toContain('not known');
    // Nor to price it by: it may cost what any of them costs.
    expect([42, 54.6, 84].map((volts) => offers(uncounted, volts))).toEqual([true, true, true]);
    // What cells take is stated where they are, and not where nobody has read their sheet.
    const cells = (chargeA: number | { source: 'unknown' }): BuildDocument =>
      made([{ pack: { make: 'cells', cellsInSeries: 13 }, cell: { parallel: 4, chargeA } }]);
    expect(words(cells(1.5), 'charger')).toMatch(/at most 6\.0.A/);
    expect(words(cells({ source: 'unknown' }), 'charger')).not.toContain('at most');
  });

  it('rates what sits in the battery lead so that the power chain lets it pass, whatever is drawn', () => {
    const amps = (build: BuildDocument, key: string): number => {
      const found = line(build, key);
      const [said] = (found?.what ?? []).flatMap((w) => (typeof w !== 'string' && w.unit === 'A' ? [w] : []));
      if (said === undefined) throw new Error(`${key}: ${words(build, key)}`);
      return said.value;
    };
    const open = { source: 'unknown' } as const;
    const cabling = { fuseA: open, pullPlugA: open, connectorA: open } as const;
    type Set = { cabling?: Changes['cabling']; joining?: Changes['joining'] };
    const links: readonly (readonly [key: string, link: string, set: (value: number) => Set])[] = [
      ['fuse', 'fuse', (fuseA) => ({ cabling: { fuseA } })],
      ['main-switch', 'pull-plug', (pullPlugA) => ({ cabling: { pullPlugA } })],
      ['plugs', 'plug', (connectorA) => ({ cabling: { connectorA } })],
      ['combiner', 'join', (ratedA) => ({ joining: { ratedA } })],
    ];
    // A level hill draws little for long; full throttle draws all that the controller lets through.
    for (const batteryCurrentA of [12, 15, 30, 80])
      for (const hillGradePct of [1, 6, 14]) {
        const rated = (more: Set = {}): BuildDocument =>
          made([
            {
              brief: { hillGradePct },
              controller: { batteryCurrentA },
              cabling: { ...cabling, ...more.cabling, passes: ['pull-plug'], protection: 'fuse' },
              joining: { ratedA: open, ...more.joining },
              second: { join: 'switch', nominalV: 48, capacityAh: 10 },
            },
          ]);
        for (const [key, id, set] of links) {
          const found = evaluate(rated(set(amps(rated(), key)))).power.chain.links.find((l) => l.id === id);
          expect([found?.state, key, batteryCurrentA, hillGradePct]).toEqual([
            'fine',
            key,
            batteryCurrentA,
            hillGradePct,
          ]);
        }
      }
    // What is entered is asked for as it is.
    expect(amps(made([{ cabling: { fuseA: 25 } }]), 'fuse')).toBe(25);
    expect(
      amps(made([{ joining: { ratedA: 40 }, second: { join: 'switch', nominalV: 48 } }]), 'combiner'),
    ).toBe(40);
  });

  it('rates nothing by amps that nobody has said without saying so', () => {
    const rated = (controller: NonNullable<Changes['controller']>): string =>
      ['fuse', 'spare-fuse', 'plugs', 'main-switch']
        .map((key) =>
          words(made([{ controller, cabling: { protection: 'fuse', passes: ['pull-plug'] } }]), key),
        )
        .join();
    const unsaid = rated({ batteryCurrentA: { source: 'unknown' } });
    expect(unsaid.split('not known: measure first')).toHaveLength(5);
    expect(unsaid).toContain('the controller’s amps are not known yet');
    expect(rated({ batteryCurrentA: 20 })).not.toContain('not known');
    // Watts that are limited take the more amps the lower the volts: those of a cut-off that nobody has read.
    const byWatts = rated({
      batteryCurrentA: 30,
      limitsPower: true,
      powerLimitW: 600,
      lowVoltageCutoffV: { source: 'unknown' },
    });
    expect(byWatts).toMatch(/low-voltage cut-off not known yet: up to \d+\sA by that/);
    expect(byWatts).not.toContain('amps are not known');
  });

  it('lists a fuse, plugs and a lead for each pack', () => {
    const second = { join: 'parallel', nominalV: 48, capacityAh: 10 } as const;
    const cabling = { leadMm: 800, connectors: 1 as const };
    const count = (key: string, more: Changes = {}): number =>
      line(made([{ cabling, ...more }]), key)?.quantity ?? 0;
    // 800 mm and a tenth is 0.9 m, and 1 m is the least that is bought; twice that is 1.8 m.
    expect([count('battery-lead/red'), count('battery-lead/red', { second })]).toEqual([1, 1.8]);
    // One pair and a spare; with two packs one at each, one at the controller, and a spare.
    expect([count('plugs'), count('plugs', { second })]).toEqual([2, 4]);
    expect(line(made([{}]), 'fuse')?.quantity ?? 1).toBe(1);
    expect(line(made([{ second }]), 'fuse')?.quantity).toBe(2);
    // Whoever has one in the common lead buys none for the branches that he does not want.
    expect(line(made([{ second, joining: { branchFuses: 'no' } }]), 'fuse')?.quantity ?? 1).toBe(1);
    expect(words(made([{ second }]), 'combiner')).not.toContain('fuse');
    const why = (more: Changes): string => phraseText(line(made([{ second, ...more }]), 'fuse')?.why ?? []);
    expect(why({})).toContain('one at each pack');
    expect(why({ joining: { branchFuses: 'no' } })).not.toContain('one at each pack');
  });

  it('says of a fuse what is asked of it, and what the lead that it guards carries', () => {
    const why = (changes: Changes): string => phraseText(line(made([changes]), 'fuse')?.why ?? []);
    const flat = why({
      brief: { hillGradePct: 1 },
      controller: { batteryCurrentA: 30 },
      cabling: { leadMm2: 6 },
    });
    expect(flat).toMatch(/^\d+.A asked for long, 30.A at full throttle; the lead carries \d+.A$/);
    const steep = why({
      brief: { hillGradePct: 30 },
      controller: { batteryCurrentA: 15 },
      cabling: { leadMm2: { source: 'unknown' } },
    });
    expect(steep).toMatch(/^15.A asked$/);
  });

  it('prints no size of a lead that nobody has said', () => {
    const open = { source: 'unknown' } as const;
    const cabling = { leadMm2: open, phaseMm2: open, phaseMm: 600, passes: ['rings' as const] };
    const build = made([{ cabling }]);
    for (const key of ['battery-lead/red', 'rings', 'phase-lead'])
      expect(words(build, key), key).toMatch(/size by the power chain/);
    const blocks = made([{ cabling, pack: { chemistry: 'lead-acid', ...box('deck', 4) } }]);
    expect(words(blocks, 'block-links')).toContain('size by the power chain');
    expect(words(made([{ cabling: { ...cabling, leadMm2: 6 } }]), 'rings')).toMatch(/6\.0.mm²/);
  });

  it('lengthens the two leads of a brushed motor, and the three of another', () => {
    const long = (commutation: 'brushes' | 'electronic') =>
      made([{ drive: { commutation }, cabling: { phaseMm: 1000 } }, 'external']);
    expect(words(long('brushes'), 'phase-lead')).toContain('Motor lead, red and black');
    expect(
      [line(long('brushes'), 'phase-lead'), line(long('electronic'), 'phase-lead')].map((l) => l?.quantity),
    ).toEqual([2.2, 3.3]);
  });

  it('asks for no charger of more amps than the pack takes', () => {
    expect(words(made([{ pack: { maxChargeA: 6 } }]), 'charger')).toMatch(/at most 6\.0.A/);
    expect(words(made([{ pack: { maxChargeA: 6 }, charger: { currentA: 3 } }]), 'charger')).toMatch(
      /, 3\.0.A/,
    );
  });

  it('buys no pack that is built here, and says of its cells how they are sent', () => {
    const built = made(fromCells);
    expect(line(built, 'pack')).toBeUndefined();
    expect(line(built, 'cells')?.ask).toContain('Lithium');
    expect(words(built, 'cells')).toContain('NMC');
  });

  it('prices cells by the piece, spares with them, and none that nobody has priced', () => {
    const salvaged = (price: number | null) =>
      line(
        made([
          { pack: { make: 'cells', chemistry: 'nmc', cellsInSeries: 14 }, cell: { parallel: 5, price } },
        ]),
        'cells',
      );
    // 70 cells and two spares at 0.80 each.
    expect(salvaged(0.8)?.quantity).toBe(72);
    expect(salvaged(0.8)?.price).toBeCloseTo(57.6, 9);
    expect(salvaged(null)?.price).toBeNull();
  });

  it('names the volts of a converter by what is on it', () => {
    const lamp6 = { ...light, name: 'Small lamp', volts: 6 };
    const horn = { ...light, name: 'Horn', volts: 0, light: false };
    const on = (accessories: readonly (typeof light)[]) =>
      words(made([{ supply: { means: 'converter', accessories: [...accessories] } }]), 'converter');
    expect(on([light, horn])).toMatch(/to 12.V/);
    expect(on([light, lamp6])).toMatch(/to 6 and 12.V/);
  });

  it('asks for sizes as they stand on the shelf of any country: millimetres, and leads by gauge as well', () => {
    const build = made([{ drive: { ...hub, torqueArms: 1 }, cabling: { leadMm2: 3.3 } }]);
    const asked = (key: string) => phraseText(line(build, key)?.what ?? [], 'imperial');
    expect(asked('torque-arms')).toMatch(/10\.0.mm/);
    // ASTM B258: 12 AWG is 3.309 mm².
    expect(asked('battery-lead/red')).toMatch(/3\.3.mm² \(12 AWG\)/);
  });
});
