import { convert } from '../quantity/units.ts';
import type { LawFacts } from './facts.ts';
import type { PlaceVerdict } from './judge.ts';
import type { Category } from './rule-schema.ts';

/** What a label's lines may name in braces. */
interface LabelWords {
  /** Short name of the class. */
  readonly class: string;
  /** Rated power. */
  readonly ratedW: string;
  readonly ratedKw: string;
  /** Speed at which help ends. */
  readonly topKmh: string;
  readonly topMph: string;
  /** Nominal volts. */
  readonly volts: string;
  /** Permissible total mass. */
  readonly totalKg: string;
}

const BLANK = '______';

/** To the nearest whole watt, volt or kilogram. */
const whole = (value: number | undefined): string =>
  value === undefined ? BLANK : String(Math.round(value));
const tenth = (value: number | undefined): string =>
  value === undefined ? BLANK : String(Math.round(value * 10) / 10);

/**
 * The lines of the label that a category asks for, filled in from the build; what is not known is a blank to be
 * written in. Undefined where the category asks for none that is remembered.
 * @param permittedKg permissible total mass as entered; undefined where unknown
 */
export function labelLines(
  category: Category,
  facts: LawFacts,
  permittedKg: number | undefined,
): readonly string[] | undefined {
  const end = facts.assistEndKmh?.high;
  const rated = facts.ratedPowerW?.high;
  const words: LabelWords = {
    class: category.shortName.toUpperCase(),
    ratedW: whole(rated),
    ratedKw: rated === undefined ? BLANK : (rated / 1000).toFixed(2),
    topKmh: tenth(end),
    topMph: tenth(end === undefined ? undefined : convert(end, 'km/h', 'mph')),
    volts: whole(facts.nominalV?.high),
    totalKg: whole(permittedKg),
  };
  return category.label?.lines.map((line) =>
    line.replaceAll(/\{(\w+)\}/g, (all, name: string) =>
      name in words ? words[name as keyof LabelWords] : all,
    ),
  );
}

/**
 * The category whose label the machine may bear: the first of the place's main question, open to it without approval
 * and asking for a label, in which nothing is broken but that the label is not on it yet. Undefined where it is in no
 * such class: a label must not state a class that the machine is not in.
 */
export function labelledCategory(place: PlaceVerdict): Category | undefined {
  const test = place.tests.find((t) => t.test.id === place.place.primaryTest) ?? place.tests[0];
  const fits = test?.categories.find(({ category, clauses }) => {
    const broken = clauses.filter((c) => c.state === 'fail');
    return (
      category.approval === 'none' &&
      broken.every(({ clause }) => clause.kind === 'answer' && clause.fact === 'classLabel')
    );
  });
  return fits?.category.label === undefined ? undefined : fits.category;
}
