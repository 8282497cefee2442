import { lawFacts, type ProfileFacts } from '../law/facts.ts';
import { judgePlace, unknownPlace, type PlaceVerdict } from '../law/judge.ts';
import type { RuleBook } from '../law/rule-schema.ts';
import { lazilyMore } from '../quantity/lazily.ts';
import { study, type Study } from './study.ts';
import { unreadTurns, type UnreadTurns } from './unread-turns.ts';

/** A study with what the law says of it where the brief says it is ridden. */
export interface Judged extends Study {
  /** What the rules may ask, for each way the rider can have the machine; the build as set first. */
  readonly ways: readonly ProfileFacts[];
  readonly here: PlaceVerdict;
  /** By what nobody has read the answers about the hill would be others. */
  readonly turns: UnreadTurns;
}

/** Judges a build where it is ridden. Other places are judged by the same ways, and only where they are shown. */
export function judged(s: Study, book: RuleBook): Judged {
  const j: Judged = lazilyMore(s, {
    ways: () => lawFacts(s),
    turns: () => unreadTurns(s, study),
    here: () => {
      const { place } = s.build.brief;
      return judgePlace(book.find((p) => p.id === place) ?? unknownPlace(place), j.ways, book);
    },
  });
  return j;
}
