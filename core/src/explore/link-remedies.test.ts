import { describe, expect, it } from 'vitest';
import * as z from 'zod';
import shelfFile from '../../../demo/parts.json' with { type: 'json' };
import { part } from '../parts/part.ts';
import { sample } from '../test/sample.ts';
import { linkRemedies } from './link-remedies.ts';

const shelf = z.array(part).parse(shelfFile);
const build = (changes: Parameters<typeof sample>[0] = {}) =>
  sample({
    ...changes,
    pack: { bmsCurrentA: 30, cellsContinuousA: 40, cellsPeakA: 60, cellsInSeries: 13, ...changes.pack },
    controller: { batteryCurrentA: 25, phaseCurrentA: 50, ...changes.controller },
    cabling: { connectorA: 45, leadMm2: 4, phaseMm2: 6, phaseConnectorA: 60, ...changes.cabling },
    brief: { hillGradePct: 9, ...changes.brief },
  });

describe('ways out of a weak link', () => {
  it('are none for a sound one, and none for one that is not known', () => {
    expect(linkRemedies(build(), { id: 'bms', pack: 0, cable: '' }, shelf)).toEqual([]);
    expect(linkRemedies(sample(), { id: 'leads', pack: 0, cable: '' }, shelf)).toEqual([]);
  });

  it('turn the controller down to what it carries, or buy a pack that carries it', () => {
    const [lower, buy] = linkRemedies(
      build({ pack: { bmsCurrentA: 15 } }),
      { id: 'bms', pack: 0, cable: '' },
      shelf,
    );
    expect(lower).toMatchObject({ what: 'Controller down to 15 A', price: null });
    // A protection does not limit, it cuts out: turned down to what it carries the hill is slower, and is climbed.
    expect(lower?.hillKmh).toBeLessThan(-1);
    expect(lower?.margin).toBeGreaterThanOrEqual(0);
    expect(buy?.price).toBeGreaterThan(0);
    expect(buy?.margin).toBeGreaterThanOrEqual(0);
    expect(buy?.build.packs[0].cellsInSeries).toMatchObject({ value: 13 });
  });

  it('take the cheapest plug that carries it', () => {
    const remedies = linkRemedies(
      build({ cabling: { connectorA: 12 } }),
      { id: 'plug', pack: 0, cable: '' },
      shelf,
    );
    const plug = remedies.find((r) => r.price !== null);
    const carries = shelf.filter((p) => p.type === 'connector').filter((p) => p.connectorA >= 25);
    expect(plug?.price).toBe(Math.min(...carries.map((p) => p.price ?? Infinity)));
    expect(plug?.hillKmh).toBeCloseTo(0, 9);
    // Turned down to the plug the hill gets slower.
    expect(remedies[0]?.hillKmh).toBeLessThan(-0.1);
  });

  it('put as many more cells side by side as are wanted, at the price of those cells', () => {
    const weak = build({
      pack: { make: 'cells', cellsInSeries: 13 },
      cell: { parallel: 3, continuousA: 5, peakA: 8, price: 4 },
    });
    const more = linkRemedies(weak, { id: 'cells', pack: 0, cable: '' }, shelf).find((r) =>
      r.what.includes('side by side'),
    );
    // 25 A on the hill at 5 A a cell: five; two more of 13 at 4 each.
    expect(more).toMatchObject({ what: '5 side by side', price: 104 });
    expect(more?.margin).toBeGreaterThanOrEqual(-1e-9);
    expect(more?.massKg).toBeGreaterThan(1);
  });

  it('turn the phase limit down where phase leads are thin', () => {
    const [lower] = linkRemedies(
      build({ cabling: { phaseMm2: 1, insulationC: 75 } }),
      { id: 'phase-leads', pack: 0, cable: '' },
      shelf,
    );
    expect(lower?.what).toMatch(/^Phase limit down to \d+ A$/);
    expect(lower?.startPct).toBeLessThan(0);
    expect(lower?.margin).toBeGreaterThanOrEqual(0);
  });
});
