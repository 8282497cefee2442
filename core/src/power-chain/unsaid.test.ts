import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { BuildDocument } from '../document/document.ts';
import { withQuantity } from '../document/quantity-at.ts';
import { phraseText } from '../quantity/phrase.ts';
import { courier, longtail, tandem, tourer, trike } from '../test/demo.ts';
import { evaluate } from '../test/evaluate.ts';
import { RUNS, anyBuild, sample, type Changes } from '../test/sample.ts';
import { isPhaseLink, type Link } from './link.ts';

const unsaid = (build: BuildDocument, path: 'controller.batteryCurrentA' | 'controller.phaseCurrentA') =>
  evaluate(withQuantity(build, path, { source: 'unknown' }));
const battery = (links: readonly Link[]): readonly Link[] => links.filter((link) => !isPhaseLink(link));

describe('a hill that rests on what nobody has read', () => {
  const cells = (cellsContinuousA: number, kvRpmPerV: number | { source: 'unknown' }) => {
    const { power } = evaluate(
      sample({
        brief: { hillGradePct: 3, riderMassKg: 80, riderPowerW: 60 },
        donor: { massKg: 15 },
        drive: { massKg: 4, kvRpmPerV, resistanceOhm: 0.1, reduction: 5 },
        controller: { batteryCurrentA: 24, phaseCurrentA: 60, limitsSpeed: false, lowVoltageCutoffV: 40 },
        pack: { nominalV: 48, cellsInSeries: 13, bmsCurrentA: 30, cellsContinuousA, cellsPeakA: 40 },
      }),
    );
    return power.chain.links.find(({ id }) => id === 'cells');
  };

  it('leaves a link open that carries it by a usual value, and would not by another', () => {
    // A slow winding takes less on it than the controller would let through.
    expect(cells(22, 30)?.demand.continuousA).toBeLessThan(22);
    expect(cells(22, 30)?.state).toBe('fine');
    const open = cells(22, { source: 'unknown' });
    expect(open?.demand.continuousA).toBeLessThan(22);
    expect(open?.state).toBe('unknown');
    expect(phraseText(open?.why ?? [])).toMatch(/^Not known: .*speed constant Kv/i);
    expect(phraseText(open?.why ?? [])).toMatch(/At the usual .* it carries what is asked of it\.$/);
    // One that carries full throttle for ever carries any hill.
    expect(cells(24, { source: 'unknown' })?.state).toBe('fine');
  });

  it('leaves a fuse open that a hill by another usual value would open', () => {
    const fuse = (fuseA: number) =>
      evaluate(
        sample({
          brief: { hillGradePct: 3, riderMassKg: 80, riderPowerW: 60 },
          drive: { massKg: 4, resistanceOhm: 0.1, reduction: 5 },
          controller: { batteryCurrentA: 24, phaseCurrentA: 60, limitsSpeed: false, lowVoltageCutoffV: 40 },
          pack: { nominalV: 48, cellsInSeries: 13 },
          cabling: { protection: 'fuse', fuseA, fuseV: 80, breaks: 'direct', leadMm2: 6, insulationC: 105 },
        }),
      ).power.checks.find(({ id }) => id === 'fuse-above-hill');
    expect(fuse(22)).toMatchObject({ state: 'unknown', would: 'fine' });
    expect(fuse(24)?.state).toBe('fine');
  });
});

describe('amps that nobody has said', () => {
  it.each([courier, tourer, longtail, tandem, trike])(
    'leave no link of the battery fine, and none the weakest by a default: $name',
    (build) => {
      const { power, figures } = unsaid(build, 'controller.batteryCurrentA');
      for (const link of battery(power.chain.links)) expect(link.state, link.id).toBe('unknown');
      const weakest = figures.find(({ id }) => id === 'weakest');
      expect(weakest?.state).toBe('unknown');
      expect(phraseText(weakest?.condition ?? [])).not.toMatch(/A for/);
    },
  );

  it('are asked for by every check that is held against them', () => {
    const { power } = unsaid(longtail, 'controller.batteryCurrentA');
    const of = (id: string) => power.checks.find((c) => c.id === id);
    for (const id of ['lead-drop', 'fuse-above-hill'])
      expect(of(id), id).toMatchObject({ state: 'unknown', missing: ['controller.batteryCurrentA'] });
    // What does not hang on them is told as before.
    expect(of('fuse-below-lead')?.state).toBe('fine');
  });

  it('are no matter where the watts are limited: 500 W at 40 V are at most 12.5 A', () => {
    const build = sample({
      controller: {
        batteryCurrentA: { source: 'unknown' },
        limitsPower: true,
        powerLimitW: 500,
        lowVoltageCutoffV: 40,
      },
      pack: { nominalV: 48, cellsInSeries: 13, bmsCurrentA: 20, cellsContinuousA: 20, cellsPeakA: 25 },
    });
    const { battery: asked, links } = evaluate(build).power.chain;
    expect(asked.peakA).toBeCloseTo(12.5, 9);
    expect(links.find(({ id }) => id === 'bms')?.state).toBe('fine');
  });

  it('of a phase matter only where the leads would not bear the most that they could be', () => {
    // Four times the battery's at the most (common practice, no source), by the square root of two thirds: 20 A make 65.
    const phases = (mm2: number): Link['state'] | undefined =>
      unsaid(
        sample({
          controller: { batteryCurrentA: 20 },
          cabling: { phaseMm2: mm2, phaseMm: 200, phaseConnectorA: 100, insulationC: 200 },
          pack: { nominalV: 48, cellsInSeries: 13 },
        }),
        'controller.phaseCurrentA',
      ).power.chain.links.find(({ id }) => id === 'phase-leads')?.state;
    expect(phases(6)).toBe('fine');
    expect(phases(1)).toBe('unknown');
  });

  it('never let a link be fine that more amps would break, whatever the build', () => {
    fc.assert(
      fc.property(anyBuild, fc.double({ min: 8, max: 100, noNaN: true }), (build, amps) => {
        if (build.controller.limitsPower) return;
        const now = unsaid(build, 'controller.batteryCurrentA').power.chain.links;
        const said = withQuantity(build, 'controller.batteryCurrentA', { source: 'label', value: amps });
        for (const link of battery(evaluate(said).power.chain.links)) {
          const before = now.find((l) => l.id === link.id && l.pack === link.pack && l.cable === link.cable);
          if (link.state === 'look' || link.state === 'stop') expect(before?.state, link.id).not.toBe('fine');
        }
      }),
      RUNS,
    );
  });
});

describe('cells that nobody has counted', () => {
  const stands = (id: string, changes: Changes) =>
    evaluate(
      sample({
        ...changes,
        pack: { nominalV: 48, cellsInSeries: { source: 'unknown' } },
        cabling: { protection: 'fuse', breaks: 'direct', fuseA: 20, ...changes.cabling },
      }),
    ).power.checks.find((c) => c.id === id)?.state;

  it('leave open whether there is one more where that would matter: a 48 V label is of 13 or 14', () => {
    // 13 full stand at 54.6 V, 14 at 58.8.
    expect(stands('controller-volts', { controller: { ratedV: 80 } })).toBe('fine');
    expect(stands('controller-volts', { controller: { ratedV: 60 } })).toBe('unknown');
    expect(stands('controller-volts', { controller: { ratedV: 50 } })).toBe('stop');
    expect(stands('fuse-volts', { cabling: { fuseV: 80 } })).toBe('fine');
    expect(stands('fuse-volts', { cabling: { fuseV: 58 } })).toBe('unknown');
    expect(stands('fuse-volts', { cabling: { fuseV: 32 } })).toBe('stop');
  });
});

describe('an insulation that nobody has read', () => {
  // 2.5 mm2 in 30 C of air: 60 C of insulation carry about 23 A, 75 C 29 A, silicone's 200 C 58 A (the heat balance of leads.ts).
  const thin = (insulationC: number | undefined, more: Changes = {}) =>
    evaluate(
      sample({
        controller: { batteryCurrentA: 20, phaseCurrentA: 40 },
        pack: { nominalV: 48, cellsInSeries: 13 },
        cabling: {
          protection: 'fuse',
          breaks: 'direct',
          leadMm2: 2.5,
          fuseA: 25,
          fuseV: 80,
          ...(insulationC === undefined ? { insulationC: { source: 'unknown' } } : { insulationC }),
          ...more.cabling,
        },
      }),
    ).power;
  const fuse = (insulationC: number | undefined, fuseA: number) =>
    thin(insulationC, { cabling: { fuseA } }).checks.find((c) => c.id === 'fuse-below-lead');
  const leads = (insulationC: number | undefined, leadMm2: number) =>
    thin(insulationC, { cabling: { leadMm2 } }).chain.links.find((l) => l.id === 'leads');

  it('leaves open whether the fuse opens before the lead burns where that hangs on it', () => {
    expect(fuse(undefined, 15)?.state).toBe('fine');
    expect(fuse(60, 25)?.state).toBe('stop');
    expect(fuse(75, 25)?.state).toBe('fine');
    expect(fuse(undefined, 25)).toMatchObject({
      state: 'unknown',
      missing: ['cabling.insulationC'],
      limit: ['not known yet'],
    });
    expect(fuse(undefined, 100)?.state).toBe('stop');
  });

  it('leaves open what a lead carries where that hangs on it', () => {
    expect(leads(undefined, 6)?.state).toBe('fine');
    const open = leads(undefined, 1.5);
    expect(open?.state).toBe('unknown');
    expect(phraseText(open?.why ?? [])).toMatch(
      /insulation stands. At the usual 75.°C it carries what is asked/,
    );
    // Too thin by the usual one; silicone might bear it.
    expect(leads(undefined, 0.75)?.state).toBe('unknown');
    expect(phraseText(leads(undefined, 0.75)?.why ?? [])).toMatch(/does not carry/);
  });
});

describe('a pack of which neither volts nor cells are read', () => {
  const bare = sample({
    controller: { batteryCurrentA: 20, ratedV: 60 },
    pack: { nominalV: { source: 'unknown' }, cellsInSeries: { source: 'unknown' } },
    cabling: { protection: 'fuse', breaks: 'direct', fuseA: 20, fuseV: 58, leadMm2: 4, leadMm: 300 },
    supply: { maxInV: 60 },
  });
  it.each(['controller-volts', 'fuse-volts', 'lead-drop'])('is fine for nothing: %s', (id) => {
    expect(evaluate(bare).power.checks.find((c) => c.id === id)?.state).toBe('unknown');
  });
});

describe('a limit in watts that nobody has read', () => {
  it('does not make the amps less than the controller may draw', () => {
    const limited = (powerLimitW: number | undefined) =>
      evaluate(
        sample({
          controller: {
            batteryCurrentA: 30,
            limitsPower: true,
            ...(powerLimitW === undefined ? { powerLimitW: { source: 'unknown' } } : { powerLimitW }),
          },
          pack: { nominalV: 48, cellsInSeries: 13, bmsCurrentA: 25 },
        }),
      ).power.chain.links.find(({ id }) => id === 'bms');
    expect(limited(800)?.state).toBe('fine');
    expect(limited(2000)?.state).toBe('look');
    expect(limited(undefined)?.state).toBe('unknown');
  });
});

describe('cells side by side that nobody has counted', () => {
  const packOf = (parallel: number | undefined) => {
    const build = sample({
      controller: { batteryCurrentA: 20 },
      pack: { make: 'cells', cellsInSeries: 13 },
      cell: { capacityAh: 3, continuousA: 8, peakA: 12 },
      charger: { volts: 54.6, currentA: 4 },
    });
    return evaluate(
      withQuantity(
        build,
        'packs.0.cell.parallel',
        parallel === undefined ? { source: 'unknown' } : { source: 'label', value: parallel },
      ),
    ).power;
  };
  it('carry nothing that is promised', () => {
    const cells = (parallel: number | undefined) =>
      packOf(parallel).chain.links.find(({ id }) => id === 'cells');
    expect(cells(4)?.state).toBe('fine');
    expect(cells(1)?.state).not.toBe('fine');
    expect(cells(undefined)?.state).toBe('unknown');
  });
});
