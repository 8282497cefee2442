import { describe, expect, it } from 'vitest';
import { handMachine } from '../test/hand-machine.ts';
import { busPoint } from './packs-together.ts';
import { powerSource, type PowerSource } from './power-source.ts';
import { supplyAt } from '../machine/battery.ts';

const machine = handMachine();
const two = (join: 'switch' | 'combiner', charge = 1) => ({
  ...machine,
  join,
  others: [{ pack: { ...machine.pack, capacityAh: 20 }, bmsA: 25, charge }],
});
/** Open volts times amps less what is lost is what was asked. */
const closes = (source: PowerSource, watts: number): void => {
  const drawn = source.draw(watts, 1);
  expect(drawn.openW - drawn.cellsW - drawn.leadsW).toBeCloseTo(watts, 6);
};

describe('one pack', () => {
  it('gives what is asked, loses in cells and leads, and falls by its capacity', () => {
    const source = powerSource(machine, 0.8, 'drains');
    const { openVolts, ohm } = supplyAt(machine.pack, 0.8);
    const drawn = source.draw(400, 3.6);
    const amps = (2 * 400) / (openVolts + Math.sqrt(openVolts ** 2 - 4 * ohm * 400));
    expect(drawn.amps).toBeCloseTo(amps, 9);
    expect(drawn.leadsW).toBeCloseTo(amps ** 2 * 0.02, 9);
    expect(source.charge).toBeCloseTo(0.8 - (amps * 3.6) / 36_000, 9);
    closes(source, 700);
    closes(source, -200);
  });

  it('stays where it is when only heat is asked for', () => {
    const source = powerSource(machine, 0.5, 'stays');
    source.draw(800, 3600);
    expect(source.charge).toBe(0.5);
    expect(source.empty).toBe(false);
  });

  it('gives at most what it has in it', () => {
    const source = powerSource(machine, 0.5, 'drains');
    const { openVolts, ohm } = supplyAt(machine.pack, 0.5);
    expect(source.draw(1e6, 0.001).amps).toBeCloseTo(openVolts / (2 * ohm), 6);
    expect(source.next()).toBe(false);
  });
});

describe('two packs', () => {
  it('by a switch come one after the other', () => {
    const source = powerSource(two('switch'), 1, 'drains');
    expect(source.charge).toBeCloseTo(1, 12);
    expect(source.draw(0.001, 1).strain).toBeCloseTo(source.draw(0.001, 1).amps / 1000, 12);
    source.draw(500, 3600);
    expect(source.charge).toBeGreaterThan(0.6);
    expect(source.next()).toBe(true);
    expect(source.draw(300, 1e-9).strain).toBeCloseTo(source.draw(300, 1e-9).amps / 25, 12);
    expect(source.charge).toBeCloseTo(2 / 3, 9);
    expect(source.next()).toBe(false);
    closes(source, 300);
  });

  it('behind diodes share as the bus has it, and nothing flows back', () => {
    const source = powerSource(two('combiner'), 1, 'drains');
    const [a, b] = [supplyAt(machine.pack, 1), supplyAt({ ...machine.pack, capacityAh: 20 }, 1)];
    const bus = busPoint([a, b], 600, 'combiner');
    expect(source.draw(600, 1).amps).toBeCloseTo((bus?.amps[0] ?? 0) + (bus?.amps[1] ?? 0), 9);
    closes(source, 900);
    const uneven = powerSource(two('combiner', 0.3), 1, 'drains');
    const before = uneven.charge;
    uneven.draw(50, 600);
    // The lower one rests: all of it came from the first, a third of the whole.
    expect(before - uneven.charge).toBeCloseTo(
      ((50 / supplyAt(machine.pack, 1).openVolts) * 600) / 3600 / 30,
      3,
    );
    expect(uneven.fullVolts).toBe(0);
  });
});
