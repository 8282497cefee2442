import { isWorse, worstState, type State } from '../../check/state.ts';
import type { BuildDocument } from '../../document/document.ts';
import type { Limit } from '../../machine/limits.ts';
import type { RuleBook } from '../../law/rule-schema.ts';
import type { Part } from '../../parts/part.ts';
import type { Phrase } from '../../quantity/phrase.ts';
import { priceIn } from '../../parts/price-in.ts';
import { study, type Study } from '../../verdict/study.ts';
import { compare, speedGained, type Headlines } from '../compare.ts';
import { offerOf } from '../offer.ts';
import { allIn, boughtAnew, listed, type AllIn, type Bought, type Listed } from './all-in.ts';
import { opensBy } from './opens.ts';
import { mended } from './mend.ts';
import { isOwn, ownStep } from './own-step.ts';
import { setSteps } from './set-steps.ts';
import { shelfSteps } from './shelf-steps.ts';
import { WORK, type ChangeStep, type Difficulty, type StepKind } from './step.ts';

/** What somebody wants more of. */
export const AIMS = ['hill', 'top', 'range', 'cool'] as const;
export type Aim = (typeof AIMS)[number];

/** The headlines of a build that a change is told by; undefined where there is no such number. */
export interface Standing extends Pick<
  Headlines,
  'topKmh' | 'hillKmh' | 'startPct' | 'massKg' | 'plannedKm'
> {
  /** Winding at the top of the test hill, C. */
  readonly hottestC: number | undefined;
  readonly heatState: State;
  readonly className: string;
  readonly classState: State;
  readonly weakest: string;
  /** Share of what is asked that the weakest link has in hand; undefined where none is known. */
  readonly weakestMargin: number | undefined;
  readonly weakestState: State;
  /** Titles of checks of fit and power that stop it. */
  readonly stops: readonly string[];
}

/** What becomes of the build, and against what it was before. */
export interface Changed {
  readonly build: BuildDocument;
  readonly is: Standing;
  /** Below 0 it loses; undefined where one of the two has no number. */
  readonly gains: Readonly<Record<Aim, number | undefined>> & {
    readonly startPct: number;
    readonly massKg: number;
    /** Of the near and of the far end of the range, km. */
    readonly rangeLow: number | undefined;
    readonly rangeHigh: number | undefined;
  };
  readonly allIn: AllIn;
  /** What must change with it, in a few words each. */
  readonly also: readonly string[];
  /** What nothing on the shelf mends. */
  readonly left: readonly string[];
  readonly hours: number;
  readonly difficulty: Difficulty;
  /** The place lets it in less well than before, or it is another class. */
  readonly classRisk: 'stays' | 'changes' | 'worse';
  /** Checks that stop it and did not before. */
  readonly newStops: readonly string[];
  /** Checks and links that nobody can answer afterwards, and that did not wait for anything before or are asked more. */
  readonly opens: readonly string[];
}

/** One step with what it gains by itself. */
export interface StepGain extends Changed {
  readonly id: string;
  readonly kind: StepKind;
  readonly what: Phrase;
  readonly against: Phrase;
  readonly note: string;
  readonly setting: boolean;
  readonly part: string;
}

/**
 * Every step there is for a build, in the order of the kinds.
 * @param own ids of steps that somebody has thought of
 */
export const stepsFor = (
  build: BuildDocument,
  parts: readonly Part[],
  own: readonly string[] = [],
): readonly ChangeStep[] => [
  ...setSteps(build, parts),
  ...shelfSteps(build, parts),
  ...own.flatMap((id) => ownStep(build, id) ?? []),
];

/** How a build stands in the figures that a change is told by. */
export function standing(s: Study, book: RuleBook): Standing {
  const { topKmh, hillKmh, startPct, massKg, plannedKm, hottestC, heatState, className, classState, stops } =
    offerOf(s, book);
  const { weakest, unknown } = s.chain;
  return {
    topKmh,
    hillKmh,
    startPct,
    massKg,
    plannedKm,
    hottestC,
    heatState,
    className,
    classState,
    weakest: weakest?.name ?? 'not known',
    weakestMargin: weakest?.margin,
    weakestState:
      weakest === undefined ? 'unknown' : worstState([weakest.state, ...unknown.map((l) => l.state)]),
    stops: [...stops, ...s.powerChecks.filter((c) => c.state === 'stop')].map((c) => c.title),
  };
}

/** What a step costs beside what is on the list. */
const withMoney = (sum: AllIn, money: number): AllIn => ({ ...sum, cost: sum.cost + money });

const over = (after: number | undefined, before: number | undefined): number | undefined =>
  after === undefined || before === undefined ? undefined : after - before;

const HARD: readonly Difficulty[] = ['low', 'middle', 'high'];

function riskOf(was: Standing, is: Standing): Changed['classRisk'] {
  if (isWorse(is.classState, was.classState)) return 'worse';
  return is.className === was.className ? 'stays' : 'changes';
}

const middle = (km: Standing['plannedKm']): number | undefined =>
  km === undefined ? undefined : (km.low + km.high) / 2;

/** The build as it is, made ready to be compared with. */
export interface Before {
  readonly build: BuildDocument;
  readonly study: Study;
  readonly is: Standing;
  readonly listed: Listed;
  readonly parts: readonly Part[];
  readonly book: RuleBook;
}

export function before(build: BuildDocument, parts: readonly Part[], book: RuleBook): Before {
  const s = study(build);
  return { build, study: s, is: standing(s, book), listed: listed(build, book, parts), parts, book };
}

/** Some steps together, made as one build with what must change with them: reckoned anew, never added up. */
export function changedBy(now: Before, steps: readonly ChangeStep[]): Changed {
  const { parts, book } = now;
  const drafted = steps.reduce((b, step) => step.change(b), now.build);
  const mending = mended(drafted, now.study, parts);
  const bought: readonly Bought[] = [
    ...steps.flatMap(({ part, pieces }) => (part === undefined ? [] : [{ part, pieces }])),
    ...mending.parts.map((part) => ({ part, pieces: 1 })),
  ];
  const { build, after } = boughtAnew(now.build, now.listed, mending.build, bought, (b) =>
    listed(b, book, parts),
  );
  const { study: s } = compare(build, now.study);
  const is = standing(s, book);
  const was = now.is;
  const works = steps.map((step) => WORK[step.setting ? 'setting' : step.kind]);
  const habits = steps.every((s_) => s_.kind === 'cruise' || s_.kind === 'load');
  return {
    build,
    is,
    gains: {
      hill: speedGained(is.hillKmh, was.hillKmh),
      top: speedGained(is.topKmh, was.topKmh),
      range: over(middle(is.plannedKm), middle(was.plannedKm)),
      cool: over(was.hottestC, is.hottestC),
      startPct: is.startPct - was.startPct,
      massKg: is.massKg - was.massKg,
      rangeLow: over(is.plannedKm?.low, was.plannedKm?.low),
      rangeHigh: over(is.plannedKm?.high, was.plannedKm?.high),
    },
    allIn: withMoney(
      allIn(now.listed, after, bought, (part) => priceIn(build, part)),
      steps.reduce((sum, step) => sum + step.money, 0),
    ),
    also: mending.also,
    left: mending.left,
    hours: habits ? 0 : works.reduce((sum, w) => sum + w.hours, 0),
    difficulty: HARD[Math.max(0, ...works.map((w) => HARD.indexOf(w.difficulty)))] ?? 'low',
    classRisk: riskOf(was, is),
    newStops: is.stops.filter((title) => !was.stops.includes(title)),
    opens: opensBy(now.study, s),
  };
}

/** How far the steps have come. */
export interface GainsProgress {
  readonly done: number;
  readonly of: number;
}

/** Every step of the shelf by itself. */
export interface StepGains {
  readonly now: Standing;
  /** What holds it up: on the test hill, and at its top speed on the level. */
  readonly holds: { readonly hill: Limit; readonly top: Limit };
  readonly steps: readonly StepGain[];
}

/** Every single step of the shelf and of the settings, each worked out whole. */
export function* changeGains(
  build: BuildDocument,
  parts: readonly Part[],
  book: RuleBook,
  own: readonly string[] = [],
): Generator<GainsProgress, StepGains> {
  const now = before(build, parts, book);
  const steps = stepsFor(build, parts, own);
  const gains: StepGain[] = [];
  for (const step of steps) {
    gains.push(gainOf(now, step));
    yield { done: gains.length, of: steps.length };
  }
  const { climb, top } = now.study;
  return { now: now.is, holds: { hill: climb.limit, top: top.traction.limit }, steps: gains };
}

function gainOf(now: Before, step: ChangeStep): StepGain {
  const { id, kind, what, against, note, setting, part } = step;
  return { ...changedBy(now, [step]), id, kind, what, against, note, setting, part: part?.name ?? '' };
}

/** Chosen steps as one build; steps that the shelf has no more are left out. */
export function together(
  build: BuildDocument,
  parts: readonly Part[],
  book: RuleBook,
  ids: readonly string[],
): Changed {
  const now = before(build, parts, book);
  return changedBy(now, chosen(build, parts, ids));
}

/** Steps by their ids, the last of each kind. */
function chosen(build: BuildDocument, parts: readonly Part[], ids: readonly string[]): readonly ChangeStep[] {
  const byKind = new Map<string, ChangeStep>();
  for (const step of stepsFor(build, parts, ids.filter(isOwn)))
    if (ids.includes(step.id)) byKind.set(step.kind === 'own' ? step.id : step.kind, step);
  return [...byKind.values()];
}

/** It gains for an aim, by more than is no gain. */
export const gainsAt = ({ gains }: Pick<Changed, 'gains'>, aim: Aim): boolean =>
  (gains[aim] ?? 0) > LEAST_GAIN[aim];

/**
 * What a step gains for each unit of money for an aim: Infinity where it gains and costs nothing; undefined where it does not gain, and
 * where the price of all that it costs is not known. At most that, where something of it has no known price.
 */
export function gainPerMoney(step: Pick<Changed, 'gains' | 'allIn'>, aim: Aim): number | undefined {
  const { cost, noIdea } = step.allIn;
  if (!gainsAt(step, aim)) return undefined;
  if (cost > 0) return (step.gains[aim] ?? 0) / cost;
  return noIdea.length === 0 ? Infinity : undefined;
}

/** What is less than this is no gain: km/h, km/h, km, K. */
const LEAST_GAIN: Readonly<Record<Aim, number>> = { hill: 0.05, top: 0.05, range: 0.25, cool: 0.5 };
