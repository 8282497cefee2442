import type { BuildDocument, Verdict } from '@apple-cart/core';
import { useBook } from './rules.ts';
import { verdictOf } from './verdicts.ts';

/** The verdict of a build, drawn anew when the build changes, or the rules that it is judged by. */
export function useVerdict(document: BuildDocument): Verdict {
  useBook();
  return verdictOf(document);
}
