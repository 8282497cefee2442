import type { Programmer } from './instrument.ts';
import { noiseOf } from './noise.ts';

/** One value in so many is not taken. Invented, so that reading back is worth it. */
const NOT_TAKEN = 1 / 9;
/** What it holds instead: some steps beside. */
const BESIDE = 1.05;

/** A controller on a simulated cable: it takes what is written, now and then all but one value. */
export function simulatedProgrammer(seed: number): Programmer {
  const { next } = noiseOf(seed);
  return {
    name: 'Simulated programmer',
    simulated: true,
    write: (settings) =>
      Object.fromEntries(
        Object.entries(settings).map(([key, value]) => {
          const kept = next() < NOT_TAKEN ? Math.round(value * BESIDE * 10) / 10 : value;
          return [key, kept];
        }),
      ),
  };
}
