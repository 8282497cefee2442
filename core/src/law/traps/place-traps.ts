import type { PlaceVerdict } from '../judge.ts';
import type { State } from '../../check/state.ts';
import { firstOf } from '../../quantity/first-of.ts';
import type { ClauseState, ClauseVerdict } from '../judge-clause.ts';
import { qty } from '../../quantity/phrase.ts';
import { limitsOn, type Scene, type Trap } from './trap.ts';

const clausesOf = (place: PlaceVerdict): readonly ClauseVerdict[] =>
  place.tests.flatMap((t) => t.categories.flatMap((c) => c.clauses));

const MASS_STATE: Readonly<Record<ClauseState, State>> = {
  pass: 'fine',
  check: 'look',
  unknown: 'look',
  fail: 'stop',
};

function weight({ facts, place, known }: Scene): Trap {
  const limit = limitsOn(place, 'massKg')[0];
  const added = (facts.massKg?.high ?? 0) - known.donor.massKg.value;
  return {
    code: 'mass',
    state: limit === undefined ? 'fine' : MASS_STATE[limit.state],
    title: 'What the conversion weighs counts',
    detail: [
      'Motor, pack and fittings add ',
      qty(added, 'kg', 1),
      ' to the donor. ',
      limit === undefined ? 'No mass limit is remembered here.' : 'There is a mass limit here.',
    ],
  };
}

const isStrict = ({ clause }: ClauseVerdict): boolean =>
  clause.kind === 'number' && (clause.op === '<' || clause.op === '>');

function edge({ place }: Scene): Trap {
  const clauses = clausesOf(place);
  const edges = clauses.filter(
    ({ clause, margin, state }) => clause.kind === 'number' && margin === 0 && state !== 'pass',
  );
  const at = edges.find(isStrict) ?? edges[0];
  return {
    code: 'strict',
    state: at !== undefined ? 'look' : 'fine',
    title: 'Less than, or at most',
    detail: [
      firstOf(
        [
          [
            at !== undefined && isStrict(at),
            `“${at?.clause.title ?? ''}” is met exactly at its limit, and it says less than.`,
          ],
          [
            at !== undefined,
            `“${at?.clause.title ?? ''}” stands exactly at its limit, which it allows; what is not known may carry it past.`,
          ],
          [clauses.some(isStrict), 'Some limits here say “less than”: they fail at equality.'],
        ],
        'The limits here say “at most”: equality passes.',
      ),
    ],
  };
}

/** Where the machine is within some places and outside others: said, as a machine is not legal "in general". */
function elsewhere({ place, places }: Scene): Trap {
  const out = places.filter((p) => p.outcome === 'outside').length;
  return {
    code: 'elsewhere',
    state: 'look',
    title: 'Every place is its own',
    detail: [
      `${place.place.name} alone counts where it is ridden. Of ${String(places.length)} places in the book this build is outside in ${String(out)}. Federal law in the United States says what may be sold as a bicycle, not where it may be ridden; trails, parks and paths have rules of their own everywhere.`,
    ],
  };
}

/** What holds of every conversion, whatever its numbers. */
export const ALWAYS: readonly Trap[] = [
  {
    code: 'kit',
    state: 'look',
    title: 'A kit is not an approval',
    detail: [
      'A mark on a kit or motor does not cover the finished machine: who puts it together is its maker in law, in the EU also for own use (Directive 2006/42/EC).',
    ],
  },
  {
    code: 'status',
    state: 'look',
    title: 'Losing the status of a bicycle loses the rest',
    detail: [
      'Cycle paths, household and liability cover and age limits go with it, and riding it is then driving without licence and insurance. A conversion can also end the donor’s warranty: ask the maker and the insurer.',
    ],
  },
];

/** Mistakes about the place's texts. */
export const PLACE_TRAPS = [weight, edge, elsewhere] as const;
