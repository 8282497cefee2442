import {
  evaluate,
  judgeBook,
  type BuildDocument,
  type Part,
  type PlaceVerdict,
  type RuleBook,
  type Verdict,
} from '@apple-cart/core';
import { bookInForce } from './rules.ts';
import { shelfInForce } from './shelf-in-force.ts';

/** A verdict, and what it was worked out by. */
interface Worked {
  readonly book: RuleBook;
  readonly shelf: readonly Part[];
  readonly verdict: Verdict;
}

/** Documents, books and shelves are never changed in place: a verdict is worked out once for them and then remembered. */
const verdicts = new WeakMap<BuildDocument, Worked>();

/** The verdict by the rule book in force; what has no price is guessed by the shelf as it was last read. */
export function verdictOf(document: BuildDocument): Verdict {
  const [book, shelf] = [bookInForce(), shelfInForce()];
  const known = verdicts.get(document);
  if (known?.book === book && known.shelf === shelf) return known.verdict;
  const verdict = evaluate(document, book, shelf);
  verdicts.set(document, { book, shelf, verdict });
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
