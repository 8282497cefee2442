import { describe, expect, it } from 'vitest';
import { LANES } from './all.ts';
import { reportText } from './report.ts';

const SEED = 20261127;
const HOUR_MS = 3_600_000;

describe('a short form of the torture', () => {
  for (const lane of LANES)
    for (const [name, { run, short }] of Object.entries(lane))
      it(`${name}: nothing is lost, nothing throws, nothing hangs`, async () => {
        const report = await run({ seed: SEED, untilMs: Date.now() + HOUR_MS, rounds: short });
        expect(report.wrong, reportText(report)).toEqual([]);
        expect(Object.values<number>(report.figures).some((n) => n > 0)).toBe(true);
      });
});
