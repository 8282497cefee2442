import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { solved } from '../test/ode.ts';
import { RUNS } from '../test/sample.ts';
import { awgAreaMm2 } from '../quantity/wire-gauge.ts';
import { inrush, preCharge } from './inrush.ts';
import { leadAmps, leadLoss, phaseLeadWatts, plugAmps } from './leads.ts';

describe('amps of a lead in free air', () => {
  // NFPA 70 (National Electrical Code, 2020), table 310.17: single copper conductor in free air, 75 C
  // insulation, 30 C ambient. Ours lies beside its return and has thinner insulation: within a seventh.
  it.each([
    [14, 30],
    [12, 35],
    [10, 50],
    [8, 70],
    [6, 95],
    [4, 125],
  ])('%i AWG: about the %i A of the National Electrical Code', (gauge, amps) => {
    expect(Math.abs(leadAmps('copper', awgAreaMm2(gauge), 75, 30) / amps - 1)).toBeLessThan(1 / 7);
  });

  // IEC 60364-5-52:2009, table B.52.4, two loaded PVC copper conductors (70 C) clipped direct, method C, 30 C:
  // ours lies in free air and carries up to an eighth more.
  it.each([
    [1.5, 19.5],
    [2.5, 27],
    [4, 36],
    [6, 46],
    [10, 63],
    [16, 85],
  ])('%f mm²: the %f A of IEC 60364-5-52 and up to an eighth more', (mm2, amps) => {
    const ratio = leadAmps('copper', mm2, 70, 30) / amps;
    expect(ratio).toBeGreaterThan(1);
    expect(ratio).toBeLessThan(1.125);
  });

  it('grow with the conductor and its insulation, and shrink in warm air', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.2, max: 60, noNaN: true }),
        fc.double({ min: 60, max: 200, noNaN: true }),
        fc.double({ min: -10, max: 45, noNaN: true }),
        (mm2, insulation, ambient) => {
          const amps = leadAmps('copper', mm2, insulation, ambient);
          expect(amps).toBeGreaterThan(0);
          expect(leadAmps('copper', mm2 * 1.2, insulation, ambient)).toBeGreaterThan(amps);
          expect(leadAmps('copper', mm2, insulation + 10, ambient)).toBeGreaterThan(amps);
          expect(leadAmps('copper', mm2, insulation, ambient + 5)).toBeLessThan(amps);
          expect(leadAmps('aluminium', mm2, insulation, ambient)).toBeLessThan(amps);
        },
      ),
      RUNS,
    );
  });

  it('are none where the air is as warm as the insulation stands', () => {
    expect(leadAmps('copper', 2.5, 70, 70)).toBe(0);
    expect(leadAmps('copper', 2.5, 60, 80)).toBe(0);
  });
});

describe('loss in a lead', () => {
  it('of 1 m each way of 2.5 mm² at 20 A and 20 C: 13.8 mohm, 0.276 V, 5.5 W (by hand)', () => {
    const loss = leadLoss('copper', 1000, 2.5, 20, 20);
    expect(loss.ohm).toBeCloseTo(2 / (58 * 2.5), 9);
    expect(loss.volts).toBeCloseTo(0.2759, 4);
    expect(loss.watts).toBeCloseTo(5.517, 3);
  });

  it('of three phase leads of 1 m and 2.5 mm² at 20 A and 20 C: 3 x 400 x 6.9 mohm, 8.3 W (by hand)', () => {
    expect(phaseLeadWatts('copper', 1000, 2.5, 20, 20)).toBeCloseTo((3 * 400) / (58 * 2.5), 9);
  });

  it('never falls when the lead gets longer or thinner', () => {
    const positive = (max: number) => fc.double({ min: 0.1, max, noNaN: true });
    fc.assert(
      fc.property(positive(5000), positive(30), positive(100), positive(100), (mm, mm2, amps, more) => {
        const { volts } = leadLoss('copper', mm, mm2, amps);
        expect(leadLoss('copper', mm + more, mm2, amps).volts).toBeGreaterThanOrEqual(volts);
        expect(leadLoss('copper', mm, mm2 / (1 + more), amps).volts).toBeGreaterThanOrEqual(volts);
      }),
      RUNS,
    );
  });
});

it('two plugs in parallel do not quite double: a fifth off (common practice)', () => {
  expect(plugAmps(45, 1)).toBe(45);
  expect(plugAmps(45, 2)).toBeCloseTo(72, 9);
});

describe('inrush', () => {
  it('of 1000 uF at 50 V holds 1.25 J, and 480 ohm-limited amps peak at V / R (by hand)', () => {
    expect(inrush(50, 0.08, 1000).energyJ).toBeCloseTo(1.25, 9);
    expect(inrush(50, 0.08, 1000).peakA).toBeCloseTo(500, 6);
  });

  // odex (see test/ode.ts): dv/dt = (V - v) / RC, and the heat of the resistor beside it.
  it('through a resistor follows the closed form of an RC charge', async () => {
    const [volts, ohm, uf] = [54.6, 100, 1000];
    const { secondsTo95, energyJ, peakW } = preCharge(volts, ohm, uf);
    const rates = (_t: number, [v = 0]: readonly number[]): number[] => {
      const amps = (volts - v) / ohm;
      return [amps / (uf * 1e-6), amps * amps * ohm];
    };
    const [reached = NaN, heat = NaN] = await solved(rates, 0, [0, 0], secondsTo95);
    expect(reached / volts).toBeCloseTo(0.95, 8);
    // The last twentieth of the volts holds a 400th of the heat.
    expect(heat / energyJ).toBeCloseTo(1 - 0.05 ** 2, 7);
    expect(peakW).toBeCloseTo((54.6 * 54.6) / 100, 9);
  });
});
