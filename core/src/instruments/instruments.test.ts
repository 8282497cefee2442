import { describe, expect, it } from 'vitest';
import type { BuildDocument } from '../document/document.ts';
import { courier, longtail, tandem, tourer, trike } from '../test/demo.ts';
import { evaluate } from '../test/evaluate.ts';
import { sample } from '../test/sample.ts';
import { jobOf } from '../verdict/job-of.ts';
import { NOTHING_FOUND, judgeEvidence } from '../workshop/bench/judge.ts';
import { SIMULATED_FAULTS, type SimulatedFault } from './instrument.ts';
import { metered, noiseOf } from './noise.ts';
import { simulatedBench } from './simulated-meter.ts';
import { simulatedProgrammer } from './simulated-programmer.ts';

const readAll = (build: BuildDocument, seed: number, fault: SimulatedFault = 'none') => {
  const { study, bench } = evaluate(build);
  const meter = simulatedBench(jobOf(study), seed, fault);
  return bench.flatMap((point) => {
    const readings = meter.read(point);
    return readings === undefined
      ? []
      : [
          {
            key: point.key,
            readings,
            judged: judgeEvidence(point.evidence, { ...NOTHING_FOUND, readings }).kind,
          },
        ];
  });
};

describe('the simulated bench', () => {
  it.each([longtail, tandem, courier, trike, tourer].map((b) => [b.name, b] as const))(
    'of %s passes what it measures, whatever its noise, while nothing is broken',
    (_, build) => {
      for (let seed = 1; seed <= 20; seed += 1) {
        const read = readAll(build, seed);
        expect(read.length).toBeGreaterThan(6);
        for (const one of read) expect(one.judged, `${one.key} ${one.readings.join()}`).not.toBe('outside');
      }
    },
  );

  it.each([
    ['weak-group', 'pack/groups'],
    ['bridged-breaker', 'cold/off'],
    ['high-throttle', 'sensors/throttle-rest'],
    ['pinched-lead', 'pack/frame'],
    ['slow-motor', 'stand/speed'],
  ] as const)('finds %s at %s, and nowhere else', (fault, key) => {
    const build = sample({
      drive: { name: 'Hub', kvRpmPerV: 10, reduction: 1 },
      controls: { throttle: 'full' },
      pack: { cellsInSeries: 13, nominalV: 46.8 },
    });
    const outside = readAll(build, 3, fault)
      .filter((r) => r.judged === 'outside')
      .map((r) => r.key);
    expect(outside).toEqual([key]);
    expect(SIMULATED_FAULTS).toContain(fault);
  });

  it('gives the same readings for the same seed, and says that it is simulated', () => {
    expect(readAll(tandem, 7)).toEqual(readAll(tandem, 7));
    expect(readAll(tandem, 7)).not.toEqual(readAll(tandem, 8));
    expect(simulatedBench(jobOf(evaluate(tandem).study), 1).simulated).toBe(true);
  });

  it('measures nothing by hand: a torque is left to the wrench', () => {
    expect(readAll(tandem, 1).map((r) => r.key)).not.toContain('fitting/nuts');
  });
});

describe('noise', () => {
  it('has the mean and the deviation that it is asked for (law of large numbers, 4 sigma)', () => {
    const noise = noiseOf(5);
    const draws = Array.from({ length: 4000 }, () => metered(50, 0.01, 0.001, noise));
    const mean = draws.reduce((a, b) => a + b, 0) / draws.length;
    const sd = Math.sqrt(draws.reduce((a, b) => a + (b - mean) ** 2, 0) / draws.length);
    expect(Math.abs(mean - 50)).toBeLessThan((4 * 0.5) / Math.sqrt(4000));
    expect(sd).toBeGreaterThan(0.47);
    expect(sd).toBeLessThan(0.53);
  });
});

describe('the simulated programmer', () => {
  it('takes nearly all, now and then all but one, the same for the same seed', () => {
    const settings = { 'low-volts': 42, 'battery-amps': 30, 'roll-out': 2174 };
    expect(simulatedProgrammer(4).write(settings)).toEqual(simulatedProgrammer(4).write(settings));
    let off = 0;
    for (let seed = 0; seed < 300; seed += 1)
      off += Object.entries(simulatedProgrammer(seed).write(settings)).filter(
        ([k, v]) => v !== settings[k as keyof typeof settings],
      ).length;
    expect(off / 900).toBeGreaterThan(0.06);
    expect(off / 900).toBeLessThan(0.17);
  });
});
