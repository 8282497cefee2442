import { heldMetres } from '../ride/range-outcome.ts';
import type { BuildDocument } from '../document/document.ts';
import { lazily } from '../quantity/lazily.ts';
import { msToKmh } from '../quantity/units.ts';
import { plannedKm } from '../verdict/figures/range-figures.ts';
import { study, type Study } from '../verdict/study.ts';

/** The figures that a candidate is compared with another by; undefined where there is no such number. */
export interface Headlines {
  /** On the level at half charge. */
  readonly topKmh: number | undefined;
  /** Steady on the test hill at half charge; undefined where it is not climbed. */
  readonly hillKmh: number | undefined;
  readonly hillCadenceRpm: number | undefined;
  /** Heat in the winding on the test hill, W. */
  readonly copperW: number | undefined;
  readonly startPct: number;
  /** On the level at the brief's speed, legs helping, to the end of the charge. */
  readonly rangeKm: number | undefined;
  /** What may be planned on, the reserve kept back. */
  readonly plannedKm: { readonly low: number; readonly high: number } | undefined;
  /** The machine without rider and load. */
  readonly massKg: number;
}

/** Headline figures of a study, each worked out when it is read. */
export const headlines = (s: Study): Headlines =>
  lazily<Headlines>({
    topKmh: () => (s.top.moves ? msToKmh(s.top.v) : undefined),
    hillKmh: () => (s.climb.climbs ? msToKmh(s.climb.v) : undefined),
    hillCadenceRpm: () => (s.climb.climbs ? s.climb.cadenceRpm : undefined),
    copperW: () => (s.climb.climbs ? s.climb.copperW : undefined),
    startPct: () => s.start.gradePct,
    rangeKm: () => (heldMetres(s.range) > 0 ? heldMetres(s.range) / 1000 : undefined),
    plannedKm: () => plannedKm(s),
    massKg: () => s.machine.machineMassKg,
  });

/** What a candidate gains on each headline; below 0 it loses, undefined where there is nothing to compare. */
export interface Gains {
  readonly topKmh: number | undefined;
  readonly hillKmh: number | undefined;
  readonly startPct: number;
  readonly rangeKm: number | undefined;
  readonly massKg: number;
}

/** A candidate beside the build as it is now. */
export interface Comparison {
  readonly study: Study;
  readonly is: Headlines;
  readonly gains: Gains;
}

/** What a speed gains: where it does not climb or move it is nought; undefined where neither of the two does. */
export const speedGained = (after: number | undefined, before: number | undefined): number | undefined =>
  after === undefined && before === undefined ? undefined : (after ?? 0) - (before ?? 0);

const over = (after: number | undefined, before: number | undefined): number | undefined =>
  after === undefined || before === undefined ? undefined : after - before;

/**
 * Compares a candidate with the build as it is now: every what-if of the product goes through here. Nothing is worked
 * out before it is read, so that a search pays for what it ranks by. Pure.
 */
export function compare(candidate: BuildDocument, now: Study): Comparison {
  const after = study(candidate);
  const [is, was] = [headlines(after), headlines(now)];
  return {
    study: after,
    is,
    gains: lazily<Gains>({
      topKmh: () => speedGained(is.topKmh, was.topKmh),
      hillKmh: () => speedGained(is.hillKmh, was.hillKmh),
      startPct: () => is.startPct - was.startPct,
      rangeKm: () => over(is.rangeKm, was.rangeKm),
      massKg: () => is.massKg - was.massKg,
    }),
  };
}
