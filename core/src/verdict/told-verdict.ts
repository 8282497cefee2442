import type { PlaceOutcome } from '../law/judge.ts';
import type { Verdict } from './evaluate.ts';

/** A verdict as it is written out: every place by its outcome, with the clauses of the one it is ridden in alone. */
export interface ToldVerdict extends Omit<Verdict, 'law'> {
  readonly law: Omit<Verdict['law'], 'places'> & {
    readonly places: readonly {
      readonly id: string;
      readonly name: string;
      readonly outcome: PlaceOutcome;
      readonly className: string;
    }[];
  };
}

/** The verdict without the whole rule book in it: forty places, clause by clause, are a megabyte of JSON. */
export const toldVerdict = (verdict: Verdict): ToldVerdict => ({
  ...verdict,
  law: {
    ...verdict.law,
    places: verdict.law.places.map(({ place, outcome, className }) => ({
      id: place.id,
      name: place.name,
      outcome,
      className,
    })),
  },
});
