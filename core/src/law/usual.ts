import type { BuildDocument } from '../document/document.ts';
import { convert, type Unit } from '../quantity/units.ts';
import type { UnitSystem } from '../quantity/unit-system.ts';
import { testsOf } from './judge.ts';
import type { Category, Clause, PlaceRules, RuleBook } from './rule-schema.ts';

/** What is usual where a machine is ridden. None of it is law by itself: it is what a plan begins with. */
export interface Usual {
  /** ISO 4217. */
  readonly currency: string;
  readonly units: UnitSystem;
  readonly traffic: 'left' | 'right';
  /** The class that most machines there are built for: the first that needs no approval. */
  readonly className: string | undefined;
  /** Where its help ends, a tenth of a km/h inside its limit; undefined where it names no speed. */
  readonly cutoffKmh: number | undefined;
  /** The most that its motor may be rated at, W, and whether that is itself too much; undefined where it names none. */
  readonly ratedW: number | undefined;
  readonly ratedBelow: boolean;
}

/** Money and the side of the road by the beginning of a place's id, which is its country's (ISO 3166-1). From memory. */
const COUNTRIES: Readonly<Record<string, readonly [currency: string, traffic: Usual['traffic']]>> = {
  at: ['EUR', 'right'],
  au: ['AUD', 'left'],
  be: ['EUR', 'right'],
  br: ['BRL', 'right'],
  ca: ['CAD', 'right'],
  ch: ['CHF', 'right'],
  cn: ['CNY', 'right'],
  de: ['EUR', 'right'],
  dk: ['DKK', 'right'],
  eu: ['EUR', 'right'],
  fi: ['EUR', 'right'],
  fr: ['EUR', 'right'],
  gb: ['GBP', 'left'],
  il: ['ILS', 'right'],
  in: ['INR', 'left'],
  it: ['EUR', 'right'],
  jp: ['JPY', 'left'],
  kr: ['KRW', 'right'],
  nl: ['EUR', 'right'],
  no: ['NOK', 'right'],
  nz: ['NZD', 'left'],
  pl: ['PLN', 'right'],
  se: ['SEK', 'right'],
  sg: ['SGD', 'left'],
  us: ['USD', 'right'],
};

type NumberClause = Extract<Clause, { kind: 'number' }>;

const numberOf = ({ clauses }: Category, facts: readonly NumberClause['fact'][]): NumberClause | undefined =>
  clauses.find(
    (c): c is NumberClause => c.kind === 'number' && facts.includes(c.fact) && c.op.startsWith('<'),
  );

/** The largest tenth of a km/h inside an upper limit. */
function inside({ limit, unit, op }: NumberClause): number {
  const kmh = convert(limit, unit satisfies Unit, 'km/h');
  const tenth = Math.floor(10 * kmh + 1e-6) / 10;
  return op === '<' && tenth >= kmh - 1e-6 ? tenth - 0.1 : tenth;
}

/** What is usual in a place, by its country and by the first class of its rules that needs no approval. */
export function usualOf(place: PlaceRules, book: RuleBook): Usual {
  const tests = testsOf(place, book);
  const riding = tests.filter((t) => t.about === 'riding');
  const asked = riding.length > 0 ? riding : tests;
  const test = asked.find((t) => t.id === place.primaryTest) ?? asked[0];
  const category = test?.categories.find((c) => c.approval === 'none' && c.status === 'current');
  const speed =
    category &&
    (numberOf(category, ['assistEndKmh']) ?? numberOf(category, ['motorAloneKmh', 'throttleAloneKmh']));
  const rated = category && numberOf(category, ['ratedPowerW']);
  const country = place.id.split('-')[0] ?? '';
  const [currency, traffic] = COUNTRIES[country] ?? ['EUR', 'right'];
  return {
    currency,
    traffic,
    units: country === 'us' ? 'imperial' : 'metric',
    className: category?.shortName,
    cutoffKmh: speed === undefined ? undefined : inside(speed),
    ratedW: rated === undefined ? undefined : convert(rated.limit, rated.unit, 'W'),
    ratedBelow: rated?.op === '<',
  };
}

/** True where a motor of this rating is let in by what is usual; a place that names no rating lets in any. */
export const letsIn = ({ ratedW, ratedBelow }: Usual, watts: number): boolean =>
  ratedW === undefined || (ratedBelow ? watts < ratedW : watts <= ratedW);

/**
 * A build ridden elsewhere, with what is usual there. Only what nobody has read or priced moves: a limit from a label or a
 * measurement is the machine's own, and prices stay in the money they were paid in.
 */
export function withPlace(build: BuildDocument, place: string, usual: Usual): BuildDocument {
  const { brief, money, controller, purchase } = build;
  const unpriced =
    money.budget === null &&
    purchase.rest === null &&
    [...Object.values(purchase.lines), ...purchase.added].every((line) => line.price === null);
  const open =
    controller.assistCutoffKmh.source === 'unknown' || controller.assistCutoffKmh.source === 'assumed';
  const sets = controller.limitsSpeed && open && usual.cutoffKmh !== undefined;
  return {
    ...build,
    brief: { ...brief, place },
    money: unpriced ? { ...money, currency: usual.currency } : money,
    controller: sets
      ? { ...controller, assistCutoffKmh: { source: 'assumed', value: usual.cutoffKmh } }
      : controller,
  };
}
