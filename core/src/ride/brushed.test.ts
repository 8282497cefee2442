import { batteryAmps } from '../machine/battery.ts';
import { describe, expect, it } from 'vitest';
import { phaseDemand } from '../power-chain/demand.ts';
import { knownBuild } from '../document/known.ts';
import { assemble } from '../machine/assemble.ts';
import { sample } from '../test/sample.ts';
import { HAND_GEAR, HAND_THERMAL, handMachine } from '../test/hand-machine.ts';
import { climb } from './climb.ts';
import { continuousAt, heatOf } from './continuous.ts';
import { electricalWatts, operatingPoint } from './operating-point.ts';
import { steadyWarmth } from '../machine/thermal.ts';

/** 0.2127 ohm at 20 C, wound warm to 70 C. */
const WARM_OHM = 0.2127 * (1 + 0.00393 * 50);
const BRUSHES = { brushV: 1.2, diodeV: 0.7 };
const MOTOR = {
  kt: 0.0992,
  weakerPerK: 0,
  resistance20: 0.18,
  hysteresisNm: 0.11,
  eddyNms: 2e-4,
  freewheel: true,
};
/** 500 W and 36 V behind 0.08 ohm, 18.5 A from the pack and 22 A in the motor. */
const machine = handMachine(
  { batteryA: 18.5, phaseA: 22 },
  {
    motor: { ...MOTOR, brushes: BRUSHES },
    circuitOhm: WARM_OHM,
    dropV: 1.9,
    packShare: 38 / 38.7,
  },
);
const supply = { openVolts: 38, ohm: 0.08 };
/** Turns of the motor, rad/s. */
const at = (omega: number) => operatingPoint(machine, HAND_GEAR, supply, omega / 10);
const packAmps = (omega: number): number =>
  batteryAmps(supply, electricalWatts(machine, HAND_GEAR, at(omega).phaseA, omega / 10));

describe('a brushed motor behind a chopper, against a search over the duty (worked beforehand)', () => {
  it('at rest and slow has its motor amps, and takes few from the pack', () => {
    expect(at(0)).toMatchObject({ phaseA: 22, limit: 'phase-current' });
    expect(packAmps(0)).toBeCloseTo(4.3, 1);
    expect(at(150)).toMatchObject({ phaseA: 22, limit: 'phase-current' });
  });

  it('is bound by the battery in the middle and by the volts at the end', () => {
    expect(at(250).limit).toBe('battery-current');
    expect(at(250).phaseA).toBeCloseTo(21.4, 1);
    expect(at(310).limit).toBe('voltage');
    expect(at(310).phaseA).toBeCloseTo(18.04, 0);
  });

  it('balances at the duty D = (E + Vb + I R + Vf) / (V + Vf): battery amps are D I', () => {
    for (const omega of [0, 80, 150, 220]) {
      const { phaseA } = at(omega);
      // By search: terminal volts and duty that agree.
      let volts = supply.openVolts;
      for (let i = 0; i < 60; i += 1) {
        const duty = (0.0992 * omega + 1.2 + phaseA * WARM_OHM + 0.7) / (volts + 0.7);
        volts = supply.openVolts - duty * phaseA * supply.ohm;
      }
      const amps = (supply.openVolts - volts) / supply.ohm;
      // The diode's share is taken at one pack voltage: a thousandth.
      expect(Math.abs(packAmps(omega) / amps - 1)).toBeLessThan(1.5e-3);
    }
  });

  it("takes by the volts that the pack stands at, full or low: V / (V + Vf) of E' I", () => {
    const [amps, v] = [15, 20];
    const circuitV = 0.0992 * 10 * v + 1.9 + WARM_OHM * amps;
    for (const openVolts of [30, 38, 50]) {
      const share = openVolts / (openVolts + BRUSHES.diodeV);
      expect(electricalWatts(machine, HAND_GEAR, amps, v, { openVolts, ohm: 0.08 })).toBeCloseTo(
        circuitV * amps * share + machine.limits.standbyW,
        9,
      );
    }
  });

  it('loses half of its brush drop in the rotor, half and their friction in the shell', () => {
    const heat = heatOf(machine, HAND_GEAR, 20, 15);
    expect(heat.coreW).toBeCloseTo(2e-4 * 200 * 200 + (1.2 * 15) / 2, 9);
    expect(heat.shellW).toBeCloseTo(0.11 * 200 + (1.2 * 15) / 2, 9);
  });

  it('holds what its end temperature allows', () => {
    const held = continuousAt(machine, HAND_GEAR, 15);
    const cooling = HAND_THERMAL.stillWK + HAND_THERMAL.movingWK * 15 ** 0.7;
    const warm = steadyWarmth(HAND_THERMAL, heatOf(machine, HAND_GEAR, 15, held.phaseA), cooling, 20);
    expect(warm?.windingC).toBeCloseTo(HAND_THERMAL.damageC - 10, 6);
  });
});

describe('a build with a brushed motor', () => {
  const build = sample(
    {
      drive: {
        commutation: 'brushes',
        ratedPowerW: 250,
        labelV: 24,
        motorSprocketTeeth: 9,
        wheelSprocketTeeth: 60,
      },
      pack: { cellsInSeries: 12, chemistry: 'lead-acid', capacityAh: 12 },
      controller: { regenerates: 'yes', regenA: 10, batteryCurrentA: { source: 'unknown' } },
      controls: { throttle: 'full' },
    },
    'external',
  );

  it('never gives power back, and its two leads carry the whole of its current', () => {
    const it_ = assemble(build);
    expect(it_.regeneration).toBeUndefined();
    const hill = climb(it_, 0.5, 500, 4, 'best');
    expect(phaseDemand(hill, it_, knownBuild(build)).peakA).toBe(it_.limits.phaseA);
    const three = assemble({ ...build, drive: { ...build.drive, commutation: 'electronic' } });
    expect(phaseDemand(hill, three, knownBuild(build)).peakA).toBeCloseTo(
      three.limits.phaseA * Math.sqrt(2 / 3),
      9,
    );
  });

  it('is made from its label: 147 rpm/V, 0.17 ohm, 17 A of motor current, bears 120 C', () => {
    const it_ = assemble(build);
    expect(60 / (2 * Math.PI * it_.motor.kt)).toBeCloseTo(147, 0);
    expect(it_.motor.resistance20).toBeCloseTo(0.172, 2);
    expect(it_.limits.phaseA).toBeCloseTo(16.8, 1);
    expect(it_.thermal.damageC).toBe(120);
  });
});
