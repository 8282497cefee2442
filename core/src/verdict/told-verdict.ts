import { judgeBook, type PlaceOutcome } from '../law/judge.ts';
import type { RuleBook } from '../law/rule-schema.ts';
import type { Ledger } from '../workshop/parts-list/ledger.ts';
import type { Verdict } from './evaluate.ts';

/** A verdict as it is written out: every place by its outcome, with the clauses of the one it is ridden in alone. */
export interface ToldVerdict extends Omit<Verdict, 'law' | 'study' | 'list' | 'wiring'> {
  /** What the parts list comes to. */
  readonly ledger: Ledger;
  /** How many cables its harness has. */
  readonly cables: number;
  readonly law: Verdict['law'] & {
    readonly places: readonly {
      readonly id: string;
      readonly name: string;
      readonly outcome: PlaceOutcome;
      readonly className: string;
    }[];
  };
}

/** The verdict with every place of the book by its outcome: forty places, clause by clause, are a megabyte of JSON. */
export function toldVerdict(verdict: Verdict, book: RuleBook): ToldVerdict {
  const { study, list: listed, wiring, ...told } = verdict;
  const places = judgeBook(book, study.ways).map(({ place, outcome, className }) => ({
    id: place.id,
    name: place.name,
    outcome,
    className,
  }));
  return { ...told, ledger: listed.ledger, cables: wiring.wires.length, law: { ...told.law, places } };
}
