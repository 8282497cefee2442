import type { BuildDocument } from '../../document/document.ts';
import { knownBuild } from '../../document/known.ts';
import type { RuleBook } from '../../law/rule-schema.ts';
import type { Machine } from '../../machine/machine.ts';
import type { Part } from '../../parts/part.ts';
import type { SearchAsked } from './asked.ts';
import type { Candidate } from './candidate.ts';
import { askedOf } from './coarse.ts';
import { Front } from './front.ts';
import { gridOf, type Geared } from './grid.ts';
import { Drawn, MotorSearch } from './motor-search.ts';
import { NONE, told, type Counts, type Reason, type Tally } from './tally.ts';

/** A refused one, for the picture. */
export interface Miss extends Candidate {
  readonly reason: Reason;
}

export interface SearchProgress {
  readonly counts: Counts;
  readonly of: number;
  /** Those that stand and that nothing found so far beats: what is left of a search that is stopped. */
  readonly front: readonly Candidate[];
}

export interface SearchOutcome extends SearchProgress {
  /** All that stand, coarse: law of use, fit, currents and heat are judged whole afterwards. */
  readonly standing: readonly Candidate[];
  readonly misses: readonly Miss[];
}

/**
 * Goes through the shelf for a brief and a donor: every combination of the free parts, bounds first, then the coarse physics. Exact:
 * what it leaves is what would be left by assembling every one.
 * @param share which of the grid's motors, for a worker of several; all without it
 */
export function* searchShelf(
  build: BuildDocument,
  parts: readonly Part[],
  book: RuleBook,
  asked: SearchAsked,
  share: { readonly of: number; readonly nth: number } = { of: 1, nth: 0 },
): Generator<SearchProgress, SearchOutcome> {
  const grid = gridOf(build, parts, book, asked);
  const wants = askedOf(asked.held, knownBuild(build));
  const tally: Tally = { ...NONE, refused: { ...NONE.refused } };
  const drawn = new Drawn();
  const standing: Candidate[] = [];
  const front = new Front<Candidate>(asked.goals);
  const searches = new Map<number, MotorSearch>();
  const geared = new Map<Geared, Machine>();
  const mine = grid.motors.map((_, i) => i).filter((i) => i % share.of === share.nth);
  const of = mine.reduce((sum, i) => sum + (grid.motors[i]?.geared.length ?? 0) * grid.pairs.length, 0);
  for (const index of mine) {
    const search = new MotorSearch(grid, wants, index, tally, drawn, geared);
    searches.set(index, search);
    search.refuseAlike();
    for (let at = 0; at < search.count; at += 1) {
      for (const one of search.look(at)) {
        standing.push(one);
        front.add(one);
      }
      yield { counts: told(tally), of, front: front.all };
    }
  }
  const misses: Miss[] = [];
  for (const { reason, place, price } of drawn.all()) {
    const figures = searches.get(place.motor)?.figures(place, price);
    if (figures !== undefined && price < Infinity) misses.push({ ...figures, reason });
  }
  return { counts: told(tally), of, standing, front: front.all, misses };
}
