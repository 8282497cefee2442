import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CHAIN_PITCH_MM, STANDARD_GRAVITY } from '../quantity/constants.ts';
import { sample } from '../test/sample.ts';
import { airDensity, airPressure } from './air.ts';
import { assemble } from './assemble.ts';
import { cadenceRpm, developmentM, gears } from './driveline.ts';
import { coldGrease, coreDrag, torqueConstant, warmResistance, wheelForce, type Motor } from './motor.ts';
import { riderForce, spinOutFactor } from './rider.ts';
import { airForce, gradeHeldPct, roadForce } from './road-load.ts';

describe('air', () => {
  // ISO 2533:1975, table of the standard atmosphere: density and pressure at 0, 1000 and 2000 m.
  it.each([
    [0, 15, 1.225, 101325],
    [1000, 8.5, 1.11164, 89874.6],
    [2000, 2, 1.00649, 79495.2],
  ])('at %d m and %d C', (height, celsius, density, pressure) => {
    expect(airDensity(height, celsius)).toBeCloseTo(density, 4);
    expect(Math.abs(airPressure(height) / pressure - 1)).toBeLessThan(1e-5);
  });

  it('is thinner when warm: 1.204 kg/m3 at 20 C (handbook value)', () => {
    expect(airDensity(0, 20)).toBeCloseTo(1.204, 3);
  });
});

describe('road load', () => {
  const road = { massKg: 100, crr: 0.008, cdaM2: 0.5, airDensity: 1.225, headwind: 0 };

  it('on the level is rolling and air, hand-worked at 10 m/s', () => {
    // 100 x 9.80665 x 0.008 = 7.84532; 0.5 x 1.225 x 0.5 x 100 = 30.625
    expect(roadForce(road, 10, 0)).toBeCloseTo(38.47032, 5);
  });

  it('on a grade of 100 % pulls with the weight over root two (statics)', () => {
    const still = { ...road, crr: 0 };
    expect(roadForce(still, 0, 100)).toBeCloseTo((100 * STANDARD_GRAVITY) / Math.SQRT2, 9);
  });

  it('is pushed by a tailwind faster than the bicycle', () => {
    expect(airForce({ ...road, headwind: -12 }, 10)).toBeLessThan(0);
    expect(airForce({ ...road, headwind: 2 }, 8)).toBeCloseTo(airForce(road, 10), 12);
  });

  it('gives back the grade that it was asked for', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -20, max: 35, noNaN: true }),
        fc.double({ min: 0, max: 20, noNaN: true }),
        (grade, v) => {
          expect(gradeHeldPct(road, v, roadForce(road, v, grade))).toBeCloseTo(grade, 8);
        },
      ),
    );
  });

  it('has no grade for a force beyond the weight', () => {
    expect(gradeHeldPct(road, 0, 2000)).toBe(Infinity);
    expect(gradeHeldPct(road, 0, -2000)).toBe(-Infinity);
  });
});

describe('motor', () => {
  // Identity in SI units: Kt = 60 / (2 pi Kv). Handbook pair: 9.549 rpm/V and 1 N m/A.
  it('has one constant for torque and back EMF', () => {
    expect(torqueConstant(9.549296585513721)).toBeCloseTo(1, 12);
    expect(torqueConstant(100) * 100).toBeCloseTo(60 / (2 * Math.PI), 12);
  });

  it('has warm copper 23.6 % above its cold resistance at 80 C (IEC 60028: 0.00393 a kelvin)', () => {
    expect(warmResistance(1, 80)).toBeCloseTo(1.2358, 4);
    expect(warmResistance(0.11, 20)).toBe(0.11);
  });

  const motor: Motor = {
    kt: 0.2,
    weakerPerK: 0,
    resistance20: 0.1,
    hysteresisNm: 0.5,
    eddyNms: 0.01,
    freewheel: true,
  };

  it('drags only when it turns', () => {
    expect(coreDrag(motor, 0)).toBe(0);
    expect(coreDrag(motor, 50)).toBeCloseTo(1, 12);
  });

  it('freewheels, or drags the wheel through its gears', () => {
    expect(wheelForce(motor, 10, 0.9, 0, 5)).toBe(0);
    const fixed = { ...motor, freewheel: false };
    // Drag 0.5 + 0.01 x 50 = 1 N m, times 10 a metre, over 0.9
    expect(wheelForce(fixed, 10, 0.9, 0, 5)).toBeCloseTo(-10 / 0.9, 12);
  });

  it('pulls with torque times ratio times efficiency, hand-worked', () => {
    // (0.2 x 20 - 1) x 10 x 0.9 = 27 N
    expect(wheelForce(motor, 10, 0.9, 20, 5)).toBeCloseTo(27, 12);
  });
});

describe('grease in the cold', () => {
  it('is 1.4 times as stiff at nought, 1.6 times at -10 C, and no suppler than at 20 C (from memory)', () => {
    expect([30, 20, 0, -10].map(coldGrease)).toEqual([1, 1, 1.4, 1.6]);
  });

  it('holds back the gears of a hub, and nothing of a motor without any', () => {
    const drag = (kind: 'geared-hub' | 'direct-drive-hub', temperatureC: number): number =>
      assemble(sample({ brief: { temperatureC }, drive: { kind } })).motor.hysteresisNm;
    expect(drag('geared-hub', -10) / drag('geared-hub', 20)).toBeCloseTo(1.6, 9);
    expect(drag('direct-drive-hub', -10)).toBe(drag('direct-drive-hub', 20));
  });
});

describe('driveline', () => {
  const input = {
    wheelRadius: 0.34,
    ringTeeth: 42,
    cogTeeth: [14, 28, 21],
    reduction: 20,
    hubRatios: [],
    midDrive: false,
  };

  it('sorts the cogs from the largest', () => {
    expect(gears(input).map((g) => g.cogTeeth)).toEqual([28, 21, 14]);
  });

  it('turns a hub motor with the wheel whatever the cog, and a mid-drive with the ring', () => {
    const hub = gears(input).map((g) => g.motorRatio);
    expect(new Set(hub).size).toBe(1);
    expect(hub[0]).toBeCloseTo(20 / 0.34, 12);
    const mid = gears({ ...input, midDrive: true });
    expect(mid[0]?.motorRatio).toBeCloseTo((20 * 28) / 42 / 0.34, 12);
  });

  it('has the development of the gear tables: 42 by 14 on 2.136 m is 6.41 m (definition)', () => {
    const [gear] = gears({ ...input, cogTeeth: [14], wheelRadius: 2.136 / (2 * Math.PI) });
    if (gear === undefined) throw new Error('no gear');
    expect(developmentM(gear)).toBeCloseTo(6.408, 9);
    // 6.408 m a turn, 90 turns a minute: 34.6 km/h
    expect(cadenceRpm(gear, (6.408 * 90) / 60)).toBeCloseTo(90, 9);
  });

  it('runs on chain of half-inch pitch (ISO 9633, ISO 606)', () => {
    expect(CHAIN_PITCH_MM).toBe(12.7);
  });
});

describe('rider', () => {
  const rider = { powerW: 100, ease: 1, cadenceMinRpm: 60, cadenceMaxRpm: 90 };
  const [gear] = gears({
    wheelRadius: 0.34,
    ringTeeth: 42,
    cogTeeth: [21],
    reduction: 1,
    hubRatios: [],
    midDrive: false,
  });
  if (gear === undefined) throw new Error('no gear');
  const speedAt = (rpm: number): number => (rpm * Math.PI) / 30 / gear.crankRatio;

  it('gives the power inside the span, less what the chain takes', () => {
    for (const rpm of [60, 75, 90]) {
      const v = speedAt(rpm);
      expect(riderForce(rider, gear, 0.96, v) * v).toBeCloseTo(96, 9);
    }
  });

  it('gives the torque of the lowest cadence below it, so that a start has a finite push', () => {
    expect(riderForce(rider, gear, 1, 0)).toBeCloseTo(riderForce(rider, gear, 1, speedAt(60)), 12);
  });

  it('has spun out at a quarter above the span', () => {
    expect(spinOutFactor(rider, gear, speedAt(90))).toBe(1);
    expect(spinOutFactor(rider, gear, speedAt(112.5))).toBeCloseTo(0, 12);
    expect(riderForce(rider, gear, 1, speedAt(130))).toBe(0);
  });

  it('pushes nothing without power', () => {
    expect(riderForce({ ...rider, powerW: 0 }, gear, 1, 3)).toBe(0);
  });
});
