import {
  assemble,
  changeGains,
  compareLayouts,
  comparePlaces,
  complyWith,
  finalistsOf,
  gearsOnHill,
  getHome,
  ladder,
  learn,
  limitMap,
  linkRemedies,
  matchCells,
  measureNext,
  rangeBand,
  rangeCases,
  propose,
  readBuildText,
  readRulesText,
  rideHeat,
  rideHill,
  rideBeside,
  roadOfRide,
  rideRounds,
  ringRows,
  searchShelf,
  sensitivities,
  shelfOffers,
  underBudget,
  teachNext,
  textOf,
  together,
  tornado,
  voltsOrAmps,
  wouldLet,
  type Aim,
  type BandOutcome,
  type BandProgress,
  type BuildDocument,
  type Candidate,
  type Effort,
  type FinalistsFound,
  type StepGains,
  type GainsProgress,
  type HeatAsked,
  type Ladder,
  type LearnOutcome,
  type LearnProgress,
  type LearnRide,
  type LinkKey,
  type MatchOutcome,
  type MatchProgress,
  type Part,
  type PartOf,
  type Beside,
  type BesideProgress,
  type Result,
  type Recording,
  type RideKind,
  type RideRecord,
  type Route,
  type RuleBook,
  type SearchAsked,
  type SearchOutcome,
  type SearchProgress,
  type Tornado,
  type UsedCell,
  type WouldLet,
  type WouldTeach,
} from '@apple-cart/core';
import { readPartsFile } from '../files/parts-file.ts';
import { makeRoad, readRoadFile } from '../files/road-file.ts';

const then = <A, B>(first: Result<A>, next: (value: A) => Result<B>): Result<B> =>
  first.ok ? next(first.value) : first;

interface Of {
  readonly build: BuildDocument;
}
interface Searched extends Of {
  readonly parts: readonly Part[];
  readonly book: RuleBook;
  readonly asked: SearchAsked;
}
interface OnRoad extends Of {
  readonly route: Route;
}

/**
 * Everything that takes longer than a frame, each with what it needs. A study is a function of plain data, or a
 * generator that yields its progress; both run in a worker.
 */
export const STUDIES = {
  /** Into a category of the first place of the book; the rest are places that it names. */
  comply: ({ build, book, category }: Of & { book: RuleBook; category: string }) =>
    complyWith(build, book, category),
  home: ({ build, route }: OnRoad) => getHome(build, route),
  cases: ({ build, route }: OnRoad) => rangeCases(build, route),
  gears: ({ build, charge, gradePct }: Of & { charge: number; gradePct: number }) =>
    gearsOnHill(assemble(build), charge, gradePct),
  map: ({
    build,
    charge,
    speeds,
    grades,
  }: Of & { charge: number; speeds: readonly number[]; grades: readonly number[] }) => {
    const machine = assemble(build);
    return limitMap(machine, charge, machine.heldGear ?? 'best', speeds, grades);
  },
  hill: ({
    build,
    pinned,
    route,
    effort,
  }: OnRoad & { pinned: BuildDocument | undefined; effort: Effort }) => ({
    own: rideHill(build, route, effort),
    pinned: pinned === undefined ? undefined : rideHill(pinned, route, effort).ride,
  }),
  rounds: ({ build, pinned, route }: OnRoad & { pinned: BuildDocument | undefined }) => ({
    own: rideRounds(build, route),
    pinned: pinned === undefined ? undefined : rideRounds(pinned, route),
  }),
  /** What the plan says of a ride, on its road. */
  beside: ({
    build,
    ride,
    route,
    recording,
  }: Of & {
    ride: RideRecord;
    route: Route | undefined;
    recording: Recording | undefined;
  }): Generator<BesideProgress, Beside> =>
    rideBeside(build, ride, roadOfRide(ride, route, recording), recording !== undefined),
  /** What rides tell of the plan's values. */
  learn: ({ build, rides }: Of & { rides: readonly LearnRide[] }): Generator<LearnProgress, LearnOutcome> =>
    learn(build, rides),
  teach: ({
    build,
    route,
    done,
  }: OnRoad & { done: readonly RideKind[] }): Generator<number, readonly WouldTeach[]> =>
    teachNext(build, route, done),
  heat: ({ build, asked }: Of & { asked: HeatAsked }) => rideHeat(build, asked),
  steps: ({ build, parts, book }: Of & { parts: readonly Part[]; book: RuleBook }) =>
    voltsOrAmps(build, parts, book),
  remedies: ({ build, link, parts }: Of & { link: LinkKey; parts: readonly Part[] }) =>
    linkRemedies(build, link, parts),
  layouts: ({ build, motors, book }: Of & { motors: readonly PartOf<'motor'>[]; book: RuleBook }) =>
    compareLayouts(build, motors, book),
  proposals: ({ build, parts, book }: Of & { parts: readonly Part[]; book: RuleBook }) =>
    propose(build, parts, book),
  shelf: ({
    build,
    parts,
    packIndex,
    book,
  }: Of & { parts: readonly Part[]; packIndex: number; book: RuleBook }) =>
    shelfOffers(build, parts, packIndex, book),
  /** Every single step there is for a build. */
  gains: ({
    build,
    parts,
    book,
    own,
  }: Of & { parts: readonly Part[]; book: RuleBook; own: readonly string[] }): Generator<
    GainsProgress,
    StepGains
  > => changeGains(build, parts, book, own),
  /** Some of them as one build. */
  together: ({
    build,
    parts,
    book,
    ids,
  }: Of & { parts: readonly Part[]; book: RuleBook; ids: readonly string[] }) =>
    together(build, parts, book, ids),
  /** A share of the shelf, for one worker of several. */
  search: ({
    build,
    parts,
    book,
    asked,
    share,
  }: Searched & { share: { of: number; nth: number } }): Generator<SearchProgress, SearchOutcome> =>
    searchShelf(build, parts, book, asked, share),
  finalists: ({
    build,
    parts,
    book,
    asked,
    standing,
  }: Searched & { standing: readonly Candidate[] }): Generator<FinalistsFound, FinalistsFound> =>
    finalistsOf(build, parts, book, asked, standing),
  wouldLet: ({ build, parts, book, asked }: Searched): Generator<number, readonly WouldLet[]> =>
    wouldLet(build, parts, book, asked),
  ladder: ({
    build,
    parts,
    book,
    aim,
  }: Of & { parts: readonly Part[]; book: RuleBook; aim: Aim }): Generator<number, Ladder> =>
    ladder(build, parts, book, aim),
  budget: ({ build, parts, book }: Of & { parts: readonly Part[]; book: RuleBook }) =>
    underBudget(build, parts, book),
  rings: ({ build, rings }: Of & { rings: readonly number[] }) => ringRows(build, rings),
  places: ({ build, pack }: Of & { pack: number }) => comparePlaces(build, pack),
  measure: ({ build }: Of) => measureNext(build),
  moves: ({ build }: Of) => sensitivities(build),
  tornado: ({ build }: Of): Generator<number, Tornado> => tornado(build),
  band: ({
    build,
    route,
    rides,
    seed,
  }: OnRoad & { rides: number; seed: number }): Generator<BandProgress, BandOutcome> =>
    rangeBand(build, route, rides, seed),
  match: ({
    cells,
    series,
    parallel,
  }: {
    cells: readonly UsedCell[];
    series: number;
    parallel: number;
  }): Generator<MatchProgress, MatchOutcome> => matchCells(cells, series, parallel),
  /** Files are read here too: whatever is in one, the page stays alive. */
  buildFile: (bytes: Uint8Array) => then(textOf(bytes), readBuildText),
  rulesFile: (bytes: Uint8Array) => then(textOf(bytes), readRulesText),
  partsFile: readPartsFile,
  /** As text: it is read while it is typed, by the same reader. */
  textFile: textOf,
  roadFile: readRoadFile,
  road: makeRoad,
} as const;

export type StudyName = keyof typeof STUDIES;
type Made<N extends StudyName> = ReturnType<(typeof STUDIES)[N]>;
export type StudyInput<N extends StudyName> = Parameters<(typeof STUDIES)[N]>[0];
export type StudyOutput<N extends StudyName> = Made<N> extends Generator<unknown, infer R> ? R : Made<N>;
export type StudyProgress<N extends StudyName> = Made<N> extends Generator<infer P> ? P : never;
