import {
  evaluate,
  measureNext,
  sensitivities,
  type BuildDocument,
  type RuleBook,
  type Verdict,
} from '@apple-cart/core';
import { bookInForce } from './rules.ts';

/** Documents and books are never changed in place: a verdict is worked out once for the two and then remembered. */
const verdicts = new WeakMap<RuleBook, WeakMap<BuildDocument, Verdict>>();

/** The verdict by the rule book in force. */
export function verdictOf(document: BuildDocument): Verdict {
  const book = bookInForce();
  const byBook = verdicts.get(book) ?? new WeakMap<BuildDocument, Verdict>();
  verdicts.set(book, byBook);
  const known = byBook.get(document);
  if (known !== undefined) return known;
  const verdict = evaluate(document, book);
  byBook.set(document, verdict);
  return verdict;
}

/** The same for a list that is worked out only where it is shown. */
const remembered = <T extends object>(work: (document: BuildDocument) => T) => {
  const known = new WeakMap<BuildDocument, T>();
  return (document: BuildDocument): T => {
    const before = known.get(document);
    if (before !== undefined) return before;
    const result = work(document);
    known.set(document, result);
    return result;
  };
};

export const sensitivitiesOf = remembered(sensitivities);
export const measureNextOf = remembered(measureNext);
