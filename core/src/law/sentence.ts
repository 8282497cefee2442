import { formatNumber, unitText } from '../quantity/format.ts';

import type { Unit } from '../quantity/units.ts';
import type { ClauseVerdict } from './judge-clause.ts';
import type { PlaceVerdict } from './judge.ts';
import { onlyTheText } from './only-text.ts';
import { isPastLimit } from './profile.ts';

/** What a place's verdict says in three short sentences: what it is, what decides, and what to do. */
export interface Said {
  readonly what: string;
  readonly decides: string;
  readonly todo: string;
}

/** Decimals that a value needs beside its limit: the fewest that show on which side of it it lies, four at most. */
export function tellingDigits(value: number, limit: number, fewest: number): number {
  for (let digits = fewest; digits < 4; digits += 1)
    if (value === limit || formatNumber(value, digits) !== formatNumber(limit, digits)) return digits;
  return 4;
}

const FEWEST: Partial<Record<Unit, number>> = { 'km/h': 1, mph: 1, kg: 1, lb: 1, in: 1 };

const lower = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);
const upper = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** An upper limit allows, a lower one asks. */
const ASKS = { '<': 'allowed', '<=': 'allowed', '>': 'asked', '>=': 'asked' } as const;
const OP = { '<': 'less than', '<=': 'at most', '>': 'more than', '>=': 'at least' } as const;

/** "rated power 500 W, where at most 250 W is allowed"; what no number says is named as not met, or as it stands. */
function against({ clause, value, profile, state, why }: ClauseVerdict): string {
  const where = profile === '' ? '' : ` in “${profile}”`;
  const title = lower(clause.title);
  // What is not known has no number yet.
  if (state === 'unknown') return `${title}${where}`;
  if (clause.kind !== 'number' || value === undefined) {
    if (state !== 'fail') return `${title}${where}`;
    return `“${title}” is not met${where}${why === undefined ? '' : `, ${why}`}`;
  }
  const unit = unitText(clause.unit);
  const fewest = FEWEST[clause.unit] ?? 0;
  const limit = String(clause.limit);
  const here = formatNumber(value, tellingDigits(value, clause.limit, fewest));
  return `${title} ${here} ${unit}${where}, where ${OP[clause.op]} ${limit} ${unit} is ${ASKS[clause.op]}`;
}

/** So many are named in a sentence. */
const NAMED = 2;
function listed(words: readonly string[]): string {
  const each = [...new Set(words)];
  const more = each.length - NAMED;
  return more > 0 ? `${each.slice(0, NAMED).join('; ')}; and ${String(more)} more` : each.join('; ');
}

/** What is open with why: the reason once where it is that of all which are named, else with each. */
function withReasons(clauses: readonly ClauseVerdict[], otherwise: string): string {
  const all = clauses.map((c) => ({ is: against(c), why: c.why ?? otherwise }));
  const each = all.filter(({ is }, i) => all.findIndex((one) => one.is === is) === i);
  const [first, ...others] = each.slice(0, NAMED);
  return others.every(({ why }) => why === first?.why)
    ? `${upper(listed(each.map(({ is }) => is)))}: ${first?.why ?? otherwise}.`
    : `${upper(listed(each.map(({ is, why }) => `${is} (${why})`)))}.`;
}

function open({ unsettled }: PlaceVerdict): readonly ClauseVerdict[] {
  return unsettled.filter((c) => c.state === 'unknown');
}

/** Whether it is within the class that it comes to is not known either. */
export const mayLeave = ({ tests, about }: PlaceVerdict): boolean =>
  tests.some(({ test, resulting }) => test.about === about && resulting?.outcome === 'cannot-tell');

/** What it is: its class, or that it cannot be told. */
function what(place: PlaceVerdict): string {
  const { className, outcome } = place;
  const here = place.place.shortName;
  switch (outcome) {
    case 'inside':
      return `${className} in ${here}.`;
    case 'check':
      return onlyTheText(place)
        ? `${className} in ${here}, by a text that may have changed.`
        : `${className} in ${here}, with something to check.`;
    case 'cannot-tell':
      return `Cannot tell yet what it is in ${here}.`;
    case 'other-class':
      return `${mayLeave(place) ? 'At best ' : ''}${className} in ${here}: it needs an authority’s approval before it is ridden on a road.`;
    case 'outside':
      return `${className} in ${here}.`;
  }
}

function decides(place: PlaceVerdict): string {
  const { failing, unsettled } = place;
  if (place.tests.length === 0) return 'This rule book has no rules for the place.';
  if (failing.length > 0) return `${upper(listed(failing.map(against)))}.`;
  if (place.place.ask) return 'Too little is known of this place’s rules.';
  const waits = open(place);
  if (waits.length > 0) return withReasons(waits, 'not known');
  if (unsettled.length > 0) return withReasons(unsettled, 'check it');
  return place.outcome === 'outside'
    ? 'The numbers may be met, but no machine that is built by oneself is let in.'
    : 'Every clause that is remembered is met.';
}

function todo(place: PlaceVerdict): string {
  const { failing, unsettled, outcome } = place;
  if (place.tests.length === 0 || place.place.ask || (outcome === 'outside' && failing.length === 0))
    return 'Ask the authority.';
  if (failing.length > 0) return '“Make it fit” shows what would bring it in, and what no setting mends.';
  const waits = open(place);
  const unlooked = waits.find((c) => !c.sure);
  if (unlooked !== undefined)
    return isPastLimit(unlooked.profile)
      ? 'Try with the wheel off the ground whether the throttle drives past the limit, and say so below.'
      : 'Look whether a wire, a jumper or a menu lifts the limit, and say so.';
  if (waits.length > 0) return 'Measure or look up what is marked below, and enter it.';
  if (unsettled.some((c) => c.clause.kind === 'answer' && c.clause.fact === 'classLabel'))
    return 'Put the label on: the class sheet prints it.';
  if (unsettled.length > 0) return 'Confirm it at the machine, or in the text.';
  if (onlyTheText(place)) return 'Read the text as it stands today, then see to the duties.';
  return 'See to the duties, and keep the class sheet.';
}

/** What the product says of a build in a place, for the first line of every page that shows it. */
export const saidOf = (place: PlaceVerdict): Said => ({
  what: what(place),
  decides: decides(place),
  todo: todo(place),
});
