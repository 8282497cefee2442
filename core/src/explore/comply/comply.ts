import type { BuildDocument } from '../../document/document.ts';
import { knownBuild } from '../../document/known.ts';
import { lawFacts, type ProfileFacts } from '../../law/facts.ts';
import { judgeCategory, judgePlace, type CategoryVerdict, type PlaceVerdict } from '../../law/judge.ts';
import { judgeClause, type ClauseVerdict } from '../../law/judge-clause.ts';
import type { Category, RuleBook } from '../../law/rule-schema.ts';
import { assembleKnown } from '../../machine/assemble.ts';
import type { Phrase } from '../../quantity/phrase.ts';
import { changesFor } from './changes-for.ts';
import type { ComplyChange } from './change.ts';
import { study } from '../../verdict/study.ts';
import { compare, type Gains } from '../compare.ts';

export interface ComplyStep {
  readonly id: string;
  readonly what: Phrase;
  readonly effort: ComplyChange['effort'];
  /** Titles of the clauses that it brings in, alone. */
  readonly clears: readonly string[];
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
  readonly cannot: readonly { readonly title: string; readonly why: string }[];
  /** What has to be looked up, measured or asked before it can be said. */
  readonly toSettle: readonly ClauseVerdict[];
}

const waysOf = (build: BuildDocument): readonly ProfileFacts[] => {
  const known = knownBuild(build);
  return lawFacts(build, known, assembleKnown(build, known));
};

/** Broken, or past a limit that is only doubtful: what a builder who wants the class will want to bring in. */
function over({ clause, state, margin, fact, sure }: ClauseVerdict): boolean {
  if (state === 'fail') return true;
  const answered = clause.kind === 'answer' && fact?.kind === 'answer' ? fact.answer : 'unknown';
  // A label that is not on breaks no class, and is put on all the same.
  if (state === 'check') return clause.kind === 'answer' && clause.fact === 'classLabel' && answered === 'no';
  if (state !== 'unknown' || !sure || (clause.kind === 'number' && clause.unsettled === true)) return false;
  return (margin !== undefined && margin < 0) || answered !== 'unknown';
}

/** What nobody has said yet: an unknown that decides, or whether the label is on. */
const isOpen = ({ clause, state, fact }: ClauseVerdict): boolean =>
  state === 'unknown' ||
  (clause.kind === 'answer' &&
    clause.fact === 'classLabel' &&
    fact?.kind === 'answer' &&
    fact.answer === 'unknown');

/** Categories that have to be met at once: the wanted one, and of each other test the first that is open to it. */
function targetsOf(place: PlaceVerdict, wanted: Category): readonly Category[] {
  const others = place.tests
    .filter((t) => t.test.categories.every((c) => c.id !== wanted.id))
    .map((t) => t.test.categories.find((c) => c.approval === 'none') ?? t.test.categories[0]);
  return [wanted, ...others.filter((c) => c !== undefined)];
}

const brokenIn = (targets: readonly Category[], build: BuildDocument): readonly ClauseVerdict[] => {
  const ways = waysOf(build);
  return targets.flatMap((c) => c.clauses.map((clause) => judgeClause(clause, ways))).filter(over);
};

/** More rounds than there are clauses with a remedy. */
const ROUNDS = 16;

/** Takes the first remedy of each broken clause in turn, each on top of the others, until none is left. */
function search(build: BuildDocument, targets: readonly Category[]): readonly ComplyChange[] {
  const taken: ComplyChange[] = [];
  let current = build;
  for (let round = 0; round < ROUNDS; round += 1) {
    const broken = brokenIn(targets, current);
    const next = broken
      .flatMap((verdict) => changesFor(current, verdict, meets(verdict)))
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
  targets: readonly Category[],
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

const EFFORT: readonly ComplyChange['effort'][] = ['setting', 'paper', 'part'];

/** Why no setting helps, by what the clause is about. */
function reason({ clause }: ClauseVerdict): string {
  if (clause.kind === 'one-of') return 'The number of wheels is the machine itself.';
  if (clause.kind === 'answer')
    return clause.fact === 'operablePedals'
      ? 'It needs pedals that can drive it.'
      : 'Something has to be fitted to the machine.';
  if (clause.kind !== 'number') return 'No setting of this build brings it in.';
  switch (clause.fact) {
    case 'ratedPowerW':
      return 'The rating is the maker’s and belongs to the motor as tested: a lower current limit does not change it. It takes another motor, or a rating for this one.';
    case 'massKg':
      return 'It takes a lighter donor, motor or pack.';
    case 'nominalV':
      return 'It takes another pack, and a motor wound for it.';
    case 'wheelCount':
      return 'The number of wheels is the machine itself.';
    case 'widthMm':
    case 'wheelbaseMm':
    case 'wheelDiameterMm':
    case 'tyreWidthMm':
      return 'It is a measure of the donor.';
    case 'peakWheelW':
    case 'assistEndKmh':
    case 'motorAloneKmh':
    case 'throttleAloneKmh':
      return 'No setting of this build brings it in.';
  }
}

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
    return {
      id: draft.id,
      what: draft.what,
      effort: draft.effort,
      clears: broken.filter((b) => !left.some((l) => l.clause === b.clause)).map((b) => b.clause.title),
      build: changed,
      cost: compare(changed, now).gains,
    };
  };
  const others = broken
    .flatMap((verdict) => changesFor(build, verdict, meets(verdict)))
    .filter((d, i, all) => all.findIndex((o) => o.id === d.id) === i)
    .filter((d) => !drafts.some((t) => t.id === d.id))
    .map(step)
    .filter((s) => s.clears.length > 0);
  const whole = drafts.reduce((b, d) => d.apply(b), build);
  const ways = waysOf(whole);
  const left = targets.flatMap((c) => c.clauses.map((clause) => judgeClause(clause, ways)));
  return {
    category: wanted,
    steps: drafts.map(step),
    others,
    together: { build: whole, cost: compare(whole, now).gains, after: judgeCategory(wanted, ways) },
    cannot: [
      ...left.filter(over).map((v) => ({ title: v.clause.title, why: reason(v) })),
      ...targets
        .filter((c) => c.approval !== 'none')
        .map((c) => ({
          title: c.approval === 'closed' ? 'Closed to conversions' : 'Approval',
          why: c.approvalNote ?? 'It needs an authority’s approval before it is ridden on a road.',
        })),
    ],
    toSettle: left.filter((v) => isOpen(v) && !over(v)),
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
