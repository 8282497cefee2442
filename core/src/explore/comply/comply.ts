import type { BuildDocument } from '../../document/document.ts';
import { lawFacts, type ProfileFacts } from '../../law/facts.ts';
import { judgeCategory, judgePlace, type CategoryVerdict, type PlaceVerdict } from '../../law/judge.ts';
import { judgeClause, type ClauseVerdict } from '../../law/judge-clause.ts';
import type { Category, LawTest, RuleBook } from '../../law/rule-schema.ts';
import { wayOf } from '../../ride/corners.ts';
import type { Phrase } from '../../quantity/phrase.ts';
import { changesFor } from './changes-for.ts';
import { EFFORT, type ComplyChange } from './change.ts';
import { inSteps } from './one-step.ts';
import { reason } from './reason.ts';
import { study } from '../../verdict/study.ts';
import { compare, type Gains } from '../compare.ts';

export interface ComplyStep {
  readonly id: string;
  readonly what: Phrase;
  readonly effort: ComplyChange['effort'];
  /** Titles of the clauses that it brings in. */
  readonly clears: readonly string[];
  /** Which questions it serves: to ride it, to sell it as what it is. */
  readonly serves: readonly LawTest['about'][];
  /** The build with this change alone. */
  readonly build: BuildDocument;
  readonly cost: Gains;
}

export interface ComplyPlan {
  readonly category: Category;
  /** What is needed together, the smallest effort first; empty where nothing is broken, or nothing helps. */
  readonly steps: readonly ComplyStep[];
  /** Other ways for one of them. */
  readonly others: readonly ComplyStep[];
  /** All steps at once, and what the wanted class then is. */
  readonly together: {
    readonly build: BuildDocument;
    readonly cost: Gains;
    readonly after: CategoryVerdict;
  };
  /** What no setting brings in, with why. */
  readonly cannot: readonly {
    readonly title: string;
    readonly why: string;
    readonly about: LawTest['about'];
  }[];
  /** What has to be looked up, measured or asked before it can be said. */
  readonly toSettle: readonly (ClauseVerdict & { readonly about: LawTest['about'] })[];
}

const waysOf = (build: BuildDocument): readonly ProfileFacts[] => lawFacts(wayOf(build));

/** Broken, or past a limit that is only doubtful: what a builder who wants the class will want to bring in. */
function over({ clause, state, margin, fact, sure }: ClauseVerdict): boolean {
  if (state === 'fail') return true;
  const answered = clause.kind === 'answer' && fact?.kind === 'answer' ? fact.answer : 'unknown';
  // A label that is not on breaks no class, and is put on all the same.
  if (state === 'check') return clause.kind === 'answer' && clause.fact === 'classLabel' && answered === 'no';
  if (state !== 'unknown' || !sure || (clause.kind === 'number' && clause.unsettled === true)) return false;
  return (margin !== undefined && margin < 0) || answered !== 'unknown';
}

/** Past a limit that is read in more than one way. */
const isDoubtful = ({ clause, margin }: ClauseVerdict): boolean =>
  clause.kind === 'number' && clause.unsettled === true && margin !== undefined && margin < 0;

/** What nobody has said yet: an unknown that decides, or whether the label is on. */
const isOpen = ({ clause, state, fact }: ClauseVerdict): boolean =>
  state === 'unknown' ||
  (clause.kind === 'answer' &&
    clause.fact === 'classLabel' &&
    fact?.kind === 'answer' &&
    fact.answer === 'unknown');

/** Categories that have to be met at once: the wanted one, and of each other test the first that is open to it. */
function targetsOf(place: PlaceVerdict, wanted: Category): readonly Target[] {
  return place.tests.flatMap(({ test }) => {
    const own = test.categories.find((c) => c.id === wanted.id);
    const category = own ?? test.categories.find((c) => c.approval === 'none') ?? test.categories[0];
    return category === undefined ? [] : [{ category, about: test.about, first: own !== undefined }];
  });
}

/** A category that has to be met, the question it answers, and whether it is the wanted one. */
interface Target {
  readonly category: Category;
  readonly about: LawTest['about'];
  readonly first: boolean;
}
type Broken = ClauseVerdict & Pick<Target, 'about'>;

const judgedIn = (targets: readonly Target[], build: BuildDocument): readonly Broken[] => {
  const ways = waysOf(build);
  return targets
    .toSorted((a, b) => Number(b.first) - Number(a.first))
    .flatMap(({ category, about }) =>
      category.clauses.map((clause) => ({ ...judgeClause(clause, ways), about })),
    );
};
const brokenIn = (targets: readonly Target[], build: BuildDocument): readonly Broken[] =>
  judgedIn(targets, build).filter(over);
const clausesOf = (targets: readonly Target[]) => targets.flatMap(({ category }) => category.clauses);

/** More rounds than there are clauses with a remedy. */
const ROUNDS = 16;

/** Takes the first remedy of each broken clause in turn, each on top of the others, until none is left. */
function search(build: BuildDocument, targets: readonly Target[]): readonly ComplyChange[] {
  const taken: ComplyChange[] = [];
  let current = build;
  for (let round = 0; round < ROUNDS; round += 1) {
    const broken = brokenIn(targets, current);
    const next = broken
      .flatMap((verdict) => changesFor(current, verdict, meets(verdict), clausesOf(targets)))
      .find((d) => !taken.some((t) => t.id === d.id && JSON.stringify(t.what) === JSON.stringify(d.what)));
    if (next === undefined) break;
    // A later limit on the same setting replaces an earlier, looser one.
    const before = taken.findIndex((t) => t.id === next.id);
    if (before >= 0) taken.splice(before, 1);
    taken.push(next);
    current = taken.reduce((b, d) => d.apply(b), build);
  }
  return taken;
}

const meets =
  ({ clause }: ClauseVerdict) =>
  (build: BuildDocument): boolean => {
    const now = judgeClause(clause, waysOf(build));
    return !over(now) && !(now.state === 'unknown' && now.sure);
  };

/** Leaves out what the others make unneeded: a smaller set that breaks no more clauses. */
function smallest(
  build: BuildDocument,
  targets: readonly Target[],
  drafts: readonly ComplyChange[],
): readonly ComplyChange[] {
  const broken = (list: readonly ComplyChange[]): number =>
    brokenIn(
      targets,
      list.reduce((b, d) => d.apply(b), build),
    ).length;
  const least = broken(drafts);
  return drafts.reduce<readonly ComplyChange[]>((kept, draft) => {
    const without = kept.filter((d) => d !== draft);
    return broken(without) <= least ? without : kept;
  }, drafts);
}

/** Settings that are read on the wheel that the controller holds. */
const BY_WHEEL: ReadonlySet<string> = new Set([
  'speed-limit',
  'throttle-limit',
  'walk-help',
  'limit-and-fade',
]);

/**
 * The smallest changes that bring a build into a wanted category of a place, with what each costs; what no setting
 * mends is said, and what is not known stays to be settled. Derived: remedies are taken one clause at a time, each on
 * the build that the others leave, and those that turn out unneeded are dropped.
 */
function makeItComply(build: BuildDocument, place: PlaceVerdict, wanted: Category): ComplyPlan {
  const targets = targetsOf(place, wanted);
  const drafts = smallest(build, targets, search(build, targets)).toSorted(
    (a, b) => EFFORT.indexOf(a.effort) - EFFORT.indexOf(b.effort),
  );
  const now = study(build);
  const broken = brokenIn(targets, build);
  const step = (draft: ComplyChange): ComplyStep => {
    const changed = draft.apply(build);
    const left = brokenIn(targets, changed);
    const cleared = broken.filter((one) => !left.some((l) => l.clause === one.clause));
    return {
      id: draft.id,
      what: draft.what,
      effort: draft.effort,
      clears: [...new Set(cleared.map((one) => one.clause.title))],
      serves: [...new Set(cleared.map((one) => one.about))],
      build: changed,
      cost: compare(changed, now).gains,
    };
  };
  const mended = drafts.some((d) => d.id === 'wheel-size');
  const doubtful = judgedIn(targets, build).filter(isDoubtful);
  const others = [...broken, ...doubtful]
    .flatMap((verdict) => changesFor(build, verdict, meets(verdict), clausesOf(targets)))
    .filter((d, i, all) => all.findIndex((o) => o.id === d.id) === i)
    .filter((d) => !drafts.some((t) => t.id === d.id))
    // A limit that makes up for a wheel that is not there would be wrong as soon as the wheel is mended.
    .filter((d) => !mended || !BY_WHEEL.has(d.id))
    .map(step)
    .filter((s) => s.clears.length > 0 || s.id === 'current');
  const whole = drafts.reduce((b, d) => d.apply(b), build);
  const ways = waysOf(whole);
  const left = judgedIn(targets, whole);
  return {
    category: wanted,
    steps: inSteps(drafts, (list) => list.map(step)[0]?.clears.length ?? 0).map(step),
    others,
    together: { build: whole, cost: compare(whole, now).gains, after: judgeCategory(wanted, ways) },
    cannot: [
      ...left.filter(over).map((v) => ({ title: v.clause.title, why: reason(v, build), about: v.about })),
      ...targets
        .filter(({ category }) => category.approval !== 'none')
        .map(({ category, about }) => ({
          title: category.approval === 'closed' ? 'Closed to conversions' : 'Approval',
          why: category.approvalNote ?? 'It needs an authority’s approval before it is ridden on a road.',
          about,
        })),
    ],
    toSettle: left.filter((v) => (isOpen(v) || isDoubtful(v)) && !over(v)),
  };
}

/**
 * The same for the first place of a book, by the id of the wanted category; undefined where the place has no such
 * category. The rest of the book are the places that the first one names.
 */
export function complyWith(build: BuildDocument, book: RuleBook, categoryId: string): ComplyPlan | undefined {
  const [place] = book;
  if (place === undefined) return undefined;
  const here = judgePlace(place, waysOf(build), book);
  const wanted = here.tests.flatMap((t) => t.categories).find((c) => c.category.id === categoryId);
  return wanted === undefined ? undefined : makeItComply(build, here, wanted.category);
}
