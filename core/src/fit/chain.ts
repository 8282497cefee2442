import { CHAIN_PITCH_MM } from '../quantity/constants.ts';

/**
 * Length of a chain or belt round two sprockets, in pitches:
 * 2 C/p + (N1 + N2)/2 + ((N2 - N1)/2 pi)^2 p/C. The usual engineering approximation for roller chain
 * (ISO 606 pitch; the formula as in machine-design handbooks, from memory); within 0.1 pitch of the exact
 * tangent length while the centres are more than the larger sprocket apart.
 */
export function lengthInPitches(n1: number, n2: number, centreMm: number, pitchMm: number): number {
  const c = centreMm / pitchMm;
  return 2 * c + (n1 + n2) / 2 + ((n2 - n1) / (2 * Math.PI)) ** 2 / c;
}

/** Links that a rear mechanism wants beyond the largest ring on the largest cog. Common practice. */
const MECHANISM_LINKS = 2;

/**
 * Links of half-inch chain for a ring and the largest cog: the least even number that goes round, and two
 * more where a rear mechanism takes up the slack (common practice: largest on largest, plus one inch).
 */
export function chainLinks(
  ring: number,
  largestCog: number,
  chainstayMm: number,
  mechanism: boolean,
): number {
  const round = lengthInPitches(ring, largestCog, chainstayMm, CHAIN_PITCH_MM);
  // A chain that fits to a hundredth of a link fits.
  const even = 2 * Math.ceil((round - 0.01) / 2);
  return even + (mechanism ? MECHANISM_LINKS : 0);
}

/** Pitch diameter of a sprocket, mm: p / sin(pi / N). ISO 606. */
export const pitchDiameterMm = (teeth: number, pitchMm: number): number =>
  pitchMm / Math.sin(Math.PI / teeth);

/**
 * Teeth of the smaller sprocket that the chain or belt touches: its share of a turn, pi - 2 asin((D2-D1)/2C),
 * with the rolling radius N p / 2 pi. Derived.
 */
export function teethInMesh(n1: number, n2: number, centreMm: number, pitchMm: number): number {
  const small = Math.min(n1, n2);
  const step = (Math.abs(n2 - n1) * pitchMm) / (2 * Math.PI);
  const lean = Math.asin(Math.min(1, step / centreMm));
  return (small * (Math.PI - 2 * lean)) / (2 * Math.PI);
}
