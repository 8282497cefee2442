import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { BuildDocument } from '../../document/document.ts';
import { withLine } from '../../document/purchase.ts';
import { withValues } from '../../document/quantity-at.ts';
import { phraseText } from '../../quantity/phrase.ts';
import { courier, longtail, tandem, tourer, trike } from '../../test/demo.ts';
import { evaluate } from '../../test/evaluate.ts';
import { anyBuild, sample, type Changes } from '../../test/sample.ts';
import { fitsOf, stopsOf } from './fit-of.ts';
import { FITS, OF_EACH_PACK } from './fits.ts';
import { shoppingList, shoppingText } from './shopping.ts';

/** Machines that have what few have: something in the lead for everything, a second pack, a kept motor, a chain of its own. */
const RARE: readonly BuildDocument[] = [
  withValues(longtail, 'cabling', {
    passes: ['pull-plug', 'rings', 'charge-plug'],
    protection: 'breaker',
  }),
  sample({ second: { join: 'switch' } }),
  sample({ second: { join: 'parallel' } }),
  sample({ drive: { motors: 'each-wheel' } }),
  sample({ donor: { crankSets: 2 } }, 'mid-drive'),
  sample({ pack: { make: 'cells', chemistry: 'lead-acid', cellsInSeries: 20 }, cell: { inBody: 6 } }),
];
const builds = [
  longtail,
  tandem,
  trike,
  courier,
  tourer,
  ...RARE,
  ...fc.sample(anyBuild, { numRuns: 250, seed: 20261129 }),
];

/** A build of which motor and pack are chosen: without them there is no list. */
const made = (changes: Changes): BuildDocument =>
  sample({ ...changes, drive: { name: 'Hub', ...changes.drive }, pack: { name: 'Pack', ...changes.pack } });

const stops = (build: BuildDocument, key: string): readonly string[] => {
  const { list, study } = evaluate(build);
  const row = list.rows.find((r) => r.key === key);
  if (row === undefined) throw new Error(`no line ${key}`);
  return stopsOf(row, study).map(({ id }) => id);
};
const shopping = (build: BuildDocument): string => {
  const { list, study } = evaluate(build);
  return shoppingText(build.name, shoppingList(list.rows), study);
};
const overcharged = made({ pack: { cellsInSeries: 13, nominalV: 48 }, charger: { volts: 58.8 } });

describe('what says whether the thing on a line fits', () => {
  it('are checks and links that there are: none is named that no build has', () => {
    const found = new Set<string>();
    for (const build of builds) {
      const { checks, powerChecks, chain } = evaluate(build).study;
      for (const { id } of [...checks, ...powerChecks, ...chain.links]) found.add(id);
    }
    const named = new Set([...Object.values(FITS).flat(), ...OF_EACH_PACK]);
    expect([...named].filter((id) => !found.has(id))).toEqual([]);
  });

  it('counts the links of the current: a board below the controller’s amps stands at its pack', () => {
    const { list, study } = evaluate(longtail);
    const line = list.rows.find((r) => r.key === 'pack')?.line;
    const titles = line && fitsOf(line, study).map(({ title }) => title);
    expect(titles).toContain('Protection against its current');
    expect(titles).toContain('Cells against its current');
  });

  it('is asked of each pack by itself', () => {
    const second = made({
      charger: { volts: 54.6 },
      second: { join: 'switch', cellsInSeries: 13, nominalV: 48 },
    });
    const wrong = withValues(second, 'packs.1.charger', { volts: { source: 'label', value: 67.2 } });
    expect(stops(wrong, 'charger')).toEqual([]);
    expect(stops(wrong, 'charger/2')).toEqual(['charger-volts-2']);
  });
});

describe('a thing that does not fit', () => {
  it('is not put on a shopping list in silence', () => {
    expect(stops(overcharged, 'charger')).toEqual(['charger-volts']);
    const text = shopping(overcharged);
    const [, after] = text.split('Charger, ends at');
    expect(after).toContain('not as it stands: Charger’s volts against the pack');
    expect(after).toContain('this one overcharges');
  });

  it.each([
    ['a shell wider than the motor’s axle', longtail, 'motor', 'donor', { shellWidthMm: 120 }],
    ['a fuse for 32 V direct current', longtail, 'fuse', 'cabling', { fuseV: 32 }],
    ['a plug for 15 A', longtail, 'plugs', 'cabling', { connectorA: 15 }],
    ['a lead of 0.25 mm²', longtail, 'battery-lead/red', 'cabling', { leadMm2: 0.25 }],
    ['a controller for fewer volts', trike, 'controller', 'controller', { ratedV: 40 }],
    ['a converter for fewer volts', longtail, 'converter', 'supply', { maxInV: 40 }],
    ['a hub of 170 mm for a fork of 100', trike, 'motor', 'drive', { overLocknutMm: 170 }],
  ] as const)('says so: %s', (_name, demo, key, section, values) => {
    const entered = Object.entries(values).map(([name, value]) => [name, { source: 'label', value }]);
    const build = withValues(demo, section, Object.fromEntries(entered) as Record<string, unknown>);
    expect(stops(demo, key)).toEqual([]);
    expect(stops(build, key)).not.toEqual([]);
    const bought = withLine(build, key, { state: 'needed' });
    expect(shopping(bought)).toContain('not as it stands:');
  });

  it('says so of a controller for the other kind of motor, of a switch for fewer amps, of blocks that are not whole', () => {
    expect(stops(made({ controller: { commutation: 'brushes' } }), 'controller')).toEqual([
      'controller-leads',
    ]);
    const passes = made({
      controller: { batteryCurrentA: 20 },
      cabling: { passes: ['pull-plug'], pullPlugA: 8 },
    });
    expect(stops(passes, 'main-switch')).toEqual(['link-pull-plug-']);
    const blocks = made({
      pack: { make: 'cells', chemistry: 'lead-acid', cellsInSeries: 20, bmsCurrentA: 30 },
      cell: { inBody: 6 },
    });
    expect(stops(blocks, 'cells')).toContain('whole-blocks');
  });

  it('is not said of what mends it: arms are bought where none hold the axle', () => {
    const bare = made({
      drive: { torqueArms: 0, wheel: 'front' },
      controller: { phaseCurrentA: 60 },
    });
    const { list, study } = evaluate(bare);
    const arms = list.rows.find((r) => r.key === 'torque-arms');
    expect(arms?.line && fitsOf(arms.line, study).map(({ state }) => state)).toContain('stop');
    expect(arms && stopsOf(arms, study)).toEqual([]);
  });

  it('is told of whatever stops, and of nothing else, for any machine', () => {
    fc.assert(
      fc.property(anyBuild, (build) => {
        const { list, study } = evaluate(build);
        const open = shoppingList(list.rows).flatMap(({ rows }) => rows);
        const told = shopping(build).split('not as it stands:').length - 1;
        expect(told).toBe(open.flatMap((row) => stopsOf(row, study)).length);
        const every = [...study.checks, ...study.powerChecks, ...study.chain.links];
        for (const row of open)
          for (const stop of stopsOf(row, study)) {
            expect(phraseText(stop.why)).not.toBe('');
            expect(every.some((c) => c.state === 'stop' && stop.id.includes(c.id))).toBe(true);
          }
      }),
      { numRuns: 60 },
    );
  });
});
