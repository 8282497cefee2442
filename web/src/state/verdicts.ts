import {
  evaluate,
  judgeBook,
  type BuildDocument,
  type PlaceVerdict,
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

/** Every place of the book in force, judged only where they are shown. */
const places = new WeakMap<Verdict, readonly PlaceVerdict[]>();

export function placesOf(verdict: Verdict): readonly PlaceVerdict[] {
  const known = places.get(verdict);
  if (known !== undefined) return known;
  const judged = judgeBook(bookInForce(), verdict.law.ways);
  places.set(verdict, judged);
  return judged;
}
