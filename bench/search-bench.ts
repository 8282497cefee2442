import { readFileSync } from 'node:fs';
import {
  assemble,
  finalistsOf,
  gridOf,
  part,
  searchShelf,
  shippedRules,
  summed,
  topSpeed,
  usualAsked,
  changeGains,
  chosenBuild,
  type BuildDocument,
  type Part,
  type SearchAsked,
  type SearchOutcome,
} from '@apple-cart/core';
import { demoBuilds } from './demo.ts';
import { line } from './measure.ts';

const readParts = (): readonly Part[] =>
  (JSON.parse(readFileSync(new URL('../demo/parts.json', import.meta.url), 'utf8')) as unknown[]).map((p) =>
    part.parse(p),
  );

function ended<T>(work: Generator<unknown, T>): T {
  for (;;) {
    const step = work.next();
    if (step.done === true) return step.value;
  }
}

/** Milliseconds of the best of three. */
function best<T>(work: () => T): readonly [ms: number, value: T] {
  let [least, value]: [number, T | undefined] = [Infinity, undefined];
  for (let i = 0; i < 3; i += 1) {
    const begun = performance.now();
    value = work();
    least = Math.min(least, performance.now() - begun);
  }
  return [least, value as T];
}

/** What putting every combination together costs, by a stride through the grid: the reference. */
function byAssembling(build: BuildDocument, parts: readonly Part[], asked: SearchAsked): number {
  const grid = gridOf(build, parts, shippedRules(), asked);
  let looked = 0;
  const begun = performance.now();
  for (let n = 0; n < 400; n += 1) {
    const motor = grid.motors[(7 * n) % grid.motors.length];
    const geared = motor?.geared[(11 * n) % motor.geared.length];
    const pair = grid.pairs[(13 * n) % grid.pairs.length];
    if (motor === undefined || geared === undefined || pair === undefined) continue;
    const machine = assemble(chosenBuild(grid, motor, geared, pair));
    topSpeed(machine, 0.5);
    looked += 1;
  }
  return looked / (performance.now() - begun);
}

/** The search of the shelf, and the steps of a change. */
export function benchSearch(): void {
  const parts = readParts();
  const book = shippedRules();
  const longtail = demoBuilds().find((b) => b.name === 'Orchard longtail');
  if (longtail === undefined) throw new Error('no longtail');
  const usual = usualAsked(longtail);
  const all: SearchAsked = { ...usual, free: { ...usual.free, gearing: true, tyre: true } };
  const reference = byAssembling(longtail, parts, all);
  const cases: readonly (readonly [string, SearchAsked])[] = [
    ['the brief', all],
    ['the brief, without its law', { ...all, held: { ...all.held, lawful: false } }],
  ];
  for (const [name, asked] of cases) {
    const [ms, outcome] = best((): SearchOutcome => ended(searchShelf(longtail, parts, book, asked)));
    const { looked, byBounds, stand } = summed([outcome.counts]);
    line(
      `search of ${looked.toLocaleString('en')} builds, ${name}`,
      `${ms.toFixed(0)} ms`,
      '10 s',
      `${(looked / ms).toFixed(0)},000 a second a core; ${((100 * byBounds) / looked).toFixed(0)} % by bounds, ${stand.toLocaleString('en')} stand; ${(looked / ms / reference).toFixed(0)} times assembling each`,
    );
    const begun = performance.now();
    const found = ended(finalistsOf(longtail, parts, book, asked, outcome.standing));
    line(
      `front of them judged whole, ${name}`,
      `${(performance.now() - begun).toFixed(0)} ms`,
      '',
      `${String(found.judged)} judged, ${String(found.finalists.length)} on the front`,
    );
  }
  const [ms, gains] = best(() => ended(changeGains(longtail, parts, book)));
  line(
    `${String(gains.steps.length)} steps of a change`,
    `${ms.toFixed(0)} ms`,
    '',
    `${(ms / gains.steps.length).toFixed(1)} ms each`,
  );
}
