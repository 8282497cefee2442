import { normals, uniforms } from '../quantity/numerics.ts';

/** Neighbouring seeds lie far apart in the sequence. Knuth's multiplicative hashing, The Art of Computer Programming 3, 6.4. */
const spread = (seed: number): number => (Math.abs(Math.trunc(seed)) * 2_654_435_761) % 2 ** 32;

/** Chance from a seed: numbers from 0 to 1, and of the normal distribution. */
export interface Noise {
  readonly next: () => number;
  readonly normal: () => number;
}
export const noiseOf = (seed: number): Noise => ({
  next: uniforms(spread(seed)),
  normal: normals(spread(seed + 1)),
});

/** What a meter makes of a true value: a share of it as noise, then its last digit. */
export function metered(
  value: number,
  share: number,
  digit: number,
  { normal }: Pick<Noise, 'normal'>,
): number {
  const noisy = value * (1 + share * normal()) + 0.3 * digit * normal();
  return Math.round(noisy / digit) * digit;
}
