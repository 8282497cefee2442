import { evaluate, readBuild, toldVerdict, type Issue, type RuleBook } from '@apple-cart/core';
import { answerEach } from '../answering.ts';

/** A build to be judged, not validated yet; the book where it is another than before. */
export interface Asked {
  readonly build: unknown;
  readonly book?: RuleBook;
}

/** A verdict as JSON text, or what is wrong with the build. */
export type Evaluated = { readonly verdict: string } | { readonly issues: readonly Issue[] };

let book: RuleBook = [];

answerEach((asked: Asked): Evaluated => {
  if (asked.book !== undefined) book = asked.book;
  const build = readBuild(asked.build);
  if (!build.ok) return { issues: build.issues };
  return { verdict: JSON.stringify(toldVerdict(evaluate(build.value, book), book)) };
});
