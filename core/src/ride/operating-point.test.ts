import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Machine } from '../machine/machine.ts';
import { batteryAmps, type Supply } from '../machine/battery.ts';
import { lastTrue } from '../quantity/numerics.ts';
import { HAND_GEAR, HAND_SUPPLY, handMachine } from '../test/hand-machine.ts';
import { RUNS } from '../test/sample.ts';
import { electricalWatts, operatingPoint, partThrottleAmps, speedFactor } from './operating-point.ts';

const at = (machine: Machine, v: number, supply: Supply = HAND_SUPPLY) =>
  operatingPoint(machine, HAND_GEAR, supply, v);

describe('each binding limit, worked by hand', () => {
  it('phase current: 20 A x 1 N m/A x 10 a metre = 200 N at rest', () => {
    expect(at(handMachine({ phaseA: 20 }), 0)).toEqual({ phaseA: 20, forceN: 200, limit: 'phase-current' });
  });

  it('voltage: (50 - 40) / (0.1 + 0.1) = 50 A at 4 m/s', () => {
    const point = at(handMachine(), 4);
    expect(point.limit).toBe('voltage');
    expect(point.phaseA).toBeCloseTo(50, 9);
    expect(point.forceN).toBeCloseTo(500, 9);
  });

  it('voltage: nothing is left at the no-load speed, 50 V / (1 x 10) = 5 m/s, or beyond it', () => {
    expect(at(handMachine(), 5).phaseA).toBeCloseTo(0, 9);
    expect(at(handMachine(), 8)).toMatchObject({ phaseA: 0, forceN: 0, limit: 'voltage' });
  });

  it('battery current: 10 A give 10 (50 - 1) = 490 W; 980 / (20.3 + sqrt(20.3^2 + 196)) = 21.797 A', () => {
    const point = at(handMachine({ batteryA: 10 }), 2);
    expect(point.limit).toBe('battery-current');
    expect(point.phaseA).toBeCloseTo(980 / (20.3 + Math.sqrt(608.09)), 9);
    expect(point.phaseA).toBeCloseTo(21.797, 3);
  });

  it('the pack’s protection limits nothing: it trips, which is another matter', () => {
    const point = at(handMachine({ batteryA: 10, bmsA: 8 }), 2);
    expect(point.limit).toBe('battery-current');
    expect(point.phaseA).toBeCloseTo(21.797, 3);
  });

  it('low-voltage cut-off: 49 V leave (50 - 49) / 0.1 = 10 A, as if limited to them', () => {
    const point = at(handMachine({ lowVolts: 49 }), 2);
    expect(point.limit).toBe('low-voltage');
    expect(point.phaseA).toBeCloseTo(21.797, 3);
  });

  it('low-voltage cut-off: above the resting volts nothing is allowed', () => {
    expect(at(handMachine({ lowVolts: 51 }), 2)).toMatchObject({ phaseA: 0, limit: 'low-voltage' });
  });

  it('the pack itself: 50 V behind 2 ohm give at most 12.5 A and 312.5 W', () => {
    const point = at(handMachine(), 2.375, { openVolts: 50, ohm: 2 });
    expect(point.limit).toBe('pack-power');
    expect(point.phaseA).toBeCloseTo(625 / (24.05 + Math.sqrt(24.05 ** 2 + 125)), 9);
  });

  it('power limit: 400 W; 800 / (20.3 + 23.918) = 18.092 A', () => {
    const point = at(handMachine({ powerW: 400 }), 2);
    expect(point.limit).toBe('power-limit');
    expect(point.phaseA).toBeCloseTo(18.092, 3);
  });

  it('power limit: the display’s 10 W come off first', () => {
    const point = at(handMachine({ powerW: 400, standbyW: 10 }), 2);
    expect(point.phaseA).toBeCloseTo(780 / (20.3 + Math.sqrt(20.3 ** 2 + 156)), 9);
  });

  it('speed limit: half of the current is left in the middle of the fade', () => {
    const point = at(handMachine({ phaseA: 20, cutoff: 3, taper: 1 }), 2.5);
    expect(point).toMatchObject({ limit: 'speed-limit', phaseA: 10 });
    expect(at(handMachine({ cutoff: 3, taper: 1 }), 3).phaseA).toBe(0);
  });

  it('assist ratio: 200 W at 20 rad/s are 10 N m, 10 A', () => {
    expect(at(handMachine({ assistW: 200, handCutoff: 0 }), 2)).toMatchObject({
      limit: 'assist-ratio',
      phaseA: 10,
    });
  });

  it('cadence: a mid-drive that follows the legs fades when they spin out', () => {
    const machine = handMachine({ phaseA: 10 }, { kind: 'mid-drive', control: 'pedals' });
    const spunOut = (1.125 * 90 * Math.PI) / 30 / HAND_GEAR.crankRatio;
    const point = at(machine, spunOut, { openVolts: 500, ohm: 0.1 });
    expect(point.limit).toBe('cadence');
    expect(point.phaseA).toBeCloseTo(5, 9);
  });

  it('no control: the motor rests, and one without a freewheel drags', () => {
    expect(at(handMachine({}, { control: 'none' }), 2)).toEqual({ phaseA: 0, forceN: 0, limit: 'no-motor' });
    const fixed = handMachine({}, { control: 'none' });
    const drags = { ...fixed, motor: { ...fixed.motor, hysteresisNm: 0.5, freewheel: false } };
    expect(at(drags, 2).forceN).toBeCloseTo(-5, 12);
  });
});

/** The same limits written down as conditions on the current, and searched: an independent solver. */
function bruteForce(machine: Machine, supply: Supply, v: number): number {
  const { limits, circuitOhm, motor } = machine;
  const emf = motor.kt * HAND_GEAR.motorRatio * v;
  const allowed = (amps: number): boolean => {
    if (amps > limits.phaseA) return false;
    // Duty 1: the winding sees the pack's volts under the very same current.
    if (emf + amps * circuitOhm > supply.openVolts - amps * supply.ohm) return false;
    const watts = amps * (emf + 0.3 + amps * circuitOhm) + limits.standbyW;
    if (watts > limits.powerW) return false;
    const most = (ib: number): number => ib * (supply.openVolts - ib * supply.ohm);
    const ib = Math.min(
      limits.batteryA,
      Math.max(0, (supply.openVolts - limits.lowVolts) / supply.ohm),
      supply.openVolts / (2 * supply.ohm),
    );
    return watts <= most(ib) || amps === 0;
  };
  return lastTrue(allowed, 0, 2000, 1e-9);
}

describe('the closed form', () => {
  it('agrees with a search over the physical conditions, at 3,000 random points', () => {
    const positive = (min: number, max: number) => fc.double({ min, max, noNaN: true });
    fc.assert(
      fc.property(
        fc.record({
          batteryA: positive(2, 80),
          phaseA: positive(5, 200),
          powerW: positive(50, 4000),
          lowVolts: positive(20, 48),
          standbyW: positive(0, 5),
        }),
        positive(0, 6),
        positive(30, 80),
        positive(0.02, 0.5),
        positive(0.02, 0.4),
        (limits, v, openVolts, ohm, circuitOhm) => {
          const machine = handMachine(limits, { circuitOhm });
          const supply = { openVolts, ohm };
          const closed = operatingPoint(machine, HAND_GEAR, supply, v).phaseA;
          const searched = bruteForce(machine, supply, v);
          expect(Math.abs(closed - searched)).toBeLessThan(1e-6 * Math.max(1, closed));
        },
      ),
      { numRuns: 3000, seed: RUNS.seed },
    );
  });

  it('works at no resistance at all', () => {
    const machine = handMachine({ batteryA: 10 }, { circuitOhm: 0 });
    expect(operatingPoint(machine, HAND_GEAR, { openVolts: 50, ohm: 1e-9 }, 2).phaseA).toBeCloseTo(
      500 / 20.3,
      5,
    );
  });
});

describe('speedFactor', () => {
  it('is a step without a fade', () => {
    const machine = handMachine({ cutoff: 6, taper: 0 });
    expect(speedFactor(machine, 5.999)).toBe(1);
    expect(speedFactor(machine, 6)).toBe(0);
  });
});

describe('battery side', () => {
  it('draws the current whose sagging volts make the power: 912 W from 48 V behind nothing are 19 A', () => {
    expect(batteryAmps({ openVolts: 48, ohm: 1e-12 }, 912)).toBeCloseTo(19, 6);
    // 490 W from 50 V behind 0.1 ohm: 10 A, the case above backwards
    expect(batteryAmps(HAND_SUPPLY, 490)).toBeCloseTo(10, 9);
    expect(batteryAmps(HAND_SUPPLY, 1e6)).toBe(Infinity);
  });

  it('takes standby alone when the motor rests', () => {
    expect(electricalWatts(handMachine({ standbyW: 3 }), HAND_GEAR, 0, 5)).toBe(3);
  });
});

describe('part throttle', () => {
  it('is the inverse of the force', () => {
    const machine = handMachine();
    const losses = {
      ...machine,
      motor: { ...machine.motor, hysteresisNm: 0.4, eddyNms: 0.01 },
      efficiency: 0.9,
    };
    const amps = partThrottleAmps(losses, HAND_GEAR, 2, 45);
    // 45 / (10 x 0.9) + 0.4 + 0.01 x 20 = 5.6 N m
    expect(amps).toBeCloseTo(5.6, 12);
  });

  it('rests when nothing is wanted and a freewheel lets it', () => {
    expect(partThrottleAmps(handMachine(), HAND_GEAR, 2, 0)).toBe(0);
  });
});
