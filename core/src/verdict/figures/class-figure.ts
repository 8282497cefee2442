import { counted } from '../../quantity/format.ts';
import { decidingCategory, type PlaceOutcome, type PlaceVerdict } from '../../law/judge.ts';
import type { ClauseVerdict } from '../../law/judge-clause.ts';
import { mayLeave } from '../../law/sentence.ts';
import type { Phrase } from '../../quantity/phrase.ts';
import type { State } from '../../check/state.ts';
import { stepRow, type Figure, type WorkingRow } from '../figure.ts';
import type { Judged } from '../judged.ts';

const STATE: Readonly<Record<PlaceOutcome, State>> = {
  inside: 'fine',
  check: 'look',
  'cannot-tell': 'unknown',
  'other-class': 'stop',
  outside: 'stop',
};

/** The state of a place's verdict. */
export const placeState = (outcome: PlaceOutcome): State => STATE[outcome];

/** How many clauses are to be checked, or that it is the text itself. */
const toCheck = ({ unsettled }: Pick<PlaceVerdict, 'unsettled'>): string =>
  String(unsettled.length || 'text');

/** A few words under the class: what decides, and where. */
function condition({ here }: Judged): Phrase {
  const place = here.place.name;
  switch (here.outcome) {
    case 'inside':
      return [`inside, ${place}`];
    case 'check':
      return [`${toCheck(here)} to check, ${here.place.shortName}`];
    case 'cannot-tell':
      if (here.place.ask) return [`ask the authority, ${here.place.shortName}`];
      return [here.unsettled.find((c) => c.state === 'unknown')?.clause.title ?? 'a value is missing'];
    case 'other-class':
      return [`approval ${mayLeave(here) ? 'at best' : 'needed'}, ${here.place.shortName}`];
    case 'outside':
      return here.failing.length === 0
        ? [`closed to conversions, ${here.place.shortName}`]
        : [`${counted(here.failing.length, 'clause')} broken, ${here.place.shortName}`];
  }
}

const clauseRow = (c: ClauseVerdict): WorkingRow => ({
  ...stepRow(
    '',
    `${c.clause.title}: ${c.state}`,
    c.value ?? (c.fact?.kind === 'answer' ? c.fact.answer : 'unknown'),
    c.clause.kind === 'number' ? c.clause.unit : '1',
  ),
  origin: `${c.clause.source}; certainty ${c.clause.certainty}${c.why === undefined ? '' : `; ${c.why}`}`,
});

/** The class that a place finds, in a word or two; that it cannot be told, where it cannot. */
export const classWords = ({ outcome, className }: Pick<PlaceVerdict, 'outcome' | 'className'>): string =>
  outcome === 'cannot-tell' ? 'Cannot tell' : className;

/** The legal class where the brief says the machine is ridden. */
export function classFigure(study: Judged): Figure {
  const { here } = study;
  return {
    id: 'class',
    label: 'Class',
    state: placeState(here.outcome),
    value: undefined,
    upTo: undefined,
    unit: '1',
    words: classWords(here),
    condition: condition(study),
    get working() {
      return {
        formulas: [
          'Each clause holds one value of the build against one limit of the instrument.',
          'The class is the first whose clauses are not broken.',
        ],
        inputs: [],
        // The class that tray and list count by, of the place's own question.
        steps: here.tests
          .filter(({ test }) => test.about === here.about)
          .flatMap((t) => decidingCategory(t)?.clauses.map(clauseRow) ?? []),
        sources: here.tests.flatMap((t) =>
          t.categories.map((c) => `${c.category.name}: ${c.category.instrument} (${c.category.year})`),
        ),
        leftOut: [
          `Planning aid, not legal advice. ${here.place.provenance} Read ${String(here.place.readYear)}.`,
        ],
      };
    },
  };
}
