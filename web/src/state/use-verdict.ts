import type { BuildDocument, Verdict } from '@apple-cart/core';
import { useBook } from './rules.ts';
import { useShelfInForce } from './shelf-in-force.ts';
import { verdictOf } from './verdicts.ts';

/** The verdict of a build, drawn anew when the build changes, the rules that it is judged by, or the shelf that guesses its prices. */
export function useVerdict(document: BuildDocument): Verdict {
  useBook();
  useShelfInForce();
  return verdictOf(document);
}
