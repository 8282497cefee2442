import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { withValues } from '../document/quantity-at.ts';
import { assemble } from '../machine/assemble.ts';
import { caseCooling, caseSettles } from '../machine/controller-heat.ts';
import { supplyOn } from '../machine/diodes.ts';
import { airCooling, steadyWarmth } from '../machine/thermal.ts';
import { anyBuild, runs, sample } from '../test/sample.ts';
import { circuitAt } from './circuit.ts';
import { bearableC, continuousAt, heatOf } from './continuous.ts';
import { STATED_CHARGE } from './stated.ts';

describe('where the watts of motor and controller go', () => {
  // D V = E + Vb + I R + (1 - D) Vf, solved by hand: what the diode burns while it is off is the controller's, the brushes' the motor's.
  it('of a chopper for brushes: the diode for the share of the time in which it carries', () => {
    const machine = assemble(
      sample({
        drive: { kind: 'external', commutation: 'brushes', brushV: 1.2, kvRpmPerV: 70 },
        controller: { resistanceMohm: 10, standbyW: 2 },
      }),
    );
    const [gear] = machine.gears;
    if (gear === undefined) throw new Error('no gear');
    const supply = supplyOn(machine, 0.5);
    const [v, amps, diodeV] = [3, 20, machine.motor.brushes?.diodeV ?? NaN];
    const circuit = circuitAt(machine, gear, v, amps, supply);
    const emf = machine.motor.kt * gear.motorRatio * v;
    const on = (emf + 1.2 + amps * machine.circuitOhm + diodeV) / (supply.openVolts + diodeV);
    expect(circuit.takenW).toBeCloseTo(on * supply.openVolts * amps, 6);
    expect(circuit.brushW).toBeCloseTo(1.2 * amps, 9);
    expect(circuit.controllerW).toBeCloseTo((1 - on) * diodeV * amps + 0.01 * amps ** 2 + 2, 6);
  });

  it('is what ends a continuous current, where the controller does: its case settles where it folds, over many builds', () => {
    let ended = 0;
    fc.assert(
      fc.property(anyBuild, fc.integer({ min: 1, max: 9 }), (build, v) => {
        const machine = assemble(build);
        const gear = machine.gears.at(-1);
        if (gear === undefined) throw new Error('no gear');
        const { phaseA, by } = continuousAt(machine, gear, v);
        if (by !== 'controller' || phaseA === 0) return;
        const { controllerHeat: h, thermal, airC, limits, accessoryW } = machine;
        const lost = (amps: number): number =>
          circuitAt(machine, gear, v, amps, supplyOn(machine, STATED_CHARGE)).controllerW;
        // A chopper that has nothing to lose: nobody rides there.
        if (lost(phaseA) <= limits.standbyW - accessoryW) return;
        ended += 1;
        const settlesC = (amps: number): number => {
          const heat = heatOf(machine, gear, v, amps);
          const inShell = h.shellWK > 0 ? lost(amps) : 0;
          const warm = steadyWarmth(
            thermal,
            { ...heat, shellW: heat.shellW + inShell },
            airCooling(thermal, v),
            airC,
          );
          return caseSettles(h, lost(amps), caseCooling(h, v), airC, warm?.shellC ?? Infinity);
        };
        expect(settlesC(phaseA)).toBeLessThan(h.foldStartC + 0.1);
        // Where the volts come to their end the field is weakened all at once: a hundredth more may be much too much.
        expect(settlesC(1.01 * phaseA + 0.01)).toBeGreaterThan(h.foldStartC - 0.1);
      }),
      runs(300),
    );
    expect(ended).toBeGreaterThan(20);
  });

  it('is what ends a continuous current, of a weakened field too: it is borne, and a hundredth more is not, over many builds', () => {
    let ended = 0;
    fc.assert(
      fc.property(anyBuild, fc.integer({ min: 1, max: 120 }), (build, share) => {
        const machine = assemble(
          withValues(build, 'controller', { weakens: 'yes', weakeningA: { source: 'measured', value: 40 } }),
        );
        const gear = machine.gears.at(-1);
        if (gear === undefined || machine.weakening === undefined) return;
        // Where the volts come to their end, slower and faster: there the field is weakened.
        const emfPerSpeed = machine.motor.kt * gear.motorRatio;
        const v = ((share / 100) * supplyOn(machine, STATED_CHARGE).openVolts) / emfPerSpeed;
        const warm = (amps: number): number | undefined =>
          steadyWarmth(
            machine.thermal,
            heatOf(machine, gear, v, amps),
            airCooling(machine.thermal, v),
            machine.airC,
          )?.windingC;
        const { phaseA, by, motorW } = continuousAt(machine, gear, v);
        if (by !== 'motor') return;
        const bearable = bearableC(machine);
        // Of amps that its own drag takes whole no gear loses anything.
        if (motorW > 0) expect(warm(phaseA)).toBeLessThan(bearable + 0.1);
        // Drag that is too much by itself is too much with any amps; a field at the end of its volts is found to some thousandths.
        expect(warm(1.01 * phaseA + 0.01) ?? Infinity).toBeGreaterThan(bearable - 0.5);
        ended += motorW > 0 ? 1 : 0;
      }),
      runs(300),
    );
    expect(ended).toBeGreaterThan(20);
  });
});
