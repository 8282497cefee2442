import { describe, expect, it } from 'vitest';
import {
  caseCooling,
  caseSettles,
  caseStep,
  controllerBody,
  foldAmps,
  foldShare,
} from './controller-heat.ts';

/** Loss of a controller at phase amps: 0.3 I + Rc I^2 + 3 W, Rc = 0.35 V over its battery limit. */
const lossW = (batteryA: number, amps: number): number => 0.3 * amps + (0.35 / batteryA) * amps * amps + 3;
const body = (batteryA: number, place: 'wind' | 'box' | 'plate' | 'motor') =>
  controllerBody(batteryA, place, 85, 105);
/** Seconds until the case is at 85 C, from 25, by steps of 1 s. */
function secondsTo85(batteryA: number, place: 'wind' | 'box' | 'plate', amps: number, v: number): number {
  const h = body(batteryA, place);
  let [caseC, s] = [25, 0];
  while (caseC < 85 && s < 36_000) {
    caseC = caseStep(h, caseC, lossW(batteryA, amps), caseCooling(h, v), 25, 25, 1);
    s += 1;
  }
  return s;
}

describe('a controller’s own heat, in air of 25 C (worked beforehand, from memory values)', () => {
  it('of 25 A at 25 phase amps and 5 m/s: 19.3 W, ends at 55 C, 375 s', () => {
    const h = body(25, 'wind');
    const watts = lossW(25, 25);
    expect(watts).toBeCloseTo(19.25, 9);
    expect(caseSettles(h, watts, caseCooling(h, 5), 25, 25)).toBeCloseTo(55, 0);
    expect(Math.abs(h.heatJK / caseCooling(h, 5) / 375 - 1)).toBeLessThan(0.01);
  });

  it('at 60 phase amps and 2 m/s: 71 W, 85 C after 250 s; on a plate it ends at 89 C; in a bag after 228 s', () => {
    expect(lossW(25, 60)).toBeCloseTo(71, 0);
    expect(Math.abs(secondsTo85(25, 'wind', 60, 2) / 250 - 1)).toBeLessThan(0.02);
    const plate = body(25, 'plate');
    expect(caseSettles(plate, lossW(25, 60), caseCooling(plate, 2), 25, 25)).toBeCloseTo(89, 0);
    expect(Math.abs(secondsTo85(25, 'box', 60, 2) / 228 - 1)).toBeLessThan(0.02);
  });

  it('of 15 A in a bag at 15 A: 91 C in the end, 780 s', () => {
    const h = body(15, 'box');
    expect(caseSettles(h, lossW(15, 15), caseCooling(h, 9), 25, 25)).toBeCloseTo(91, 0);
    expect(Math.abs(h.heatJK / caseCooling(h, 9) / 780 - 1)).toBeLessThan(0.01);
  });

  it('folds the phase amps back evenly, and holds for ever what brings it to where it begins', () => {
    const h = body(25, 'wind');
    expect([85, 95, 105, 120].map((c) => foldShare(h, c))).toEqual([1, 0.5, 0, 0]);
    const amps = foldAmps(h, 0.35 / 25, 3, 4, 25, 25);
    expect(caseSettles(h, lossW(25, amps), caseCooling(h, 4), 25, 25)).toBeCloseTo(85, 9);
    expect(foldAmps(controllerBody(25, 'wind', 85, 105), 0.014, 3, 4, 90, 90)).toBe(0);
  });

  it('in the motor’s shell warms with it', () => {
    const h = body(25, 'motor');
    expect(caseSettles(h, 20, caseCooling(h, 9), 25, 60)).toBeCloseTo(60 + 0.7 * 20, 9);
  });
});
