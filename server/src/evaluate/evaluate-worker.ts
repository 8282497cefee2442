import { parentPort } from 'node:worker_threads';
import { evaluate, readBuild, toldVerdict, type Issue, type RuleBook } from '@apple-cart/core';

/** A build to be judged, not validated yet; the book where it is another than before. */
export interface Asked {
  readonly id: number;
  readonly build: unknown;
  readonly book?: RuleBook;
}

/** The verdict as JSON text, what is wrong with the build, or why there is no answer. */
export type Answer = { readonly id: number } & (
  { readonly verdict: string } | { readonly issues: readonly Issue[] } | { readonly failed: string }
);

let book: RuleBook = [];

function answerTo(asked: Asked): Answer {
  const { id } = asked;
  if (asked.book !== undefined) book = asked.book;
  const build = readBuild(asked.build);
  if (!build.ok) return { id, issues: build.issues };
  return { id, verdict: JSON.stringify(toldVerdict(evaluate(build.value, book), book)) };
}

parentPort?.on('message', (asked: Asked) => {
  let answer: Answer;
  try {
    answer = answerTo(asked);
  } catch (problem) {
    answer = {
      id: asked.id,
      failed: problem instanceof Error ? (problem.stack ?? problem.message) : 'failed',
    };
  }
  parentPort?.postMessage(answer);
});
