import type { BuildDocument } from '../document/document.ts';
import { isWorse, type State } from '../check/state.ts';
import type { RuleBook } from '../law/rule-schema.ts';
import { buyPart } from '../parts/apply-part.ts';
import type { Part } from '../parts/part.ts';
import { evaluate } from '../verdict/evaluate.ts';
import { study, type Study } from '../verdict/study.ts';
import { opensBy } from './change/opens.ts';
import { layoutOf, suits } from './motor-for.ts';
import { offerOf, type Offer } from './offer.ts';

/** A cheaper build that keeps what the brief asks. */
export interface WayBack {
  /** Parts that take the place of the build's own. */
  readonly parts: readonly { readonly type: Part['type']; readonly name: string }[];
  readonly build: BuildDocument;
  /** Of the whole list; the far end where prices are guessed. */
  readonly total: number;
  readonly saved: number;
  readonly plannedKm: Offer['plannedKm'];
  readonly hillKmh: number | undefined;
  readonly className: string;
  /** What has to be found out then: not known, and not asked before, or asked less. */
  readonly opens: readonly string[];
}

/** What the search found. */
export type UnderBudget =
  | { readonly kind: 'no-budget' }
  | { readonly kind: 'within'; readonly left: number }
  | {
      readonly kind: 'over';
      readonly over: number;
      readonly ways: readonly WayBack[];
      /** The cheapest build that keeps the targets where none comes under the budget. */
      readonly nearest: WayBack | undefined;
      readonly tried: number;
    };

/** Types whose parts stand for another; only those that are still to be bought are given up. */
const SWAPPED = ['motor', 'pack', 'controller'] as const;
/** So many are told. */
const WAYS = 3;
const noWorse = (now: State, then: State): boolean => !isWorse(then, now);

/** What may not get worse: class, hill, heat and distance of the brief. */
function keeps(now: Offer, then: Offer, wantedKm: number): boolean {
  const reaches = (o: Offer): State => {
    if (o.plannedKm === undefined || o.plannedKm.high < wantedKm) return 'stop';
    return o.plannedKm.low < wantedKm ? 'look' : 'fine';
  };
  return (
    noWorse(now.classState, then.classState) &&
    (then.hillKmh !== undefined || now.hillKmh === undefined) &&
    noWorse(now.heatState, then.heatState) &&
    noWorse(reaches(now), reaches(then))
  );
}

/** What stops a build: checks of fit and of the power chain, and links of it that are too small. */
const stopsIn = ({ checks, powerChecks, chain }: Study): readonly string[] => [
  ...[...checks, ...powerChecks].filter((c) => c.state === 'stop').map((c) => c.id),
  ...chain.links
    .filter((l) => l.margin !== undefined && l.margin < 0)
    .map((l) => `${l.id} ${String(l.pack)}`),
];

/** A motor of another place in the machine is no cheaper motor, but another conversion. */
const sitsAlike = (build: BuildDocument, part: Part): boolean =>
  part.type !== 'motor' || suits(part, layoutOf(build));

/**
 * Builds of the shelf under the budget that keep what the brief asks, the cheapest first: one part in the place of the build's
 * own, then two. What is ordered, here or owned is kept.
 */
export function underBudget(build: BuildDocument, shelf: readonly Part[], book: RuleBook): UnderBudget {
  const { budget } = build.money;
  if (budget === null) return { kind: 'no-budget' };
  const verdict = evaluate(build, book, shelf);
  const total = verdict.list.ledger.total.most;
  if (total <= budget) return { kind: 'within', left: budget - total };
  const own = study(build);
  const now = offerOf(own, book);
  const stops = new Set(stopsIn(own));
  const wantedKm = verdict.known.brief.distanceKm.value;
  const priceOf = (key: string): number =>
    verdict.list.rows.find((r) => r.key === key && r.state === 'needed')?.price ?? 0;
  const cheaper = shelf.filter(
    (p) =>
      SWAPPED.some((type) => type === p.type) &&
      sitsAlike(build, p) &&
      p.currency === build.money.currency &&
      p.price !== null &&
      p.price < priceOf(p.type),
  );
  let tried = 0;
  const way = (parts: readonly Part[]): WayBack | undefined => {
    const next = parts.reduce((b, p) => buyPart(b, p), build);
    tried += 1;
    const { ledger } = evaluate(next, book, shelf).list;
    const sum = ledger.total.most;
    // What looks cheaper because more of it has no known price is no way back.
    if (sum >= total || ledger.noIdea > verdict.list.ledger.noIdea) return undefined;
    const then = study(next);
    if (stopsIn(then).some((one) => !stops.has(one))) return undefined;
    const offer = offerOf(then, book);
    if (!keeps(now, offer, wantedKm)) return undefined;
    return {
      parts: parts.map(({ type, name }) => ({ type, name })),
      build: next,
      total: sum,
      saved: total - sum,
      plannedKm: offer.plannedKm,
      hillKmh: offer.hillKmh,
      className: offer.className,
      opens: opensBy(own, then),
    };
  };
  const single = cheaper.flatMap((p) => way([p]) ?? []);
  const good = cheaper.filter((p) => single.some((w) => w.parts[0]?.name === p.name));
  const pairs = good.flatMap((a, i) =>
    good.slice(i + 1).flatMap((b) => (a.type === b.type ? [] : (way([a, b]) ?? []))),
  );
  const all = [...single, ...pairs].sort((a, b) => a.total - b.total);
  return {
    kind: 'over',
    over: total - budget,
    ways: all.filter((w) => w.total <= budget).slice(0, WAYS),
    nearest: all[0],
    tried,
  };
}
