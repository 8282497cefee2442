import {
  assemble,
  complyWith,
  gearsOnHill,
  getHome,
  limitMap,
  rangeCases,
  type BuildDocument,
  type ComplyPlan,
  type GearOnHill,
  type GetHome,
  type MapCell,
  type RangeCase,
  type Route,
  type RuleBook,
} from '@apple-cart/core';

/** Studies that take longer than a frame, each with what it needs and what comes of it. */
export interface Studies {
  /** Into a category of the first place of the book; the rest are places that it names. */
  readonly comply: {
    readonly input: { build: BuildDocument; book: RuleBook; category: string };
    readonly output: ComplyPlan | undefined;
  };
  readonly home: { readonly input: { build: BuildDocument; route: Route }; readonly output: GetHome };
  readonly cases: {
    readonly input: { build: BuildDocument; route: Route };
    readonly output: readonly RangeCase[];
  };
  readonly gears: {
    readonly input: { build: BuildDocument; charge: number; gradePct: number };
    readonly output: readonly GearOnHill[];
  };
  readonly map: {
    readonly input: {
      build: BuildDocument;
      charge: number;
      speeds: readonly number[];
      grades: readonly number[];
    };
    readonly output: readonly MapCell[];
  };
}
export type StudyName = keyof Studies;

export interface StudyRequest {
  readonly id: number;
  readonly name: StudyName;
  readonly input: unknown;
}
export type StudyAnswer =
  | { readonly id: number; readonly ok: true; readonly output: unknown }
  | { readonly id: number; readonly ok: false };

const WORK: { readonly [N in StudyName]: (input: Studies[N]['input']) => Studies[N]['output'] } = {
  comply: ({ build, book, category }) => complyWith(build, book, category),
  home: ({ build, route }) => getHome(build, route),
  cases: ({ build, route }) => rangeCases(build, route),
  gears: ({ build, charge, gradePct }) => gearsOnHill(assemble(build), charge, gradePct),
  map: ({ build, charge, speeds, grades }) => {
    const machine = assemble(build);
    return limitMap(machine, charge, machine.heldGear ?? 'best', speeds, grades);
  },
};

self.addEventListener('message', (event: MessageEvent<StudyRequest>) => {
  const { id, name, input } = event.data;
  try {
    const work = WORK[name] as (input: unknown) => unknown;
    self.postMessage({ id, ok: true, output: work(input) } satisfies StudyAnswer);
  } catch {
    self.postMessage({ id, ok: false } satisfies StudyAnswer);
  }
});
