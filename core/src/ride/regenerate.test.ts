import { describe, expect, it } from 'vitest';
import { fullChargeVolts } from '../machine/battery.ts';
import { HAND_GEAR, handMachine } from '../test/hand-machine.ts';
import { powerSource } from './power-source.ts';
import { brakingAmps } from './regenerate.ts';

const freewheeling = handMachine();
const motor = { ...freewheeling.motor, freewheel: false };
const machine = handMachine({}, { motor, regeneration: { batteryA: 20 } });
const source = powerSource(machine, 0.5, 'drains');

describe('braking with the motor (Kt 1, 10 rad/s a metre, 0.1 ohm)', () => {
  it('gives the force that is wanted while nothing else binds: 100 N are 10 A', () => {
    expect(brakingAmps(machine, HAND_GEAR, source, 4, 100)).toBeCloseTo(-10, 9);
  });

  it('gives nothing without a controller that gives back, without a wish, and at walking pace', () => {
    expect(brakingAmps({ ...machine, regeneration: undefined }, HAND_GEAR, source, 4, 100)).toBe(0);
    expect(brakingAmps(machine, HAND_GEAR, source, 4, 0)).toBe(0);
    // E = 0.3 V is the drop of the bridge.
    expect(brakingAmps(machine, HAND_GEAR, source, 0.03, 100)).toBe(0);
  });

  it('stops at the phase limit', () => {
    const limited = handMachine({ phaseA: 6 }, { motor, regeneration: { batteryA: 20 } });
    expect(brakingAmps(limited, HAND_GEAR, source, 4, 1000)).toBeCloseTo(-6, 9);
  });

  it('brakes no harder than gives most back: half of what a short circuit would', () => {
    const most = brakingAmps(
      handMachine({}, { motor, regeneration: { batteryA: 1e6 } }),
      HAND_GEAR,
      source,
      0.5,
      1e6,
    );
    expect(most).toBeCloseTo(-(5 - 0.3) / 0.2, 6);
  });

  it('puts no more into the pack than it may take: P = I (Voc + I Rb)', () => {
    const amps = -brakingAmps(
      handMachine({}, { motor, regeneration: { batteryA: 5 } }),
      HAND_GEAR,
      source,
      8,
      1e6,
    );
    const { openVolts, ohm } = source.supply;
    const given = (80 - 0.3) * amps - 0.1 * amps * amps;
    expect(given).toBeCloseTo(5 * (openVolts + 5 * ohm), 6);
  });

  it('leaves a full pack alone', () => {
    const full = powerSource(machine, 1, 'drains');
    const room = fullChargeVolts(machine.pack) - full.supply.openVolts;
    const amps = -brakingAmps(machine, HAND_GEAR, full, 8, 1e6);
    const given = (80 - 0.3) * amps - 0.1 * amps * amps;
    const intoPack = room / full.supply.ohm;
    expect(given).toBeLessThanOrEqual(Math.min(20, intoPack) * (full.supply.openVolts + room) + 1e-6);
  });
});
