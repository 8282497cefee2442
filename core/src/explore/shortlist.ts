import type { BuildDocument } from '../document/document.ts';
import type { RuleBook } from '../law/rule-schema.ts';
import type { Part, PartOf } from '../parts/part.ts';
import type { LayoutName } from './motor-for.ts';
import { usualAsked, type SearchAsked } from './search/asked.ts';
import { buildOf, judgeFor, judgeWhole } from './search/finalists.ts';
import { gridOf } from './search/grid.ts';
import { searchShelf } from './search/search.ts';
import { USUAL_VOLTS, sameVolts } from './usual-volts.ts';

/** The cheapest of the shelf for one layout at one voltage, that holds all that a brief asks. */
export interface Shortlisted {
  readonly layout: LayoutName;
  readonly volts: number;
  readonly motor: PartOf<'motor'>;
  readonly pack: PartOf<'pack'>;
  readonly controller: PartOf<'controller'>;
  readonly build: BuildDocument;
}

/** So many of a group are judged whole, the cheapest first. */
const JUDGED = 3;

/**
 * What the search of the shelf would take for each layout and voltage, motor, pack and controller free, everything else as it is.
 * Groups of which nothing stands are left out.
 */
export function shortlist(
  build: BuildDocument,
  parts: readonly Part[],
  book: RuleBook,
): readonly Shortlisted[] {
  const usual = usualAsked(build);
  const asked: SearchAsked = { ...usual, goals: ['price'] };
  const grid = gridOf(build, parts, book, asked);
  const judge = judgeFor(build, parts);
  const tried = new Map<string, number>();
  const found = new Map<string, Shortlisted>();
  const work = searchShelf(build, parts, book, asked);
  let step = work.next();
  while (step.done !== true) step = work.next();
  for (const candidate of [...step.value.standing].sort((a, b) => a.price - b.price)) {
    const motor = grid.motors[candidate.motor];
    const pair = grid.pairs[candidate.pair];
    const [m, p, c] = [motor?.part, pair?.pack.part, pair?.controller.part];
    const volts = USUAL_VOLTS.find((v) => p !== undefined && sameVolts(p.nominalV, v));
    if (motor === undefined || m === undefined || p === undefined || c === undefined || volts === undefined)
      continue;
    const key = `${motor.layout} ${String(volts)}`;
    const count = tried.get(key) ?? 0;
    if (found.has(key) || count >= JUDGED) continue;
    tried.set(key, count + 1);
    const judgement = judgeWhole(judge, buildOf(grid, candidate), asked, book);
    if (judgement.why === undefined)
      found.set(key, {
        layout: motor.layout,
        volts,
        motor: m,
        pack: p,
        controller: c,
        build: judgement.build,
      });
  }
  return [...found.values()];
}
