import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { withValue } from '../document/quantity-at.ts';
import { assemble } from '../machine/assemble.ts';
import { supplyAt, type Supply } from '../machine/battery.ts';
import { supplyOn } from '../machine/diodes.ts';
import { msToKmh } from '../quantity/units.ts';
import { anyBuild, sample, type Changes, runs } from '../test/sample.ts';
import type { BuildDocument } from '../document/document.ts';
import { againstMagnets, fieldAmps } from './weakening.ts';
import { electricalWatts, operatingPoint } from './operating-point.ts';
import { steadySpeed } from './steady.ts';

const ROAD: Changes = {
  brief: { riderMassKg: 80, loadMassKg: 5, riderPowerW: 0 },
  donor: { cdaM2: 0.55, crr: 0.008 },
  pack: { cellsInSeries: 13, capacityAh: 13, nominalV: 48 },
};
/** 110 kg in all with any motor. */
const machineOf = (build: BuildDocument) => {
  const machine = assemble(build);
  return { ...machine, control: 'throttle' as const, road: { ...machine.road, massKg: 110, crr: 0.008 } };
};
/** Thirteen cells of lithium, half full, behind 0.137 ohm. */
const SUPPLY: Supply = { openVolts: 47.7, ohm: 0.137 };

/** Rows of the motor's defaults: a direct hub of 1000 W, a geared one of 750 W. */
const DIRECT = { ratedPowerW: 1000, labelV: 48, freewheel: false };
const GEARED = { ratedPowerW: 750, labelV: 48 };

const weakened = (kind: 'direct-drive-hub' | 'geared-hub', amps: number) =>
  machineOf(
    sample(
      {
        ...ROAD,
        drive: kind === 'geared-hub' ? GEARED : DIRECT,
        controls: { throttle: 'full' },
        controller: {
          batteryCurrentA: 30,
          limitsSpeed: false,
          ...(amps === 0 ? {} : { weakens: 'yes', weakeningA: amps }),
        },
      },
      kind,
    ),
  );

const topOf = (machine: ReturnType<typeof machineOf>) => {
  const top = steadySpeed(machine, SUPPLY, 0, 'best');
  if (!top.moves) throw new Error('does not move');
  return {
    kmh: msToKmh(top.v),
    watts: electricalWatts(machine, top.traction.gear, top.traction.phaseA, top.v, SUPPLY),
  };
};

describe('field weakening, against a prototype that solves the d-q equations (worked beforehand)', () => {
  it.each([
    ['direct-drive-hub', 45.1, 46.8, 48.3, 49.0],
    ['geared-hub', 43.1, 45.2, 47.3, 49.3],
  ] as const)('lets a %s go faster by so much at 10, 20 and 30 A', (kind, none, ten, twenty, thirty) => {
    const base = topOf(weakened(kind, 0)).kmh;
    expect(Math.abs(base / none - 1)).toBeLessThan(0.02);
    for (const [amps, kmh] of [
      [10, ten],
      [20, twenty],
      [30, thirty],
    ] as const)
      expect(Math.abs(topOf(weakened(kind, amps)).kmh / base / (kmh / none) - 1)).toBeLessThan(0.012);
  });

  it('costs a third more watts at 20 A on a direct hub', () => {
    const more = topOf(weakened('direct-drive-hub', 20)).watts / topOf(weakened('direct-drive-hub', 0)).watts;
    expect(more).toBeGreaterThan(1.24);
    expect(more).toBeLessThan(1.38);
  });
});

describe('the field', () => {
  it('solves (R Iq + E - X d)^2 + (R d + X Iq)^2 = V^2', () => {
    for (const [emf, torqueA] of [
      [46, 10],
      [50, 4],
      [52, 0.1],
    ] as const) {
      const d = againstMagnets(emf, 0.2, 160, torqueA, 47) ?? NaN;
      const x = emf / 160;
      expect((0.2 * torqueA + emf - x * d) ** 2 + (0.2 * d + x * torqueA) ** 2).toBeCloseTo(47 ** 2, 6);
    }
    expect(againstMagnets(30, 0.2, 160, 10, 47)).toBe(0);
    expect(againstMagnets(300, 0.2, 160, 150, 4)).toBeUndefined();
  });

  it('is let alone below the base speed, and never takes force', () => {
    const [off, on] = [weakened('direct-drive-hub', 0), weakened('direct-drive-hub', 20)];
    const [gear] = off.gears;
    if (gear === undefined) throw new Error('no gear');
    for (let v = 0; v < 15; v += 0.25) {
      const [a, b] = [operatingPoint(off, gear, SUPPLY, v), operatingPoint(on, gear, SUPPLY, v)];
      expect(b.forceN).toBeGreaterThanOrEqual(a.forceN - 1e-9);
      if (a.limit !== 'voltage') expect(b).toEqual(a);
      expect(fieldAmps(on, gear, b.phaseA, v, SUPPLY)).toBeLessThanOrEqual(20 + 1e-6);
    }
  });

  it('does nothing where no amps are stated', () => {
    const said = sample({ controller: { weakens: 'yes', weakeningA: { source: 'unknown' } } });
    expect(assemble(said).weakening).toBeUndefined();
  });

  it('never asks for more than the pack can give, on any build at any speed (property)', () => {
    fc.assert(
      fc.property(
        anyBuild,
        fc.double({ min: 1, max: 80, noNaN: true }),
        fc.double({ min: 0.05, max: 15, noNaN: true }),
        (any, amps, v) => {
          const build = withValue(
            { ...any, controller: { ...any.controller, weakens: 'yes' } },
            'controller.weakeningA',
            amps,
          );
          const machine = assemble(build);
          const [gear] = machine.gears;
          const supply = supplyAt(machine.pack, 0.5);
          if (gear === undefined) return;
          const { phaseA } = operatingPoint(machine, gear, supply, v);
          const watts = electricalWatts(machine, gear, phaseA, v, supply) - machine.limits.standbyW;
          expect(watts).toBeLessThanOrEqual((supply.openVolts ** 2 / (4 * supply.ohm)) * (1 + 1e-6));
        },
      ),
      runs(1500),
    );
  });
});

describe('more amps than volts and field reach', () => {
  it('ask for the field of the last that they do: a weak pack never leaps to all of it', () => {
    const machine = assemble(
      sample({
        drive: { kvRpmPerV: 10, resistanceOhm: 0.2, cancelA: 200 },
        pack: { nominalV: 48, cellsInSeries: 13, capacityAh: 5, wiringMohm: 800 },
        controller: { weakens: 'yes', weakeningA: 150, batteryCurrentA: 200, phaseCurrentA: 200 },
      }),
    );
    const [gear] = machine.gears;
    if (gear === undefined) throw new Error('no gear');
    const supply = supplyOn(machine, 0.5);
    const v = (0.7 * supply.openVolts) / (machine.motor.kt * gear.motorRatio);
    const field = (amps: number): number => fieldAmps(machine, gear, amps, v, supply);
    expect(machine.weakening?.amps).toBe(100);
    // The last that is reached is near 9.5 A: beyond it nothing more is won.
    for (const amps of [10, 12, 20, 50, 200]) {
      expect(field(amps)).toBeGreaterThan(10);
      expect(field(amps)).toBeLessThan(70);
    }
  });
});
