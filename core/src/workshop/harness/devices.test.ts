import { describe, expect, it } from 'vitest';
import type { BuildDocument } from '../../document/document.ts';
import { longtail, tandem, trike } from '../../test/demo.ts';
import { evaluate } from '../../test/evaluate.ts';
import { sample } from '../../test/sample.ts';
import type { Device } from './devices.ts';
import { plugPlaces, wiringGraph } from './diagram.ts';
import { harnessTable } from './harness-table.ts';

const devicesOn = (build: BuildDocument, key: string): readonly Device[] => {
  const wire = evaluate(build).wiring.wires.find(({ cable }) => cable.key === key);
  if (wire === undefined) throw new Error(key);
  return wire.devices;
};
const tags = (cabling: object, key = 'pack-controller'): readonly string[] =>
  devicesOn(sample({ cabling }), key).map(({ tag, across }) =>
    [tag, ...(across === undefined ? [] : [across])].join(' / '),
  );

// What sits in the lead of a pack, and that a resistor for the first touch lies across a contact that opens: common practice, no
// source. Letters of kinds: IEC 81346-2, from memory.
describe('what sits in the lead of the packs', () => {
  it('is the fuse or breaker with its amps, and says where it is not known, or is not there', () => {
    expect(tags({ protection: 'fuse', fuseA: 30 })).toEqual(['F1 30 A']);
    expect(tags({ protection: 'breaker', fuseA: 40 })).toEqual(['Q1 40 A']);
    expect(tags({ protection: 'fuse', fuseA: { source: 'unknown' } })).toEqual(['F1 ? A']);
    expect(tags({ protection: 'unknown' })).toEqual(['F1 ?']);
    expect(tags({ protection: 'none' })).toEqual(['no fuse']);
  });

  it('is the switch before it, and the resistor across what opens: never across a fuse', () => {
    const resistor = { inrush: 'resistor', preChargeOhm: 100 };
    expect(tags({ ...resistor, protection: 'breaker', fuseA: 40 })).toEqual(['Q1 40 A / R1 100 ohm']);
    expect(
      tags({ ...resistor, protection: 'fuse', fuseA: 30, passes: ['pull-plug'], pullPlugA: 60 }),
    ).toEqual(['S1 60 A / R1 100 ohm', 'F1 30 A']);
    // Where nothing opens it has a plug half of its own, touched first.
    expect(tags({ ...resistor, protection: 'fuse', fuseA: 30 })).toEqual(['X1 / R1 100 ohm', 'F1 30 A']);
    expect(
      tags({ ...resistor, preChargeOhm: { source: 'unknown' }, protection: 'breaker', fuseA: 40 }),
    ).toEqual(['Q1 40 A / R1 ? ohm']);
  });

  it('lies in the lead that all of the current goes through, and in no other', () => {
    const two = sample({
      cabling: { protection: 'fuse', fuseA: 30 },
      second: { join: 'combiner', nominalV: 48 },
    });
    expect(devicesOn(two, 'combiner-controller').map((d) => d.tag)).toEqual(['F1 30 A']);
    expect(devicesOn(two, 'pack-combiner')).toEqual([]);
    // One at each pack, where somebody says so; what a hand opens stays in the common lead.
    const each = sample({
      cabling: { protection: 'fuse', fuseA: 30, passes: ['pull-plug'], pullPlugA: 60 },
      second: { join: 'combiner', nominalV: 48 },
      joining: { branchFuses: 'yes' },
    });
    expect(devicesOn(each, 'pack-combiner').map((d) => d.tag)).toEqual(['F1 30 A']);
    expect(devicesOn(each, 'pack-2-combiner').map((d) => d.tag)).toEqual(['F2 30 A']);
    expect(devicesOn(each, 'combiner-controller').map((d) => d.tag)).toEqual(['S1 60 A']);
    for (const build of [longtail, tandem, trike])
      for (const { cable, devices } of evaluate(build).wiring.wires)
        if (cable.key !== 'pack-controller') expect(devices, cable.key).toEqual([]);
  });

  it('stands between plug and controller in the diagram, each conductor through it', () => {
    const build = sample({ cabling: { protection: 'breaker', fuseA: 40 } });
    const { wiring } = evaluate(build);
    const { children } = wiringGraph(wiring);
    const node = (key: string) => children.find((c) => c.id === `plug/${key}`);
    const lead = wiring.wires.find((w) => w.cable.key === 'pack-controller');
    if (lead === undefined) throw new Error('no lead');
    const { plug, head, rows, devices } = plugPlaces(lead);
    // Behind the plug, within the node, and clear of it: nothing else is drawn there.
    expect(devices).toHaveLength(1);
    expect(devices[0]).toBeGreaterThan(plug);
    expect(node('pack-controller')?.width).toBeGreaterThan((devices[0] ?? 0) + 20);
    expect(node('pack-charger')?.width).toBe(plug);
    // Its conductors leave the node where they are drawn, below the tags.
    expect(node('pack-controller')?.ports.map((p) => p.y + p.height / 2)).toEqual(
      rows.flatMap((y) => [y, y]),
    );
    expect(Math.min(...rows)).toBeGreaterThan(head);
  });

  it('is in the table for other programs, and the blocks of a pack are on its box', () => {
    const build = sample({ cabling: { protection: 'fuse', fuseA: 30, inrush: 'anti-spark' } });
    const { columns, rows } = harnessTable(build, evaluate(build).wiring);
    const row = rows.find((r) => r[columns.indexOf('carries')] === 'power, Pack');
    expect(row?.[columns.indexOf('holds')]).toBe('F1 30 A');
    const box = (b: BuildDocument): string | undefined =>
      evaluate(b).wiring.components.find((c) => c.id === 'pack')?.note;
    expect(box(trike)).toBe('4 blocks, 3 links');
    expect(box(longtail)).toBe('');
  });
});
