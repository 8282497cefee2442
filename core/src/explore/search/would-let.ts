import type { BuildDocument } from '../../document/document.ts';
import type { RuleBook } from '../../law/rule-schema.ts';
import type { Part } from '../../parts/part.ts';
import type { Held, SearchAsked } from './asked.ts';
import type { Candidate } from './candidate.ts';
import { searchShelf } from './search.ts';

/** Constraints that may be let go one at a time. */
const LET_GO = ['lawful', 'price', 'massKg', 'hillKmh', 'rangeKm'] as const;
export type LetGo = (typeof LET_GO)[number];

/** What one constraint alone keeps out, before law of use, fit, currents and heat are judged whole. */
export interface WouldLet {
  readonly what: LetGo;
  /** How many more would stand without it. */
  readonly more: number;
  /** A small change of it, and how many that lets in: so much more money or mass, so much less speed or way; undefined for the law. */
  readonly by: number | undefined;
  readonly first: number;
}

/** So many are a choice. */
const SOME = 9;
/** A change is told to this step: money, kg, km/h, km. */
const STEPS: Readonly<Record<Exclude<LetGo, 'lawful'>, number>> = {
  price: 10,
  massKg: 0.5,
  hillKmh: 0.1,
  rangeKm: 1,
};

/** By how much one is off, above 0. */
function off(what: Exclude<LetGo, 'lawful'>, one: Candidate, limit: number): number {
  switch (what) {
    case 'price':
      return one.price - limit;
    case 'massKg':
      return one.massKg - limit;
    case 'hillKmh':
      return limit - (one.hillKmh ?? 0);
    case 'rangeKm':
      return limit - one.rangeKm;
  }
}

const without = (held: Held, what: LetGo): Held => ({ ...held, [what]: what === 'lawful' ? false : null });

/** Each constraint let go by itself, and what that would let stand. */
export function* wouldLet(
  build: BuildDocument,
  parts: readonly Part[],
  book: RuleBook,
  asked: SearchAsked,
): Generator<number, readonly WouldLet[]> {
  const at = ({ motor, geared, pair }: Candidate): string =>
    `${String(motor)} ${String(geared)} ${String(pair)}`;
  const search = function* (
    held: Held,
    goals: SearchAsked['goals'],
  ): Generator<number, readonly Candidate[]> {
    const work = searchShelf(build, parts, book, { ...asked, held, goals });
    for (;;) {
      const step = work.next();
      if (step.done === true) return step.value.standing;
      yield step.value.counts.looked;
    }
  };
  const stand = new Set((yield* search(asked.held, asked.goals)).map(at));
  const found: WouldLet[] = [];
  for (const what of LET_GO) {
    const limit = asked.held[what];
    if (limit === null || limit === false) continue;
    // How far a range falls short has to be worked out where it is no goal.
    const goals = what === 'rangeKm' ? (['price', 'range'] as const) : asked.goals;
    const more = (yield* search(without(asked.held, what), goals)).filter((one) => !stand.has(at(one)));
    if (what === 'lawful' || typeof limit === 'boolean') {
      found.push({ what, more: more.length, by: undefined, first: more.length });
      continue;
    }
    const offs = more.map((one) => off(what, one, limit)).sort((a, b) => a - b);
    const nth = offs[Math.min(SOME, offs.length) - 1];
    const by = nth === undefined ? undefined : Math.ceil(Math.max(0, nth) / STEPS[what] + 1e-9) * STEPS[what];
    found.push({ what, more: more.length, by, first: offs.filter((o) => o <= (by ?? 0)).length });
  }
  return found.filter((f) => f.more > 0).sort((a, b) => b.more - a.more);
}
