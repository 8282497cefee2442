import { lawFacts, type ProfileFacts } from '../law/facts.ts';
import { judgePlace, unknownPlace, type PlaceVerdict } from '../law/judge.ts';
import type { RuleBook } from '../law/rule-schema.ts';
import type { Study } from './study.ts';

/** A study with what every place of a rule book says of it. */
export interface Judged extends Study {
  /** What the rules may ask, for each way the rider can have the machine; the build as set first. */
  readonly ways: readonly ProfileFacts[];
  readonly places: readonly PlaceVerdict[];
  /** Where the brief says it is ridden. */
  readonly here: PlaceVerdict;
}

/** Judges a build in every place: what they say does not depend on the one chosen. */
export function judged(s: Study, book: RuleBook): Judged {
  const ways = lawFacts(s.build, s.known, s.machine);
  const places = book.map((place) => judgePlace(place, ways, book));
  const here = places.find((p) => p.place.id === s.build.brief.place);
  return { ...s, ways, places, here: here ?? judgePlace(unknownPlace(s.build.brief.place), ways, book) };
}
