import { describe, expect, it } from 'vitest';
import * as z from 'zod';
import shelfFile from '../../../demo/parts.json' with { type: 'json' };
import { part } from '../parts/part.ts';
import type { BuildDocument } from '../document/document.ts';
import { withQuantity } from '../document/quantity-at.ts';
import { newBuild } from '../document/template.ts';
import { trike } from '../test/demo.ts';
import { sample } from '../test/sample.ts';
import { shippedRules } from '../law/rules.ts';
import { voltsOrAmps } from './volts-or-amps.ts';

const shelf = z.array(part).parse(shelfFile);
/** An unlimited rear hub on a throttle, level and hill both by its own force. */
const build = sample({
  pack: { nominalV: 48, cellsInSeries: 13, capacityAh: 20, bmsCurrentA: 60, massKg: 6 },
  controller: { limitsSpeed: false, batteryCurrentA: 19, phaseCurrentA: 45 },
  controls: { throttle: 'full' },
  // Wound slow enough that volts, not amps, end its speed on the level.
  drive: { kvRpmPerV: 24 },
  brief: { riderPowerW: 0, hillGradePct: 8 },
});
const step = (id: string) => {
  const found = voltsOrAmps(build, shelf, shippedRules()).find((s) => s.id === id);
  if (found === undefined) throw new Error(id);
  return found;
};

describe('one step more of', () => {
  // Common practice, no source: 48 to 52 V on the same motor gives 2 to 3 mph; more amps give force, not speed.
  it('volts gives speed: 13 to 14 in series, about a fourteenth more', () => {
    // Sold as 52 V, whatever fourteen times a cell's label comes to.
    expect(step('volts').what).toBe('14 in series, 52 V');
    const gained = (step('volts').topKmh ?? 0) - (step('now').topKmh ?? 0);
    expect(gained).toBeGreaterThan(0.5);
    expect(gained).toBeLessThan(5);
  });

  it('amps gives force, not speed', () => {
    const [now, amps] = [step('now'), step('amps')];
    expect(amps.startPct).toBeGreaterThan(now.startPct);
    expect(amps.hillKmh).toBeGreaterThan(now.hillKmh ?? 0);
    expect(Math.abs((amps.topKmh ?? 0) - (now.topKmh ?? 0))).toBeLessThan(1.5);
    expect(amps.copperW).toBeGreaterThan(now.copperW ?? 0);
  });

  it('amp-hours gives range, by about as much', () => {
    const ratio = (step('amp-hours').rangeKm?.high ?? 0) / (step('now').rangeKm?.high ?? 1);
    expect(ratio).toBeGreaterThan(1.2);
    expect(ratio).toBeLessThan(1.3);
  });

  it('motor takes the next larger of its kind on the shelf', () => {
    const larger = step('motor').build.drive;
    expect(larger.kind).toBe('geared-hub');
    expect(larger.ratedPowerW.source === 'unknown' ? 0 : larger.ratedPowerW.value).toBeGreaterThan(250);
  });

  it('volts sets the cut-off by the cells, and none by cells that nobody has counted', () => {
    const volts = (of: BuildDocument) =>
      voltsOrAmps(of, shelf, shippedRules()).find((s) => s.id === 'volts')?.build;
    const set = withQuantity(build, 'controller.lowVoltageCutoffV', { source: 'label', value: 39 });
    expect(volts(set)?.controller.lowVoltageCutoffV).toMatchObject({ value: 42 });
    const bare = withQuantity(set, 'packs.0.cellsInSeries', { source: 'unknown' });
    expect(volts(bare)?.controller.lowVoltageCutoffV).toEqual({ source: 'unknown' });
  });

  it('is told against a default where nobody has read what it is more than', () => {
    for (const one of voltsOrAmps(build, shelf, shippedRules()).filter((s) => s.id !== 'motor'))
      expect(one.against, one.id).toBe('');
    const bare = (
      ['controller.batteryCurrentA', 'packs.0.cellsInSeries', 'packs.0.nominalV'] as const
    ).reduce((b, path) => withQuantity(b, path, { source: 'unknown' }), build);
    const against = Object.fromEntries(
      voltsOrAmps(bare, shelf, shippedRules()).map((s) => [s.id, s.against]),
    );
    expect(against).toMatchObject({ now: 'with a usual pack', 'amp-hours': '' });
    expect(against['amps']).toMatch(/^\d+ A$/);
    expect(against['volts']).toMatch(/^\d+ in series$/);
  });

  it('does without a shelf: a quarter more amps, no other motor, no price', () => {
    const bare = voltsOrAmps(build, [], shippedRules());
    expect(bare.map((s) => s.id)).toEqual(['now', 'volts', 'amp-hours', 'amps']);
    expect(bare.find((s) => s.id === 'amps')?.what).toBe('24 A, 57 A phase');
    expect(bare.every((s) => s.price === null)).toBe(true);
  });

  // 30 cells of lead-acid are charged to 72 V: parts for 63 V are lost at the first touch. Arithmetic, and common practice.
  it('volts names what it stops at by itself: a controller and a charger for fewer', () => {
    const stops = (b: typeof trike, id: string) =>
      voltsOrAmps(b, shelf, shippedRules()).find((s) => s.id === id)?.stops ?? [];
    expect(stops(trike, 'now')).toEqual([]);
    expect(stops(trike, 'volts').join('; ')).toMatch(/Full charge against the controller/);
    expect(stops(trike, 'amp-hours')).toEqual([]);
    // What stops the build already is not told of the step.
    const already = voltsOrAmps(
      { ...trike, controller: { ...trike.controller, ratedV: { source: 'label', value: 50 } } },
      shelf,
      shippedRules(),
    );
    expect(already.find((s) => s.id === 'volts')?.stops.join('; ')).not.toMatch(/against the controller/);
  });

  it('names what nobody has read and is asked more', () => {
    const bare = withQuantity(trike, 'controller.ratedV', { source: 'unknown' });
    const opens = Object.fromEntries(
      voltsOrAmps(bare, shelf, shippedRules()).map((s) => [s.id, s.opens.join('; ')]),
    );
    expect(opens['volts']).toContain('Full charge against the controller');
    expect(opens['amp-hours']).not.toContain('the controller');
    expect(opens['now']).toBe('');
  });

  it('a larger motor is one that its controller can turn: two leads for two, three for three', () => {
    const brushed: BuildDocument = {
      ...newBuild('Chain drive', 'external'),
      drive: { ...newBuild('Chain drive', 'external').drive, name: 'Old', commutation: 'brushes' },
    };
    const larger = voltsOrAmps(brushed, shelf, shippedRules()).find((s) => s.id === 'motor');
    expect(larger?.build.drive.commutation ?? 'brushes').toBe('brushes');
    const can = { ...brushed, drive: { ...brushed.drive, commutation: 'electronic' as const } };
    const other = voltsOrAmps(can, shelf, shippedRules()).find((s) => s.id === 'motor');
    expect(other?.build.drive.commutation).toBe('electronic');
  });

  it('leaves the build alone', () => {
    expect(step('now').build).toBe(build);
  });
});
