import { likelihood, type Look } from './look.ts';

interface Shared {
  readonly cause: { readonly id: string };
  readonly share: number;
}

/** A look that may come next, and what it promises. */
export interface NextLook {
  readonly look: Look;
  /** Bits by which it narrows the causes on average. */
  readonly bits: number;
  /** How likely "yes" is as things stand. */
  readonly yes: number;
}

/** To fetch the meter and to read the answer, min: so that a glance is not endlessly better than a reading. Common practice, no source. */
const BETWEEN_MINUTES = 3;
/** A look that narrows less than this tells nothing, bits. */
const LEAST_BITS = 0.02;

const entropy = (shares: readonly number[]): number =>
  -shares.reduce((sum, p) => sum + (p > 0 ? p * Math.log2(p) : 0), 0);

/** How much a look narrows the causes on average: the entropy of now less that of either answer, by how likely each is (Shannon, 1948). */
function bitsOf(look: Look, causes: readonly Shared[]): { readonly bits: number; readonly yes: number } {
  const now = entropy(causes.map((c) => c.share));
  let [after, yesShare] = [0, 0];
  for (const says of ['yes', 'no'] as const) {
    const joint = causes.map((c) => c.share * likelihood(look, c.cause.id, says));
    const sum = joint.reduce((a, b) => a + b, 0);
    if (says === 'yes') yesShare = sum;
    if (sum > 0) after += sum * entropy(joint.map((j) => j / sum));
  }
  return { bits: Math.max(0, now - after), yes: yesShare };
}

/** Looks that tell something, the one that tells most for its minutes first. */
export function lookOrder(looks: readonly Look[], causes: readonly Shared[]): readonly NextLook[] {
  return looks
    .map((look): NextLook => ({ look, ...bitsOf(look, causes) }))
    .filter(({ bits }) => bits >= LEAST_BITS)
    .sort(
      (a, b) => b.bits / (b.look.minutes + BETWEEN_MINUTES) - a.bits / (a.look.minutes + BETWEEN_MINUTES),
    );
}
