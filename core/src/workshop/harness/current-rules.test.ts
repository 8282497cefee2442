import { describe, expect, it } from 'vitest';
import type { BuildDocument } from '../../document/document.ts';
import { NOTHING_MEASURED } from '../../document/harness.ts';
import { study } from '../../verdict/study.ts';
import { evaluate } from '../../test/evaluate.ts';
import { sample } from '../../test/sample.ts';
import { usualPort } from './ports.ts';
import { wiring, hub } from '../../test/harnesses.ts';

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
